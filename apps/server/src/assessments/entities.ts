import type { TestEventKind } from '@yandle/contract';
import type { Side, SymptomId } from '@yandle/core';
import { Column, CreateDateColumn, Entity, Index, JoinColumn, ManyToOne, type Relation } from 'typeorm';
import { CoachEntity, StudioEntity } from '../accounts/entities.js';
import { ClientEntity } from '../clients/entities.js';
import { IdColumn, InstantColumn, RefColumn, RequestHashColumn } from '../database/columns.js';

/** The results of one assessment. What is entered anew leaves the earlier entry in {@link AssessmentChangeEntity}. */
@Entity('assessment')
@Index('IDX_assessment_client', ['clientId', 'date', 'time'])
@Index('IDX_assessment_counts', ['clientId', 'counts', 'date'])
@Index('IDX_assessment_studio', ['studioId'])
@Index('IDX_assessment_tester', ['testerId'])
export class AssessmentEntity {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_assessment_studio' })
  studio?: Relation<StudioEntity>;
  @RefColumn('client_id') clientId!: string;
  @ManyToOne(() => ClientEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'client_id', foreignKeyConstraintName: 'FK_assessment_client' })
  client?: Relation<ClientEntity>;
  @RefColumn('tester_id') testerId!: string;
  @ManyToOne(() => CoachEntity, { onDelete: 'RESTRICT', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'tester_id', foreignKeyConstraintName: 'FK_assessment_tester' })
  tester?: Relation<CoachEntity>;
  @Column({ name: 'date', type: 'date' }) date!: string;
  /** `09:40`, the client's clock. */
  @Column({ name: 'time', type: 'char', length: 5 }) time!: string;
  @Column({ name: 'warm', type: 'boolean' }) warm!: boolean;
  @Column({ name: 'note', type: 'varchar', length: 2000 }) note!: string;
  /** Tests of the assessment; null in assessments from before batteries existed. */
  @Column({ name: 'battery', type: 'simple-json', nullable: true }) battery!: readonly string[] | null;
  /** When it was taken back; null while it stands. */
  @InstantColumn('removed_at', { nullable: true }) removedAt!: Date | null;
  /** It stands and has a reading that stands: without one it is none. Kept by `recount` alone. */
  @Column({ name: 'counts', type: 'boolean', default: false }) counts!: boolean;
  @RequestHashColumn() requestHash!: string;
  @CreateDateColumn({ name: 'created_at', type: 'datetime', precision: 3, default: () => 'CURRENT_TIMESTAMP(3)' })
  createdAt!: Date;
}

/** What stood before the conditions of an assessment were entered anew. */
@Entity('assessment_change')
@Index('IDX_assessment_change_assessment', ['assessmentId'])
@Index('IDX_assessment_change_studio', ['studioId'])
export class AssessmentChangeEntity {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_assessment_change_studio' })
  studio?: Relation<StudioEntity>;
  @RefColumn('assessment_id') assessmentId!: string;
  @ManyToOne(() => AssessmentEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'assessment_id', foreignKeyConstraintName: 'FK_assessment_change_assessment' })
  assessment?: Relation<AssessmentEntity>;
  /** Who entered it anew. */
  @RefColumn('coach_id', { nullable: true }) coachId!: string | null;
  @Column({ name: 'date', type: 'date' }) date!: string;
  @Column({ name: 'time', type: 'char', length: 5 }) time!: string;
  @Column({ name: 'warm', type: 'boolean' }) warm!: boolean;
  @Column({ name: 'note', type: 'varchar', length: 2000 }) note!: string;
  @RequestHashColumn() requestHash!: string;
  @CreateDateColumn({ name: 'created_at', type: 'datetime', precision: 3, default: () => 'CURRENT_TIMESTAMP(3)' })
  createdAt!: Date;
}

/** One reading. A correction is a new row; the corrected one keeps its value and points to it. */
@Entity('reading')
@Index('IDX_reading_assessment', ['assessmentId', 'seq'], { unique: true })
@Index('IDX_reading_studio', ['studioId'])
@Index('IDX_reading_test', ['studioId', 'testId'])
export class ReadingEntity {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_reading_studio' })
  studio?: Relation<StudioEntity>;
  @RefColumn('assessment_id') assessmentId!: string;
  @ManyToOne(() => AssessmentEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'assessment_id', foreignKeyConstraintName: 'FK_reading_assessment' })
  assessment?: Relation<AssessmentEntity>;
  /** Place in the order taken. */
  @Column({ name: 'seq', type: 'int' }) seq!: number;
  @Column({ name: 'test_id', type: 'varchar', length: 60 }) testId!: string;
  @Column({ name: 'side', type: 'varchar', length: 5, nullable: true }) side!: Side | null;
  /** In the unit of the test. DECIMAL travels as text. */
  @Column({ name: 'value', type: 'decimal', precision: 7, scale: 2 }) value!: string;
  @Column({ name: 'instrument', type: 'varchar', length: 60 }) instrument!: string;
  /** Null: as the assessment. */
  @Column({ name: 'warm', type: 'boolean', nullable: true }) warm!: boolean | null;
  /** Null: as the assessment. */
  @RefColumn('tester_id', { nullable: true }) testerId!: string | null;
  @RefColumn('replaces', { nullable: true }) replaces!: string | null;
  @RefColumn('replaced_by', { nullable: true }) replacedBy!: string | null;
  /** The last value was shown before it was taken: it was not read blind. */
  @Column({ name: 'seen', type: 'boolean', default: false }) seen!: boolean;
  /** When it was taken back, with what it had replaced; null while it stands. */
  @InstantColumn('withdrawn_at', { nullable: true }) withdrawnAt!: Date | null;
  @RequestHashColumn() requestHash!: string;
  @CreateDateColumn({ name: 'created_at', type: 'datetime', precision: 3, default: () => 'CURRENT_TIMESTAMP(3)' })
  createdAt!: Date;
}

/** A test skipped or ended by a symptom, or that taken back. Never changed. */
@Entity('test_event')
@Index('IDX_test_event_assessment', ['assessmentId'])
@Index('IDX_test_event_studio', ['studioId'])
export class TestEventEntity {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_test_event_studio' })
  studio?: Relation<StudioEntity>;
  @RefColumn('assessment_id') assessmentId!: string;
  @ManyToOne(() => AssessmentEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'assessment_id', foreignKeyConstraintName: 'FK_test_event_assessment' })
  assessment?: Relation<AssessmentEntity>;
  /** Place in the order entered. */
  @Column({ name: 'seq', type: 'int' }) seq!: number;
  @Column({ name: 'test_id', type: 'varchar', length: 60 }) testId!: string;
  @Column({ name: 'kind', type: 'varchar', length: 20 }) kind!: TestEventKind;
  @Column({ name: 'side', type: 'varchar', length: 5, nullable: true }) side!: Side | null;
  @Column({ name: 'symptom', type: 'varchar', length: 20, nullable: true }) symptom!: SymptomId | null;
  @Column({ name: 'reason', type: 'varchar', length: 500 }) reason!: string;
  @RequestHashColumn() requestHash!: string;
  @CreateDateColumn({ name: 'created_at', type: 'datetime', precision: 3, default: () => 'CURRENT_TIMESTAMP(3)' })
  createdAt!: Date;
}

/** The nine items of one look. A later look is a new row; the newest stands. */
@Entity('beighton')
@Index('IDX_beighton_assessment', ['assessmentId'])
@Index('IDX_beighton_studio', ['studioId'])
export class BeightonEntity {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_beighton_studio' })
  studio?: Relation<StudioEntity>;
  @RefColumn('assessment_id') assessmentId!: string;
  @ManyToOne(() => AssessmentEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'assessment_id', foreignKeyConstraintName: 'FK_beighton_assessment' })
  assessment?: Relation<AssessmentEntity>;
  @Column({ name: 'seq', type: 'int' }) seq!: number;
  @Column({ name: 'items', type: 'simple-json' }) items!: readonly (boolean | null)[];
  @RequestHashColumn() requestHash!: string;
  @CreateDateColumn({ name: 'created_at', type: 'datetime', precision: 3, default: () => 'CURRENT_TIMESTAMP(3)' })
  createdAt!: Date;
}

/** A picture that a coach attached to a test. */
@Entity('picture')
@Index('IDX_picture_assessment', ['assessmentId'])
@Index('IDX_picture_studio', ['studioId'])
export class PictureEntity {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_picture_studio' })
  studio?: Relation<StudioEntity>;
  @RefColumn('assessment_id') assessmentId!: string;
  @ManyToOne(() => AssessmentEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'assessment_id', foreignKeyConstraintName: 'FK_picture_assessment' })
  assessment?: Relation<AssessmentEntity>;
  @Column({ name: 'test_id', type: 'varchar', length: 60 }) testId!: string;
  @Column({ name: 'side', type: 'varchar', length: 5, nullable: true }) side!: Side | null;
  @Column({ name: 'media_type', type: 'varchar', length: 40 }) mediaType!: string;
  @Column({ name: 'bytes', type: 'mediumblob', select: false }) bytes!: Buffer;
  @RequestHashColumn() requestHash!: string;
  @CreateDateColumn({ name: 'created_at', type: 'datetime', precision: 3, default: () => 'CURRENT_TIMESTAMP(3)' })
  createdAt!: Date;
}
