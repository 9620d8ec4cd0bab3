import type { CutFact } from '../facts.js';
import { amountOf } from '../../technique/prescription.js';
import { isLoaded } from '../../technique/catalogue.js';
import { sessionSeconds } from '../../session/session-seconds.js';
import { allocate, type LaneRequest } from './allocate.js';
import { BLOCK_BOUNDS } from '../bounds.js';
import { isPast, type Draft } from './draft-cell.js';
import type { LanePlanner } from './lane-planner.js';
import type { BlockInput, PlannedWeek, Cut } from '../plan.js';
import { firstWeekday } from '../day-plan/week-days.js';

/** Fits one week's lanes into its days and minutes; the last lanes give way first (domain rule 2.6, 10). */
export function fitWeek(
  planners: readonly LanePlanner[],
  drafts: (Draft | PlannedWeek)[],
  open: readonly number[],
  input: BlockInput,
  week: number,
  cuts: Cut[],
): { offsets: number[][]; cutsOf: CutFact[][] } {
  const budget = input.client.minutesPerSession === undefined ? null : input.client.minutesPerSession * 60;
  const most = input.lanesPerSession ?? BLOCK_BOUNDS.lanesPerSession.default;
  const first = firstWeekday(input);
  const cutsOf: CutFact[][] = drafts.map(() => []);
  const active = drafts.map((d) => d.kind !== 'rest');
  const requests = drafts.map((d, i): LaneRequest => ({
    sessions: active[i] && !isPast(d) ? d.prescription.sessionsPerWeek : 0,
    loaded: isLoaded(d.prescription.technique),
    items: active[i] ? planners[i]!.items(d) : [],
    lastDay: planners[i]!.lastDay,
  }));
  const placed = allocate(requests, open, budget, most, input.client.timings).days;
  const offsets = drafts.map((d, i) => (isPast(d) ? d.days.map((x) => (x - first + 7) % 7) : [...placed[i]!]));
  const cut = (i: number, fact: CutFact): void => {
    cuts.push({ lane: i, week, fact });
    cutsOf[i]!.push(fact);
  };
  drafts.forEach((d, i) => {
    const wished = d.prescription.sessionsPerWeek;
    const got = offsets[i]!.length;
    if (isPast(d) || !active[i] || got >= wished) return;
    const sessions = { sessions: got, wanted: wished };
    cut(
      i,
      isLoaded(d.prescription.technique)
        ? { code: 'gap-between-loaded', args: sessions }
        : { code: 'lanes-per-session', args: { ...sessions, most } },
    );
  });
  if (budget === null) return { offsets, cutsOf };
  const minutes = budget / 60;

  const length = (day: number): number =>
    sessionSeconds(
      drafts.flatMap((d, i) => (offsets[i]!.includes(day) ? planners[i]!.items(d) : [])),
      input.client.timings,
    );
  const lengths = new Map(open.map((day) => [day, length(day)]));
  const over = (): number[] => open.filter((day) => lengths.get(day)! > budget);
  let full = over();
  const giveWay = (able: (d: Draft, i: number) => boolean, give: (d: Draft, i: number) => void): void => {
    for (let i = drafts.length - 1; i >= 0 && full.length > 0;) {
      const d = drafts[i]!;
      if (isPast(d) || d.locked || !offsets[i]!.some((o) => full.includes(o)) || !able(d, i)) {
        i--;
        continue;
      }
      const touched = offsets[i]!;
      give(d, i);
      for (const day of touched) lengths.set(day, length(day));
      full = over();
    }
  };
  const set = (i: number, part: Partial<Draft>): void => {
    drafts[i] = { ...(drafts[i] as Draft), ...part };
  };
  // This week's step is the first to go, then the tighter side's extra, then sets, then sessions.
  giveWay(
    (d) => d.before !== null && !amountless(d),
    (d, i) => {
      const back = d.before!;
      const fewer = offsets[i]!.length > back.prescription.sessionsPerWeek;
      if (fewer) offsets[i] = offsets[i]!.slice(0, back.prescription.sessionsPerWeek);
      set(i, {
        prescription: d.dress(back.prescription),
        activationReps: back.activationReps,
        before: null,
        changed: null,
        step: d.step - 1,
        reasons: [{ code: 'step-waits' }],
      });
      cuts.push({ lane: i, week, fact: { code: 'step-postponed' } });
    },
  );
  giveWay(
    (d) => d.prescription.bonus !== undefined,
    (d, i) => {
      const { bonus: _, ...plain } = d.prescription;
      set(i, { prescription: plain });
      cut(i, { code: 'no-extra' });
    },
  );
  giveWay(
    (d) => d.prescription.sets > 1,
    (d, i) => {
      set(i, { prescription: { ...d.prescription, sets: d.prescription.sets - 1 } });
      const { sets } = d.prescription;
      cut(i, { code: 'fewer-sets', args: { from: sets, to: sets - 1, minutes } });
    },
  );
  giveWay(
    (_, i) => offsets[i]!.length > 0,
    (_, i) => {
      const worst = offsets[i]!.filter((o) => full.includes(o)).at(-1)!;
      const before = offsets[i]!.length;
      offsets[i] = offsets[i]!.filter((o) => o !== worst);
      cut(i, { code: 'fewer-sessions', args: { from: before, to: before - 1, minutes } });
    },
  );
  return { offsets, cutsOf };
}

/** True when giving a step back would save no time: only load, help, push or sensation changed. */
function amountless(d: Draft): boolean {
  const a = d.before!.prescription;
  const b = d.prescription;
  return (
    a.sets === b.sets &&
    a.sessionsPerWeek === b.sessionsPerWeek &&
    amountOf(a) === amountOf(b) &&
    a.cycles === b.cycles &&
    d.before!.activationReps === d.activationReps
  );
}
