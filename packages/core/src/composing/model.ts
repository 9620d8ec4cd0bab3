import { kindOf } from '../technique/catalogue.js';
import { BODY_REGIONS } from '../anatomy/body-region.js';
import { MUSCLE_GROUP_IDS, type MuscleGroupId } from '../anatomy/muscle-group.js';
import { shareOf } from '../catalogue/exercise.js';
import { boutDose } from '../dose/dose.js';
import { workBudget } from '../technique/timings.js';
import { ModelBuilder, termsOf, type LinearModel, type Terms } from './linear.js';
import type { Candidate } from './candidates.js';
import { purposeRules } from '../session/purpose.js';
import { target, worth, type ComposeNeed, type ComposeRequest } from './request.js';

/** Most exercises that the sets of one need are divided over. */
export const CANDIDATES_PER_NEED = 2;
/** How much more each second counts that is missing below half of what a need asks. Common practice, no source: nobody is starved. */
const STEEP = 2;
/** What a missing extra of the tighter side counts against a missing set. Common practice, no source. */
const BONUS_SHARE = 0.5;
/** What an exercise the client does not know counts on top of one that they know. Common practice, no source. */
const NEW_EXERCISE = 0.25;

/** Names of the objectives in the order in which they are settled. */
export const OBJECTIVES = ['floors', 'shortfall', 'exercises', 'positions'] as const;
export type ObjectiveName = (typeof OBJECTIVES)[number];

/** Places of the decisions of one candidate. */
export interface CandidateVariables {
  readonly used: number;
  readonly sets: number;
  /** Null where nothing extra is possible. */
  readonly bonus: number | null;
}

/** The model of a session, and where its decisions stand. */
export interface ComposeModel {
  readonly model: LinearModel;
  readonly candidates: readonly CandidateVariables[];
  readonly objectives: Readonly<Record<ObjectiveName, Terms>>;
  /** Seconds of work as the model counts them. */
  readonly work: Terms;
  /** What one unit of the shortfall is in percent of a need, times its weight. */
  readonly percent: number;
}

/** Which demands of the coach are put into the model, and whether the time is limited. */
export interface Demands {
  readonly keep: readonly string[];
  readonly locks: ComposeRequest['locks'];
  readonly timed: boolean;
}

const UNLIMITED = Infinity;

const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));
const lcm = (a: number, b: number): number => (a * b) / gcd(a, b);

/** Half of the largest step in which a need can be served, and how many of those it asks for: both whole. */
function grainsOf(
  need: ComposeNeed,
  candidates: readonly Candidate[],
): { readonly grain: number; readonly grains: number } {
  const grain = candidates.reduce((g, o) => gcd(g, worth(o.bout)), worth(need.bout));
  return { grain, grains: (2 * target(need)) / grain };
}

/**
 * The session as a mixed-integer programme (domain 2.7). For every candidate j: z used or not, n whole sets a side with z ≤ n ≤ M·z, b extra sets
 * of the tighter side; every phase and position that is used costs one change of position.
 *
 * Minutes are counted from above: a change of position between two phases that end and begin alike is counted though the order saves it,
 * and so is fetching a thing that is at hand already. The timeline is never longer than the model says.
 */
export function composeModel(
  request: ComposeRequest,
  candidates: readonly Candidate[],
  demands: Demands,
): ComposeModel {
  const { needs, timings } = request;
  const rules = purposeRules(request.purpose);
  const m = new ModelBuilder();
  const vars = candidates.map((o, j): CandidateVariables => {
    const most = needs[o.need]!.bout.sets;
    const used = m.variable(`z${j}`, 0, 1);
    const sets = m.variable(`n${j}`, 0, most);
    m.row(
      `atLeastOne${j}`,
      [
        [sets, 1],
        [used, -1],
      ],
      0,
      UNLIMITED,
    );
    m.row(
      `onlyWhenUsed${j}`,
      [
        [sets, 1],
        [used, -most],
      ],
      -UNLIMITED,
      0,
    );
    const extra = o.bout.bonus?.sets ?? 0;
    if (extra === 0) return { used, sets, bonus: null };
    const bonus = m.variable(`b${j}`, 0, extra);
    m.row(
      `extraWhenUsed${j}`,
      [
        [bonus, 1],
        [used, -extra],
      ],
      -UNLIMITED,
      0,
    );
    return { used, sets, bonus };
  });
  const all = candidates.map((o, j) => ({ candidate: o, v: vars[j]! }));

  const work: [number, number][] = all.flatMap(({ candidate: o, v }): [number, number][] => [
    [v.used, o.fixedSeconds],
    [v.sets, o.setSeconds],
    ...(v.bonus === null ? [] : [[v.bonus, o.bonusSeconds] as [number, number]]),
  ]);
  const positions: [number, number][] = [];
  for (const key of [...new Set(candidates.map((o) => `${o.phase} ${o.exercise.position}`))]) {
    const place = m.variable(`y ${key}`, 0, 1);
    positions.push([place, 1]);
    work.push([place, timings.newPosition - timings.samePosition]);
    for (const { candidate: o, v } of all)
      if (`${o.phase} ${o.exercise.position}` === key)
        m.row(
          `place ${key}`,
          [
            [place, 1],
            [v.used, -1],
          ],
          0,
          UNLIMITED,
        );
  }
  const warm = request.alreadyWarm || rules.warm;
  if (demands.timed) m.row('minutes', work, -UNLIMITED, workBudget(request.budgetSeconds, warm));

  const scale = needs.map((need, k) =>
    grainsOf(
      need,
      candidates.filter((o) => o.need === k),
    ),
  );
  const whole = scale.reduce((l, x) => lcm(l, x.grains), 1);
  const weightOf = (need: ComposeNeed): number =>
    need.weight * (request.trained.includes(need.group) ? rules.trainedFactor : 1);
  const floors: [number, number][] = [];
  const shortfall: [number, number][] = [];
  needs.forEach((need, k) => {
    const mine = all.filter(({ candidate }) => candidate.need === k);
    const sets: [number, number][] = mine.map(({ v }) => [v.sets, 1]);
    m.row(`sets ${k}`, sets, 0, need.bout.sets);
    m.row(
      `at most two ${k}`,
      mine.map(({ v }) => [v.used, 1]),
      0,
      CANDIDATES_PER_NEED,
    );
    const floor = Math.min(need.floorSets, need.bout.sets);
    if (floor > 0) {
      const unmet = m.variable(`floor ${k}`, 0, floor);
      m.row(`floor ${k}`, [...sets, [unmet, 1]], floor, UNLIMITED);
      floors.push([unmet, 1]);
    }
    // In whole grains, so that the objective has whole values only: the solver may then stop within one of them.
    const { grains, grain } = scale[k]!;
    const cost = (weightOf(need) * whole) / grains;
    const done: [number, number][] = mine.map(({ candidate, v }) => [v.sets, (2 * worth(candidate.bout)) / grain]);
    const missing = m.variable(`missing ${k}`, 0, grains);
    m.row(`missing ${k}`, [...done, [missing, 1]], grains, UNLIMITED);
    const deep = m.variable(`deep ${k}`, 0, grains / 2);
    m.row(`deep ${k}`, [...done, [deep, 1]], grains / 2, UNLIMITED);
    shortfall.push([missing, cost], [deep, cost * STEEP]);
    const extras = mine.flatMap(({ v }): [number, number][] => (v.bonus === null ? [] : [[v.bonus, 1]]));
    const extra = need.bout.bonus?.sets ?? 0;
    if (extras.length > 0) {
      m.row(`extra ${k}`, extras, 0, extra);
      const lacking = m.variable(`lacking ${k}`, 0, extra);
      m.row(`lacking ${k}`, [...extras, [lacking, 1]], extra, UNLIMITED);
      shortfall.push([lacking, weightOf(need) * BONUS_SHARE * (whole / need.bout.sets)]);
    }
  });

  const once = new Map<string, [number, number][]>();
  for (const { candidate, v } of all)
    once.set(candidate.exercise.id, [...(once.get(candidate.exercise.id) ?? []), [v.used, 1]]);
  for (const [id, uses] of once) m.row(`once ${id}`, uses, demands.keep.includes(id) ? 1 : 0, 1);
  for (const lock of demands.locks) {
    const mine = all.filter(({ candidate }) => candidate.exercise.id === lock.exerciseId);
    m.row(
      `lock ${lock.exerciseId}`,
      mine.map(({ v }) => [v.sets, 1]),
      lock.sets,
      lock.sets,
    );
  }

  for (const group of MUSCLE_GROUP_IDS) {
    const seconds = (still: boolean): [number, number][] =>
      all.flatMap(({ candidate: o, v }): [number, number][] => {
        const share = still ? Number(o.exercise.primary === group) : shareOf(o.exercise, group);
        const counted = still && !kindOf(o.bout.technique).still ? 0 : boutDose(o.bout) * share;
        return counted > 0 ? [[v.sets, counted]] : [];
      });
    const still = seconds(true);
    if (rules.staticMax !== null && still.length > 0) m.row(`still ${group}`, still, 0, rules.staticMax);
    const cap = request.caps[group];
    const along = seconds(false);
    if (cap !== undefined && along.length > 0) m.row(`cap ${group}`, along, 0, cap);
  }
  if (rules.oneRegion) {
    const regions = BODY_REGIONS.map((r) => ({
      groups: new Set<MuscleGroupId>(r.groups),
      at: m.variable(`region ${r.id}`, 0, 1),
    }));
    m.row(
      'one region',
      regions.map((r) => [r.at, 1]),
      0,
      1,
    );
    for (const { candidate, v } of all)
      m.row(
        `region of ${candidate.exercise.id}`,
        [
          [v.used, 1],
          ...regions.filter((r) => r.groups.has(candidate.exercise.primary)).map((r): [number, number] => [r.at, -1]),
        ],
        -UNLIMITED,
        0,
      );
  }

  const known = (id: string): number => (request.known.includes(id) ? 1 : 1 + NEW_EXERCISE);
  return {
    model: m,
    candidates: vars,
    objectives: {
      floors: termsOf(floors),
      shortfall: termsOf(shortfall),
      exercises: termsOf(all.map(({ candidate, v }) => [v.used, known(candidate.exercise.id)])),
      positions: termsOf(positions),
    },
    work: termsOf(work),
    percent: 100 / whole,
  };
}
