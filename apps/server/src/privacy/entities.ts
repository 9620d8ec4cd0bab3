import { Entity, Index } from 'typeorm';
import { IdColumn, InstantColumn, RefColumn } from '../database/columns.js';

/** A client who was erased: the id and nothing else, so that a backup from before does not bring them back. */
@Entity('erased_client')
@Index('IDX_erased_client_studio', ['studioId'])
export class ErasedClientEntity {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @InstantColumn('at') at!: Date;
}
