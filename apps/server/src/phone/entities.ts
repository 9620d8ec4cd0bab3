import type { LateReason } from '@yandle/contract';
import { Column, CreateDateColumn, Entity, Index, JoinColumn, ManyToOne, type Relation } from 'typeorm';
import { StudioEntity } from '../accounts/entities.js';
import { ClientEntity } from '../clients/entities.js';
import { IdColumn, InstantColumn, RefColumn, RequestHashColumn } from '../database/columns.js';

/** A link with which a client sees and logs their sessions. Only a hash of its token is kept. */
@Entity('phone_link')
@Index('IDX_phone_link_client', ['clientId'])
@Index('IDX_phone_link_studio', ['studioId'])
@Index('IDX_phone_link_token', ['tokenHash'], { unique: true })
export class PhoneLinkEntity {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_phone_link_studio' })
  studio?: Relation<StudioEntity>;
  @RefColumn('client_id') clientId!: string;
  @ManyToOne(() => ClientEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'client_id', foreignKeyConstraintName: 'FK_phone_link_client' })
  client?: Relation<ClientEntity>;
  @Column({ name: 'token_hash', type: 'char', length: 64, charset: 'ascii', collation: 'ascii_bin' })
  tokenHash!: string;
  @InstantColumn('expires_at') expiresAt!: Date;
  @InstantColumn('used_at', { nullable: true }) usedAt!: Date | null;
  @InstantColumn('revoked_at', { nullable: true }) revokedAt!: Date | null;
  @CreateDateColumn({ name: 'created_at', type: 'datetime', precision: 3, default: () => 'CURRENT_TIMESTAMP(3)' })
  createdAt!: Date;
}

/** What a part of a run is: its beginning, a set, a symptom, its end. */
export const REQUEST_KINDS = ['start', 'set', 'symptom', 'finish'] as const;
export type RequestKind = (typeof REQUEST_KINDS)[number];

/** Something a phone sent that could not be taken at once: kept for the coach to decide, never dropped. */
@Entity('late_log')
@Index('IDX_late_log_client', ['clientId', 'runId'])
@Index('IDX_late_log_studio', ['studioId'])
export class LateLogEntity {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_late_log_studio' })
  studio?: Relation<StudioEntity>;
  @RefColumn('client_id') clientId!: string;
  @ManyToOne(() => ClientEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'client_id', foreignKeyConstraintName: 'FK_late_log_client' })
  client?: Relation<ClientEntity>;
  @RefColumn('run_id') runId!: string;
  @Column({ name: 'kind', type: 'varchar', length: 10 }) kind!: RequestKind;
  /** The session that was begun, the set or the symptom; the run itself at its end. */
  @RefColumn('target') target!: string;
  @Column({ name: 'body', type: 'simple-json' }) body!: unknown;
  @Column({ name: 'reason', type: 'varchar', length: 20 }) reason!: LateReason;
  @InstantColumn('decided_at', { nullable: true }) decidedAt!: Date | null;
  @Column({ name: 'accepted', type: 'boolean', nullable: true }) accepted!: boolean | null;
  @RequestHashColumn() requestHash!: string;
  @CreateDateColumn({ name: 'created_at', type: 'datetime', precision: 3, default: () => 'CURRENT_TIMESTAMP(3)' })
  createdAt!: Date;
}
