import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import type { Side } from '../anatomy/side.js';
import type { Timings } from '../technique/timings.js';
import type { ClientPlace } from '../screening/place.js';
import type { PlanClient } from './limits.js';

/** What a client's record says of how they may be planned. */
export type PlanRecord = Required<
  Pick<PlanClient, 'experience' | 'trainingDays' | 'gentleGroups' | 'minutesPerSession'>
>;

/** What is measured of a client, as far as a plan depends on it. */
export interface PlanMeasured {
  /** Of the studio, with the client's own breath. */
  readonly timings: Timings;
  readonly hypermobile: boolean;
  /** Groups with a notably tighter side. */
  readonly tighter: readonly { readonly group: MuscleGroupId; readonly side: Side }[];
}

/**
 * All that a plan is made from besides the coach's choices, the cautions and the client's age. It is kept with what is published: a change of the
 * block changes what it was asked to change, and nothing else, until the coach has it planned anew from what is known by then.
 */
export interface PlanBasis extends PlanRecord, PlanMeasured {
  /** Where the client stretches; left out in what was published before it was asked. */
  readonly places?: readonly ClientPlace[];
}

/** A basis from the record and the measurements as they are now. */
export function basisOf(record: PlanRecord, measured: PlanMeasured, places: readonly ClientPlace[] = []): PlanBasis {
  const { experience, trainingDays, gentleGroups, minutesPerSession } = record;
  const { timings, hypermobile, tighter } = measured;
  return { experience, trainingDays, gentleGroups, minutesPerSession, timings, hypermobile, tighter, places };
}

/** Places as a plan was published with them, and those that have come since. */
export function placesKept(
  published: readonly ClientPlace[] = [],
  now: readonly ClientPlace[] = [],
): readonly ClientPlace[] {
  return [...published, ...now.filter((p) => !published.some((x) => x.id === p.id))];
}

/**
 * What a change of a published block is planned from: what it was published from, but for what guards a body, of which the stricter counts, and
 * places that have come since.
 * @param published null for a block from before this was kept
 */
export function keptBasis(published: PlanBasis | null, now: PlanBasis): PlanBasis {
  if (published === null) return now;
  return {
    ...published,
    places: placesKept(published.places, now.places),
    hypermobile: published.hypermobile || now.hypermobile,
    gentleGroups: [...new Set([...published.gentleGroups, ...now.gentleGroups])],
  };
}

/** The tighter side of a group; null where none is. */
export function tighterSideIn(basis: Pick<PlanBasis, 'tighter'>, group: MuscleGroupId): Side | null {
  return basis.tighter.find((t) => t.group === group)?.side ?? null;
}
