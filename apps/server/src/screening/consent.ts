import type { Consent, ConsentBody } from '@yandle/contract';
import {
  ageOn,
  CONSENT_VERSION,
  consentCounts,
  consenterAt,
  withoutAnswer,
  type PlainDate,
  type QuestionId,
} from '@yandle/core';
import { IsNull } from 'typeorm';
import { v5 } from 'uuid';
import { ClientEntity } from '../clients/entities.js';
import { hashOf, type StudioData } from '../database/studio-data.js';
import { invalidField } from '../http/problem.js';
import { SelfReportEntity } from '../priorities/entities.js';
import { ClearanceEntity, ConsentEntity, IntakeEntity } from './entities.js';

/** Id of the complaint that an asking notes for a region: the same asking gives the same one. */
export const complaintId = (intakeId: string, region: string): string => v5(region, intakeId);

/** What stands: the newest that was not taken back. */
export async function standingConsent(data: StudioData, clientId: string): Promise<ConsentEntity | null> {
  return data.findOne(
    ConsentEntity,
    { clientId, withdrawnAt: IsNull() },
    { order: { version: 'DESC', createdAt: 'DESC', id: 'DESC' } },
  );
}

export const consentView = (c: ConsentEntity, recordedBy: string | null): Consent => ({
  version: c.version,
  by: c.givenBy,
  name: c.name,
  at: c.createdAt.toISOString(),
  recordedBy,
});

/**
 * Records that a client agrees, by the text of today; under 18 it is a guardian who does. Sending it again records it once.
 * @param coachId who wrote it down; null when it came by the client's own link
 */
export async function putConsent(
  tx: StudioData,
  client: ClientEntity,
  id: string,
  body: ConsentBody,
  coachId: string | null,
  today: PlainDate,
): Promise<void> {
  if (!(await tx.isNew(ConsentEntity, id, { clientId: client.id, ...body }))) return;
  if (body.version !== CONSENT_VERSION)
    throw invalidField('consent.version', 'The text of the consent has changed. Load this page again and read it.');
  if (body.by !== consenterAt(ageOn(client.birthDate, today)))
    throw invalidField('consent.by', 'Under 18 a guardian agrees, and from 18 the client does.');
  await tx.insert(ConsentEntity, {
    id,
    clientId: client.id,
    coachId,
    version: body.version,
    givenBy: body.by,
    name: body.name,
    withdrawnAt: null,
    requestHash: hashOf({ clientId: client.id, ...body }),
    createdAt: tx.now,
  });
  await tx.audit('consent-given', { clientId: client.id });
}

/**
 * Nothing about a client's health is kept before they agree: what comes with the answers is recorded with them.
 * @throws HttpProblem `validation` where nobody has agreed, or only to an older text, or a guardian who no longer speaks for the client
 */
export async function assertConsent(
  tx: StudioData,
  client: ClientEntity,
  intakeId: string,
  given: ConsentBody | undefined,
  coachId: string | null,
  today: PlainDate,
): Promise<void> {
  if (given) return putConsent(tx, client, v5('consent', intakeId), given, coachId, today);
  const standing = await standingConsent(tx, client.id);
  if (!standing || !consentCounts({ ...standing, by: standing.givenBy }, ageOn(client.birthDate, today)))
    throw invalidField('consent', 'Record first that the client agrees to these answers being kept.');
}

/** Consent is taken back: the health answers, and what was noted from them elsewhere, are erased for good; the questions are open again. */
export async function withdrawConsent(tx: StudioData, clientId: string): Promise<void> {
  await tx.update(ConsentEntity, { clientId, withdrawnAt: IsNull() }, { withdrawnAt: tx.now });
  for (const { id, about } of await tx.find(IntakeEntity, { clientId }))
    for (const { region } of about.complaints ?? []) await tx.delete(SelfReportEntity, { id: complaintId(id, region) });
  await tx.delete(ClearanceEntity, { clientId });
  await tx.delete(IntakeEntity, { clientId });
  await tx.audit('consent-withdrawn', { clientId });
}

/** Takes the answer to one question out of every asking, for good, and the clearances that were about it. */
export async function eraseAnswer(tx: StudioData, clientId: string, question: QuestionId): Promise<void> {
  for (const { id, answers } of await tx.find(IntakeEntity, { clientId }))
    await tx.update(IntakeEntity, { id }, { answers: withoutAnswer(answers, question) });
  await tx.delete(ClearanceEntity, { clientId, cautionId: question });
  await tx.audit('answer-erased', { clientId });
}
