import {
  addDays,
  boutDose,
  buildBlock,
  exerciseById,
  laneFound,
  laneRecord,
  laterStyleOf,
  onPlateau,
  partsOf,
  proposedMove,
  reviewLane,
  sessionsOfBlock,
  stepsBack,
  type BlockInput,
  type ChangedBefore,
  type DatedResult,
  type DatedSession,
  type EasedWeek,
  type LaneExercise,
  type LaterStyle,
  type PlannedLane,
  type ReviewedBout,
  type ReviewedSession,
} from '@yandle/core';
import { dated, RULE, START } from './client';
import { Random } from './random';

/** A kind of client, and how they take a plan. */
export interface Taker {
  readonly name: string;
  /** Share of the sessions that they do. */
  readonly does: number;
  /** Seconds a side and week that they bear at first; it grows by this share in each week within it. */
  readonly bears: number;
  readonly grows: number;
  /** Degrees that one technique can bring them at most. */
  readonly most: number;
}

export const TAKERS: readonly Taker[] = [
  { name: 'does and bears all', does: 0.98, bears: 2000, grows: 0, most: 40 },
  { name: 'does four sessions of five', does: 0.8, bears: 2000, grows: 0, most: 40 },
  { name: 'does half of them', does: 0.5, bears: 2000, grows: 0, most: 40 },
  { name: 'bears 240 s a week at first', does: 0.95, bears: 240, grows: 0.03, most: 40 },
  { name: 'stands still in one technique', does: 0.95, bears: 2000, grows: 0, most: 4 },
];

const GROUP = 'hamstrings';
const EXERCISES: readonly LaneExercise[] = [
  { technique: 'static hold', exercise: exerciseById('supine-strap-hamstring'), dayPlanId: null },
  { technique: 'contract-relax', exercise: exerciseById('supine-strap-hamstring'), dayPlanId: null },
];
const SEM = 1.5;
/** Weeks of the block. */
export const BLOCK = 16;
/** Degrees wanted, and by which week: after the block, so that keeping what is reached does not come into it. */
export const [WANTED, WANTED_BY] = [21, 24];
/** Degrees that a week with much stretching brings; and seconds that bring two thirds of it. */
export const [WEEKLY, SECONDS] = [1.7, 300];

/** What became of one client. */
interface Course {
  /** Seconds a side: asked for, and done, by week. */
  readonly asked: readonly number[];
  readonly done: readonly number[];
  /** Weeks with a sensation of 8 or more. */
  readonly strained: number;
  /** True degrees won by the end. */
  readonly gain: number;
  /** What the reviews proposed, by week. */
  readonly moves: readonly string[];
}

function planOf(later: readonly LaterStyle[], eased: readonly EasedWeek[], past: PlannedLane | null): PlannedLane {
  const input: BlockInput = {
    client: {
      age: 35,
      experience: 'regular',
      trainingDays: [1, 2, 3, 4, 5, 6],
      gentleGroups: [],
      minutesPerSession: 30,
    },
    lanes: [
      {
        group: GROUP,
        styleId: 'steady-hold',
        exercises: EXERCISES,
        laterStyles: later,
        eased,
        past: past?.weeks ?? [],
      },
    ],
    weeks: BLOCK,
    ramp: 0.2,
    easierEvery: 4,
    startDate: START,
  };
  return buildBlock(input).lanes[0]!;
}

function sessionsOf(lane: PlannedLane): DatedSession[] {
  const exercises = EXERCISES.map(({ technique, exercise }) => ({
    technique,
    exerciseId: exercise.id,
    dayPlanId: null,
  }));
  const plan = { lanes: [lane], retestWeeks: [], shortages: [] };
  return sessionsOfBlock(plan, START, [{ group: GROUP, firstSide: 'left', exercises }]);
}

/** What of a session is logged: the sensation goes up with the dose beyond what is borne; at 8 a hold is broken off. */
function logOf({ week, items }: DatedSession, taker: Taker, over: number, random: Random): ReviewedSession {
  if (random.next() >= taker.does)
    return { week, items, rounds: 1, logged: true, sensation: null, bouts: [], stopped: [] };
  const felt = (target: number): number =>
    Math.max(0, Math.min(10, Math.round(target + random.normal(0.7) + 6 * Math.max(0, over - 1))));
  const bouts = items.flatMap((i, item): ReviewedBout[] => {
    const seconds = partsOf(i, exerciseById(i.exerciseId)).reduce((sum, p) => sum + boutDose(p.bout), 0);
    const sensation = felt(i.sensation);
    const doneSeconds = sensation >= 8 ? 0.6 * seconds : seconds;
    return (['left', 'right'] as const).flatMap((side) =>
      Array.from({ length: i.sets }, (_, n) => ({
        ...{ item, side, plannedSeconds: seconds, doneSeconds },
        sensation: n === 0 ? sensation : null,
      })),
    );
  });
  return { week, items, rounds: 1, logged: true, sensation: null, bouts, stopped: [] };
}

/** One client's block. @param reviewed whether each week's review is accepted, or the plan goes on as it was made */
function follow(taker: Taker, reviewed: boolean, random: Random): Course {
  let [later, eased]: [LaterStyle[], EasedWeek[]] = [[], []];
  let lane = planOf([], [], null);
  let bears = taker.bears;
  const won = new Map<string, number>();
  const gain = (): number => [...won.values()].reduce((a, b) => a + b, 0);
  const truth = 60;
  const results: DatedResult[] = [dated(truth, 0, SEM, random)];
  const logs: ReviewedSession[] = [];
  const [asked, done, moves]: [number[], number[], string[]] = [[], [], []];
  let strained = 0;
  let changed: ChangedBefore | null = null;
  for (let week = 1; week <= BLOCK; week++) {
    const cell = lane.weeks[week - 1]!;
    const own = sessionsOf(lane)
      .filter((s) => s.week === week)
      .map((s) => logOf(s, taker, cell.dose / bears, random));
    logs.push(...own);
    const seconds = own.flatMap((s) => s.bouts).reduce((sum, b) => sum + b.doneSeconds, 0) / 2;
    const strong = own.some((s) => s.bouts.some((b) => (b.sensation ?? 0) >= 8));
    asked.push(cell.dose);
    done.push(seconds);
    if (strong) strained++;
    else bears *= 1 + taker.grows;
    // A week that was too much brings half.
    const { technique } = cell.prescription;
    const brings = WEEKLY * (1 - Math.exp(-seconds / SECONDS)) * (strong ? 0.5 : 1);
    won.set(technique, Math.min(taker.most, (won.get(technique) ?? 0) + brings));
    const today = addDays(START, 7 * week - 1);
    results.push(dated(truth + gain(), 7 * week - 1, SEM, random));
    if (!reviewed || week === BLOCK) continue;
    const aim = { value: truth + WANTED, by: addDays(START, 7 * WANTED_BY), setOn: START };
    const sum = (of: readonly number[]): number => of.reduce((a, b) => a + b, 0);
    const goal = {
      test: { limits: [{ group: GROUP, weight: 1, side: 'same' }], better: RULE.better, unit: 'deg' },
      ...{ aim, sides: [results], adherence: sum(done) / sum(asked) },
    } as const;
    const found = laneFound(GROUP, [goal], today, { week, changed });
    const record = laneRecord({ group: GROUP, technique }, week, today, logs, [], found, exerciseById)!;
    const to = onPlateau(lane.weeks, week, (t) => EXERCISES.some((e) => e.technique === t), changed);
    const move = proposedMove(reviewLane(record), { change: to !== undefined, keep: true });
    moves.push(move);
    const steps = stepsBack(move);
    if (steps !== null) eased = [...eased, { week: week + 1, steps, why: 'review' }];
    const style = laterStyleOf(move, to ?? null, week + 1);
    if (style) later = [...later, style];
    if (move === 'change') changed = { week, styleId: to ?? null };
    if (steps !== null || style) lane = planOf(later, eased, { ...lane, weeks: lane.weeks.slice(0, week) });
  }
  return { asked, done, strained, gain: gain(), moves };
}

/** A kind of client with and without reviews. */
export interface ReviewShares {
  readonly taker: string;
  readonly reviewed: boolean;
  /** Seconds a side asked for in the last four weeks, a week; and the share of what was asked in the block that was done. */
  readonly lastAsked: number;
  readonly done: number;
  /** Weeks of the block that were too strong, and degrees won, on average. */
  readonly strained: number;
  readonly gain: number;
  /** Shares of the reviews that went a step back, repeated, and changed something. */
  readonly eased: number;
  readonly repeated: number;
  /** Share of the clients of whom it was ever proposed to change something. */
  readonly changed: number;
}

const mean = (of: readonly number[]): number => of.reduce((a, b) => a + b, 0) / of.length;

/** Both of each kind, from the same seed: the same people, as long as their plans are the same. */
export function reviewShares(taker: Taker, clients: number, seed: number): ReviewShares[] {
  return [false, true].map((reviewed) => {
    const all = Array.from({ length: clients }, (_, i) => follow(taker, reviewed, new Random(seed + i)));
    const moves = all.flatMap((c) => c.moves);
    const share = (...of: string[]): number =>
      moves.length === 0 ? 0 : moves.filter((m) => of.includes(m)).length / moves.length;
    return {
      ...{ taker: taker.name, reviewed },
      lastAsked: mean(all.flatMap((c) => c.asked.slice(-4))),
      done: mean(all.flatMap((c) => c.done)) / mean(all.flatMap((c) => c.asked)),
      strained: mean(all.map((c) => c.strained)),
      gain: mean(all.map((c) => c.gain)),
      eased: share('ease', 'ease two'),
      repeated: share('repeat'),
      changed: mean(all.map((c) => (c.moves.includes('change') ? 1 : 0))),
    };
  });
}
