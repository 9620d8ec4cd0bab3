import { endOfBlock, type PlainDate, runningBlock, weekOn } from '@yandle/core';
import { In, IsNull } from 'typeorm';
import { AssessmentEntity } from '../assessments/entities.js';
import { BlockEntity, RetestEntity } from '../blocks/entities.js';
import type { StudioData } from '../database/studio-data.js';
import { SessionEntity } from '../sessions/entities.js';

/** Where a client stands on the path. */
export interface Overview {
  readonly lastAssessment: PlainDate | null;
  readonly assessments: number;
  readonly block: {
    readonly id: string;
    readonly week: number;
    readonly of: number;
    readonly endDate: PlainDate;
  } | null;
  readonly nextSession: { readonly id: string; readonly date: PlainDate } | null;
  readonly nextRetest: PlainDate | null;
}

/** Overviews of several clients with a fixed number of queries. */
export async function overviews(
  data: StudioData,
  clientIds: readonly string[],
  today: PlainDate,
): Promise<Map<string, Overview>> {
  if (clientIds.length === 0) return new Map();
  const assessmentsRead = data
    .rows(AssessmentEntity, 'a')
    .select('a.clientId', 'clientId')
    .addSelect('MAX(a.date)', 'last')
    .addSelect('COUNT(*)', 'count')
    .andWhere('a.clientId IN (:...ids)', { ids: clientIds })
    .groupBy('a.clientId')
    .getRawMany<{ clientId: string; last: string | Date; count: string }>();
  const [assessments, blocks] = await Promise.all([
    assessmentsRead,
    data.find(BlockEntity, { clientId: In([...clientIds]), endedAt: IsNull() }),
  ]);
  const running = new Map<string, BlockEntity>();
  for (const id of clientIds) {
    const p = runningBlock(
      blocks.filter((x) => x.clientId === id),
      today,
    );
    if (p) running.set(id, p);
  }
  const blockIds = [...running.values()].map((p) => p.id);
  const sessionsRead = blockIds.length
    ? data
        .rows(SessionEntity, 's')
        .andWhere('s.blockId IN (:...ids) AND s.date >= :today', { ids: blockIds, today })
        .andWhere('NOT EXISTS (SELECT 1 FROM run r WHERE r.session_id = s.id AND r.ended_at IS NOT NULL)')
        .orderBy('s.date', 'ASC')
        .getMany()
    : Promise.resolve([]);
  const retestsRead = blockIds.length
    ? data.find(RetestEntity, { blockId: In(blockIds) }, { order: { date: 'ASC' } })
    : Promise.resolve([]);
  const [sessions, retests] = await Promise.all([sessionsRead, retestsRead]);

  return new Map(
    clientIds.map((id) => {
      const assessment = assessments.find((v) => v.clientId === id);
      const last = assessment ? asDate(assessment.last) : null;
      const p = running.get(id) ?? null;
      const next = p ? sessions.find((s) => s.blockId === p.id) : undefined;
      const retest = p ? retests.find((r) => r.blockId === p.id && (last === null || r.date > last)) : undefined;
      return [
        id,
        {
          lastAssessment: last,
          assessments: Number(assessment?.count ?? 0),
          block: p
            ? { id: p.id, week: weekOn(p.startDate, today), of: p.weeks, endDate: endOfBlock(p.startDate, p.weeks) }
            : null,
          nextSession: next ? { id: next.id, date: next.date } : null,
          nextRetest: retest?.date ?? null,
        },
      ];
    }),
  );
}

/** Aggregates of DATE columns arrive as Date at UTC midnight from the driver. */
function asDate(value: string | Date): PlainDate {
  return typeof value === 'string' ? value.slice(0, 10) : value.toISOString().slice(0, 10);
}
