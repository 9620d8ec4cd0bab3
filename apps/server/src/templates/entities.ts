import type { TemplateDefinition } from '@yandle/core';
import { Column, CreateDateColumn, Entity, Index, JoinColumn, ManyToOne, type Relation } from 'typeorm';
import { StudioEntity } from '../accounts/entities.js';
import { IdColumn, RefColumn, RequestHashColumn } from '../database/columns.js';

/** A block without a client, to begin others from. */
@Entity('own_template')
@Index('IDX_own_template_studio', ['studioId'])
export class OwnTemplateEntity {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_own_template_studio' })
  studio?: Relation<StudioEntity>;
  @Column({ name: 'version', type: 'int', default: 1 }) version!: number;
  @Column({ name: 'archived', type: 'boolean' }) archived!: boolean;
  /** Read as a whole, never queried. */
  @Column({ name: 'definition', type: 'simple-json' }) definition!: TemplateDefinition;
  @RequestHashColumn() requestHash!: string;
  @CreateDateColumn({ name: 'created_at', type: 'datetime', precision: 3, default: () => 'CURRENT_TIMESTAMP(3)' })
  createdAt!: Date;
}
