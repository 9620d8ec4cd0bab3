import type { OpenLink } from '@yandle/contract';
import type { StudioData } from '../database/studio-data.js';

interface Row {
  readonly kind: OpenLink['kind'];
  readonly clientId: string;
  readonly clientName: string;
  readonly madeAt: Date;
  readonly expiresAt: Date | null;
  readonly usedAt: Date | null;
}

const ofKind = (kind: OpenLink['kind'], table: string, lapses: boolean) =>
  `SELECT '${kind}' AS kind, l.client_id AS clientId, c.name AS clientName, l.created_at AS madeAt,
     ${lapses ? 'l.expires_at' : 'NULL'} AS expiresAt, ${lapses ? 'l.used_at' : 'NULL'} AS usedAt
   FROM ${table} l INNER JOIN client c ON c.id = l.client_id
   WHERE l.studio_id = {studio} AND l.revoked_at IS NULL${lapses ? ' AND l.expires_at > :now' : ''}`;

const LINKS = `${[
  ofKind('phone', 'phone_link', true),
  ofKind('intake', 'intake_link', true),
  ofKind('calendar', 'calendar_link', false),
].join(' UNION ALL ')} ORDER BY clientName, kind LIMIT 500`;

/** Links that open something of a client now, by name. */
export async function openLinks(data: StudioData): Promise<OpenLink[]> {
  const rows = await data.read<Row>(LINKS, { now: data.now });
  return rows.map((r) => ({
    kind: r.kind,
    clientId: r.clientId,
    clientName: r.clientName,
    madeAt: new Date(r.madeAt).toISOString(),
    expiresAt: r.expiresAt ? new Date(r.expiresAt).toISOString() : null,
    usedAt: r.usedAt ? new Date(r.usedAt).toISOString() : null,
  }));
}
