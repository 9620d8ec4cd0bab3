import type { Report } from '@yandle/contract';
import { Screen } from '../testing/screen';
import { ReportScreen } from './report';
import { SharedReport } from './shared-report';

const bar = (text: string, before: string, solid: boolean) => ({
  ...{ fill: 0.6, text, last: { at: 0.4, solid, text: before } },
});
const report: Report = {
  ...{ studio: 'Harbour Lane', client: 'Ottoline', coach: 'Mara Thornebrook', from: '2026-02-02', to: '2026-03-09' },
  parts: [
    {
      id: 'sure',
      title: 'What has changed for sure',
      lines: ['Straightening the knee, left: 12° more since 2 February.'],
    },
    { id: 'next', title: 'What comes next', lines: ['We will test again on 22 March.'] },
  ],
  rows: [
    {
      ...{ testId: 'active-knee-extension', label: 'Straightening the knee', sideless: false },
      ...{ left: bar('28°', '40°', true), right: bar('28°', '32°', false) },
    },
  ],
  exercises: [{ id: 'bent-knee-wall-calf', name: 'Bent-knee calf stretch at a wall', figure: null }],
  safety: 'Stretching should never hurt.',
};

describe('ReportScreen', () => {
  it('shows one page of plain words with studio, coach and dates', async () => {
    const screen = await Screen.open(ReportScreen, { clientId: 'c1' });
    await screen.answer('/clients/c1/report', report);
    expect(screen.text).toContain('Ottoline, your progress so far');
    expect(screen.text).toContain('Harbour Lane · Mara Thornebrook');
    expect(screen.text).toContain('2 February 2026 to 9 March 2026');
    expect(screen.text).toContain('Straightening the knee, left: 12° more');
    expect(screen.el.querySelector('[role=img]')!.getAttribute('aria-label')).toContain('left 28°, before 40°');
    expect([...screen.el.querySelectorAll('a[download]')].map((a) => a.getAttribute('href'))).toEqual([
      '/api/v1/clients/c1/results.fhir.json?name=first',
      '/api/v1/clients/c1/results.fhir.json?name=pseudonym',
    ]);
  });

  it('makes a link that says when it ends, and ends it', async () => {
    const screen = await Screen.open(ReportScreen, { clientId: 'c1' });
    await screen.answer('/clients/c1/report', report);
    screen.button('Make a link').click();
    const asked = screen.request('POST', '/clients/c1/report-link');
    expect(asked.request.body).toEqual({ days: 30 });
    asked.flush({ token: 'abc', expiresAt: '2026-04-08T08:00:00.000Z' });
    await screen.settle();
    expect(screen.el.querySelector<HTMLInputElement>('input')!.value).toContain('/report#abc');
    expect(screen.text).toContain('until 8 April 2026');
    screen.button('End the link now').click();
    screen.request('POST', '/clients/c1/report-link/revoke').flush({});
    await screen.settle();
    expect(screen.el.querySelector('input')).toBeNull();
  });
});

describe('SharedReport', () => {
  it('opens by its token, which leaves the address', async () => {
    location.hash = '#a-token';
    const screen = await Screen.open(SharedReport);
    const asked = screen.request('POST', '/shared-report');
    expect(asked.request.body).toEqual({ token: 'a-token' });
    expect(location.hash).toBe('');
    asked.flush(report);
    await screen.settle();
    expect(screen.text).toContain('Ottoline, your progress so far');
  });

  it('says what to do when the link has ended', async () => {
    const screen = await Screen.open(SharedReport);
    const problem = { code: 'not-signed-in', title: 'x', detail: 'This link has ended. Ask your coach for a new one.' };
    screen.request('POST', '/shared-report').flush(problem, { status: 401, statusText: '401' });
    await screen.settle();
    expect(screen.text).toContain('Ask your coach for a new one.');
  });
});
