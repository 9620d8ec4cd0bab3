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
