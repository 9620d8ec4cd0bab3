import { Column, CreateDateColumn, Entity, Index, JoinColumn, ManyToOne, type Relation } from 'typeorm';
import { StudioEntity } from '../accounts/entities.js';
import { ClientEntity } from '../clients/entities.js';
import { IdColumn, InstantColumn, RefColumn } from '../database/columns.js';

/** A link with which calendar programs read a client's sessions. Only a hash of its token is kept. */
@Entity('calendar_link')
@Index('IDX_calendar_link_client', ['clientId'])
@Index('IDX_calendar_link_studio', ['studioId'])
@Index('IDX_calendar_link_token', ['tokenHash'], { unique: true })
export class CalendarLinkEntity {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_calendar_link_studio' })
  studio?: Relation<StudioEntity>;
  @RefColumn('client_id') clientId!: string;
  @ManyToOne(() => ClientEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'client_id', foreignKeyConstraintName: 'FK_calendar_link_client' })
  client?: Relation<ClientEntity>;
  @Column({ name: 'token_hash', type: 'char', length: 64, charset: 'ascii', collation: 'ascii_bin' })
  tokenHash!: string;
  @InstantColumn('revoked_at', { nullable: true }) revokedAt!: Date | null;
  @CreateDateColumn({ name: 'created_at', type: 'datetime', precision: 3, default: () => 'CURRENT_TIMESTAMP(3)' })
  createdAt!: Date;
}
