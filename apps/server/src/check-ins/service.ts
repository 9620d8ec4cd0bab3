import type { CheckIn, CheckInBody, RegionScore, SelfReportKind } from '@yandle/contract';
import { addDays, formatDate, runningBlock, type AwayDates, type PlainDate } from '@yandle/core';
import { In, IsNull, MoreThanOrEqual } from 'typeorm';
import { v7 as uuid } from 'uuid';
import { BlockEntity } from '../blocks/entities.js';
import type { Planner } from '../blocks/planning.js';
import { lockedBlock, reviseLocked } from '../blocks/replanning.js';
import { ClientEntity } from '../clients/entities.js';
import { groupBy } from '../database/group-by.js';
import { hashOf, type StudioData } from '../database/studio-data.js';
import { HttpProblem, invalidField, notFound } from '../http/problem.js';
import { SelfReportEntity } from '../priorities/entities.js';
import { CheckInEntity } from './entities.js';

/** How far back lists go. Days. */
const LISTED_DAYS = 26 * 7;

async function views(data: StudioData, rows: readonly CheckInEntity[]): Promise<CheckIn[]> {
  if (rows.length === 0) return [];
  const reports = await data.find(SelfReportEntity, { checkInId: In(rows.map((r) => r.id)) }, { order: { id: 'ASC' } });
  const of = groupBy(reports, (r) => r.checkInId!);
  const scores = (id: string, kind: SelfReportKind): RegionScore[] =>
    (of.get(id) ?? []).flatMap((r) => (r.kind === kind ? [{ region: r.region, score: r.score }] : []));
  return rows.map((r) => ({
    id: r.id,
    date: r.date,
    moment: r.moment,
    sessionId: r.sessionId,
    stiffness: scores(r.id, 'stiffness'),
    complaints: scores(r.id, 'complaint'),
    inTheWay: r.inTheWay,
    away: r.away,
    note: r.note,
    awaySeen: r.away.length === 0 || r.awaySeenAt !== null,
  }));
}

/** What clients have said since a day, newest first, by client. */
export async function checkInsOf(
  data: StudioData,
  clientIds: readonly string[],
  since: PlainDate,
): Promise<Map<string, CheckIn[]>> {
  if (clientIds.length === 0) return new Map();
  const rows = await data.find(
    CheckInEntity,
    { clientId: In([...clientIds]), date: MoreThanOrEqual(since) },
    { order: { date: 'DESC', createdAt: 'DESC', id: 'DESC' } },
  );
  const clientOf = new Map(rows.map((r) => [r.id, r.clientId]));
  return groupBy(await views(data, rows), (v) => clientOf.get(v.id)!);
}

/** What a client has said in the last half year, newest first. */
export async function listCheckIns(data: StudioData, clientId: string, today: PlainDate): Promise<CheckIn[]> {
  await data.get(ClientEntity, clientId, 'client');
  return (await checkInsOf(data, [clientId], addDays(today, -LISTED_DAYS))).get(clientId) ?? [];
}

/** Writes down what a client says. Sending it again counts once. */
export async function putCheckIn(
  data: StudioData,
  clientId: string,
  id: string,
  body: CheckInBody,
  today: PlainDate,
): Promise<CheckIn> {
  return data.transaction(async (tx) => {
    await tx.getLocked(ClientEntity, clientId, 'client');
    // A phone elsewhere in the world may be a day ahead.
    if (body.date > addDays(today, 1)) throw invalidField('date', 'That day has not come yet.');
    if (await tx.isNew(CheckInEntity, id, { clientId, ...body })) {
      const { stiffness, complaints, ...rest } = body;
      const requestHash = hashOf({ clientId, ...body });
      const createdAt = tx.now;
      await tx.insert(CheckInEntity, { ...rest, id, clientId, awaySeenAt: null, requestHash, createdAt });
      const report = (kind: SelfReportKind) => (s: RegionScore) => ({
        ...{ id: uuid(), clientId, checkInId: id, date: body.date, kind, moment: body.moment, habits: [] },
        ...{ region: s.region, score: s.score, requestHash, createdAt },
      });
      await tx.insertMany(SelfReportEntity, [
        ...stiffness.map(report('stiffness')),
        ...complaints.map(report('complaint')),
      ]);
    }
    const row = await tx.get(CheckInEntity, id, 'entry');
    return (await views(tx, [row]))[0]!;
  });
}

const covers = (a: AwayDates, b: AwayDates): boolean => a.from <= b.from && b.to <= a.to;

const daysWords = ({ from, to }: AwayDates): string =>
  from === to ? formatDate(from, 'd MMM') : `${formatDate(from, 'd MMM')} to ${formatDate(to, 'd MMM')}`;

/** Puts the days away that a client named into the plan of the running block, or aside. Doing it again changes nothing. */
export async function seeAway(
  data: StudioData,
  clientId: string,
  id: string,
  plan: boolean,
  planner: Planner,
): Promise<CheckIn[]> {
  return data.transaction(async (tx) => {
    const row = await tx.getLocked(CheckInEntity, id, 'entry');
    if (row.clientId !== clientId) throw notFound('entry');
    if (row.awaySeenAt === null && row.away.length > 0) {
      await tx.update(CheckInEntity, { id }, { awaySeenAt: tx.now });
      if (plan) {
        const block = runningBlock(await tx.find(BlockEntity, { clientId, endedAt: IsNull() }), planner.today);
        if (!block)
          throw new HttpProblem(
            'conflict',
            'This client has no running block. Put the days aside, or build the next block.',
          );
        const { row: locked, before } = await lockedBlock(tx, block.id, null, planner.today);
        const more = row.away.filter((a) => !before.choices.away.some((known) => covers(known, a)));
        if (more.length > 0)
          await reviseLocked(
            tx,
            locked,
            before,
            {
              ...before.choices,
              away: [...before.choices.away, ...more],
              reason: `Away ${more.map(daysWords).join(', ')}, as the client said.`,
            },
            planner,
          );
      }
    }
    return listCheckIns(tx, clientId, planner.today);
  });
}
