import type { StyleDefinition } from '@yandle/core';
import { Column, CreateDateColumn, Entity, Index, JoinColumn, ManyToOne, type Relation } from 'typeorm';
import { StudioEntity } from '../accounts/entities.js';
import { IdColumn, RefColumn, RequestHashColumn } from '../database/columns.js';

/** A style of the studio's own. Archived rather than removed: blocks may speak of it. */
@Entity('own_style')
@Index('IDX_own_style_studio', ['studioId'])
export class OwnStyleEntity {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_own_style_studio' })
  studio?: Relation<StudioEntity>;
  @Column({ name: 'version', type: 'int', default: 1 }) version!: number;
  @Column({ name: 'archived', type: 'boolean' }) archived!: boolean;
  /** Read as a whole, never queried. */
  @Column({ name: 'definition', type: 'simple-json' }) definition!: StyleDefinition;
  @RequestHashColumn() requestHash!: string;
  @CreateDateColumn({ name: 'created_at', type: 'datetime', precision: 3, default: () => 'CURRENT_TIMESTAMP(3)' })
  createdAt!: Date;
}

/** What an own style was before an edit. Never changed. */
@Entity('own_style_version')
@Index('IDX_own_style_version_style', ['styleId', 'version'], { unique: true })
@Index('IDX_own_style_version_studio', ['studioId'])
export class OwnStyleVersionEntity {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_own_style_version_studio' })
  studio?: Relation<StudioEntity>;
  @RefColumn('style_id') styleId!: string;
  @ManyToOne(() => OwnStyleEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'style_id', foreignKeyConstraintName: 'FK_own_style_version_style' })
  style?: Relation<OwnStyleEntity>;
  @Column({ name: 'version', type: 'int' }) version!: number;
  @Column({ name: 'definition', type: 'simple-json' }) definition!: StyleDefinition;
  @CreateDateColumn({ name: 'created_at', type: 'datetime', precision: 3, default: () => 'CURRENT_TIMESTAMP(3)' })
  createdAt!: Date;
}
