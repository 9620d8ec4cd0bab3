import type {
  BlockDraft,
  LaneSession,
  LeftOutFact,
  LimitFact,
  MuscleGroupId,
  Shortage,
  Technique,
  Variable,
  WeekFact,
  WeekKind,
  PlanBasis,
} from '@yandle/core';
import { Column, CreateDateColumn, Entity, Index, JoinColumn, ManyToOne, type Relation } from 'typeorm';
import { CoachEntity, StudioEntity } from '../accounts/entities.js';
import { ClientEntity } from '../clients/entities.js';
import { BoutColumns } from '../database/bout-columns.js';
import { IdColumn, InstantColumn, RefColumn, RequestHashColumn } from '../database/columns.js';

/** A block of weeks for one client: what the coach chose. */
@Entity('block')
@Index('IDX_block_client', ['clientId', 'startDate'])
@Index('IDX_block_studio', ['studioId'])
export class BlockEntity {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_block_studio' })
  studio?: Relation<StudioEntity>;
  @RefColumn('client_id') clientId!: string;
  @ManyToOne(() => ClientEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'client_id', foreignKeyConstraintName: 'FK_block_client' })
  client?: Relation<ClientEntity>;
  @Column({ name: 'version', type: 'int', default: 1 }) version!: number;
  @Column({ name: 'start_date', type: 'date' }) startDate!: string;
  @Column({ name: 'weeks', type: 'int' }) weeks!: number;
  @Column({ name: 'ramp', type: 'decimal', precision: 3, scale: 2 }) ramp!: string;
  @Column({ name: 'easier_every', type: 'int', nullable: true }) easierEvery!: number | null;
  @InstantColumn('ended_at', { nullable: true }) endedAt!: Date | null;
  @RequestHashColumn() requestHash!: string;
  @CreateDateColumn({ name: 'created_at', type: 'datetime', precision: 3, default: () => 'CURRENT_TIMESTAMP(3)' })
  createdAt!: Date;
}

/** A published state of a block. Appended, never changed. */
@Entity('revision')
@Index('IDX_revision_number', ['blockId', 'number'], { unique: true })
@Index('IDX_revision_studio', ['studioId'])
@Index('IDX_revision_coach', ['coachId'])
export class RevisionEntity {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_revision_studio' })
  studio?: Relation<StudioEntity>;
  @RefColumn('block_id') blockId!: string;
  @ManyToOne(() => BlockEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'block_id', foreignKeyConstraintName: 'FK_revision_block' })
  block?: Relation<BlockEntity>;
  @RefColumn('coach_id') coachId!: string;
  @ManyToOne(() => CoachEntity, { onDelete: 'RESTRICT', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'coach_id', foreignKeyConstraintName: 'FK_revision_coach' })
  coach?: Relation<CoachEntity>;
  @Column({ name: 'number', type: 'int' }) number!: number;
  @Column({ name: 'reason', type: 'varchar', length: 500 }) reason!: string;
  /** First week it applies to, 1-based. */
  @Column({ name: 'effective_week', type: 'int' }) effectiveWeek!: number;
  @Column({ name: 'engine_version', type: 'varchar', length: 20 }) engineVersion!: string;
  /** What the coach chose, as it was: read as a whole to restore or to compare, never queried. */
  @Column({ name: 'choices', type: 'simple-json', nullable: true }) choices!: BlockDraft;
  /** What it was planned from besides; null for one from before it was kept. */
  @Column({ name: 'basis', type: 'simple-json', nullable: true }) basis!: PlanBasis | null;
  @Column({ name: 'cuts', type: 'simple-json', nullable: true }) shortages!: readonly Shortage[] | null;
  @CreateDateColumn({ name: 'created_at', type: 'datetime', precision: 3, default: () => 'CURRENT_TIMESTAMP(3)' })
  createdAt!: Date;
}

/** One muscle group of a revision. */
@Entity('lane')
@Index('IDX_lane_revision', ['revisionId', 'place'], { unique: true })
@Index('IDX_lane_studio', ['studioId'])
export class LaneEntity {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_lane_studio' })
  studio?: Relation<StudioEntity>;
  @RefColumn('revision_id') revisionId!: string;
  @ManyToOne(() => RevisionEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'revision_id', foreignKeyConstraintName: 'FK_lane_revision' })
  revision?: Relation<RevisionEntity>;
  /** The lane's id through all revisions, made by the client. */
  @RefColumn('lane_key') laneKey!: string;
  @Column({ name: 'place', type: 'int' }) place!: number;
  @Column({ name: 'muscle_group', type: 'varchar', length: 40 }) group!: MuscleGroupId;
  @Column({ name: 'style_id', type: 'varchar', length: 60 }) styleId!: string;
  @Column({ name: 'limit_reasons', type: 'simple-json' }) limitReasons!: readonly LimitFact[];
  @Column({ name: 'left_out', type: 'simple-json', nullable: true }) leftOut!: readonly LeftOutFact[] | null;
}

/** What a lane asks in one week: rows, so that doses can be summed. Part 0 is the stretch; rolling and activation follow. */
@Entity('prescription')
@Index('IDX_prescription_part', ['laneId', 'week', 'part'], { unique: true })
@Index('IDX_prescription_studio', ['studioId'])
export class PrescriptionEntity extends BoutColumns {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_prescription_studio' })
  studio?: Relation<StudioEntity>;
  @RefColumn('lane_id') laneId!: string;
  @ManyToOne(() => LaneEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'lane_id', foreignKeyConstraintName: 'FK_prescription_lane' })
  lane?: Relation<LaneEntity>;
  @Column({ name: 'week', type: 'int' }) week!: number;
  @Column({ name: 'kind', type: 'varchar', length: 10 }) kind!: WeekKind;
  @Column({ name: 'part', type: 'int', default: 0 }) part!: number;
  @Column({ name: 'technique', type: 'varchar', length: 30 }) technique!: Technique;
  @Column({ name: 'sessions_per_week', type: 'int' }) sessionsPerWeek!: number;
  /** Weekdays, Monday = 1, joined by commas. */
  @Column({ name: 'days', type: 'varchar', length: 20, default: '' }) days!: string;
  /** The sessions of the week that it is part of; null in a week that was planned before there were day plans. */
  @Column({ name: 'sessions', type: 'simple-json', nullable: true }) sessions!: readonly LaneSession[] | null;
  @Column({ name: 'style_id', type: 'varchar', length: 60, default: 'steady-hold' }) styleId!: string;
  @Column({ name: 'locked', type: 'boolean', default: false }) locked!: boolean;
  @Column({ name: 'dose', type: 'int' }) dose!: number;
  @Column({ name: 'step', type: 'int' }) step!: number;
  @Column({ name: 'changed', type: 'varchar', length: 20, nullable: true }) changed!: Variable | null;
  /** As it read when it was published. */
  @Column({ name: 'reason', type: 'varchar', length: 1000 }) reason!: string;
  @Column({ name: 'facts', type: 'simple-json', nullable: true }) facts!: readonly WeekFact[] | null;
}

/** The date of a retest of a block. */
@Entity('retest')
@Index('IDX_retest_week', ['blockId', 'week'], { unique: true })
@Index('IDX_retest_due', ['studioId', 'date'])
export class RetestEntity {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_retest_studio' })
  studio?: Relation<StudioEntity>;
  @RefColumn('block_id') blockId!: string;
  @ManyToOne(() => BlockEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'block_id', foreignKeyConstraintName: 'FK_retest_block' })
  block?: Relation<BlockEntity>;
  @Column({ name: 'week', type: 'int' }) week!: number;
  @Column({ name: 'date', type: 'date' }) date!: string;
  /** A coach chose the day: a change of the plan leaves it. */
  @Column({ name: 'moved', type: 'boolean', default: false }) moved!: boolean;
}
