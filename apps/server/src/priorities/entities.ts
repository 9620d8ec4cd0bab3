import type { SelfReportKind, SelfReportMoment, PrioritiesBody } from '@yandle/contract';
import type { BodyRegionId, HabitId } from '@yandle/core';
import { Column, CreateDateColumn, Entity, Index, JoinColumn, ManyToOne, OneToOne, type Relation } from 'typeorm';
import { StudioEntity } from '../accounts/entities.js';
import { ClientEntity } from '../clients/entities.js';
import { IdColumn, RefColumn, RequestHashColumn } from '../database/columns.js';

/** A result a client wants to reach. */
@Entity('goal')
@Index('IDX_goal_client', ['clientId'])
@Index('IDX_goal_studio', ['studioId'])
export class GoalEntity {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_goal_studio' })
  studio?: Relation<StudioEntity>;
  @RefColumn('client_id') clientId!: string;
  @ManyToOne(() => ClientEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'client_id', foreignKeyConstraintName: 'FK_goal_client' })
  client?: Relation<ClientEntity>;
  @Column({ name: 'test_id', type: 'varchar', length: 60 }) testId!: string;
  @Column({ name: 'value', type: 'decimal', precision: 7, scale: 2 }) value!: string;
  @Column({ name: 'due', type: 'date', nullable: true }) due!: string | null;
  @Column({ name: 'words', type: 'varchar', length: 300 }) words!: string;
  @Column({ name: 'set_on', type: 'date' }) setOn!: string;
  @Column({ name: 'ended_on', type: 'date', nullable: true }) endedOn!: string | null;
  @RequestHashColumn() requestHash!: string;
  @CreateDateColumn({ name: 'created_at', type: 'datetime', precision: 3, default: () => 'CURRENT_TIMESTAMP(3)' })
  createdAt!: Date;
}

/** What a client said of a region on a day. Never changed. */
@Entity('self_report')
@Index('IDX_self_report_client', ['clientId', 'date'])
@Index('IDX_self_report_check_in', ['checkInId'])
@Index('IDX_self_report_studio', ['studioId'])
export class SelfReportEntity {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_self_report_studio' })
  studio?: Relation<StudioEntity>;
  @RefColumn('client_id') clientId!: string;
  @ManyToOne(() => ClientEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'client_id', foreignKeyConstraintName: 'FK_self_report_client' })
  client?: Relation<ClientEntity>;
  /** Said with others at one time; null for one that a coach noted alone. */
  @RefColumn('check_in_id', { nullable: true }) checkInId!: string | null;
  @Column({ name: 'date', type: 'date' }) date!: string;
  @Column({ name: 'region', type: 'varchar', length: 20 }) region!: BodyRegionId;
  @Column({ name: 'kind', type: 'varchar', length: 20 }) kind!: SelfReportKind;
  @Column({ name: 'moment', type: 'varchar', length: 20 }) moment!: SelfReportMoment;
  @Column({ name: 'score', type: 'int' }) score!: number;
  @Column({ name: 'habits', type: 'simple-json' }) habits!: readonly HabitId[];
  @RequestHashColumn() requestHash!: string;
  @CreateDateColumn({ name: 'created_at', type: 'datetime', precision: 3, default: () => 'CURRENT_TIMESTAMP(3)' })
  createdAt!: Date;
}

/** What coach and client decide about the order of the groups: one row a client, its id the client's. */
@Entity('priorities')
@Index('IDX_priorities_studio', ['studioId'])
export class PrioritiesEntity {
  @IdColumn() id!: string;
  @OneToOne(() => ClientEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'id', foreignKeyConstraintName: 'FK_priorities_client' })
  client?: Relation<ClientEntity>;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_priorities_studio' })
  studio?: Relation<StudioEntity>;
  @Column({ name: 'version', type: 'int', default: 1 }) version!: number;
  /** Read as a whole, never queried. */
  @Column({ name: 'content', type: 'simple-json' }) content!: Omit<PrioritiesBody, 'version'>;
}
