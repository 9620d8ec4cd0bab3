import type {
  Client,
  ClientListItem,
  ClientPath,
  CreateClientBody,
  Page,
  UpdateClientBody,
  Whose,
} from '@yandle/contract';
import { ageOn, rescreenDue, type PlainDate } from '@yandle/core';
import { pacingOf } from '../studio/settings.js';
import { IsNull } from 'typeorm';
import { revokeLinks } from '../accounts/client-link.js';
import { CoachEntity } from '../accounts/entities.js';
import { CalendarLinkEntity } from '../calendar/entities.js';
import { hashOf, type StudioData } from '../database/studio-data.js';
import { assertVersion } from '../database/versioned.js';
import { HttpProblem } from '../http/problem.js';
import { PhoneLinkEntity } from '../phone/entities.js';
import { ReportLinkEntity } from '../reports/entities.js';
import { IntakeLinkEntity } from '../screening/entities.js';
import { latestIntake, screeningOf } from '../screening/service.js';
import { openStopSigns } from '../sessions/symptoms.js';
import { ClientEntity } from './entities.js';
import { overviews } from './overview.js';
import { leadsMeant } from './whose.js';

/** Oldest age that is no slip of the pen. */
const OLDEST = 120;

/** A client as it crosses the wire. */
export function clientView(row: ClientEntity, today: PlainDate): Client {
  return {
    id: row.id,
    version: row.version,
    pacing: pacingOf(row),
    name: row.name,
    birthDate: row.birthDate,
    sex: row.sex,
    age: ageOn(row.birthDate, today),
    aim: row.aim,
    experience: row.experience,
    trainingDays: row.trainingDays,
    minutesPerSession: row.minutesPerSession,
    gentleGroups: row.gentleGroups,
    screening: row.screening,
    screeningNote: row.screeningNote,
    notes: row.notes,
    leadCoachId: row.leadCoachId,
    archivedAt: row.archivedAt?.toISOString() ?? null,
  };
}

async function checkClient(
  data: StudioData,
  body: Pick<CreateClientBody, 'birthDate' | 'leadCoachId'>,
  today: PlainDate,
) {
  const errors = [];
  if (body.birthDate > today) errors.push({ path: 'birthDate', message: 'The date of birth is in the future.' });
  else if (ageOn(body.birthDate, today) > OLDEST)
    errors.push({ path: 'birthDate', message: `This would be more than ${OLDEST} years ago.` });
  if (!(await data.findOne(CoachEntity, { id: body.leadCoachId, removedAt: IsNull() })))
    errors.push({ path: 'leadCoachId', message: 'Choose a coach of this studio.' });
  if (errors.length > 0) throw new HttpProblem('validation', 'Fix the fields below and save again.', { errors });
}

export async function createClient(data: StudioData, body: CreateClientBody, today: PlainDate): Promise<Client> {
  return data.transaction(async (tx) => {
    if (await tx.isNew(ClientEntity, body.id, body)) {
      await checkClient(tx, body, today);
      const { id, ...fields } = body;
      await tx.insert(ClientEntity, {
        ...fields,
        id,
        version: 1,
        breathSeconds: null,
        brisk: false,
        standingReview: false,
        ownTimings: null,
        archivedAt: null,
        requestHash: hashOf(body),
        createdAt: tx.now,
      });
      await tx.audit('client-added', { clientId: id });
    }
    return clientView(await tx.get(ClientEntity, body.id, 'client'), today);
  });
}

export async function updateClient(
  data: StudioData,
  id: string,
  body: UpdateClientBody,
  today: PlainDate,
): Promise<Client> {
  return data.transaction(async (tx) => {
    const row = await tx.getLocked(ClientEntity, id, 'client');
    assertVersion(row, body.version, clientView(row, today));
    await checkClient(tx, body, today);
    const { version, ...fields } = body;
    // Once the questions have been asked one by one, their answers say where the screening stands.
    const asked = await latestIntake(tx, id);
    const summary = asked ? { screening: row.screening, screeningNote: row.screeningNote } : {};
    await tx.update(ClientEntity, { id }, { ...fields, ...summary, version: version + 1 });
    return clientView(await tx.get(ClientEntity, id, 'client'), today);
  });
}

export async function setArchived(
  data: StudioData,
  id: string,
  version: number,
  archived: boolean,
  today: PlainDate,
): Promise<Client> {
  return data.transaction(async (tx) => {
    const row = await tx.getLocked(ClientEntity, id, 'client');
    assertVersion(row, version, clientView(row, today));
    await tx.update(ClientEntity, { id }, { archivedAt: archived ? tx.now : null, version: version + 1 });
    // Whoever is no client any more has nothing to read here; restored, they get new links.
    if (archived)
      for (const kind of [PhoneLinkEntity, CalendarLinkEntity, IntakeLinkEntity, ReportLinkEntity])
        await revokeLinks(tx, kind, id);
    await tx.audit(archived ? 'client-archived' : 'client-restored', { clientId: id });
    return clientView(await tx.get(ClientEntity, id, 'client'), today);
  });
}

interface ListQuery {
  readonly whose: Whose;
  readonly search: string;
  readonly archived: boolean;
  readonly cursor: string;
  readonly limit: number;
}

function readCursor(cursor: string): { name: string; id: string } | null {
  if (!cursor) return null;
  try {
    const [name, id] = JSON.parse(Buffer.from(cursor, 'base64url').toString('utf8')) as unknown[];
    if (typeof name === 'string' && typeof id === 'string') return { name, id };
  } catch {
    /* refused below */
  }
  throw new HttpProblem('validation', 'This page mark isn’t known. Load the list from its start.', {
    errors: [{ path: 'cursor', message: 'Use the mark of the page before.' }],
  });
}

/** A page of the studio's clients by name. */
export async function listClients(
  data: StudioData,
  query: ListQuery,
  me: string,
  today: PlainDate,
): Promise<Page<ClientListItem>> {
  const after = readCursor(query.cursor);
  const leads = await leadsMeant(data, query.whose, me, today);
  const find = data
    .rows(ClientEntity, 'c')
    .andWhere(query.archived ? 'c.archivedAt IS NOT NULL' : 'c.archivedAt IS NULL')
    .orderBy('c.name', 'ASC')
    .addOrderBy('c.id', 'ASC')
    .take(query.limit + 1);
  if (leads) find.andWhere('c.leadCoachId IN (:...leads)', { leads });
  const words = query.search.trim();
  if (words) {
    const like = `%${words.replace(/[\\%_]/g, '\\$&')}%`;
    find.andWhere('(c.name LIKE :like OR c.aim LIKE :like)', { like });
  }
  if (after)
    find.andWhere('(c.name > :name OR (c.name = :name AND c.id > :after))', { name: after.name, after: after.id });
  const rows = await find.getMany();
  const page = rows.slice(0, query.limit);
  const last = page[page.length - 1];
  const states = await overviews(
    data,
    page.map((r) => r.id),
    today,
  );
  return {
    items: page.map((r) => {
      const o = states.get(r.id)!;
      return {
        id: r.id,
        name: r.name,
        age: ageOn(r.birthDate, today),
        aim: r.aim,
        leadCoachId: r.leadCoachId,
        screening: r.screening,
        archived: r.archivedAt !== null,
        lastAssessment: o.lastAssessment,
        nextSession: o.nextSession?.date ?? null,
        blockWeek: o.block ? { week: o.block.week, of: o.block.of } : null,
      };
    }),
    nextCursor:
      rows.length > query.limit && last
        ? Buffer.from(JSON.stringify([last.name, last.id])).toString('base64url')
        : null,
  };
}

const ASSESSMENTS = `SELECT COUNT(*) AS n FROM assessment a
  WHERE a.studio_id = {studio} AND a.client_id = :id AND a.counts = 1`;

/** A client with the state of each step of the path. */
export async function clientPath(data: StudioData, id: string, today: PlainDate): Promise<ClientPath> {
  const row = await data.get(ClientEntity, id, 'client');
  const o = (await overviews(data, [id], today)).get(id)!;
  const counted = await data.read<{ n: number | string }>(ASSESSMENTS, { id });
  const screening = await screeningOf(data, row, today);
  const asked = await latestIntake(data, id);
  return {
    client: { ...clientView(row, today), screening: screening.state },
    ...o,
    assessments: Number(counted[0]!.n),
    nextRetest: o.nextRetest?.date ?? null,
    cautions: screening.current,
    openSigns: (await openStopSigns(data, id)).map(({ exerciseId, form, symptom }) => ({ exerciseId, form, symptom })),
    about: asked?.about ?? null,
    rescreenOn: asked ? rescreenDue(asked.askedOn, asked.answers) : null,
  };
}
