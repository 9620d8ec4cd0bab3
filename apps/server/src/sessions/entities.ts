import type { Side, SymptomId, Technique } from '@yandle/core';
import { Column, CreateDateColumn, Entity, Index, JoinColumn, ManyToOne, type Relation } from 'typeorm';
import { CoachEntity, StudioEntity } from '../accounts/entities.js';
import { ProgrammeEntity } from '../blocks/entities.js';
import { ClientEntity } from '../clients/entities.js';
import { BoutColumns } from '../database/bout-columns.js';
import { IdColumn, InstantColumn, RefColumn, RequestHashColumn } from '../database/columns.js';

/** One dated visit to the mat, with the snapshot it was published with. */
@Entity('session')
@Index('IDX_session_programme', ['programmeId', 'date'])
@Index('IDX_session_client', ['clientId', 'date'])
@Index('IDX_session_studio', ['studioId', 'date'])
export class SessionEntity {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_session_studio' })
  studio?: Relation<StudioEntity>;
  @RefColumn('client_id') clientId!: string;
  @ManyToOne(() => ClientEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'client_id', foreignKeyConstraintName: 'FK_session_client' })
  client?: Relation<ClientEntity>;
  @RefColumn('programme_id') programmeId!: string;
  @ManyToOne(() => ProgrammeEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'programme_id', foreignKeyConstraintName: 'FK_session_programme' })
  programme?: Relation<ProgrammeEntity>;
  @Column({ name: 'revision_number', type: 'int' }) revisionNumber!: number;
  @Column({ name: 'date', type: 'date' }) date!: string;
  /** The day the plan gave it; differs from `date` when the coach moved it. */
  @Column({ name: 'planned_date', type: 'date', nullable: true }) plannedDate!: string | null;
  @Column({ name: 'week', type: 'int' }) week!: number;
  /** Length by the timeline when it was published. */
  @Column({ name: 'total_seconds', type: 'int' }) totalSeconds!: number;
}

/** One exercise of a session. */
@Entity('session_item')
@Index('IDX_session_item_place', ['sessionId', 'place'], { unique: true })
@Index('IDX_session_item_studio', ['studioId'])
export class SessionItemEntity extends BoutColumns {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_session_item_studio' })
  studio?: Relation<StudioEntity>;
  @RefColumn('session_id') sessionId!: string;
  @ManyToOne(() => SessionEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'session_id', foreignKeyConstraintName: 'FK_session_item_session' })
  session?: Relation<SessionEntity>;
  @Column({ name: 'place', type: 'int' }) place!: number;
  @Column({ name: 'exercise_id', type: 'varchar', length: 60 }) exerciseId!: string;
  /** How it is done; null when it is done as the exercise says. */
  @Column({ name: 'technique', type: 'varchar', length: 30, nullable: true }) technique!: Technique | null;
  @Column({ name: 'first_side', type: 'varchar', length: 5 }) firstSide!: Side;
}

/** One execution of a session on one device. */
@Entity('run')
@Index('IDX_run_session', ['sessionId'])
@Index('IDX_run_studio', ['studioId'])
export class RunEntity {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_run_studio' })
  studio?: Relation<StudioEntity>;
  @RefColumn('session_id') sessionId!: string;
  @ManyToOne(() => SessionEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'session_id', foreignKeyConstraintName: 'FK_run_session' })
  session?: Relation<SessionEntity>;
  @InstantColumn('started_at') startedAt!: Date;
  @InstantColumn('ended_at', { nullable: true }) endedAt!: Date | null;
  /** 0-10; null = not said. */
  @Column({ name: 'sensation', type: 'int', nullable: true }) sensation!: number | null;
  @Column({ name: 'note', type: 'varchar', length: 2000 }) note!: string;
  @RequestHashColumn() requestHash!: string;
  @CreateDateColumn({ name: 'created_at', type: 'datetime', precision: 3, default: () => 'CURRENT_TIMESTAMP(3)' })
  createdAt!: Date;
}

/** One bout as it was done. A redone one is a new row; the earlier one points to it. */
@Entity('set_log')
@Index('IDX_set_log_run', ['runId'])
@Index('IDX_set_log_studio', ['studioId'])
export class SetLogEntity {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_set_log_studio' })
  studio?: Relation<StudioEntity>;
  @RefColumn('run_id') runId!: string;
  @ManyToOne(() => RunEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'run_id', foreignKeyConstraintName: 'FK_set_log_run' })
  run?: Relation<RunEntity>;
  /** Place of the item in the session. */
  @Column({ name: 'item', type: 'int' }) item!: number;
  @Column({ name: 'side', type: 'varchar', length: 5, nullable: true }) side!: Side | null;
  @Column({ name: 'set_number', type: 'int' }) set!: number;
  @Column({ name: 'planned_seconds', type: 'int' }) plannedSeconds!: number;
  @Column({ name: 'done_seconds', type: 'int' }) doneSeconds!: number;
  @RefColumn('replaces', { nullable: true }) replaces!: string | null;
  @RefColumn('replaced_by', { nullable: true }) replacedBy!: string | null;
  @RequestHashColumn() requestHash!: string;
  @CreateDateColumn({ name: 'created_at', type: 'datetime', precision: 3, default: () => 'CURRENT_TIMESTAMP(3)' })
  createdAt!: Date;
}

/** Something felt that ended an exercise. A red one holds the exercise until a coach clears it. */
@Entity('symptom')
@Index('IDX_symptom_run', ['runId'])
@Index('IDX_symptom_open', ['studioId', 'clearedAt'])
@Index('IDX_symptom_client', ['clientId'])
@Index('IDX_symptom_session', ['sessionId'])
@Index('IDX_symptom_cleared_by', ['clearedBy'])
export class SymptomEntity {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_symptom_studio' })
  studio?: Relation<StudioEntity>;
  @RefColumn('client_id') clientId!: string;
  @ManyToOne(() => ClientEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'client_id', foreignKeyConstraintName: 'FK_symptom_client' })
  client?: Relation<ClientEntity>;
  @RefColumn('session_id') sessionId!: string;
  @ManyToOne(() => SessionEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'session_id', foreignKeyConstraintName: 'FK_symptom_session' })
  session?: Relation<SessionEntity>;
  @RefColumn('run_id') runId!: string;
  @ManyToOne(() => RunEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'run_id', foreignKeyConstraintName: 'FK_symptom_run' })
  run?: Relation<RunEntity>;
  @Column({ name: 'exercise_id', type: 'varchar', length: 60 }) exerciseId!: string;
  @Column({ name: 'side', type: 'varchar', length: 5, nullable: true }) side!: Side | null;
  @Column({ name: 'kind', type: 'varchar', length: 30 }) symptom!: SymptomId;
  @InstantColumn('cleared_at', { nullable: true }) clearedAt!: Date | null;
  @RefColumn('cleared_by', { nullable: true }) clearedBy!: string | null;
  @ManyToOne(() => CoachEntity, { onDelete: 'SET NULL', onUpdate: 'NO ACTION', nullable: true })
  @JoinColumn({ name: 'cleared_by', foreignKeyConstraintName: 'FK_symptom_cleared_by' })
  clearer?: Relation<CoachEntity> | null;
  @Column({ name: 'cleared_note', type: 'varchar', length: 2000 }) clearedNote!: string;
  @RequestHashColumn() requestHash!: string;
  @CreateDateColumn({ name: 'created_at', type: 'datetime', precision: 3, default: () => 'CURRENT_TIMESTAMP(3)' })
  createdAt!: Date;
}
