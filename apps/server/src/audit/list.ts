import type { AuditEntry, AuditQuery, Page } from '@yandle/contract';
import { CoachEntity } from '../accounts/entities.js';
import { ClientEntity } from '../clients/entities.js';
import type { StudioData } from '../database/studio-data.js';
import { HttpProblem } from '../http/problem.js';
import { AuditEntryEntity } from './entities.js';

const PAGE = 100;

interface Row {
  readonly id: string;
  readonly at: Date;
  readonly actor: AuditEntry['actor'];
  readonly coach: string | null;
  readonly clientId: string | null;
  readonly clientName: string | null;
  readonly action: AuditEntry['action'];
  readonly address: string;
}

function readCursor(cursor: string): { at: string; id: string } | null {
  if (cursor === '') return null;
  const [at, id] = cursor.split('_');
  if (!at || !id || !/^\d{13}$/.test(at))
    throw new HttpProblem('validation', 'This page mark isn’t known. Load the list from its start.', {
      errors: [{ path: 'cursor', message: 'Use the mark of the page before.' }],
    });
  return { at: new Date(Number(at)).toISOString().slice(0, -1).replace('T', ' '), id };
}

/** A page of what was done by whom, the newest first. */
export async function auditPage(data: StudioData, query: AuditQuery): Promise<Page<AuditEntry>> {
  const after = readCursor(query.cursor);
  const find = data
    .rows(AuditEntryEntity, 'e')
    .leftJoin(CoachEntity, 'k', 'k.id = e.coachId')
    .leftJoin(ClientEntity, 'c', 'c.id = e.clientId')
    .select('e.id', 'id')
    .addSelect('e.at', 'at')
    .addSelect('e.actor', 'actor')
    .addSelect('k.name', 'coach')
    .addSelect('e.clientId', 'clientId')
    .addSelect('c.name', 'clientName')
    .addSelect('e.action', 'action')
    .addSelect('e.address', 'address')
    .orderBy({ 'e.at': 'DESC', 'e.id': 'DESC' })
    .limit(PAGE + 1);
  if (query.client) find.andWhere('e.clientId = :client', { client: query.client });
  if (after) find.andWhere('(e.at < :at OR (e.at = :at AND e.id < :after))', { at: after.at, after: after.id });
  const rows = await find.getRawMany<Row>();
  const page = rows.slice(0, PAGE);
  const last = page.at(-1);
  return {
    items: page.map((r) => ({
      id: r.id,
      at: r.at.toISOString(),
      actor: r.actor,
      coach: r.coach,
      client: r.clientId === null ? null : { id: r.clientId, name: r.clientName },
      action: r.action,
      address: r.address,
    })),
    nextCursor: rows.length > PAGE && last ? `${last.at.getTime()}_${last.id}` : null,
  };
}
