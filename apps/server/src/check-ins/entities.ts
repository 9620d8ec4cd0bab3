import type { SelfReportMoment } from '@yandle/contract';
import type { AwayDates, ObstacleId } from '@yandle/core';
import { Column, CreateDateColumn, Entity, Index, JoinColumn, ManyToOne, type Relation } from 'typeorm';
import { StudioEntity } from '../accounts/entities.js';
import { ClientEntity } from '../clients/entities.js';
import { IdColumn, InstantColumn, RefColumn, RequestHashColumn } from '../database/columns.js';

/** That a client said how it goes, with what is in the way and when they are away. How it feels stands in the self reports of the same id. */
@Entity('check_in')
@Index('IDX_check_in_client', ['clientId', 'date'])
@Index('IDX_check_in_studio', ['studioId'])
export class CheckInEntity {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_check_in_studio' })
  studio?: Relation<StudioEntity>;
  @RefColumn('client_id') clientId!: string;
  @ManyToOne(() => ClientEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'client_id', foreignKeyConstraintName: 'FK_check_in_client' })
  client?: Relation<ClientEntity>;
  @Column({ name: 'date', type: 'date' }) date!: string;
  @Column({ name: 'moment', type: 'varchar', length: 20 }) moment!: SelfReportMoment;
  /** A session may be planned anew after it was asked about: no key. */
  @RefColumn('session_id', { nullable: true }) sessionId!: string | null;
  /** Never queried. */
  @Column({ name: 'in_the_way', type: 'simple-json' }) inTheWay!: readonly ObstacleId[];
  @Column({ name: 'away', type: 'simple-json' }) away!: readonly AwayDates[];
  @Column({ name: 'note', type: 'varchar', length: 300 }) note!: string;
  /** When the days away went into the plan or were put aside; null while they wait, or there are none. */
  @InstantColumn('away_seen_at', { nullable: true }) awaySeenAt!: Date | null;
  @RequestHashColumn() requestHash!: string;
  @CreateDateColumn({ name: 'created_at', type: 'datetime', precision: 3, default: () => 'CURRENT_TIMESTAMP(3)' })
  createdAt!: Date;
}
