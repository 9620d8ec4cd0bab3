import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import type { Assessment, PrioritiesBody, PrioritiesView } from '@yandle/contract';
import { ClientContext } from '../data/client-context';
import { PATH, Screen } from '../testing/screen';
import { aReading, anAssessment, NO_PRIORITIES } from '../testing/assessments';
import { FindingsScreen } from './findings';

function assessment(
  date: string,
  readings: readonly (readonly [string, 'left' | 'right' | null, number])[],
): Assessment {
  return anAssessment(
    date,
    readings.map(([testId, side, value]) => aReading(testId, side, value)),
  );
}

describe('FindingsScreen', () => {
  async function open(
    assessments: Assessment[],
    priorities: PrioritiesView = NO_PRIORITIES,
  ): Promise<Screen<FindingsScreen>> {
    const screen = await Screen.open(FindingsScreen, { clientId: 'c1' });
    TestBed.inject(ClientContext).open('c1');
    await screen.answer('/clients/c1/assessments', assessments);
    await screen.answer('/clients/c1/priorities', priorities);
    await screen.answer('/clients/c1', PATH);
    return screen;
  }

  it('ranks groups with the parts of each score and its reason, from the newest results', async () => {
    const screen = await open([
      assessment('2026-01-05', [['active-knee-extension', 'left', 20]]),
      assessment('2026-03-08', [
        ['active-knee-extension', 'left', 44],
        ['active-knee-extension', 'right', 32],
        ['weight-bearing-lunge', 'left', 3.3],
        ['weight-bearing-lunge', 'right', 3.3],
      ]),
    ]);
    const items = [...screen.el.querySelectorAll('ol h3')].map((h) => h.textContent);
    expect(items).toEqual(['Hamstrings', 'Soleus', 'Calf (gastrocnemius)']);
    // By hand: (44 − 20)/8 − 2 = 1 against a nominal value, side 12°/8 · 0.5 = 0.75.
    expect(screen.text).toContain('1.8 = range 1.0 + sides 0.8');
    expect(screen.text).toContain('Active knee extension: left 44°, 8° short of 36°');
    expect(screen.text).toContain('the left side is clearly tighter');
    expect(screen.text).toContain(
      '2 of 2 results are below typical. In a healthy client about 0.3 would be, by chance.',
    );
  });

  it('hands the chosen groups over to the block', async () => {
    const screen = await open([
      assessment('2026-03-08', [
        ['active-knee-extension', 'left', 44],
        ['weight-bearing-lunge', 'left', 3.3],
      ]),
    ]);
    // Both score 1: from the floor up.
    const go = vi.spyOn(TestBed.inject(Router), 'navigate').mockResolvedValue(true);
    const boxes = [...screen.el.querySelectorAll<HTMLInputElement>('ol input[type=checkbox]')];
    boxes[2]!.click();
    await screen.settle();
    await screen.press('Plan these 2');
    expect(go).toHaveBeenCalledWith(['/clients', 'c1', 'block'], { queryParams: { groups: 'soleus,hamstrings' } });
  });

  it('warns of very free joints, and says what a missing sex costs', async () => {
    const screen = await open([
      assessment('2026-03-08', [
        ['hip-abduction', 'left', 66],
        ['weight-bearing-lunge', 'left', 15.9],
        ['bent-knee-fall-out', 'left', 3],
      ]),
    ]);
    expect(screen.text).toContain('Very free in 3 tests');
    expect(screen.text).toContain('no end-range loading');
    expect(screen.text).toContain('Every measured group is on target.');
    expect(screen.text).toContain('Some references need the client’s sex');
  });

  it('says what to do when nothing is measured', async () => {
    expect((await open([])).text).toContain('Measure a battery');
  });

  const STIFF = [
    assessment('2026-03-08', [
      ['active-knee-extension', 'left', 44],
      ['active-knee-extension', 'right', 44],
      ['weight-bearing-lunge', 'left', 3.3],
      ['weight-bearing-lunge', 'right', 3.3],
    ]),
  ];
  const names = (screen: Screen<FindingsScreen>) => [...screen.el.querySelectorAll('ol h3')].map((h) => h.textContent);
  const sent = (screen: Screen<FindingsScreen>) =>
    screen.request('PUT', '/clients/c1/priorities').request.body as PrioritiesBody;

  it('counts from the client’s goal, and adds a complaint and an interest to the score, said in words', async () => {
    const screen = await open(STIFF, {
      priorities: { ...NO_PRIORITIES.priorities, version: 1, interests: [{ group: 'soleus', coach: 0, client: 3 }] },
      goals: [
        {
          id: 'g',
          testId: 'active-knee-extension',
          value: 20,
          due: null,
          words: 'kick',
          setOn: '2026-03-01',
          endedOn: null,
        },
      ],
      selfReports: [
        { id: 'f2', date: '2026-03-08', region: 'thigh-back', kind: 'complaint', moment: 'day', score: 3, habits: [] },
        { id: 'f1', date: '2026-03-01', region: 'thigh-back', kind: 'complaint', moment: 'day', score: 6, habits: [] },
      ],
    });
    expect(screen.text).toContain('44°, 24° short of 20°');
    expect(screen.text).toContain('complaint: back of the thigh 3 of 10');
    expect(screen.text).toContain('Back of the thigh 3 of 10 · 8 Mar · better (was 6)');
    expect(screen.text).toMatch(/Soleus .*interest 1\.0/);
    expect(screen.text).toContain('“kick”');
  });

  it('moves a group by the arrow keys of its handle, and back to the scores', async () => {
    const screen = await open(STIFF);
    const before = names(screen);
    const handle = screen.el.querySelector<HTMLElement>(`#group-calf [cdkDragHandle]`)!;
    handle.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowUp' }));
    await screen.settle();
    const wanted = [...before];
    const at = wanted.indexOf('Calf (gastrocnemius)');
    [wanted[at - 1], wanted[at]] = [wanted[at]!, wanted[at - 1]!];
    expect(names(screen)).toEqual(wanted);
    const request = screen.request('PUT', '/clients/c1/priorities');
    const body = request.request.body as PrioritiesBody;
    expect(body.version).toBeNull();
    expect(body.order[at - 1]).toBe('calf');
    const { version: _, ...rest } = body;
    request.flush({ ...NO_PRIORITIES, priorities: { ...rest, version: 1 } });
    await screen.settle();
    await screen.press('Back to the scores');
    expect(names(screen)).toEqual(before);
    expect(sent(screen)).toMatchObject({ version: 1, order: [] });
  });

  it('pins, and leaves out with a reason that stays in view', async () => {
    const screen = await open(STIFF);
    const last = names(screen).at(-1)!;
    const row = () => [...screen.el.querySelectorAll('li')].find((li) => li.querySelector('h3')?.textContent === last)!;
    row().querySelector<HTMLElement>('[aria-label^=Adjust]')!.click();
    await screen.settle();
    await screen.press('Pin to the top');
    expect(names(screen)[0]).toBe(last);
    expect(sent(screen).pinned).toHaveLength(1);
    const reason = row().querySelector<HTMLInputElement>('form input')!;
    reason.value = 'rests this block';
    row()
      .querySelector('form')!
      .dispatchEvent(new Event('submit', { cancelable: true }));
    await screen.settle();
    expect(names(screen)).not.toContain(last);
    expect(screen.text).toContain(`${last}: rests this block`);
  });

  it('takes an edit back that the server refuses, and says why', async () => {
    const screen = await open(STIFF);
    const before = names(screen);
    screen.el
      .querySelector<HTMLElement>('#group-calf [cdkDragHandle]')!
      .dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowUp' }));
    await screen.settle();
    screen
      .request('PUT', '/clients/c1/priorities')
      .flush(
        { code: 'stale-version', title: 'Changed by someone else', detail: 'Look again.' },
        { status: 409, statusText: 'x' },
      );
    await screen.settle();
    await screen.answer('/clients/c1/priorities', NO_PRIORITIES);
    expect(names(screen)).toEqual(before);
    expect(screen.text).toContain('Look again.');
  });

  it('notes what the client says, never prefilled', async () => {
    const screen = await open(STIFF);
    expect(screen.button('Note it').disabled).toBe(true);
    const scale = [...screen.el.querySelectorAll<HTMLButtonElement>('y-self-reports-card [role=radio]')];
    expect(scale.every((b) => b.getAttribute('aria-checked') === 'false')).toBe(true);
    scale[4]!.click();
    await screen.settle();
    screen.el.querySelector('y-self-reports-card form')!.dispatchEvent(new Event('submit', { cancelable: true }));
    await screen.settle();
    const put = screen.http.expectOne((r) => r.url.startsWith('/api/v1/clients/c1/self-reports/'));
    expect(put.request.body).toMatchObject({ region: 'low-back', kind: 'complaint', score: 4, habits: [] });
  });

  it('proposes two tests for the weekly quick check and keeps them', async () => {
    const screen = await open(STIFF);
    await screen.press('Use ');
    expect(sent(screen).quickCheck.slice().sort()).toEqual(['active-knee-extension', 'weight-bearing-lunge']);
  });

  it('warns of a high Beighton score and of a test ended by a symptom', async () => {
    const screen = await open([
      {
        ...STIFF[0]!,
        beighton: Array.from({ length: 9 }, (_, i) => i < 5),
        events: [{ id: 'e', testId: 'neck-rotation', kind: 'stopped', side: 'left', symptom: 'dizziness', reason: '' }],
      },
    ]);
    expect(screen.text).toContain('Beighton score 5 of 9, high from 5');
    expect(screen.text).toMatch(/Neck rotation.*dizziness, faintness or trouble seeing, left/);
  });

  it('tints the body by priority, one Tab stop, arrow keys in the order of the list', async () => {
    Element.prototype.scrollIntoView = vi.fn();
    const screen = await open(STIFF);
    const stops = [...screen.el.querySelectorAll<SVGElement>('y-body-figure [tabindex="0"]')];
    expect(stops).toHaveLength(1);
    expect(stops[0]!.getAttribute('aria-label')).toMatch(new RegExp(`^${names(screen)[0]}: place 1, score`));
    stops[0]!.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight', bubbles: true }));
    await screen.settle();
    const next = screen.el.querySelector<SVGElement>('y-body-figure [tabindex="0"]')!;
    expect(next.getAttribute('aria-label')).toMatch(/: place 2, score/);
    next.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
    await screen.settle();
    expect(screen.el.querySelector(`#group-${next.dataset['group']}`)!.className).toContain('bg-action-wash');
    const lats = screen.el.querySelector('y-body-figure [data-group=lats]')!;
    expect(lats.getAttribute('aria-label')).toBe('Lats: not measured');
  });
});
