import type { SessionSummary } from '@yandle/contract';
import { aBlock } from '../testing/a-block';
import { Screen } from '../testing/screen';
import { EarlierBlock } from './earlier-block';

const session = (id: string, over: Partial<SessionSummary> = {}): SessionSummary => ({
  ...{ id, clientId: 'c1', blockId: 'b1', name: null, date: '2026-03-09', week: 1, status: 'done' },
  ...{ plannedDate: '2026-03-09', totalSeconds: 900, exerciseIds: [], ...over },
});

describe('EarlierBlock', () => {
  async function open(blockId = 'b1') {
    const screen = await Screen.open(EarlierBlock, { clientId: 'c1', blockId });
    await screen.settle();
    await screen.answer('/clients/c1/blocks', [aBlock(undefined, { endedAt: '2026-04-20T10:00:00.000Z' })]);
    const sessions = [session('s1'), session('s2', { status: 'planned' }), session('s3', { blockId: 'b2' })];
    await screen.answer('/clients/c1/sessions', sessions);
    await screen.answer('/own-styles', []);
    return screen;
  }

  it('shows what was planned and how much of it was done, cell by cell, and nothing that changes it', async () => {
    const screen = await open();
    const list = screen.request('GET', '/blocks/b1/revisions');
    list.flush([
      { number: 2, reason: 'Fewer days', at: '2026-03-20T10:00:00.000Z', coachName: 'Mara Thornebrook' },
      { number: 1, reason: 'Start', at: '2026-03-08T10:00:00.000Z', coachName: 'Mara Thornebrook' },
    ]);
    await screen.settle();
    expect(screen.text).toContain('9 Mar 2026 – 3 May 2026 · ended 20 Apr 2026 · 1 of 2 sessions done');
    expect(screen.el.querySelectorAll('y-stave [role="gridcell"], y-stave td').length).toBeGreaterThan(15);
    expect(screen.text).toContain('Week 1');
    const names = [...screen.el.querySelectorAll('button')].map((b) => b.textContent.trim());
    expect(names.filter((n) => /Publish|Restore|End|Close|Undo/.test(n))).toEqual([]);
  });

  it('says where to go when there is no such block', async () => {
    const screen = await open('elsewhere');
    expect(screen.text).toContain('not among the client’s blocks');
  });
});
