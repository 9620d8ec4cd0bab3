import type { FeltSide, RunSource, SessionSettings, TighterIn } from '@yandle/contract';
import type {
  Assistance,
  BodyRegionId,
  ClientPlace,
  Link,
  LoadUnit,
  PurposeId,
  SessionItem,
  Side,
  SidePattern,
  SymptomId,
  Technique,
  Wellness,
  SessionPacing,
  DayRound,
} from '@yandle/core';
import { Column, CreateDateColumn, Entity, Index, JoinColumn, ManyToOne, type Relation } from 'typeorm';
import { CoachEntity, StudioEntity } from '../accounts/entities.js';
import { BlockEntity } from '../blocks/entities.js';
import { ClientEntity } from '../clients/entities.js';
import { BoutColumns } from '../database/bout-columns.js';
import { CATALOGUE_ID, IdColumn, InstantColumn, RefColumn, RequestHashColumn } from '../database/columns.js';

/** One dated session on the mat, with the snapshot it was published with. */
@Entity('session')
@Index('IDX_session_week', ['blockId', 'week', 'date'])
@Index('IDX_session_client', ['clientId', 'date'])
@Index('IDX_session_day', ['studioId', 'date', 'clientId', 'blockId', 'totalSeconds'])
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
  /** Null for a session of its own, outside any block. */
  @RefColumn('block_id', { nullable: true }) blockId!: string | null;
  @ManyToOne(() => BlockEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'block_id', foreignKeyConstraintName: 'FK_session_block' })
  block?: Relation<BlockEntity>;
  @Column({ name: 'revision_number', type: 'int', nullable: true }) revisionNumber!: number | null;
  @Column({ name: 'date', type: 'date' }) date!: string;
  /** The day the plan gave it; differs from `date` when the coach moved it. */
  @Column({ name: 'planned_date', type: 'date', nullable: true }) plannedDate!: string | null;
  @Column({ name: 'week', type: 'int', nullable: true }) week!: number | null;
  /** What it is called: that of its routine, or the coach's; null for one that a block has planned. */
  @Column({ name: 'name', type: 'varchar', length: 80, nullable: true }) name!: string | null;
  /** Which round of its day it is, where one session is spread over it; never queried. */
  @Column({ name: 'day_round', type: 'simple-json', nullable: true }) dayRound!: DayRound | null;
  /** The routine that it was made from. */
  @Column({ ...CATALOGUE_ID, name: 'routine_id', nullable: true }) routineId!: string | null;
  /** Where a session of its own takes place; never queried. */
  @Column({ name: 'place', type: 'simple-json', nullable: true }) place!: ClientPlace | null;
  /** The day plan of the block that it comes from. */
  @Column({ name: 'day_plan_id', type: 'varchar', length: 40, nullable: true }) dayPlanId!: string | null;
  /** Length by the timeline when it was published. */
  @Column({ name: 'total_seconds', type: 'int' }) totalSeconds!: number;
  /** Rises with every edit. */
  @Column({ name: 'version', type: 'int', default: 1 }) version!: number;
  @Column({ name: 'purpose', type: 'varchar', length: 20, default: 'own' }) purpose!: PurposeId;
  @Column({ name: 'already_warm', type: 'boolean', default: false }) alreadyWarm!: boolean;
  @Column({ name: 'rounds', type: 'int', default: 1 }) rounds!: number;
  /** True where the rounds are the most, and it ends when it feels easy. */
  @Column({ name: 'until_easy', type: 'boolean', default: false }) untilEasy!: boolean;
  /** Minutes for this session alone; null for the client's own. */
  @Column({ name: 'minutes', type: 'int', nullable: true }) minutes!: number | null;
  /** Its own timings; null for the client's; never queried. */
  @Column({ name: 'pacing', type: 'simple-json', nullable: true }) pacing!: SessionPacing | null;
  /** How its day plan has it gone through; null for a session from before there were day plans. */
  @Column({ name: 'planned_manner', type: 'simple-json', nullable: true }) plannedManner!: SessionSettings | null;
  /** The items as the plan had them, once a coach has changed the session; never queried. */
  @Column({ name: 'planned_items', type: 'simple-json', nullable: true }) plannedItems!: readonly SessionItem[] | null;
  /** The run a coach chose out of several; null for the first that was finished. */
  @RefColumn('counted_run', { nullable: true }) countedRun!: string | null;
}

/** Fields of an item that a plain bout does not have. */
export type MoreOfItem = Pick<SessionItem, 'name' | 'breaths' | 'trips' | 'pace' | 'loosen' | 'then' | 'middle'>;

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
  @Column({ name: 'side_pattern', type: 'varchar', length: 20, nullable: true }) sidePattern!: SidePattern | null;
  /** How it hangs together with the item after it. */
  @Column({ name: 'link', type: 'varchar', length: 10, nullable: true }) link!: Link | null;
  /** Another exercise that the client may choose on the spot. */
  @Column({ name: 'choice', type: 'varchar', length: 60, nullable: true }) choice!: string | null;
  /** What it has beyond a plain bout: further parts, directions, breaths, trips, pace, loosening, a middle set; never queried. */
  @Column({ name: 'more', type: 'simple-json', nullable: true }) more!: MoreOfItem | null;
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
  @ManyToOne(() => SessionEntity, { onDelete: 'RESTRICT', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'session_id', foreignKeyConstraintName: 'FK_run_session' })
  session?: Relation<SessionEntity>;
  @InstantColumn('started_at') startedAt!: Date;
  @InstantColumn('ended_at', { nullable: true }) endedAt!: Date | null;
  @Column({ name: 'source', type: 'varchar', length: 10, default: 'coach' }) source!: RunSource;
  /** 0-10; null = not said. */
  @Column({ name: 'sensation', type: 'int', nullable: true }) sensation!: number | null;
  @Column({ name: 'felt_tighter', type: 'varchar', length: 5, nullable: true }) feltTighter!: FeltSide | null;
  /** Exercises in which one side felt tighter, as it was said at the end; never queried. */
  @Column({ name: 'tighter_in', type: 'simple-json', nullable: true }) tighterIn!: readonly TighterIn[] | null;
  @Column({ name: 'note', type: 'varchar', length: 2000 }) note!: string;
  /** How the client felt before it; null = not asked. */
  @Column({ name: 'wellness', type: 'varchar', length: 10, nullable: true }) wellness!: Wellness | null;
  /** False as long as nothing is in it: no set that counts and no answer. */
  @Column({ name: 'has_work', type: 'boolean', default: true }) hasWork!: boolean;
  /** Taken back by the coach: it stays on record and counts nothing. */
  @InstantColumn('withdrawn_at', { nullable: true }) withdrawnAt!: Date | null;
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
  @Column({ name: 'reps', type: 'int', nullable: true }) reps!: number | null;
  @Column({ name: 'pieces', type: 'int', default: 1 }) pieces!: number;
  /** Exercise it was done with when it was another form than the session's. */
  @Column({ name: 'form', type: 'varchar', length: 60, nullable: true }) form!: string | null;
  @Column({ name: 'load_amount', type: 'decimal', precision: 6, scale: 2, nullable: true }) loadAmount!: string | null;
  @Column({ name: 'load_unit', type: 'varchar', length: 20, nullable: true }) loadUnit!: LoadUnit | null;
  @Column({ name: 'assistance', type: 'int', nullable: true }) assistance!: Assistance | null;
  @Column({ name: 'depth_cm', type: 'decimal', precision: 5, scale: 1, nullable: true }) depthCm!: string | null;
  @Column({ name: 'sensation', type: 'int', nullable: true }) sensation!: number | null;
  @RefColumn('replaces', { nullable: true }) replaces!: string | null;
  @RefColumn('replaced_by', { nullable: true }) replacedBy!: string | null;
  @RequestHashColumn() requestHash!: string;
  @CreateDateColumn({ name: 'created_at', type: 'datetime', precision: 3, default: () => 'CURRENT_TIMESTAMP(3)' })
  createdAt!: Date;
}

/** Something felt that ended an exercise. A stop sign holds the exercise until a coach clears it. */
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
  /** The easier or harder form of it that was being done. */
  @Column({ name: 'form', type: 'varchar', length: 60, nullable: true }) form!: string | null;
  @Column({ name: 'side', type: 'varchar', length: 5, nullable: true }) side!: Side | null;
  @Column({ name: 'kind', type: 'varchar', length: 30 }) symptom!: SymptomId;
  /** When it was felt, by the device; null for one from before this was said. */
  @InstantColumn('felt_at', { nullable: true }) feltAt!: Date | null;
  @InstantColumn('cleared_at', { nullable: true }) clearedAt!: Date | null;
  @RefColumn('cleared_by', { nullable: true }) clearedBy!: string | null;
  @ManyToOne(() => CoachEntity, { onDelete: 'SET NULL', onUpdate: 'NO ACTION', nullable: true })
  @JoinColumn({ name: 'cleared_by', foreignKeyConstraintName: 'FK_symptom_cleared_by' })
  clearer?: Relation<CoachEntity> | null;
  @Column({ name: 'cleared_note', type: 'varchar', length: 2000 }) clearedNote!: string;
  /** Who agreed, where that is asked for. */
  @Column({ name: 'cleared_who', type: 'varchar', length: 120, default: '' }) clearedWho!: string;
  @RequestHashColumn() requestHash!: string;
  @CreateDateColumn({ name: 'created_at', type: 'datetime', precision: 3, default: () => 'CURRENT_TIMESTAMP(3)' })
  createdAt!: Date;
}

/** Answers at the end of a run, as they were given. The newest count; those before are kept. */
@Entity('run_answer')
@Index('IDX_run_answer_run', ['runId'])
@Index('IDX_run_answer_studio', ['studioId'])
export class RunAnswerEntity {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_run_answer_studio' })
  studio?: Relation<StudioEntity>;
  @RefColumn('run_id') runId!: string;
  @ManyToOne(() => RunEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'run_id', foreignKeyConstraintName: 'FK_run_answer_run' })
  run?: Relation<RunEntity>;
  @Column({ name: 'sensation', type: 'int', nullable: true }) sensation!: number | null;
  @Column({ name: 'felt_tighter', type: 'varchar', length: 5, nullable: true }) feltTighter!: FeltSide | null;
  @Column({ name: 'note', type: 'varchar', length: 2000 }) note!: string;
  @RequestHashColumn() requestHash!: string;
  @CreateDateColumn({ name: 'created_at', type: 'datetime', precision: 3, default: () => 'CURRENT_TIMESTAMP(3)' })
  createdAt!: Date;
}

/** How a client felt on a day, said the day after a session. */
@Entity('soreness')
@Index('IDX_soreness_client', ['clientId', 'date'])
@Index('IDX_soreness_studio', ['studioId', 'date'])
export class SorenessEntity {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_soreness_studio' })
  studio?: Relation<StudioEntity>;
  @RefColumn('client_id') clientId!: string;
  @ManyToOne(() => ClientEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'client_id', foreignKeyConstraintName: 'FK_soreness_client' })
  client?: Relation<ClientEntity>;
  @Column({ name: 'date', type: 'date' }) date!: string;
  @Column({ name: 'region', type: 'varchar', length: 30, nullable: true }) region!: BodyRegionId | null;
  /** 0-10. */
  @Column({ name: 'soreness', type: 'int' }) soreness!: number;
  @Column({ name: 'note', type: 'varchar', length: 2000 }) note!: string;
  /** Taken back: it stays on record and counts nothing. */
  @InstantColumn('withdrawn_at', { nullable: true }) withdrawnAt!: Date | null;
  @RequestHashColumn() requestHash!: string;
  @CreateDateColumn({ name: 'created_at', type: 'datetime', precision: 3, default: () => 'CURRENT_TIMESTAMP(3)' })
  createdAt!: Date;
}
