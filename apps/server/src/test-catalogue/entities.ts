import type { OwnBatteryBody, StudyBody, StudyKind } from '@yandle/contract';
import type { Origin, OwnTestDefinition } from '@yandle/core';
import { Column, CreateDateColumn, Entity, Index, JoinColumn, ManyToOne, type Relation } from 'typeorm';
import { CoachEntity, StudioEntity } from '../accounts/entities.js';
import { IdColumn, InstantColumn, RefColumn, RequestHashColumn } from '../database/columns.js';

/** A test that a studio wrote itself. */
@Entity('own_test')
@Index('IDX_own_test_studio', ['studioId'])
export class OwnTestEntity {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_own_test_studio' })
  studio?: Relation<StudioEntity>;
  @Column({ name: 'version', type: 'int', default: 1 }) version!: number;
  @Column({ name: 'archived', type: 'boolean' }) archived!: boolean;
  /** Read as a whole, never queried. */
  @Column({ name: 'definition', type: 'simple-json' }) definition!: OwnTestDefinition;
  @RequestHashColumn() requestHash!: string;
  @CreateDateColumn({ name: 'created_at', type: 'datetime', precision: 3, default: () => 'CURRENT_TIMESTAMP(3)' })
  createdAt!: Date;
}

/** A battery that a studio put together itself. */
@Entity('own_battery')
@Index('IDX_own_battery_studio', ['studioId'])
export class OwnBatteryEntity {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_own_battery_studio' })
  studio?: Relation<StudioEntity>;
  @Column({ name: 'version', type: 'int', default: 1 }) version!: number;
  @Column({ name: 'archived', type: 'boolean' }) archived!: boolean;
  @Column({ name: 'name', type: 'varchar', length: 120 }) name!: string;
  @Column({ name: 'about', type: 'varchar', length: 200 }) about!: string;
  @Column({ name: 'test_ids', type: 'simple-json' }) testIds!: OwnBatteryBody['testIds'];
  @RequestHashColumn() requestHash!: string;
  @CreateDateColumn({ name: 'created_at', type: 'datetime', precision: 3, default: () => 'CURRENT_TIMESTAMP(3)' })
  createdAt!: Date;
}

/** Clients measured twice by a coach, for their own error. */
@Entity('reliability_study')
@Index('IDX_study_studio', ['studioId'])
@Index('IDX_study_coach', ['coachId'])
export class StudyEntity {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_study_studio' })
  studio?: Relation<StudioEntity>;
  @RefColumn('coach_id') coachId!: string;
  @ManyToOne(() => CoachEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'coach_id', foreignKeyConstraintName: 'FK_study_coach' })
  coach?: Relation<CoachEntity>;
  @Column({ name: 'version', type: 'int', default: 1 }) version!: number;
  @Column({ name: 'test_id', type: 'varchar', length: 60 }) testId!: string;
  @Column({ name: 'name', type: 'varchar', length: 120 }) name!: string;
  @Column({ name: 'kind', type: 'varchar', length: 10 }) kind!: StudyKind;
  @Column({ name: 'column_names', type: 'simple-json' }) columns!: StudyBody['columns'];
  /** Read as a whole, never queried. */
  @Column({ name: 'table_rows', type: 'simple-json' }) rows!: StudyBody['rows'];
  @RequestHashColumn() requestHash!: string;
  @CreateDateColumn({ name: 'created_at', type: 'datetime', precision: 3, default: () => 'CURRENT_TIMESTAMP(3)' })
  createdAt!: Date;
}

/** An error adopted by a coach for a test. A newer one withdraws the earlier, which stays on record. */
@Entity('own_error')
@Index('IDX_own_error_studio', ['studioId', 'withdrawnAt'])
@Index('IDX_own_error_coach', ['coachId'])
@Index('IDX_own_error_study', ['studyId'])
export class OwnErrorEntity {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_own_error_studio' })
  studio?: Relation<StudioEntity>;
  @RefColumn('coach_id') coachId!: string;
  @ManyToOne(() => CoachEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'coach_id', foreignKeyConstraintName: 'FK_own_error_coach' })
  coach?: Relation<CoachEntity>;
  @RefColumn('study_id', { nullable: true }) studyId!: string | null;
  @ManyToOne(() => StudyEntity, { onDelete: 'SET NULL', onUpdate: 'NO ACTION', nullable: true })
  @JoinColumn({ name: 'study_id', foreignKeyConstraintName: 'FK_own_error_study' })
  study?: Relation<StudyEntity> | null;
  @Column({ name: 'test_id', type: 'varchar', length: 60 }) testId!: string;
  /** In the unit of the test. DECIMAL travels as text. */
  @Column({ name: 'sem', type: 'decimal', precision: 9, scale: 4 }) sem!: string;
  @Column({ name: 'low', type: 'decimal', precision: 9, scale: 4, nullable: true }) low!: string | null;
  @Column({ name: 'high', type: 'decimal', precision: 9, scale: 4, nullable: true }) high!: string | null;
  @Column({ name: 'clients', type: 'int', nullable: true }) clients!: number | null;
  @Column({ name: 'origin', type: 'varchar', length: 20 }) origin!: Origin;
  @Column({ name: 'source', type: 'varchar', length: 500 }) source!: string;
  @InstantColumn('withdrawn_at', { nullable: true }) withdrawnAt!: Date | null;
  @RequestHashColumn() requestHash!: string;
  @CreateDateColumn({ name: 'created_at', type: 'datetime', precision: 3, default: () => 'CURRENT_TIMESTAMP(3)' })
  createdAt!: Date;
}
