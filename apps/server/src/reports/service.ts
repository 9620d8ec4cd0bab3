import type { NewReportLink, Report, ReportBar, ReportRow } from '@yandle/contract';
import {
  changeBetween,
  choiceOf,
  feltCourses,
  formatReading,
  freedom,
  fromBaseline,
  plainTestName,
  reliefOf,
  runningBlock,
  REPORT_SAFETY,
  reportParts,
  resultSeries,
  sidesOfTest,
  workedRegions,
  type FromBaseline,
  type PlainDate,
  type RomTest,
  type Side,
} from '@yandle/core';
import { CoachEntity } from '../accounts/entities.js';
import { makeLink } from '../accounts/client-link.js';
import { assessmentsOf } from '../assessments/service.js';
import { BlockEntity, RetestEntity } from '../blocks/entities.js';
import { laneChoices } from '../blocks/lane-choices.js';
import { blockView } from '../blocks/view.js';
import { ClientEntity } from '../clients/entities.js';
import type { StudioData } from '../database/studio-data.js';
import { loadExercises } from '../exercises/library.js';
import { GoalEntity, SelfReportEntity } from '../priorities/entities.js';
import { STANDING_SQL } from '../sessions/standing.js';
import { loadTestCatalogue } from '../test-catalogue/catalogue.js';
import { IsNull, MoreThanOrEqual } from 'typeorm';
import { ReportLinkEntity } from './entities.js';

/** Exercises that are shown. */
const MAIN_EXERCISES = 3;
const DAY_MS = 24 * 60 * 60 * 1000;

const SESSIONS = `SELECT COUNT(*) AS planned, COALESCE(SUM(EXISTS (SELECT 1 FROM run r WHERE r.session_id = s.id AND ${STANDING_SQL})), 0) AS done
  FROM session s WHERE s.studio_id = {studio} AND s.client_id = :clientId AND s.date BETWEEN :from AND :to`;

interface Compared {
  readonly test: RomTest;
  readonly side: Side | null;
  readonly now: number;
  readonly compared: FromBaseline | null;
}

function barOf({ test, now, compared }: Compared): ReportBar {
  const before = compared?.before;
  const change =
    compared && changeBetween(compared.before.value, compared.now.value, test.better, [compared.before, compared.now]);
  return {
    fill: freedom(compared?.now.value ?? now, test),
    text: formatReading(compared?.now.value ?? now, test.unit),
    last: before
      ? {
          at: freedom(before.value, test),
          solid: change!.class !== 'no detectable change',
          text: formatReading(before.value, test.unit),
        }
      : null,
  };
}

function rowsOf(all: readonly Compared[]): ReportRow[] {
  const tests = [...new Set(all.map((c) => c.test))];
  return tests.map((test): ReportRow => {
    const of = (side: Side | null): ReportBar | null => {
      const found = all.find((c) => c.test === test && c.side === side);
      return found ? barOf(found) : null;
    };
    const sideless = test.sides === 'none';
    const [left, right] = sideless ? [of(null), of(null)] : [of('left'), of('right')];
    return { testId: test.id, label: plainTestName(test), sideless, left, right };
  });
}

/** A report for a client about their newest block, or about all that was measured where there is none. */
export async function reportOf(data: StudioData, clientId: string, today: PlainDate): Promise<Report> {
  const client = await data.get(ClientEntity, clientId, 'client');
  const studio = await data.studio();
  const [assessments, catalogue, choices, coach, goals, reports, { find }] = await Promise.all([
    assessmentsOf(data, clientId, studio.timeZone),
    loadTestCatalogue(data),
    laneChoices(data, clientId, studio.timeZone),
    data.get(CoachEntity, client.leadCoachId, 'coach'),
    data.find(GoalEntity, { clientId, endedOn: IsNull() }, { order: { setOn: 'ASC', id: 'ASC' } }),
    data.find(SelfReportEntity, { clientId }, { order: { date: 'ASC', id: 'ASC' } }),
    loadExercises(data),
  ]);
  const [row] = await data.find(BlockEntity, { clientId }, { order: { startDate: 'DESC', id: 'DESC' }, take: 1 });
  const block = row ? await blockView(data, row, today) : null;
  const compared = catalogue.tests.flatMap((test) =>
    sidesOfTest(test).flatMap((side): Compared[] => {
      const series = resultSeries(assessments, catalogue, test, side);
      const newest = series.at(-1);
      return newest ? [{ test, side, now: newest.value, compared: fromBaseline(series, choiceOf(test, choices)) }] : [];
    }),
  );
  const from = [block?.startDate, assessments[0]?.date].filter((d) => d !== undefined).sort()[0] ?? today;
  const [count] = await data.read<{ planned: number; done: number }>(SESSIONS, { clientId, from, to: today });
  const running = row && runningBlock([row], today) ? block : null;
  const [retest] = running
    ? await data.find(
        RetestEntity,
        { blockId: running.id, date: MoreThanOrEqual(today) },
        { order: { date: 'ASC' }, take: 1 },
      )
    : [];
  const week = running?.lanes.flatMap((l) => l.weeks.find((w) => w.week === running.changeableFrom) ?? []) ?? [];
  const days = new Set(week.flatMap((w) => (w.kind === 'rest' ? [] : w.days)));
  const main = (block?.choices.lanes ?? []).flatMap((l) => l.exercises[0]?.exerciseId ?? []);
  const since = reports.filter((r) => r.date >= from);
  return {
    studio: studio.name,
    client: client.name.split(/\s+/)[0]!,
    coach: coach.name,
    from,
    to: today,
    parts: reportParts({
      regions: workedRegions(block?.lanes.map((l) => l.group) ?? []),
      sessions: { done: Number(count?.done ?? 0), planned: Number(count?.planned ?? 0) },
      changes: compared.flatMap((c) => (c.compared ? [{ ...c.compared, test: c.test, side: c.side }] : [])),
      felt: feltCourses(since),
      relief: reliefOf(since),
      nextTest: retest?.date ?? null,
      sessionsAWeek: running && days.size > 0 ? days.size : null,
      goals: goals.flatMap((g) => (g.words === '' ? [] : [g.words])),
    }),
    rows: rowsOf(compared),
    exercises: [...new Set(main)].slice(0, MAIN_EXERCISES).map((id) => {
      const { name, figure } = find(id);
      return { id, name, figure };
    }),
    safety: REPORT_SAFETY,
  };
}

/** Makes a link to the report as it is now; the one before stops working. */
export async function makeReportLink(
  data: StudioData,
  clientId: string,
  days: number,
  today: PlainDate,
): Promise<NewReportLink> {
  const content = JSON.stringify(await reportOf(data, clientId, today));
  const expiresAt = new Date(data.now.getTime() + days * DAY_MS);
  const row = { content, expiresAt, usedAt: null };
  const token = await makeLink<ReportLinkEntity>(data, ReportLinkEntity, clientId, row, 'report-link-made');
  return { token, expiresAt: expiresAt.toISOString() };
}
