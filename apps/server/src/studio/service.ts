import type {
  CoachView,
  EditStudioBody,
  InvitationView,
  InviteBody,
  LinkMade,
  RemoveCoachBody,
  StandInBody,
  StudioView,
} from '@yandle/contract';
import type { PlainDate } from '@yandle/core';
import { IsNull, MoreThan } from 'typeorm';
import { makeAccountLink } from '../accounts/account-link.js';
import { AccountLinkEntity, AuthSessionEntity, CoachEntity, type StudioEntity } from '../accounts/entities.js';
import { ClientEntity } from '../clients/entities.js';
import type { StudioData } from '../database/studio-data.js';
import { HttpProblem, invalidField } from '../http/problem.js';

/** Coaches of the studio, those who left aside, with how many clients each leads. */
async function coachViews(data: StudioData, today: PlainDate): Promise<CoachView[]> {
  const rows = await data
    .rows(CoachEntity, 'k')
    .andWhere('k.removedAt IS NULL')
    .leftJoin(ClientEntity, 'c', 'c.leadCoachId = k.id AND c.archivedAt IS NULL')
    .select('k.id', 'id')
    .addSelect('k.name', 'name')
    .addSelect('k.email', 'email')
    .addSelect('k.role', 'role')
    .addSelect('k.totpSecret IS NOT NULL', 'secondFactor')
    .addSelect('k.standInId', 'standInId')
    .addSelect("DATE_FORMAT(k.standInUntil, '%Y-%m-%d')", 'standInUntil')
    .addSelect('COUNT(DISTINCT c.id)', 'clients')
    .leftJoin(AuthSessionEntity, 's', 's.coachId = k.id')
    .addSelect('MAX(s.signedInAt)', 'signedInAt')
    .groupBy('k.id')
    .orderBy('k.name')
    .getRawMany<{
      id: string;
      name: string;
      email: string | null;
      role: CoachView['role'];
      secondFactor: string | number;
      standInId: string | null;
      standInUntil: string | null;
      clients: string;
      signedInAt: Date | null;
    }>();
  return rows.map((r) => {
    const absent = r.standInUntil !== null && r.standInUntil >= today;
    return {
      id: r.id,
      name: r.name,
      email: r.email ?? '',
      role: r.role,
      clients: Number(r.clients),
      secondFactor: Number(r.secondFactor) === 1,
      signedInAt: r.signedInAt?.toISOString() ?? null,
      standInId: absent ? r.standInId : null,
      standInUntil: absent ? r.standInUntil : null,
    };
  });
}

export async function studioView(data: StudioData, studio: StudioEntity, today: PlainDate): Promise<StudioView> {
  const [coaches, links] = await Promise.all([
    coachViews(data, today),
    data.find(
      AccountLinkEntity,
      { kind: 'invitation', usedAt: IsNull(), revokedAt: IsNull(), expiresAt: MoreThan(data.now) },
      { order: { createdAt: 'DESC' } },
    ),
  ]);
  return {
    name: studio.name,
    timeZone: studio.timeZone,
    retentionMonths: studio.retentionMonths,
    coaches,
    invitations: links.map((l): InvitationView => ({
      id: l.id,
      note: l.note,
      role: l.role!,
      expiresAt: l.expiresAt.toISOString(),
    })),
  };
}

export async function editStudio(data: StudioData, body: EditStudioBody): Promise<void> {
  await data.transaction(async (tx) => {
    await tx.updateStudio(body);
    await tx.audit('studio-changed');
  });
}

export async function invite(data: StudioData, body: InviteBody): Promise<LinkMade> {
  const { id, ...made } = await makeAccountLink(data, { ...body, kind: 'invitation', coachId: null });
  await data.audit('coach-invited', { subject: id });
  return made;
}

export async function endInvitation(data: StudioData, id: string): Promise<void> {
  await data.get(AccountLinkEntity, id, 'invitation');
  await data.update(AccountLinkEntity, { id, usedAt: IsNull(), revokedAt: IsNull() }, { revokedAt: data.now });
  await data.audit('invitation-ended', { subject: id });
}

/** A link by which a coach chooses a new password; one made before works no more. */
export async function makeResetLink(data: StudioData, coachId: string): Promise<LinkMade> {
  const coach = await activeCoach(data, coachId);
  await data.update(AccountLinkEntity, { coachId, usedAt: IsNull(), revokedAt: IsNull() }, { revokedAt: data.now });
  const { id, ...made } = await makeAccountLink(data, {
    kind: 'reset',
    coachId: coach.id,
    role: null,
    note: '',
  });
  await data.audit('reset-link-made', { subject: id });
  return made;
}

async function activeCoach(data: StudioData, id: string, field?: string): Promise<CoachEntity> {
  if (field === undefined) {
    const coach = await data.get(CoachEntity, id, 'coach');
    if (coach.removedAt) throw new HttpProblem('not-found', 'There is no such coach. They may have been removed.');
    return coach;
  }
  const coach = await data.findOne(CoachEntity, { id, removedAt: IsNull() });
  if (!coach) throw invalidField(field, 'Choose a coach of this studio.');
  return coach;
}

/** A studio always has an owner: nobody takes the last one away. Coaches are locked first, so that two who try at once do not succeed. */
async function assertOwnerLeft(tx: StudioData, without: string): Promise<void> {
  const coaches = await tx.findLocked(CoachEntity, {});
  if (!coaches.some((c) => c.role === 'owner' && !c.removedAt && c.id !== without))
    throw new HttpProblem('conflict', 'This is the only owner. Make another coach an owner first.');
}

export async function setRole(data: StudioData, coachId: string, role: CoachEntity['role']): Promise<void> {
  await data.transaction(async (tx) => {
    const coach = await activeCoach(tx, coachId);
    if (coach.role === role) return;
    if (coach.role === 'owner') await assertOwnerLeft(tx, coachId);
    await tx.update(CoachEntity, { id: coachId }, { role });
    await tx.audit('coach-role-changed', { subject: `${coachId} ${role}` });
  });
}

/** Who looks after a coach's clients while they are away; null ends it. */
export async function setStandIn(
  data: StudioData,
  coachId: string,
  body: StandInBody,
  today: PlainDate,
): Promise<void> {
  const { standInId, until } = body;
  if ((standInId === null) !== (until === null))
    throw invalidField(standInId === null ? 'standInId' : 'until', 'Say who stands in, and up to which day.');
  if (until !== null && until < today) throw invalidField('until', 'Choose today or a later day.');
  if (standInId === coachId) throw invalidField('standInId', 'Choose somebody else.');
  await data.transaction(async (tx) => {
    await activeCoach(tx, coachId);
    if (standInId !== null) await activeCoach(tx, standInId, 'standInId');
    await tx.update(CoachEntity, { id: coachId }, { standInId, standInUntil: until });
    await tx.audit('stand-in-set', { subject: coachId });
  });
}

/** Takes a coach out: the clients pass on, every device is signed out, what was written under the name stays. */
export async function removeCoach(data: StudioData, coachId: string, body: RemoveCoachBody): Promise<void> {
  if (body.clientsTo === coachId) throw invalidField('clientsTo', 'Choose somebody else.');
  await data.transaction(async (tx) => {
    await assertOwnerLeft(tx, coachId);
    await activeCoach(tx, coachId);
    const heir = await activeCoach(tx, body.clientsTo, 'clientsTo');
    if (heir.role === 'guest') throw invalidField('clientsTo', 'A guest leads no clients. Choose a coach.');
    await tx.update(ClientEntity, { leadCoachId: coachId }, { leadCoachId: heir.id });
    await tx.update(CoachEntity, { standInId: coachId }, { standInId: null, standInUntil: null });
    await tx.update(AccountLinkEntity, { coachId, usedAt: IsNull() }, { revokedAt: tx.now });
    await tx.update(
      CoachEntity,
      { id: coachId },
      {
        removedAt: tx.now,
        email: null,
        passwordHash: '',
        totpSecret: null,
        totpOffered: null,
        recoveryCodes: null,
        standInId: null,
        standInUntil: null,
      },
    );
    await tx.audit('coach-removed', { subject: coachId });
  });
}
