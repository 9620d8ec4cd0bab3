import fc from 'fast-check';
import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import type { Exercise } from '../catalogue/exercise.js';
import { exerciseById } from '../catalogue/exercises.js';
import type { SessionItem } from '../session/item.js';
import { orderItems } from '../session/order.js';
import { buildTimeline } from '../session/timeline.js';
import type { Bout } from '../technique/prescription.js';
import { briskTimings, DEFAULT_TIMINGS } from '../technique/timings.js';
import { need, request } from './request.fixture.js';
import type { ComposeNeed, ComposeRequest } from './request.js';

/** How a need of a kind is done, and what one set of it stretches: seconds of a side, by hand from domain 2.4. */
const KINDS = {
  'static hold': { form: 'supine-strap-hamstring', bout: {}, seconds: (b: Bout) => b.holdSeconds },
  'loaded eccentric': {
    form: 'weighted-hinge',
    bout: { reps: 6, lowerSeconds: 3, holdSeconds: 2 },
    seconds: (b: Bout) => b.reps! * (b.lowerSeconds! + b.holdSeconds),
  },
  'moving stretch': {
    form: 'side-lunge',
    bout: { reps: 8, holdSeconds: 2 },
    seconds: (b: Bout) => b.reps! * b.holdSeconds,
  },
} as const;
type Kind = keyof typeof KINDS;
const kindOf = (b: Bout): (typeof KINDS)[Kind] => KINDS[b.technique as Kind];

const GROUPS = ['hamstrings', 'calf', 'pectorals'] as const;
const THINGS = ['strap', 'chair', 'weight'] as const;

/** An exercise that nobody has, of any shape that decides how long it takes. */
function anyExercise(id: string, group: MuscleGroupId, kind: Kind): fc.Arbitrary<Exercise> {
  return fc
    .record({
      position: fc.constantFrom('standing', 'supine', 'prone'),
      props: fc.subarray([...THINGS], { maxLength: 2 }),
      sides: fc.constantFrom('each', 'both'),
      setupSeconds: fc.constantFrom(0, 5, 15),
      secondary: fc.subarray(GROUPS.filter((g) => g !== group)),
      check: fc.constantFrom(null, null, null, 'Free of pain?'),
    })
    .map((shape): Exercise => {
      const { turns: _t, otherSide: _o, ...form } = exerciseById(KINDS[kind].form);
      const amount = { unit: kind === 'static hold' ? 'seconds' : 'repetitions', min: 1, max: 60 } as const;
      return {
        ...form,
        ...(shape as Pick<Exercise, 'position' | 'props' | 'sides'>),
        ...{ setupSeconds: shape.setupSeconds, secondary: shape.secondary, check: shape.check },
        ...{ id, technique: kind, primary: group, difficulty: 1, amount, stages: [], demands: [] },
        sidePattern: 'side by side',
      };
    });
}

/** A small request in which every session can be looked at: up to three needs, each with up to three exercises. */
export const anyRequest: fc.Arbitrary<ComposeRequest> = fc
  .uniqueArray(
    fc.record({
      group: fc.constantFrom(...GROUPS),
      kind: fc.constantFrom<Kind>('static hold', 'static hold', 'loaded eccentric', 'moving stretch'),
      sets: fc.integer({ min: 1, max: 3 }),
      holdSeconds: fc.integer({ min: 3, max: 12 }).map((x) => 5 * x),
      weight: fc.integer({ min: 1, max: 4 }),
      floorSets: fc.integer({ min: 0, max: 1 }),
      bonus: fc.constantFrom(null, null, 'left' as const, 'right' as const),
      forms: fc.integer({ min: 1, max: 3 }),
    }),
    { minLength: 1, maxLength: 3, selector: (n) => n.group },
  )
  .chain((asked) =>
    fc.record({
      asked: fc.constant(asked),
      exercises: fc.tuple(
        ...asked.flatMap((n) =>
          Array.from({ length: n.forms }, (_, i) => anyExercise(`${n.group} ${i}`, n.group, n.kind)),
        ),
      ),
      budgetSeconds: fc.integer({ min: 60, max: 900 }),
      purpose: fc.constantFrom('own', 'own', 'before training', 'short break'),
      alreadyWarm: fc.boolean(),
      brisk: fc.boolean(),
      knows: fc.array(fc.integer({ min: 0, max: 8 }), { maxLength: 4 }),
      cap: fc.option(fc.integer({ min: 30, max: 120 }), { nil: null, freq: 3 }),
    }),
  )
  .map(({ asked, exercises, budgetSeconds, purpose, alreadyWarm, brisk, knows, cap }) => {
    const needs = asked.map(({ group, kind, sets, holdSeconds, weight, floorSets, bonus }) =>
      need(group, {
        ...{ weight, floorSets },
        bout: {
          ...{ technique: kind, sets, holdSeconds, ...KINDS[kind].bout },
          ...(bonus && { bonus: { side: bonus, sets: 1, more: 0 } }),
        },
      }),
    );
    return request(needs, {
      ...{ exercises, budgetSeconds, alreadyWarm },
      purpose: kindsAllowed(
        purpose,
        asked.map((a) => a.kind),
      ),
      known: exercises.flatMap((e, i) => (knows.includes(i) ? [e.id] : [])),
      caps: cap === null ? {} : { [asked[0]!.group]: cap },
      timings: brisk ? { ...briskTimings(DEFAULT_TIMINGS), breath: 5 } : DEFAULT_TIMINGS,
    });
  });

/** Nothing is loaded before training. */
function kindsAllowed(purpose: string, kinds: readonly Kind[]): ComposeRequest['purpose'] {
  return purpose === 'before training' && kinds.includes('loaded eccentric')
    ? 'own'
    : (purpose as ComposeRequest['purpose']);
}

interface Taken {
  readonly need: number;
  readonly exercise: Exercise;
  readonly sets: number;
  readonly bonusSets: number;
}

/** All ways to do one need: nothing, one of its exercises, or two with the sets divided. */
function waysOf(k: number, n: ComposeNeed, forms: readonly Exercise[]): Taken[][] {
  const one = (exercise: Exercise, most: number): Taken[] =>
    Array.from({ length: most }, (_, i) => i + 1).flatMap((sets) =>
      (n.bout.bonus && exercise.sides === 'each' ? [0, 1] : [0]).map((bonusSets) => ({
        need: k,
        exercise,
        sets,
        bonusSets,
      })),
    );
  const alone = forms.flatMap((e) => one(e, n.bout.sets).map((t) => [t]));
  const two = forms.flatMap((a, i) =>
    forms
      .slice(i + 1)
      .flatMap((b) => one(a, n.bout.sets).flatMap((x) => one(b, n.bout.sets - x.sets).map((y) => [x, y]))),
  );
  return [[], ...alone, ...two].filter((way) => way.reduce((sum, t) => sum + t.bonusSets, 0) <= 1);
}

const REGIONS_OF: Readonly<Record<string, string>> = { hamstrings: 'legs', calf: 'legs', pectorals: 'chest' };

/** Whether a session keeps its caps, on both sides; by the words of domain 2.7. */
function keepsCaps(r: ComposeRequest, taken: readonly Taken[]): boolean {
  const seconds = (group: MuscleGroupId, side: string, along: boolean): number =>
    taken.reduce((sum, t) => {
      const { bout } = r.needs[t.need]!;
      const share = t.exercise.primary === group ? 1 : along && t.exercise.secondary.includes(group) ? 0.5 : 0;
      const sets = t.sets + (bout.bonus?.side === side ? t.bonusSets : 0);
      if (!along && bout.technique !== 'static hold') return sum;
      return sum + share * sets * kindOf(bout).seconds(bout);
    }, 0);
  return GROUPS.every((g) =>
    ['left', 'right'].every(
      (side) =>
        (r.purpose !== 'before training' || seconds(g, side, false) <= 60) &&
        seconds(g, side, true) <= (r.caps[g] ?? Infinity),
    ),
  );
}

/** A short break stays in one area: legs share a region but for one that only some of them are in. */
function oneArea(r: ComposeRequest, taken: readonly Taken[]): boolean {
  return r.purpose !== 'short break' || new Set(taken.map((t) => REGIONS_OF[t.exercise.primary])).size <= 1;
}

/** Floors, weighted percent missing with the steeper lower half, exercises with new ones thrice; by the words of domain 2.7. */
function worthOf(r: ComposeRequest, taken: readonly Taken[]): [number, number, number] {
  let floors = 0;
  let missing = 0;
  r.needs.forEach((n, k) => {
    const mine = taken.filter((t) => t.need === k);
    const sets = mine.reduce((sum, t) => sum + t.sets, 0);
    const part = (100 * sets) / n.bout.sets;
    floors += Math.max(0, n.floorSets - sets);
    missing += n.weight * (100 - part + 2 * Math.max(0, 50 - part));
    const extraPossible = r.exercises.some((e) => e.primary === n.group && e.sides === 'each');
    // An extra set that is missing counts half of a set.
    if (n.bout.bonus && extraPossible)
      missing += n.weight * ((0.5 * 100) / n.bout.sets) * (1 - mine.reduce((sum, t) => sum + t.bonusSets, 0));
  });
  const exercises = taken.reduce((sum, t) => sum + (r.known.includes(t.exercise.id) ? 1 : 3), 0);
  return [floors, missing, exercises];
}

/** Real length and position changes of a session in its order. */
function realOf(r: ComposeRequest, taken: readonly Taken[]): { readonly seconds: number; readonly changes: number } {
  const find = (id: string): Exercise => r.exercises.find((e) => e.id === id)!;
  const items = orderItems(
    taken.map(({ need: k, exercise, sets, bonusSets }): SessionItem => {
      const { bonus, technique: _, ...bout } = r.needs[k]!.bout;
      const side = bonus?.side ?? 'left';
      const extra = bonusSets > 0 ? { bonus: { side, sets: bonusSets, more: 0 } } : {};
      return { ...bout, sets, exerciseId: exercise.id, firstSide: side, ...extra };
    }),
    find,
  );
  const { totalSeconds } = buildTimeline(items, { alreadyWarm: r.alreadyWarm }, r.timings, find);
  const at = items.map((i) => find(i.exerciseId).position);
  return { seconds: totalSeconds, changes: at.filter((p, i) => p !== at[i - 1]).length };
}

/** Every session there is that keeps its caps, however long. */
function everySession(r: ComposeRequest): Taken[][] {
  const ways = r.needs.map((n, k) =>
    waysOf(
      k,
      n,
      r.exercises.filter((e) => e.primary === n.group),
    ),
  );
  const all = ways.reduce<Taken[][]>((sessions, more) => sessions.flatMap((s) => more.map((w) => [...s, ...w])), [[]]);
  return all.filter((taken) => keepsCaps(r, taken) && oneArea(r, taken));
}

/** The same request with exactly the minutes that one of its sessions takes: a second counted wrongly shows. @param which any whole number */
export function toTheSecond(r: ComposeRequest, which: number): ComposeRequest {
  const all = everySession(r).filter((taken) => taken.length > 0);
  return all.length === 0 ? r : { ...r, budgetSeconds: realOf(r, all[which % all.length]!).seconds };
}

/** The objectives of the best of every session there is, each put in order and timed. */
export function bestOfAll(r: ComposeRequest): number[] {
  const scored = everySession(r)
    .map((taken) => ({ taken, worth: worthOf(r, taken) }))
    .sort((a, b) => {
      const at = a.worth.findIndex((x, i) => Math.abs(x - b.worth[i]!) > 1e-6);
      return at < 0 ? 0 : a.worth[at]! - b.worth[at]!;
    });
  let best: number[] | null = null;
  for (const { taken, worth } of scored) {
    if (best && worth.some((x, i) => Math.abs(x - best![i]!) > 1e-6)) break;
    const real = realOf(r, taken);
    if (real.seconds <= r.budgetSeconds && (!best || real.changes < best[3]!)) best = [...worth, real.changes];
  }
  return best!;
}
