import type { SetLog } from '@yandle/contract';
import { Outbox } from '../data/outbox/outbox';
import { wireOf, type QueuedRequest } from '../data/outbox/queued-request';
import { TestBed } from '@angular/core/testing';
import { aRun, aSession } from '../testing/a-session';
import { Screen } from '../testing/screen';
import { SessionSheet } from './sheet';

const one = aSession({
  items: [{ exerciseId: 'bent-knee-wall-calf', sets: 1, holdSeconds: 30, sensation: 5, firstSide: 'left' }],
});
const log: SetLog = {
  id: 'l1',
  item: 0,
  side: 'left',
  set: 1,
  plannedSeconds: 30,
  doneSeconds: 30,
  form: 'seated-strap-calf',
  replaces: null,
  replacedBy: null,
};

describe('what was done, written down', () => {
  let sent: QueuedRequest[];
  beforeEach(() => sessionStorage.clear());
  async function open(over: Parameters<typeof aSession>[0] = {}): Promise<Screen<SessionSheet>> {
    sent = [];
    const box = {
      post: (l: QueuedRequest) => sent.push(l),
      pending: () => 0,
      offline: () => false,
      state: () => 'saved',
      refusals: () => [],
    };
    const screen = await Screen.open(SessionSheet, { sessionId: 's1' }, () =>
      TestBed.overrideProvider(Outbox, { useValue: box }),
    );
    await screen.answer('/sessions/s1', { ...one, ...over });
    return screen;
  }
  const choose = async (screen: Screen<SessionSheet>, selector: string, value: string): Promise<void> => {
    const select = screen.el.querySelector<HTMLSelectElement>(selector)!;
    select.value = value;
    select.dispatchEvent(new Event('change'));
    await screen.settle();
  };
  const fields = (screen: Screen<SessionSheet>): HTMLInputElement[] => [
    ...screen.el.querySelectorAll<HTMLInputElement>('y-log-panel td input'),
  ];

  it('from paper: a run of its own, every set as planned, the answers', async () => {
    const screen = await open();
    await screen.press('Log it');
    await screen.press('Fill as planned');
    await screen.press('Save');
    expect(sent.map((l) => wireOf(l).path.replace(/[0-9a-f-]{36}/g, '*'))).toEqual([
      '/sessions/s1/runs',
      '/runs/*/sets/*',
      '/runs/*/sets/*',
      '/runs/*/finish',
    ]);
    expect(sent[0]!.body).toMatchObject({ source: 'paper' });
    expect(sent.slice(1, 3).map((l) => l.body)).toMatchObject([
      { side: 'left', doneSeconds: 30, replaces: null },
      { side: 'right', doneSeconds: 30, replaces: null },
    ]);
    expect(sent[3]!.body).toMatchObject({ sensation: null, feltTighter: null });
  });

  it('done as planned is one press, with the focus on it, and then the next that is not logged', async () => {
    const screen = await open();
    document.body.append(screen.el);
    await screen.press('Log it');
    expect(document.activeElement!.textContent).toContain('Done as planned');
    await screen.press('Done as planned');
    expect(sent.filter((l) => l.kind === 'log').map((l) => l.body)).toMatchObject([
      { side: 'left', doneSeconds: 30 },
      { side: 'right', doneSeconds: 30 },
    ]);
    const waits = { ...aSession({ id: 's2', date: '2026-03-09' }), exerciseIds: [] };
    await screen.answer('/clients/c1/sessions', [aSession(), waits, { ...waits, id: 's3', status: 'done' }]);
    const link = [...screen.el.querySelectorAll('a')].find((a) => a.textContent.includes('Log the next one'))!;
    expect(link.textContent).toContain('9 March');
    expect(link.getAttribute('href')).toBe('/clients/c1/sessions/s2?log=1');
    screen.el.remove();
  });

  it('an empty log is not saved: it would say nothing', async () => {
    const screen = await open();
    await screen.press('Log it');
    await screen.press('Save');
    expect(sent).toEqual([]);
    expect(screen.text).toContain('Nothing is entered yet.');
  });

  it('a symptom from paper is dated when the session was done, and asks in which exercise and on which side', async () => {
    const screen = await open();
    await screen.press('Log it');
    await screen.fill('y-log-panel input[type=date]', '2026-03-09');
    await screen.fill('y-log-panel input[type=time]', '07:30');
    await choose(screen, 'y-symptom-question label select', 'pinching');
    await choose(screen, 'y-symptom-question label:last-child select', 'right');
    await screen.press('Save');
    const symptom = sent.find((l) => l.kind === 'symptom')!.body;
    expect(symptom).toMatchObject({ item: 0, side: 'right', symptom: 'pinching' });
    expect(new Date((symptom as { at: string }).at).getTime()).toBe(new Date('2026-03-09T07:30:00').getTime());
  });

  it('what is typed survives closing and a reload', async () => {
    const typed = async (screen: Screen<SessionSheet>) => {
      await screen.press('Log it');
      return fields(screen)[0]!;
    };
    const left = await typed(await open());
    left.value = '25';
    left.dispatchEvent(new Event('input'));
    TestBed.tick();
    const again = await open();
    expect((await typed(again)).value).toBe('25');
    expect(again.text).toContain('What you typed before is here again');
    await again.press('Save');
    expect(sessionStorage.length).toBe(0);
  });

  it('sends nothing that was left empty', async () => {
    const screen = await open();
    await screen.press('Log it');
    const [left] = fields(screen);
    left!.value = '25';
    left!.dispatchEvent(new Event('input'));
    await screen.settle();
    await screen.press('Save');
    expect(sent.filter((l) => wireOf(l).path.includes('/sets/')).map((l) => l.body)).toMatchObject([
      { side: 'left', doneSeconds: 25 },
    ]);
  });

  it('put right: only what changed, in the place of what stood, with all that was said of it', async () => {
    const screen = await open({
      status: 'done',
      run: aRun({ endedAt: '2026-03-11T17:09:00.000Z', sensation: 4, sets: [log] }),
    });
    await screen.press('Correct the log');
    expect(screen.text).toContain('set 1 as Seated calf stretch');
    const [left] = fields(screen);
    expect(left!.value).toBe('30');
    left!.value = '12';
    left!.dispatchEvent(new Event('input'));
    await screen.settle();
    await screen.press('Save');
    expect(sent.map((l) => l.body)).toMatchObject([{ doneSeconds: 12, replaces: 'l1', form: 'seated-strap-calf' }]);
  });
});
