import type { ItemForms } from '@yandle/contract';
import {
  cautionsAgainst,
  chosenItem,
  strainsIn,
  techniquesIn,
  techniquesOf,
  type Caution,
  type ClientPlace,
  type Exercise,
  type FindExercise,
  type PlainDate,
  type SessionItem,
  type Technique,
  cautionTitle,
  isOnHold,
  isSessionOnHold,
  missingAt,
  onlyByHand,
  onHoldAfter,
  type OnHold,
} from '@yandle/core';
import { ClientEntity } from '../clients/entities.js';
import type { StudioData } from '../database/studio-data.js';
import { loadExercises } from '../exercises/library.js';
import { HttpProblem } from '../http/problem.js';
import { screeningOf } from '../screening/service.js';
import { openStopSigns } from './symptoms.js';

/**
 * Nothing is planned or run that a caution rules out today, whenever it was planned.
 * @throws HttpProblem `screening-blocks-planning`
 */
export async function assertMayBeDone(
  tx: StudioData,
  clientId: string,
  items: readonly SessionItem[],
  today: PlainDate,
): Promise<void> {
  const screening = await screeningOf(tx, await tx.get(ClientEntity, clientId, 'client'), today);
  if (screening.holds)
    throw new HttpProblem(
      'screening-blocks-planning',
      'The client sees a doctor or physiotherapist first: no session until the clearance is recorded in the intake.',
    );
  const { find } = await loadExercises(tx);
  for (const item of items) {
    const exercise = find(item.exerciseId);
    const [caution] = strainsIn(item, exercise).flatMap((technique) =>
      cautionsAgainst({ ...exercise, technique }, screening.current),
    );
    if (caution)
      throw new HttpProblem(
        'screening-blocks-planning',
        `A caution (${cautionTitle(caution)}) rules out ${exercise.name}. Swap it here, or change it in the block and publish.`,
      );
  }
}

/**
 * Something of the session may be done: what is on hold is left out, and the rest goes on.
 * @throws HttpProblem `symptom-not-cleared`
 */
export async function assertNothingOnHold(
  tx: StudioData,
  clientId: string,
  items: readonly SessionItem[],
): Promise<void> {
  const { find } = await loadExercises(tx);
  const open = await openStopSigns(tx, clientId);
  if (onHoldAfter(open, find).everything)
    throw new HttpProblem(
      'symptom-not-cleared',
      'All sessions are on hold after a stop sign. Record who cleared it on the session, before you start.',
    );
  if (isSessionOnHold(items, open, find))
    throw new HttpProblem(
      'symptom-not-cleared',
      'Every exercise of this session is on hold after a stop sign. Clear it on the session, or swap it, before you start.',
    );
}

/**
 * Easier and harder forms, and the choice, of each item: only what the client may do, and can where the session is; forms the same way and with
 * the same sides, the choice in whatever way it is done.
 */
export function formsOf(
  items: readonly SessionItem[],
  find: FindExercise,
  current: readonly Caution[],
  hold: OnHold,
  place: ClientPlace | null,
): ItemForms[] {
  return items.map((item) => {
    const exercise = find(item.exerciseId);
    const technique = item.technique ?? exercise.technique;
    const may = (form: Exercise, ways: readonly Technique[]): boolean =>
      missingAt(form, place).length === 0 &&
      !isOnHold(hold, form) &&
      ways.every((t) => cautionsAgainst({ ...form, technique: t }, current).length === 0);
    const formOf = (id: string | null): string | null => {
      if (!id) return null;
      const form = find(id);
      const same = form.sides === exercise.sides && techniquesOf(form).includes(technique);
      // A client goes to another form without the coach: what only the coach chooses is none of them.
      return same && !onlyByHand(form, technique) && may(form, [technique]) ? id : null;
    };
    const choice = item.choice === undefined ? null : find(item.choice);
    return {
      easier: formOf(exercise.easierForm),
      harder: formOf(exercise.harderForm),
      choice: choice && may(choice, techniquesIn(chosenItem(item, find), choice)) ? choice.id : null,
    };
  });
}
