import { NOTHING_ON_HOLD } from '../session/on-hold.js';
import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import { EXERCISES } from '../catalogue/exercises.js';
import { POSITIONS } from '../catalogue/rom-test.js';
import type { Bout } from '../technique/prescription.js';
import { DEFAULT_TIMINGS } from '../technique/timings.js';
import type { ComposeNeed, ComposeRequest } from './request.js';

/** A hold of two sets of half a minute for a group, with what is said otherwise. */
export function need(
  group: MuscleGroupId,
  over: Partial<Omit<ComposeNeed, 'bout'>> & { readonly bout?: Partial<Bout> } = {},
): ComposeNeed {
  return {
    group,
    firstSide: 'left',
    weight: 1,
    floorSets: 1,
    ...over,
    bout: { technique: 'static hold', sets: 2, holdSeconds: 30, sensation: 5, ...over.bout },
  };
}

/** Stand-alone session with everything at hand and nothing said against anything. */
export function request(needs: readonly ComposeNeed[], over: Partial<ComposeRequest> = {}): ComposeRequest {
  return {
    needs,
    exercises: EXERCISES,
    cautions: [],
    place: null,
    experience: 'experienced',
    positions: POSITIONS,
    purpose: 'own',
    trained: [],
    budgetSeconds: 20 * 60,
    alreadyWarm: false,
    keep: [],
    never: [],
    locks: [],
    onHold: NOTHING_ON_HOLD,
    known: [],
    caps: {},
    timings: DEFAULT_TIMINGS,
    ...over,
  };
}
