import type { SelfReportMoment, SharedBlock } from '@yandle/contract';
import {
  addDays,
  type BodyRegionId,
  checkInDue,
  choiceOf,
  currentComplaints,
  type Exercise,
  fromBaseline,
  type MuscleGroupId,
  type PlainDate,
  progressWords,
  resultSeries,
  sidesOfTest,
  workedRegions,
} from '@yandle/core';
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
/** Days for which it is known what was asked. */
const ASKED_BACK = 28;

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

/** What is known of the asking, in one statement: the first session, what was said of late, and complaints; the newest first. */
const SAID = `SELECT 'check-in' AS what, DATE_FORMAT(c.date, '%Y-%m-%d') AS date, c.moment AS of, c.session_id AS sessionId, 0 AS score, c.created_at AS at
    FROM check_in c WHERE c.studio_id = {studio} AND c.client_id = :clientId AND c.date >= :since
  UNION ALL SELECT 'complaint', DATE_FORMAT(r.date, '%Y-%m-%d'), r.region, NULL, r.score, r.created_at
    FROM self_report r WHERE r.studio_id = {studio} AND r.client_id = :clientId AND r.kind = 'complaint'
  UNION ALL SELECT 'first', DATE_FORMAT(MIN(s.date), '%Y-%m-%d'), '', NULL, 0, NULL
    FROM session s WHERE s.studio_id = {studio} AND s.client_id = :clientId
  ORDER BY date DESC, at DESC`;

interface Said {
  readonly what: 'check-in' | 'complaint' | 'first';
  readonly date: PlainDate | null;
  /** The moment of a check-in, the region of a complaint. */
  readonly of: string;
  readonly sessionId: string | null;
  readonly score: number;
}

/** What the client is asked about: regions that are worked on, complaints as they stand, and whether the week is asked about again. */
async function askedOf(
  data: StudioData,
  clientId: string,
  worked: readonly MuscleGroupId[],
  today: PlainDate,
): Promise<Pick<SharedBlock, 'regions' | 'complaints' | 'checkIns' | 'checkInDue'>> {
  const rows = await data.read<Said>(SAID, { clientId, since: addDays(today, -ASKED_BACK) });
  const said = rows.filter((r) => r.what === 'check-in');
  const complaints = rows.flatMap((r) =>
    r.what === 'complaint' ? [{ date: r.date!, region: r.of as BodyRegionId, score: Number(r.score), habits: [] }] : [],
  );
  const last = said.find((c) => c.of === 'day')?.date ?? null;
  const first = rows.find((r) => r.what === 'first')?.date ?? null;
  return {
    regions: workedRegions(worked),
    complaints: currentComplaints(complaints).flatMap(({ now }) =>
      now.score > 0 ? [{ region: now.region, score: now.score }] : [],
    ),
    checkIns: said.map((c) => ({ date: c.date!, moment: c.of as SelfReportMoment, sessionId: c.sessionId })),
    checkInDue: checkInDue(last, first, today),
  };
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
  const library = await loadExercises(data);
  const { find, own } = library;
  const sessions = await sessionViews(data, client, rows, { facts, library });
  const used = new Set(
    sessions.flatMap((s) => [
      ...s.items.map((i) => i.exerciseId),
      ...(s.warmUp ?? []),
      ...s.forms.flatMap((f) => [f.easier, f.harder, f.choice].filter((id): id is string => id !== null)),
    ]),
  );
  const worked = sessions.flatMap((s) => s.items.map((i) => find(i.exerciseId).primary));
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
    ...(await askedOf(data, clientId, worked, today)),
    progress: await progressOf(data, clientId, studio.timeZone),
    onHold: screening.holds ? 'refer' : null,
  };
}
