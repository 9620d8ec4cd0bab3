import type {
  Clearance,
  ClearanceBody,
  ConsentBody,
  Intake,
  IntakeBody,
  IntakeLink,
  ScreeningView,
} from '@yandle/contract';
import {
  ageOn,
  clearanceEnds,
  liftsIn,
  rescreenDue,
  screeningOn,
  type PlainDate,
  type QuestionId,
  type Screening,
  aboutFrom,
  answersFrom,
  withRecorded,
} from '@yandle/core';
import { In, IsNull } from 'typeorm';
import { CoachEntity } from '../accounts/entities.js';
import { ClientEntity } from '../clients/entities.js';
import { hashOf, type StudioData } from '../database/studio-data.js';
import { SelfReportEntity } from '../priorities/entities.js';
import { HttpProblem, invalidField } from '../http/problem.js';
import {
  assertConsent,
  complaintId,
  consentView,
  eraseAnswer,
  putConsent,
  standingConsent,
  withdrawConsent,
} from './consent.js';
import { ClearanceEntity, IntakeEntity, IntakeLinkEntity } from './entities.js';

/** The newest asking of a client; null when nobody has asked. */
export async function latestIntake(data: StudioData, clientId: string): Promise<IntakeEntity | null> {
  return data.findOne(IntakeEntity, { clientId }, { order: { askedOn: 'DESC', createdAt: 'DESC', id: 'DESC' } });
}

/** What a client's screening on any day comes from. */
export interface ScreeningFacts {
  readonly client: ClientEntity;
  readonly latest: IntakeEntity | null;
  readonly clearances: readonly ClearanceEntity[];
  /** Whether the coach who leads the client may do nerve glides. */
  readonly qualified: boolean;
}

export async function screeningFacts(data: StudioData, client: ClientEntity): Promise<ScreeningFacts> {
  const [latest, clearances, lead] = await Promise.all([
    latestIntake(data, client.id),
    data.find(ClearanceEntity, { clientId: client.id, withdrawnAt: IsNull() }),
    data.findOne(CoachEntity, { id: client.leadCoachId }),
  ]);
  return { client, latest, clearances, qualified: lead !== null && lead.glidesLicence !== null };
}

/** What stands for a client on a day. Clients without an asking stand as their summary says, without cautions. */
export function screeningAt({ client, latest, clearances, qualified }: ScreeningFacts, day: PlainDate): Screening {
  const given = clearances.map((c) => ({ ...c, lifts: c.lifts ?? [] }));
  const stands = screeningOn(latest?.answers ?? null, ageOn(client.birthDate, day), given, day, qualified);
  return latest ? stands : { ...stands, state: client.screening, holds: client.screening === 'refer' };
}

export async function screeningOf(data: StudioData, client: ClientEntity, day: PlainDate): Promise<Screening> {
  return screeningAt(await screeningFacts(data, client), day);
}

/** Writes what stands into the client's row, for lists; readers of one client compute it anew. */
async function refreshSummary(tx: StudioData, client: ClientEntity, day: PlainDate): Promise<void> {
  const { state } = await screeningOf(tx, client, day);
  if (state !== client.screening) await tx.update(ClientEntity, { id: client.id }, { screening: state });
}

const linkView = (l: IntakeLinkEntity): IntakeLink => ({
  id: l.id,
  expiresAt: l.expiresAt.toISOString(),
  usedAt: l.usedAt?.toISOString() ?? null,
});

/** Askings, clearances and what follows from them. */
export async function screeningView(data: StudioData, clientId: string, today: PlainDate): Promise<ScreeningView> {
  const client = await data.get(ClientEntity, clientId, 'client');
  const rows = await data.find(
    IntakeEntity,
    { clientId },
    { order: { askedOn: 'DESC', createdAt: 'DESC', id: 'DESC' } },
  );
  const given = await data.find(ClearanceEntity, { clientId }, { order: { on: 'DESC', id: 'DESC' } });
  const ids = [...rows.map((r) => r.coachId), ...given.map((c) => c.coachId)].filter((id): id is string => id !== null);
  const coaches = ids.length > 0 ? await data.find(CoachEntity, { id: In([...new Set(ids)]) }) : [];
  const nameOf = (id: string | null) => coaches.find((c) => c.id === id)?.name ?? null;
  const links = await data.find(IntakeLinkEntity, { clientId }, { order: { createdAt: 'DESC' } });
  const agreed = await standingConsent(data, clientId);
  const link = links.find((l) => l.revokedAt === null && l.expiresAt > data.now);
  return {
    ...(await screeningOf(data, client, today)),
    intakes: rows.map((r): Intake => ({
      id: r.id,
      askedOn: r.askedOn,
      answers: answersFrom(r.answers),
      about: aboutFrom(r.about),
      by: nameOf(r.coachId),
      at: r.createdAt.toISOString(),
    })),
    clearances: given.map((c): Clearance => ({
      id: c.id,
      cautionId: c.cautionId,
      who: c.who,
      on: c.on,
      note: c.note,
      lifts: c.lifts ?? [],
      ends: clearanceEnds(c.on),
      recordedBy: nameOf(c.coachId) ?? '',
      withdrawnAt: c.withdrawnAt?.toISOString() ?? null,
    })),
    consent: agreed && consentView(agreed, nameOf(agreed.coachId)),
    dueOn: rows[0] ? rescreenDue(rows[0].askedOn, rows[0].answers) : null,
    link: link ? linkView(link) : null,
  };
}

function refuseFuture(path: string, day: PlainDate, today: PlainDate): void {
  if (day > today)
    throw new HttpProblem('validation', 'Fix the fields below and save again.', {
      errors: [{ path, message: 'This day is in the future.' }],
    });
}

/**
 * Keeps one asking. Earlier ones stay.
 * @param coachId who asked; null when the client filled it in
 */
export async function putIntake(
  data: StudioData,
  clientId: string,
  id: string,
  body: IntakeBody,
  coachId: string | null,
  today: PlainDate,
): Promise<void> {
  await data.transaction(async (tx) => {
    const client = await tx.getLocked(ClientEntity, clientId, 'client');
    if (!(await tx.isNew(IntakeEntity, id, { clientId, ...body }))) return;
    refuseFuture('askedOn', body.askedOn, today);
    const { consent, ...asked } = body;
    await assertConsent(tx, client, id, consent, coachId, today);
    const recorded = coachId === null ? await latestIntake(tx, clientId) : null;
    await tx.insert(IntakeEntity, {
      ...asked,
      answers: withRecorded(body.answers, recorded && answersFrom(recorded.answers)),
      id,
      clientId,
      coachId,
      requestHash: hashOf({ clientId, ...body }),
      createdAt: tx.now,
    });
    // Complaints count in the findings like those noted there; the same asking gives the same ids.
    for (const { region, score } of body.about.complaints)
      await tx.insert(SelfReportEntity, {
        checkInId: null,
        id: complaintId(id, region),
        clientId,
        date: body.askedOn,
        region,
        kind: 'complaint',
        moment: 'day',
        score,
        habits: [],
        requestHash: hashOf({ intake: id, region, score }),
        createdAt: tx.now,
      });
    await refreshSummary(tx, client, today);
  });
}

/** Records that a client agrees, beside any answers: those from before it was asked are kept. */
export async function recordConsent(
  data: StudioData,
  clientId: string,
  id: string,
  body: ConsentBody,
  coachId: string,
  today: PlainDate,
): Promise<void> {
  await data.transaction(async (tx) => {
    await putConsent(tx, await tx.getLocked(ClientEntity, clientId, 'client'), id, body, coachId, today);
  });
}

/** Takes the consent back and erases the answers, or erases the answer to one question, for good. */
export async function eraseAnswers(
  data: StudioData,
  clientId: string,
  what: QuestionId | 'consent',
  today: PlainDate,
): Promise<void> {
  await data.transaction(async (tx) => {
    const client = await tx.getLocked(ClientEntity, clientId, 'client');
    if (what === 'consent') await withdrawConsent(tx, clientId);
    else await eraseAnswer(tx, clientId, what);
    // Without an asking nothing is known: planning waits for the questions.
    const known = await latestIntake(tx, clientId);
    if (known) await refreshSummary(tx, client, today);
    else await tx.update(ClientEntity, { id: clientId }, { screening: 'open' });
  });
}

/** Records that a professional has agreed to what one caution blocks or limits. */
export async function putClearance(
  data: StudioData,
  clientId: string,
  id: string,
  body: ClearanceBody,
  coachId: string,
  today: PlainDate,
): Promise<void> {
  await data.transaction(async (tx) => {
    const client = await tx.getLocked(ClientEntity, clientId, 'client');
    if (!(await tx.isNew(ClearanceEntity, id, { clientId, ...body }))) return;
    refuseFuture('on', body.on, today);
    // Only a limit that stands can be lifted: a code of another caution is a mistake.
    const { current, lifted } = await screeningOf(tx, client, today);
    const caution = [...current, ...lifted].find((c) => c.id === body.cautionId);
    const unknown = caution ? body.lifts.find((l) => !liftsIn(caution.effect).includes(l)) : undefined;
    if (unknown) throw invalidField('lifts', `This caution has no limit “${unknown}”. Choose among its own.`);
    await tx.insert(ClearanceEntity, {
      ...body,
      id,
      clientId,
      coachId,
      withdrawnAt: null,
      requestHash: hashOf({ clientId, ...body }),
      createdAt: tx.now,
    });
    await tx.audit(body.cautionId === 'hand-on-head' ? 'hand-on-head-allowed' : 'cleared-by-professional', {
      clientId,
    });
    await refreshSummary(tx, client, today);
  });
}

/** Takes a clearance back; its caution stands again. Doing it again changes nothing. */
export async function withdrawClearance(data: StudioData, id: string, today: PlainDate): Promise<string> {
  return data.transaction(async (tx) => {
    const row = await tx.getLocked(ClearanceEntity, id, 'clearance');
    const client = await tx.getLocked(ClientEntity, row.clientId, 'client');
    if (row.withdrawnAt === null) {
      await tx.update(ClearanceEntity, { id }, { withdrawnAt: tx.now });
      await refreshSummary(tx, client, today);
    }
    return row.clientId;
  });
}
