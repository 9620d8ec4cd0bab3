import { boundsOf } from '../catalogue/amount.js';
import { isOnHold } from '../session/on-hold.js';
import type { ObjectionFact } from './facts.js';
import { sameTurn, type Exercise } from '../catalogue/exercise.js';
import { serves } from '../catalogue/forms.js';
import { EXPERIENCES } from '../planning/limits.js';
import { asksOfSpine } from '../catalogue/demands-of.js';
import { positionsOf } from '../catalogue/positions-of.js';
import { onlyByHand } from '../catalogue/by-hand.js';
import { cautionsAgainst } from '../screening/limits.js';
import { missingAt } from '../screening/place.js';
import { amountOf, withAmount, type Bout } from '../technique/prescription.js';
import { kindOf, unitOf } from '../technique/catalogue.js';
import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import type { Side } from '../anatomy/side.js';
import { boutDose, boutsOn } from '../dose/dose.js';
import { sectionOf } from '../session/order.js';
import type { SessionItem } from '../session/item.js';
import { itemApproachSeconds, itemBodySeconds } from '../session/timeline.js';
import { purposeRules } from '../session/purpose.js';
import type { ComposeNeed, ComposeRequest } from './request.js';

/** One exercise that could serve a need. */
export interface Candidate {
  /** Place of the need. */
  readonly need: number;
  readonly exercise: Exercise;
  /** One set a side, clipped to what the exercise is made for. */
  readonly bout: Bout;
  readonly phase: number;
  /** Seconds it costs to do it at all in a position that is taken, its things at hand: into place, settling, side switch, less the rest after the last set. */
  readonly fixedSeconds: number;
  /** Seconds of every set of both sides, rest included. */
  readonly setSeconds: number;
  /** Seconds of an extra set of the tighter side, rest included. */
  readonly bonusSeconds: number;
}

/** Time under stretch of one set on a side, what the tighter side holds longer counted in. Seconds. */
export function stretchOfSet({ bout }: Pick<Candidate, 'bout'>, side: Side): number {
  return boutDose(boutsOn(bout, side).bout);
}

/** 1 where the set of a group's own exercise is held still, else 0. */
export function stillShare({ exercise, bout }: Pick<Candidate, 'exercise' | 'bout'>, group: MuscleGroupId): 0 | 1 {
  return exercise.primary === group && kindOf(bout.technique).still ? 1 : 0;
}

/** An exercise that serves a need but may not be chosen, and why. */
export interface LeftOut {
  readonly need: number;
  readonly exercise: Exercise;
  readonly because: ObjectionFact;
}

/** The item that a number of sets of an candidate becomes. */
export function offeredItem(
  candidate: Pick<Candidate, 'exercise' | 'bout'>,
  need: ComposeNeed,
  sets: number,
  bonusSets: number,
): SessionItem {
  const { technique, bonus, ...rest } = candidate.bout;
  const more = bonus?.more ?? 0;
  const extra = bonus && (bonusSets > 0 || more > 0) ? { bonus: { side: bonus.side, sets: bonusSets, more } } : {};
  return {
    ...rest,
    ...extra,
    sets,
    exerciseId: candidate.exercise.id,
    firstSide: need.bout.bonus?.side ?? need.firstSide,
    ...(technique === candidate.exercise.technique ? {} : { technique }),
  };
}

/** A bout in the bounds that an exercise is made for; another technique than its own has none. */
export function clipped(bout: Bout, exercise: Exercise): Bout {
  if (bout.technique !== exercise.technique) return bout;
  const { min, max } = boundsOf(exercise);
  return withAmount(bout, Math.min(max, Math.max(min, amountOf(bout))));
}

/** Why an exercise may not be chosen for a need; null when it may. */
function objection(exercise: Exercise, need: ComposeNeed, request: ComposeRequest): ObjectionFact | null {
  const rules = purposeRules(request.purpose);
  const { technique } = need.bout;
  const [caution] = cautionsAgainst({ ...exercise, technique }, request.cautions);
  if (caution) return { code: 'caution', args: { caution } };
  if (isOnHold(request.onHold, exercise)) return { code: 'on-hold' };
  if (request.never.includes(exercise.id)) return { code: 'left-out-by-coach' };
  if (rules.excludedTechniques.includes(technique)) return { code: 'technique-not-here', args: { technique } };
  if (rules.spareSpine && asksOfSpine(exercise)) return { code: 'spine-after-waking' };
  if (!positionsOf(exercise).some((p) => request.positions.includes(p)))
    return { code: 'position', args: { position: exercise.position } };
  const bars = missingAt(exercise, request.place);
  const missing = bars.flatMap((b) => (b.code === 'thing' ? [b.thing] : []));
  if (missing.length < bars.length) return { code: 'position', args: { position: exercise.position } };
  if (missing.length > 0) return { code: 'needs', args: { props: missing } };
  const wanted = request.keep.includes(exercise.id) || request.known.includes(exercise.id);
  if (!wanted && onlyByHand(exercise, technique)) return { code: 'only-by-hand' };
  if (!wanted && exercise.difficulty > EXPERIENCES.indexOf(request.experience) + 1) return { code: 'above-experience' };
  return null;
}

function candidateOf(index: number, need: ComposeNeed, exercise: Exercise, request: ComposeRequest): Candidate {
  const { timings } = request;
  const sided = exercise.sides === 'each';
  const asked = clipped({ ...need.bout, sets: 1 }, exercise);
  const { bonus, ...plain } = asked;
  // Where left and right take turns repetition by repetition, neither can have more.
  const inTurn = exercise.sidePattern === 'alternating' && unitOf(plain.technique) === 'repetitions';
  const bout: Bout = sided && bonus && !inTurn ? { ...plain, bonus } : plain;
  const body = (sets: number, extra: number): number =>
    itemBodySeconds(offeredItem({ exercise, bout }, need, sets, extra), exercise, timings);
  const setSeconds = body(2, 0) - body(1, 0);
  const here = { position: exercise.position, props: exercise.props };
  return {
    need: index,
    exercise,
    bout,
    phase: sectionOf(bout.technique),
    fixedSeconds: itemApproachSeconds(exercise, here, timings) + body(1, 0) - setSeconds,
    setSeconds,
    bonusSeconds: bout.bonus ? body(2, 1) - body(2, 0) : 0,
  };
}

/** Every exercise that serves a need: those that may be chosen, and those that may not with the reason. */
export function candidatesFor(request: ComposeRequest): {
  readonly candidates: Candidate[];
  readonly leftOut: LeftOut[];
} {
  const candidates: Candidate[] = [];
  const leftOut: LeftOut[] = [];
  request.needs.forEach((need, index) => {
    for (const exercise of request.exercises) {
      if (!serves(exercise, need.group, need.bout.technique)) continue;
      if (!sameTurn(exercise, need)) continue;
      const because = objection(exercise, need, request);
      if (because) leftOut.push({ need: index, exercise, because });
      else candidates.push(candidateOf(index, need, exercise, request));
    }
  });
  return { candidates, leftOut };
}
