import type { RoutineDefinition, SeriesDefinition } from '@yandle/core';
import { Column, CreateDateColumn, Entity, Index, JoinColumn, ManyToOne, type Relation } from 'typeorm';
import { StudioEntity } from '../accounts/entities.js';
import { ClientEntity } from '../clients/entities.js';
import { IdColumn, RefColumn, RequestHashColumn } from '../database/columns.js';

/** A routine of the studio, or of one client. Archived rather than removed: sessions may speak of it. */
@Entity('routine')
@Index('IDX_routine_studio', ['studioId'])
@Index('IDX_routine_client', ['clientId'])
export class RoutineEntity {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_routine_studio' })
  studio?: Relation<StudioEntity>;
  /** Null for one of the studio's. */
  @RefColumn('client_id', { nullable: true }) clientId!: string | null;
  @ManyToOne(() => ClientEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION', nullable: true })
  @JoinColumn({ name: 'client_id', foreignKeyConstraintName: 'FK_routine_client' })
  client?: Relation<ClientEntity> | null;
  @Column({ name: 'version', type: 'int', default: 1 }) version!: number;
  @Column({ name: 'archived', type: 'boolean' }) archived!: boolean;
  /** Read as a whole, never queried. */
  @Column({ name: 'definition', type: 'simple-json' }) definition!: RoutineDefinition;
  @RequestHashColumn() requestHash!: string;
  @CreateDateColumn({ name: 'created_at', type: 'datetime', precision: 3, default: () => 'CURRENT_TIMESTAMP(3)' })
  createdAt!: Date;
}

/** What a routine was before an edit. Never changed. */
@Entity('routine_version')
@Index('IDX_routine_version_routine', ['routineId', 'version'], { unique: true })
@Index('IDX_routine_version_studio', ['studioId'])
export class RoutineVersionEntity {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_routine_version_studio' })
  studio?: Relation<StudioEntity>;
  @RefColumn('routine_id') routineId!: string;
  @ManyToOne(() => RoutineEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'routine_id', foreignKeyConstraintName: 'FK_routine_version_routine' })
  routine?: Relation<RoutineEntity>;
  @Column({ name: 'version', type: 'int' }) version!: number;
  @Column({ name: 'definition', type: 'simple-json' }) definition!: RoutineDefinition;
  @CreateDateColumn({ name: 'created_at', type: 'datetime', precision: 3, default: () => 'CURRENT_TIMESTAMP(3)' })
  createdAt!: Date;
}

/** A series of the studio. Archived rather than removed. */
@Entity('series')
@Index('IDX_series_studio', ['studioId'])
export class SeriesEntity {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_series_studio' })
  studio?: Relation<StudioEntity>;
  @Column({ name: 'version', type: 'int', default: 1 }) version!: number;
  @Column({ name: 'archived', type: 'boolean' }) archived!: boolean;
  /** Read as a whole, never queried. */
  @Column({ name: 'definition', type: 'simple-json' }) definition!: SeriesDefinition;
  @RequestHashColumn() requestHash!: string;
  @CreateDateColumn({ name: 'created_at', type: 'datetime', precision: 3, default: () => 'CURRENT_TIMESTAMP(3)' })
  createdAt!: Date;
}
