import { Column, CreateDateColumn, Entity, Index, JoinColumn, ManyToOne, type Relation } from 'typeorm';
import { StudioEntity } from '../accounts/entities.js';
import { ClientEntity } from '../clients/entities.js';
import { IdColumn, InstantColumn, RefColumn } from '../database/columns.js';

/** A link to a report as it was when it was made. Only a hash of its token is kept. */
@Entity('report_link')
@Index('IDX_report_link_client', ['clientId'])
@Index('IDX_report_link_studio', ['studioId'])
@Index('IDX_report_link_token', ['tokenHash'], { unique: true })
export class ReportLinkEntity {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_report_link_studio' })
  studio?: Relation<StudioEntity>;
  @RefColumn('client_id') clientId!: string;
  @ManyToOne(() => ClientEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'client_id', foreignKeyConstraintName: 'FK_report_link_client' })
  client?: Relation<ClientEntity>;
  @Column({ name: 'token_hash', type: 'char', length: 64, charset: 'ascii', collation: 'ascii_bin' })
  tokenHash!: string;
  /** The report as JSON; never queried. */
  @Column({ name: 'content', type: 'mediumtext' }) content!: string;
  @InstantColumn('expires_at') expiresAt!: Date;
  @InstantColumn('used_at', { nullable: true }) usedAt!: Date | null;
  @InstantColumn('revoked_at', { nullable: true }) revokedAt!: Date | null;
  @CreateDateColumn({ name: 'created_at', type: 'datetime', precision: 3, default: () => 'CURRENT_TIMESTAMP(3)' })
  createdAt!: Date;
}
