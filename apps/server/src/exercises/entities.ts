import type { ExerciseDefinition } from '@yandle/core';
import { Column, CreateDateColumn, Entity, Index, JoinColumn, ManyToOne, type Relation } from 'typeorm';
import { StudioEntity } from '../accounts/entities.js';
import { IdColumn, RefColumn, RequestHashColumn } from '../database/columns.js';

/** An exercise of the studio's own. Archived rather than removed: sessions may speak of it. */
@Entity('own_exercise')
@Index('IDX_own_exercise_studio', ['studioId'])
export class OwnExerciseEntity {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_own_exercise_studio' })
  studio?: Relation<StudioEntity>;
  @Column({ name: 'version', type: 'int', default: 1 }) version!: number;
  @Column({ name: 'archived', type: 'boolean' }) archived!: boolean;
  /** Read as a whole, never queried. */
  @Column({ name: 'definition', type: 'simple-json' }) definition!: ExerciseDefinition;
  @RequestHashColumn() requestHash!: string;
  @CreateDateColumn({ name: 'created_at', type: 'datetime', precision: 3, default: () => 'CURRENT_TIMESTAMP(3)' })
  createdAt!: Date;
}

/** What an own exercise was before an edit. Never changed. */
@Entity('own_exercise_version')
@Index('IDX_own_exercise_version_exercise', ['exerciseId', 'version'], { unique: true })
@Index('IDX_own_exercise_version_studio', ['studioId'])
export class OwnExerciseVersionEntity {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_own_exercise_version_studio' })
  studio?: Relation<StudioEntity>;
  @RefColumn('exercise_id') exerciseId!: string;
  @ManyToOne(() => OwnExerciseEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'exercise_id', foreignKeyConstraintName: 'FK_own_exercise_version_exercise' })
  exercise?: Relation<OwnExerciseEntity>;
  @Column({ name: 'version', type: 'int' }) version!: number;
  @Column({ name: 'definition', type: 'simple-json' }) definition!: ExerciseDefinition;
  @CreateDateColumn({ name: 'created_at', type: 'datetime', precision: 3, default: () => 'CURRENT_TIMESTAMP(3)' })
  createdAt!: Date;
}
