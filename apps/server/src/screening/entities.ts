import type { About, Answers, Caution, Consenter, LiftCode } from '@yandle/core';
import { Column, CreateDateColumn, Entity, Index, JoinColumn, ManyToOne, type Relation } from 'typeorm';
import { CoachEntity, StudioEntity } from '../accounts/entities.js';
import { ClientEntity } from '../clients/entities.js';
import { IdColumn, InstantColumn, RefColumn, RequestHashColumn } from '../database/columns.js';

/** One asking of the questions before planning. Never changed; the newest counts. */
@Entity('intake')
@Index('IDX_intake_client', ['clientId'])
@Index('IDX_intake_studio', ['studioId'])
@Index('IDX_intake_coach', ['coachId'])
export class IntakeEntity {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_intake_studio' })
  studio?: Relation<StudioEntity>;
  @RefColumn('client_id') clientId!: string;
  @ManyToOne(() => ClientEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'client_id', foreignKeyConstraintName: 'FK_intake_client' })
  client?: Relation<ClientEntity>;
  /** Null when the client filled it in by link. */
  @RefColumn('coach_id', { nullable: true }) coachId!: string | null;
  @ManyToOne(() => CoachEntity, { onDelete: 'RESTRICT', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'coach_id', foreignKeyConstraintName: 'FK_intake_coach' })
  coach?: Relation<CoachEntity>;
  @Column({ name: 'asked_on', type: 'date' }) askedOn!: string;
  /** Read as a whole, never queried. */
  @Column({ name: 'answers', type: 'simple-json' }) answers!: Answers;
  @Column({ name: 'about', type: 'simple-json' }) about!: About;
  @RequestHashColumn() requestHash!: string;
  @CreateDateColumn({ name: 'created_at', type: 'datetime', precision: 3, default: () => 'CURRENT_TIMESTAMP(3)' })
  createdAt!: Date;
}

/** A client, or a guardian, agrees to health answers being kept. Taken back rather than removed. */
@Entity('consent')
@Index('IDX_consent_client', ['clientId'])
@Index('IDX_consent_studio', ['studioId'])
@Index('IDX_consent_coach', ['coachId'])
export class ConsentEntity {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_consent_studio' })
  studio?: Relation<StudioEntity>;
  @RefColumn('client_id') clientId!: string;
  @ManyToOne(() => ClientEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'client_id', foreignKeyConstraintName: 'FK_consent_client' })
  client?: Relation<ClientEntity>;
  /** Who wrote it down; null when it came by the client's own link. */
  @RefColumn('coach_id', { nullable: true }) coachId!: string | null;
  @ManyToOne(() => CoachEntity, { onDelete: 'RESTRICT', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'coach_id', foreignKeyConstraintName: 'FK_consent_coach' })
  coach?: Relation<CoachEntity>;
  /** Of the text agreed to. */
  @Column({ name: 'version', type: 'int' }) version!: number;
  @Column({ name: 'given_by', type: 'varchar', length: 10 }) givenBy!: Consenter;
  @Column({ name: 'name', type: 'varchar', length: 120 }) name!: string;
  @InstantColumn('withdrawn_at', { nullable: true }) withdrawnAt!: Date | null;
  @RequestHashColumn() requestHash!: string;
  @CreateDateColumn({ name: 'created_at', type: 'datetime', precision: 3, default: () => 'CURRENT_TIMESTAMP(3)' })
  createdAt!: Date;
}

/** A licensed professional, or a guardian, has agreed. Taken back rather than removed. */
@Entity('clearance')
@Index('IDX_clearance_client', ['clientId'])
@Index('IDX_clearance_studio', ['studioId'])
@Index('IDX_clearance_coach', ['coachId'])
export class ClearanceEntity {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_clearance_studio' })
  studio?: Relation<StudioEntity>;
  @RefColumn('client_id') clientId!: string;
  @ManyToOne(() => ClientEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'client_id', foreignKeyConstraintName: 'FK_clearance_client' })
  client?: Relation<ClientEntity>;
  @RefColumn('coach_id') coachId!: string;
  @ManyToOne(() => CoachEntity, { onDelete: 'RESTRICT', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'coach_id', foreignKeyConstraintName: 'FK_clearance_coach' })
  coach?: Relation<CoachEntity>;
  @Column({ name: 'caution_id', type: 'varchar', length: 40 }) cautionId!: Caution['id'];
  @Column({ name: 'who', type: 'varchar', length: 120 }) who!: string;
  @Column({ name: 'given_on', type: 'date' }) on!: string;
  @Column({ name: 'note', type: 'varchar', length: 2000 }) note!: string;
  /** Limits lifted by name; null for a clearance from before they were named: it lifts none. */
  @Column({ name: 'lifts', type: 'simple-json', nullable: true }) lifts!: readonly LiftCode[] | null;
  @InstantColumn('withdrawn_at', { nullable: true }) withdrawnAt!: Date | null;
  @RequestHashColumn() requestHash!: string;
  @CreateDateColumn({ name: 'created_at', type: 'datetime', precision: 3, default: () => 'CURRENT_TIMESTAMP(3)' })
  createdAt!: Date;
}

/** A link with which a client fills in the intake. Only a hash of its token is kept. */
@Entity('intake_link')
@Index('IDX_intake_link_client', ['clientId'])
@Index('IDX_intake_link_studio', ['studioId'])
@Index('IDX_intake_link_token', ['tokenHash'], { unique: true })
export class IntakeLinkEntity {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_intake_link_studio' })
  studio?: Relation<StudioEntity>;
  @RefColumn('client_id') clientId!: string;
  @ManyToOne(() => ClientEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'client_id', foreignKeyConstraintName: 'FK_intake_link_client' })
  client?: Relation<ClientEntity>;
  @Column({ name: 'token_hash', type: 'char', length: 64, charset: 'ascii', collation: 'ascii_bin' })
  tokenHash!: string;
  @InstantColumn('expires_at') expiresAt!: Date;
  @InstantColumn('used_at', { nullable: true }) usedAt!: Date | null;
  @InstantColumn('revoked_at', { nullable: true }) revokedAt!: Date | null;
  @CreateDateColumn({ name: 'created_at', type: 'datetime', precision: 3, default: () => 'CURRENT_TIMESTAMP(3)' })
  createdAt!: Date;
}
