import type { ItemForms } from '@yandle/contract';
import {
  cautionsAgainst,
  techniquesOf,
  type Caution,
  type Exercise,
  type FindExercise,
  type MuscleGroupId,
  type PlainDate,
  type SessionItem,
} from '@yandle/core';
import { ClientEntity } from '../clients/entities.js';
import type { StudioData } from '../database/studio-data.js';
import { loadExercises } from '../exercises/library.js';
import { HttpProblem } from '../http/problem.js';
import { screeningOf } from '../screening/service.js';
import { openStopSigns } from './symptoms.js';

/** Stop signs in one group after which everything for the group rests (domain 2.8). */
const LANE_RESTS_AFTER = 2;

/**
 * Nothing is planned or run that the screening speaks against today, whenever it was planned.
 * @throws HttpProblem `screening-blocks-planning`
 */
export async function assertMayBeDone(
  tx: StudioData,
  clientId: string,
  items: readonly SessionItem[],
  today: PlainDate,
): Promise<void> {
  const screening = await screeningOf(tx, await tx.get(ClientEntity, clientId, 'client'), today);
  if (screening.state === 'refer')
    throw new HttpProblem(
      'screening-blocks-planning',
      'The client sees a doctor or physiotherapist first: no session until the clearance is recorded in the intake.',
    );
  const { find } = await loadExercises(tx);
  for (const item of items) {
    const exercise = find(item.exerciseId);
    const technique = item.technique ?? exercise.technique;
    const [caution] = cautionsAgainst({ ...exercise, technique }, screening.current);
    if (caution)
      throw new HttpProblem(
        'screening-blocks-planning',
        `${exercise.name} is no longer for this client: ${caution.title}. Choose another stretch for it on the Block and publish, or swap it on the session.`,
      );
  }
}

/** What a client's stop signs hold: their exercises, and all of a group in which two were felt. */
export interface OnHold {
  readonly exercises: ReadonlySet<string>;
  readonly groups: ReadonlySet<MuscleGroupId>;
}

export async function onHoldOf(tx: StudioData, clientId: string): Promise<OnHold> {
  const open = await openStopSigns(tx, clientId);
  const { find } = await loadExercises(tx);
  const groups = open.map((s) => find(s.exerciseId).primary);
  const twice = groups.filter((g) => groups.filter((x) => x === g).length >= LANE_RESTS_AFTER);
  return { exercises: new Set(open.map((s) => s.exerciseId)), groups: new Set(twice) };
}

/** True for an exercise that rests after a stop sign. */
export function isOnHold(hold: OnHold, exercise: Pick<Exercise, 'id' | 'primary'>): boolean {
  return hold.exercises.has(exercise.id) || hold.groups.has(exercise.primary);
}

/** @throws HttpProblem `symptom-not-cleared` */
export async function assertNothingOnHold(
  tx: StudioData,
  clientId: string,
  items: readonly SessionItem[],
): Promise<void> {
  const hold = await onHoldOf(tx, clientId);
  const { find } = await loadExercises(tx);
  const held = items.map((i) => find(i.exerciseId)).find((e) => isOnHold(hold, e));
  if (held)
    throw new HttpProblem(
      'symptom-not-cleared',
      `${held.name} is on hold after a stop sign. Clear it on the session sheet, or swap it, before running the session.`,
    );
}

/** Easier and harder forms, and the choice, of each item: only what the client may do, the same way and with the same sides. */
export function formsOf(
  items: readonly SessionItem[],
  find: FindExercise,
  current: readonly Caution[],
  hold: OnHold,
): ItemForms[] {
  return items.map((item) => {
    const exercise = find(item.exerciseId);
    const technique = item.technique ?? exercise.technique;
    const may = (id: string | null | undefined, same: boolean): string | null => {
      if (!id) return null;
      const form = find(id);
      const done = techniquesOf(form).includes(technique) ? technique : form.technique;
      const fits = form.sides === exercise.sides && (!same || done === technique);
      const free = cautionsAgainst({ ...form, technique: done }, current).length === 0 && !isOnHold(hold, form);
      return fits && free ? id : null;
    };
    return {
      easier: may(exercise.easierForm, true),
      harder: may(exercise.harderForm, true),
      choice: may(item.choice, false),
    };
  });
}
