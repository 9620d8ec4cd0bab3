import type { SharedBlock } from '@yandle/contract';
import { addDays, choiceOf, type Exercise, fromBaseline, progressWords, resultSeries, sidesOfTest } from '@yandle/core';
import type { LinkContext } from '../accounts/client-link.js';
import { assessmentsOf } from '../assessments/service.js';
import { BlockEntity } from '../blocks/entities.js';
import { laneChoices } from '../blocks/lane-choices.js';
import { ClientEntity } from '../clients/entities.js';
import type { StudioData } from '../database/studio-data.js';
import { loadExercises } from '../exercises/library.js';
import { screeningAt, screeningFacts } from '../screening/service.js';
import { recentSoreness } from '../sessions/soreness.js';
import { SessionEntity } from '../sessions/entities.js';
import { sessionViews } from '../sessions/views.js';
import { settingsOf } from '../studio/settings.js';
import type { PhoneLinkEntity } from './entities.js';
import { loadTestCatalogue } from '../test-catalogue/catalogue.js';

/** Days of sessions that a phone keeps, back and ahead. */
const BACK = 7;
const AHEAD = 28;

/** What has changed in every test and side since its baseline, in words a client understands. */
async function progressOf(data: StudioData, clientId: string, timeZone: string): Promise<string[]> {
  const assessments = await assessmentsOf(data, clientId, timeZone);
  const catalogue = await loadTestCatalogue(data);
  const choices = await laneChoices(data, clientId, timeZone);
  const results = catalogue.tests.flatMap((test) =>
    sidesOfTest(test).flatMap((side) => {
      const series = resultSeries(assessments, catalogue, test, side);
      const compared = fromBaseline(series, choiceOf(test, choices));
      return compared ? [{ test, side, ...compared }] : [];
    }),
  );
  return progressWords(results);
}

/** All that a client's phone needs to go on without a network. */
export async function sharedBlock(
  { data, studio, today }: Pick<LinkContext<PhoneLinkEntity>, 'data' | 'studio' | 'today'>,
  clientId: string,
): Promise<SharedBlock> {
  const client = await data.get(ClientEntity, clientId, 'client');
  const rows = await data
    .rows(SessionEntity, 's')
    .leftJoin(BlockEntity, 'b', 'b.id = s.block_id')
    .andWhere('s.clientId = :clientId', { clientId })
    .andWhere('s.date BETWEEN :from AND :to', { from: addDays(today, -BACK), to: addDays(today, AHEAD) })
    // What an ended block still had planned is not to be done any more.
    .andWhere('(b.ended_at IS NULL OR s.date < DATE(b.ended_at))')
    .orderBy('s.date')
    .addOrderBy('s.id')
    .getMany();
  const facts = await screeningFacts(data, client);
  const sessions = await sessionViews(data, client, rows, facts);
  const { find, own } = await loadExercises(data);
  const used = new Set(
    sessions.flatMap((s) => [
      ...s.items.map((i) => i.exerciseId),
      ...(s.warmUp ?? []),
      ...s.forms.flatMap((f) => [f.easier, f.harder, f.choice].filter((id): id is string => id !== null)),
    ]),
  );
  const screening = screeningAt(facts, today);
  return {
    firstName: client.name.split(/\s+/)[0]!,
    studio: studio.name,
    units: settingsOf(studio).units,
    today,
    // Names and words of the coach stay with the coach.
    sessions: sessions.map((s) => ({ ...s, clientName: client.name.split(/\s+/)[0]! })),
    exercises: [...used].filter((id) => own.has(id)).map((id): Exercise => find(id)),
    sorenessEntries: await recentSoreness(data, clientId, today),
    progress: await progressOf(data, clientId, studio.timeZone),
    onHold: screening.holds ? 'refer' : null,
  };
}
