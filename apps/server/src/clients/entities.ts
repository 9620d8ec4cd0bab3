import type { ScreeningState } from '@yandle/contract';
import type { Experience, MuscleGroupId, OwnTimings, Sex, Weekday } from '@yandle/core';
import { Column, CreateDateColumn, Entity, Index, JoinColumn, ManyToOne, type Relation } from 'typeorm';
import { CoachEntity, StudioEntity } from '../accounts/entities.js';
import { IdColumn, InstantColumn, RefColumn, RequestHashColumn } from '../database/columns.js';

@Entity('client')
@Index('IDX_client_list', ['studioId', 'name', 'id'])
@Index('IDX_client_lead', ['leadCoachId'])
export class ClientEntity {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_client_studio' })
  studio?: Relation<StudioEntity>;
  @RefColumn('lead_coach_id') leadCoachId!: string;
  @ManyToOne(() => CoachEntity, { onDelete: 'RESTRICT', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'lead_coach_id', foreignKeyConstraintName: 'FK_client_lead' })
  leadCoach?: Relation<CoachEntity>;
  @Column({ name: 'version', type: 'int', default: 1 }) version!: number;
  @Column({ name: 'name', type: 'varchar', length: 120 }) name!: string;
  @Column({ name: 'birth_date', type: 'date' }) birthDate!: string;
  @Column({ name: 'sex', type: 'varchar', length: 10, nullable: true }) sex!: Sex | null;
  @Column({ name: 'aim', type: 'varchar', length: 300 }) aim!: string;
  @Column({ name: 'experience', type: 'varchar', length: 20 }) experience!: Experience;
  /** Never queried by day: a small list is enough. */
  @Column({ name: 'training_days', type: 'simple-json' }) trainingDays!: readonly Weekday[];
  @Column({ name: 'minutes_per_session', type: 'int' }) minutesPerSession!: number;
  @Column({ name: 'gentle_groups', type: 'simple-json' }) gentleGroups!: readonly MuscleGroupId[];
  @Column({ name: 'screening', type: 'varchar', length: 20 }) screening!: ScreeningState;
  @Column({ name: 'screening_note', type: 'varchar', length: 2000 }) screeningNote!: string;
  @Column({ name: 'notes', type: 'varchar', length: 2000 }) notes!: string;
  /** Seconds of one breath; null until measured. */
  @Column({ name: 'breath_seconds', type: 'int', nullable: true }) breathSeconds!: number | null;
  /** Practised: changes of position and side are brisk. */
  @Column({ name: 'brisk', type: 'boolean', default: false }) brisk!: boolean;
  /** Timings of their own, in place of the studio's; never queried. */
  @Column({ name: 'own_timings', type: 'simple-json', nullable: true }) ownTimings!: OwnTimings | null;
  /** Plain reviews are accepted at the end of the week, without anybody looking. */
  @Column({ name: 'standing_review', type: 'boolean', default: false }) standingReview!: boolean;
  @InstantColumn('archived_at', { nullable: true }) archivedAt!: Date | null;
  @RequestHashColumn() requestHash!: string;
  @CreateDateColumn({ name: 'created_at', type: 'datetime', precision: 3, default: () => 'CURRENT_TIMESTAMP(3)' })
  createdAt!: Date;
}
