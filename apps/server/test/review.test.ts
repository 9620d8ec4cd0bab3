import type { Block, Problem, Session, WeekReview } from '@yandle/contract';
import { v7 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { intakeBody } from './bodies.js';
import { aClient, harness, TODAY, type Harness } from './harness.js';
import {
  blockBy,
  decideBy,
  doses,
  half,
  logWeek,
  plannedAt,
  reviewBy,
  sessionsBy,
  SUNDAY,
  whole,
  type LogArgs,
} from './reviewing.js';

let h: Harness;
beforeAll(async () => (h = await harness()));
afterAll(() => h.close());

const at = (instant: Date): void => void (h.clock.now = instant);
const planned = () => plannedAt(h, SUNDAY);
const log = (...args: LogArgs) => logWeek(h, ...args);
const reviewOf = (client: string) => reviewBy(h, client);
const blockOf = (client: string) => blockBy(h, client);
const decide = (client: string, r: WeekReview, decisions: readonly object[]) => decideBy(h, client, r, decisions);

describe('the weekly review', () => {
  it('proposes by what was done, and a decision changes the plan from next week on', async () => {
    const client = await planned();
    await log(client, half);
    const before = await blockOf(client);
    const r = (await reviewOf(client))!;
    expect([r.week, r.fromWeek]).toEqual([1, 2]);
    const [soleus, hamstrings] = ['soleus', 'hamstrings'].map((g) => r.lanes.find((l) => l.group === g)!);
    expect(soleus!.review).toMatchObject({ move: 'repeat', because: { code: 'less-done', args: { percent: 50 } } });
    expect(hamstrings!.review).toMatchObject({
      move: 'advance',
      because: { code: 'as-planned', args: { percent: 100 } },
    });
    // What next week makes of it stands beside what was planned.
    expect(soleus!.proposed).not.toBe(soleus!.planned);
    expect(hamstrings!.proposed).toBe(hamstrings!.planned);

    const decisions = [
      { laneId: soleus!.laneId, move: 'repeat', reason: '' },
      { laneId: hamstrings!.laneId, move: 'advance', reason: '' },
    ];
    const after = (await decide(client, r, decisions).expect(200)).body as WeekReview;
    expect(after.lanes.map((l) => l.decision?.move)).toEqual(['repeat', 'advance']);
    const block = await blockOf(client);
    const [was, now] = [doses(before, 'soleus'), doses(block, 'soleus')];
    // The second week is the first again, and the steps come a week later.
    expect(now.slice(0, 3)).toEqual([was[0], was[0], was[1]]);
    expect(doses(block, 'hamstrings')).toEqual(doses(before, 'hamstrings'));
    // Every cell that it has changed is named, and no other.
    const differ = now.flatMap((d, i) => (d === was[i] ? [] : [i + 1]));
    expect(after.changed.every((c) => c.group === 'soleus' && c.before !== c.after)).toBe(true);
    expect(after.changed.map((c) => c.week)).toEqual(expect.arrayContaining(differ));
    expect((await reviewOf(client))!.changed).toEqual([]);
    expect(block.revision).toBe(before.revision + 1);

    // A decision is taken back by a further one, and the plan is what it was.
    const back = [{ laneId: soleus!.laneId, move: null, reason: '' }];
    await decide(client, after, back).expect(200);
    expect(doses(await blockOf(client), 'soleus')).toEqual(was);
  });

  it('goes down where it was too strong, and another change of the plan begins from there', async () => {
    const client = await planned();
    await log(client, whole, 8);
    const r = (await reviewOf(client))!;
    expect(r.lanes.map((l) => l.review.because.code)).toEqual(['far-too-strong', 'far-too-strong']);
    const all = r.lanes.map((l) => ({ laneId: l.laneId, move: 'ease', reason: 'Sharp at the end' }));
    await decide(client, r, all).expect(200);
    const eased = await blockOf(client);
    // It is at its first step: no step up.
    expect(doses(eased, 'soleus')[1]).toBe(doses(eased, 'soleus')[0]);
    const { choices, version } = eased;
    const longer = { ...choices, weeks: 9, version, reason: 'One week more' };
    const revised = (await h.agent.put(`/api/v1/blocks/${eased.id}`).send(longer).expect(200)).body as Block;
    expect(doses(revised, 'soleus').slice(0, 3)).toEqual(doses(eased, 'soleus').slice(0, 3));
  });

  it('lets no lane go up after a stop sign, though everything was done', async () => {
    const client = await planned();
    await log(client, whole);
    const first = (await sessionsBy(h, client))[0]!;
    const { run, items } = (await h.agent.get(`/api/v1/sessions/${first.id}`)).body as Session;
    const item = items.findIndex((i) => i.exerciseId === 'bent-knee-wall-calf');
    const felt = { item, side: 'left', symptom: 'pinching', form: null };
    await h.agent.put(`/api/v1/runs/${run!.id}/symptoms/${uuid()}`).send(felt).expect(200);
    const r = (await reviewOf(client))!;
    const of = (group: string) => r.lanes.find((l) => l.group === group)!;
    expect([of('soleus').review.because.code, of('soleus').proposal.move]).toEqual(['stop-sign', 'repeat']);
    expect(of('hamstrings').review.move).toBe('advance');
  });

  it('asks where nothing was logged, and proposes no step up', async () => {
    const client = await planned();
    const r = (await reviewOf(client))!;
    expect(r.lanes.map((l) => [l.review.move, l.review.because.code])).toEqual([
      ['ask', 'no-log'],
      ['ask', 'no-log'],
    ]);
    // Next week repeats the step, though nothing was done and all may change.
    expect([r.fromWeek, r.lanes.map((l) => l.proposed === l.planned)]).toEqual([2, [false, false]]);
  });

  it('refuses the second of two coaches, with nothing half written', async () => {
    const client = await planned();
    await log(client, half);
    const r = (await reviewOf(client))!;
    const [first, second] = r.lanes;
    await decide(client, r, [{ laneId: first!.laneId, move: 'repeat', reason: '' }]).expect(200);
    const late = await decide(client, r, [{ laneId: second!.laneId, move: 'ease', reason: '' }]).expect(409);
    expect((late.body as Problem).code).toBe('stale-version');
    expect((await reviewOf(client))!.lanes.map((l) => l.decision?.move ?? null).sort()).toEqual(
      [null, 'repeat'].sort(),
    );
    const fresh = (await reviewOf(client))!;
    const unknown = await decide(client, fresh, [
      { laneId: second!.laneId, move: 'ease', reason: '' },
      { laneId: 'nobody', move: 'ease', reason: '' },
    ]);
    expect(unknown.status).toBe(409);
    expect((await reviewOf(client))!.lanes.filter((l) => l.decision).length).toBe(1);
  });

  it('is none without a block or before a week is over, and shows no proposal while a doctor comes first', async () => {
    const client = await planned();
    at(new Date(`${TODAY}T09:00:00.000Z`));
    expect(await reviewOf(client)).toBeNull();
    expect(await reviewOf(await aClient(h))).toBeNull();
    at(SUNDAY);
    await log(client, half);
    await h.agent
      .put(`/api/v1/clients/${client}/intakes/${uuid()}`)
      .send(intakeBody(['heart']))
      .expect(200);
    const r = (await reviewOf(client))!;
    expect(r.lanes.every((l) => l.proposed === l.planned)).toBe(true);
    const decisions = r.lanes.map((l) => ({ laneId: l.laneId, move: 'repeat', reason: '' }));
    expect((await decide(client, r, decisions)).status).toBe(409);
  });
});
