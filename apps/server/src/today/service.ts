import { AHEAD_SHOWN, TODAY_SHOWN, type AheadSession, type DaySession, type Today, type Whose } from '@yandle/contract';
import { addDays, SORE_RESTS, type AwayDates, type BodyRegionId, type DayRound, type PlainDate } from '@yandle/core';
import { overviews } from '../clients/overview.js';
import { leadsMeant } from '../clients/whose.js';
import { dateIn } from '../clock.js';
import { groupBy } from '../database/group-by.js';
import type { StudioData } from '../database/studio-data.js';
import { standstills } from '../review/week-look.js';
import { STANDING_SQL, type RunState } from '../sessions/standing.js';
import { openStopSigns } from '../sessions/symptoms.js';
import { countedRun, statusOf, symptomViews } from '../sessions/views.js';

/** Days ahead that Today shows. */
const AHEAD = 6;
/** Hours for which Today shows that a client was unwell. */
const UNWELL_HOURS = 48;
/** Days for which days away wait to be seen to. */
const AWAY_DAYS = 28;
/** Days back in which the sessions of the last week that is over are looked for, moved ones too. */
const WEEK_DAYS = 21;
/** Days between quick checks. */
const CHECK_DAYS = 7;

interface ClientRow {
  readonly id: string;
  readonly name: string;
  readonly screening: string;
  readonly screeningNote: string;
  /** The weekly quick check's tests; null where nothing was chosen. */
  readonly quickCheck: string | null;
}

const CLIENTS = `SELECT c.id, c.name, c.screening, c.screening_note AS screeningNote,
    JSON_EXTRACT(p.content, '$.quickCheck') AS quickCheck
  FROM client c LEFT JOIN priorities p ON p.id = c.id
  WHERE c.studio_id = {studio} AND c.archived_at IS NULL`;

/** The first sessions of each day by the names of the clients, and how many the day has. */
const sessionsFirst = (leads: readonly string[] | null): string => `SELECT * FROM (
    SELECT s.id, s.client_id AS clientId, c.name AS clientName, DATE_FORMAT(s.date, '%Y-%m-%d') AS date, s.total_seconds AS totalSeconds,
      COUNT(*) OVER (PARTITION BY s.date) AS ofDay, ROW_NUMBER() OVER (PARTITION BY s.date ORDER BY c.name, s.id) AS place
    FROM session s INNER JOIN client c ON c.id = s.client_id LEFT JOIN block b ON b.id = s.block_id
    WHERE s.studio_id = {studio} AND s.date BETWEEN :from AND :to AND b.ended_at IS NULL
      AND c.archived_at IS NULL${leads ? ' AND c.lead_coach_id IN (:leads)' : ''}) all_of
  WHERE place <= IF(date = :day, :most, :mostAhead) ORDER BY date, place`;

const LATE = `SELECT l.client_id AS clientId, COUNT(DISTINCT l.run_id) AS runs FROM late_log l
  WHERE l.studio_id = {studio} AND l.decided_at IS NULL GROUP BY l.client_id`;

/** Sessions called off by clients who were unwell, since an instant. */
const UNWELL = `SELECT s.client_id AS clientId, s.id AS sessionId, r.started_at AS at
  FROM run r INNER JOIN session s ON s.id = r.session_id
  WHERE r.studio_id = {studio} AND r.wellness = 'unwell' AND r.withdrawn_at IS NULL AND r.started_at >= :since
  ORDER BY r.started_at DESC`;

const SORE = `SELECT n.client_id AS clientId, DATE_FORMAT(n.date, '%Y-%m-%d') AS date, n.region, n.soreness FROM soreness n
  WHERE n.studio_id = {studio} AND n.withdrawn_at IS NULL AND n.date BETWEEN :from AND :to AND n.soreness >= :least
  ORDER BY n.date DESC, n.created_at DESC`;

/** The last week of each running block that is over: whether anything of it was done, and whether all its lanes are decided. */
const WEEKS = `WITH last AS (
    SELECT b.id, b.client_id, FLOOR(DATEDIFF(:date, b.start_date) / 7) AS week,
      (SELECT n.id FROM revision n WHERE n.block_id = b.id ORDER BY n.number DESC LIMIT 1) AS revision_id
    FROM block b WHERE b.studio_id = {studio} AND b.ended_at IS NULL AND b.start_date <= :weekAgo AND FLOOR(DATEDIFF(:date, b.start_date) / 7) <= b.weeks)
  SELECT b.client_id AS clientId, b.week, SUM(EXISTS (SELECT 1 FROM run r WHERE r.session_id = s.id AND ${STANDING_SQL})) AS done,
    (SELECT COUNT(*) FROM review v WHERE v.block_id = b.id AND v.week = b.week AND v.withdrawn_at IS NULL) AS reviews,
    COALESCE((SELECT k.reviewable FROM week_look k WHERE k.block_id = b.id AND (k.week = b.week OR k.week = b.week + 1 AND k.reviewable > 0)),
      (SELECT COUNT(*) FROM lane l INNER JOIN prescription p ON p.lane_id = l.id AND p.week = b.week AND p.part = 0 AND p.kind <> 'rest'
        WHERE l.revision_id = b.revision_id)) AS reviewable,
    (SELECT reviews) >= (SELECT reviewable) AS reviewed
  FROM last b INNER JOIN session s ON s.block_id = b.id AND s.week = b.week AND s.date BETWEEN :from AND :date
  GROUP BY b.id, b.client_id, b.week, b.revision_id`;

/** Days away that nobody has seen to. */
const AWAY = `SELECT c.client_id AS clientId, c.away FROM check_in c
  WHERE c.studio_id = {studio} AND c.away_seen_at IS NULL AND c.away <> '[]' AND c.date >= :since ORDER BY c.date DESC, c.created_at DESC`;

/** What a glance at a session of a day needs besides. */
const MORE = `SELECT s.id, s.block_id AS blockId, DATE_FORMAT(COALESCE(s.planned_date, s.date), '%Y-%m-%d') AS plannedDate, s.week, s.name,
    s.day_round AS dayRound, s.counted_run AS countedRun
  FROM session s WHERE s.studio_id = {studio} AND s.id IN (:ids)`;

const ITEMS = `SELECT i.session_id AS sessionId, i.exercise_id AS exerciseId
  FROM session_item i WHERE i.studio_id = {studio} AND i.session_id IN (:ids) ORDER BY i.session_id, i.place`;

const RUNS = `SELECT r.id, r.session_id AS sessionId, r.started_at AS startedAt, r.ended_at AS endedAt, r.has_work = 1 AS hasWork, r.withdrawn_at AS withdrawnAt
  FROM run r WHERE r.studio_id = {studio} AND r.session_id IN (:ids)`;

interface More {
  readonly id: string;
  readonly blockId: string | null;
  readonly plannedDate: PlainDate;
  readonly week: number | null;
  readonly name: string | null;
  readonly dayRound: string | null;
  readonly countedRun: string | null;
}

interface DayRun extends RunState {
  readonly id: string;
  readonly sessionId: string;
  readonly startedAt: Date;
}

/** Sessions of a day with what is done and what of, in the order in which they come. */
async function sessionsOn(data: StudioData, rows: readonly AheadSession[]): Promise<DaySession[]> {
  if (rows.length === 0) return [];
  const ids = rows.map((s) => s.id);
  const [more, items, runs] = await Promise.all([
    data.read<More>(MORE, { ids }),
    data.read<{ sessionId: string; exerciseId: string }>(ITEMS, { ids }),
    data.read<DayRun>(RUNS, { ids }),
  ]);
  const moreOf = new Map(more.map((m) => [m.id, m]));
  const itemsOf = groupBy(items, (i) => i.sessionId);
  const runsOf = groupBy(runs, (r) => r.sessionId);
  return rows.map((s) => {
    const { countedRun: chosen, dayRound, ...rest } = moreOf.get(s.id)!;
    return {
      ...s,
      ...rest,
      ...(dayRound !== null && { dayRound: JSON.parse(dayRound) as DayRound }),
      status: statusOf(countedRun(runsOf.get(s.id) ?? [], chosen)),
      exerciseIds: (itemsOf.get(s.id) ?? []).map((i) => i.exerciseId),
    };
  });
}

interface SessionRow extends AheadSession {
  /** Sessions of its day, as the driver counts them. */
  readonly ofDay: number | string;
  readonly place: number | string;
}

const asAhead = ({ ofDay: _ofDay, place: _place, ...session }: SessionRow): AheadSession => session;

/** More than a day can have. */
const ALL_OF_A_DAY = 100_000;

const whoseClients = (leads: readonly string[] | null): string =>
  `${CLIENTS}${leads ? ' AND c.lead_coach_id IN (:leads)' : ''}`;

/** All sessions of a day, by the names of the clients. */
export async function sessionsOfDay(
  data: StudioData,
  date: PlainDate,
  whose: Whose,
  me: string,
  today: PlainDate,
): Promise<DaySession[]> {
  const leads = await leadsMeant(data, whose, me, today);
  const range = { from: date, to: date, day: date, most: ALL_OF_A_DAY, mostAhead: 0 };
  return sessionsOn(data, (await data.read<SessionRow>(sessionsFirst(leads), { leads, ...range })).map(asAhead));
}

/** What a day asks of a coach: who is on the mat, who is due, and who needs somebody. */
export async function todayOf(data: StudioData, date: PlainDate, whose: Whose, me: string): Promise<Today> {
  const to = addDays(date, AHEAD);
  const mine = await leadsMeant(data, 'mine', me, date);
  const leads = whose === 'mine' ? mine : null;
  const range = { from: date, to, day: date, most: TODAY_SHOWN + 1, mostAhead: AHEAD_SHOWN + 1 };
  const [clients, firstSessions, late, soreness, unwell, stopSigns, weeks, away, still] = await Promise.all([
    data.read<ClientRow>(`${whoseClients(leads)} ORDER BY c.lead_coach_id IN (:mine) DESC, c.name, c.id`, {
      leads,
      mine,
    }),
    data.read<SessionRow>(sessionsFirst(leads), { leads, ...range }),
    data.read<{ clientId: string; runs: number }>(LATE),
    data.read<{ clientId: string; date: string; region: BodyRegionId | null; soreness: number }>(SORE, {
      from: addDays(date, -1),
      to: date,
      least: SORE_RESTS,
    }),
    data.read<{ clientId: string; sessionId: string; at: Date }>(UNWELL, {
      since: new Date(data.now.getTime() - UNWELL_HOURS * 3_600_000),
    }),
    openStopSigns(data, null),
    data.read<{ clientId: string; week: number; done: number; reviewed: number }>(WEEKS, {
      date,
      weekAgo: addDays(date, -7),
      from: addDays(date, -WEEK_DAYS),
    }),
    data.read<{ clientId: string; away: string }>(AWAY, { since: addDays(date, -AWAY_DAYS) }),
    standstills(data, date),
  ]);
  const { timeZone } = await data.studio();
  const byId = new Map(clients.map((c) => [c.id, c]));
  const nameOf = (id: string): string => byId.get(id)!.name;
  const days = groupBy(firstSessions, (s) => s.date);
  const countOf = (rows: readonly SessionRow[]): number => Number(rows[0]?.ofDay ?? 0);
  /** One more than the most is no reason to hide it. */
  const shownOf = (rows: readonly SessionRow[], most: number): AheadSession[] =>
    (countOf(rows) <= most + 1 ? rows : rows.slice(0, most)).map(asAhead);
  const ofToday = days.get(date) ?? [];
  days.delete(date);
  const symptoms = stopSigns.filter((s) => byId.has(s.clientId));
  const [states, sessions, reports] = await Promise.all([
    overviews(data, [...byId.keys()], date, { nextSessions: false, retestsUntil: to }),
    sessionsOn(data, shownOf(ofToday, TODAY_SHOWN)),
    symptomViews(data, symptoms),
  ]);

  const retests = clients
    .flatMap((c) => {
      const due = states.get(c.id)!.nextRetest;
      return due !== null && due.date <= to ? [{ clientId: c.id, clientName: c.name, ...due }] : [];
    })
    .sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : 0));
  // A retest takes the two tests along.
  const retestSoon = new Set(retests.map((r) => r.clientId));
  const dueSince = addDays(date, -CHECK_DAYS);
  const open = weeks.filter((w) => byId.has(w.clientId) && Number(w.reviewed) === 0);
  /** Mine before the studio's, and by name: as the clients are read. */
  const place = new Map(clients.map((c, i) => [c.id, i]));
  const inOrder = <T extends { readonly clientId: string }>(rows: readonly T[]): T[] =>
    rows.filter((r) => place.has(r.clientId)).sort((a, b) => place.get(a.clientId)! - place.get(b.clientId)!);
  const runs = new Map(late.map((l) => [l.clientId, Number(l.runs)]));
  return {
    date,
    sessions,
    sessionCount: countOf(ofToday),
    ahead: [...days].map(([day, rows]) => ({
      date: day,
      count: countOf(rows),
      sessions: shownOf(rows, AHEAD_SHOWN),
    })),
    retests,
    quickChecks: clients
      .filter((c) => c.quickCheck !== null && c.quickCheck !== '[]' && !retestSoon.has(c.id))
      .map((c) => ({ clientId: c.id, clientName: c.name, last: states.get(c.id)!.lastAssessment }))
      .filter((c) => c.last === null || c.last <= dueSince),
    symptoms: inOrder(reports),
    missed: inOrder(open)
      .filter((w) => Number(w.done) === 0)
      .map(({ clientId, week }) => ({ clientId, clientName: nameOf(clientId), week })),
    reviewsDue: open.length,
    plateaus: clients.flatMap(({ id, name }) =>
      still.has(id) ? [{ clientId: id, clientName: name, groups: still.get(id)! }] : [],
    ),
    away: inOrder(away).map((a) => ({
      clientId: a.clientId,
      clientName: nameOf(a.clientId),
      away: JSON.parse(a.away) as AwayDates[],
    })),
    lateLogs: clients.flatMap((c) =>
      runs.has(c.id) ? [{ clientId: c.id, clientName: c.name, runs: runs.get(c.id)! }] : [],
    ),
    unwell: inOrder(unwell).map(({ clientId, sessionId, at }) => ({
      clientId,
      clientName: nameOf(clientId),
      sessionId,
      date: dateIn(timeZone, at),
    })),
    sore: inOrder(soreness).map((n) => ({ ...n, clientName: nameOf(n.clientId) })),
    clearances: clients
      .filter((c) => c.screening === 'refer')
      .map((c) => ({ clientId: c.id, clientName: c.name, note: c.screeningNote })),
    questions: clients
      .filter((c) => c.screening === 'open' && states.get(c.id)!.block !== null)
      .map((c) => ({ clientId: c.id, clientName: c.name })),
    withoutBlock: clients
      .filter((c) => c.screening !== 'refer' && states.get(c.id)!.block === null)
      .map((c) => ({
        clientId: c.id,
        clientName: c.name,
        reason:
          c.screening === 'open'
            ? 'intake questions not answered yet'
            : states.get(c.id)!.lastAssessment === null
              ? 'not measured yet'
              : 'measured, no block running',
      })),
  };
}
