import type { AuditAction, AuditActor } from '@yandle/contract';
import { Column, Entity, Index } from 'typeorm';
import { IdColumn, InstantColumn, RefColumn } from '../database/columns.js';

/** Who did what to which client. Written and never changed; it outlives the client, and says nothing about anybody's health. */
@Entity('audit_entry')
@Index('IDX_audit_studio', ['studioId', 'at', 'id'])
@Index('IDX_audit_client', ['clientId'])
export class AuditEntryEntity {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @InstantColumn('at') at!: Date;
  @Column({ name: 'actor', type: 'varchar', length: 10 }) actor!: AuditActor;
  @RefColumn('coach_id', { nullable: true }) coachId!: string | null;
  @RefColumn('client_id', { nullable: true }) clientId!: string | null;
  @Column({ name: 'action', type: 'varchar', length: 40 }) action!: AuditAction;
  /** A code or id that says which one: of a block, a role, a device. */
  @Column({ name: 'subject', type: 'varchar', length: 60, default: '' }) subject!: string;
  @Column({ name: 'address', type: 'varchar', length: 45, default: '' }) address!: string;
}
