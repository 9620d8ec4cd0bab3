import { IsNull, Not, type DataSource } from 'typeorm';
import { CoachEntity, StudioEntity } from '../accounts/entities.js';
import { ClientEntity } from '../clients/entities.js';
import { SERVER, SYSTEM } from '../audit/actor.js';
import { ErasedClientEntity } from '../privacy/entities.js';
import { StudioData } from './studio-data.js';

/** What runs over all studios: the program's own work, and that of whoever runs the server. Features never come here. */

/** Studios that erase archived clients by term, each with the door to its data. */
export async function studiosWithTerm(
  source: DataSource,
  now: Date,
): Promise<{ readonly months: number; readonly data: StudioData }[]> {
  const studios = await source.manager.findBy(StudioEntity, { retentionMonths: Not(IsNull()) });
  return studios.map((s) => ({ months: s.retentionMonths!, data: new StudioData(source.manager, s.id, now, SYSTEM) }));
}

/** The doors to the data of studios that accept plain reviews of some clients by themselves. */
export async function studiosWithStanding(source: DataSource, now: Date): Promise<StudioData[]> {
  const rows = await source.manager
    .createQueryBuilder(ClientEntity, 'c')
    .select('DISTINCT c.studio_id', 'id')
    .where('c.standingReview = 1 AND c.archivedAt IS NULL')
    .getRawMany<{ id: string }>();
  return rows.map(({ id }) => new StudioData(source.manager, id, now, SYSTEM));
}

/** The doors to the data of all studios. */
export async function allStudios(source: DataSource, now: Date): Promise<StudioData[]> {
  const rows = await source.manager.find(StudioEntity, { select: { id: true } });
  return rows.map(({ id }) => new StudioData(source.manager, id, now, SYSTEM));
}

/** The door to one studio's data. */
export function dataOfStudio(source: DataSource, studioId: string, now: Date): StudioData {
  return new StudioData(source.manager, studioId, now, SYSTEM);
}

/** Who was erased. */
export interface Erased {
  readonly id: string;
  readonly studioId: string;
}

export async function allErased(source: DataSource): Promise<Erased[]> {
  const rows = await source.manager.find(ErasedClientEntity, { select: { id: true, studioId: true } });
  return rows.map(({ id, studioId }) => ({ id, studioId }));
}

/** A coach by the address they sign in with, and the data of their studio, for the command line. */
export async function coachAt(
  source: DataSource,
  email: string,
  now: Date,
): Promise<{ readonly coach: CoachEntity; readonly data: StudioData } | null> {
  const coach = await source.manager.findOneBy(CoachEntity, { email });
  return coach && { coach, data: new StudioData(source.manager, coach.studioId, now, SERVER) };
}
