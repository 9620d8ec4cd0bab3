import type { InclinometerSettings } from '@yandle/core';
import { Column, Entity, Index, JoinColumn, ManyToOne, type Relation } from 'typeorm';
import { StudioEntity } from '../accounts/entities.js';
import { IdColumn, RefColumn } from '../database/columns.js';

/** Where the simulated inclinometer of a studio stands, for every process that shows it. */
@Entity('inclinometer')
@Index('IDX_inclinometer_studio', ['studioId'])
export class InclinometerEntity {
  /** The studio's id: it has one. */
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_inclinometer_studio' })
  studio?: Relation<StudioEntity>;
  @Column({ name: 'settings', type: 'simple-json' }) settings!: InclinometerSettings;
  /** Degrees from which the limb began to move. */
  @Column({ name: 'from_degrees', type: 'double' }) fromDegrees!: number;
  /** Milliseconds since 1970. */
  @Column({ name: 'changed_at', type: 'double' }) changedAt!: number;
  @Column({ name: 'started_at', type: 'double' }) startedAt!: number;
}
