import type { DecidedMove, LaneDraft, LaneReview, LaterStyle, MuscleGroupId, TechniqueExercise } from '@yandle/core';
import { Column, CreateDateColumn, Entity, Index, JoinColumn, ManyToOne, type Relation } from 'typeorm';
import { CoachEntity, StudioEntity } from '../accounts/entities.js';
import { BlockEntity } from '../blocks/entities.js';
import { IdColumn, InstantColumn, RefColumn } from '../database/columns.js';

/** The style that a decision has put in a lane, and what that took the place of. */
export interface DecidedStyle {
  readonly later: LaterStyle;
  readonly replaced: Pick<LaneDraft, 'laterStyles' | 'locked'>;
  /** Exercises that the lane had not before. */
  readonly added: readonly TechniqueExercise[];
}

/** A lane that stands still. */
export interface StillLane {
  readonly laneId: string;
  readonly group: MuscleGroupId;
}

/**
 * What the review of a running block's week comes to, worked out beforehand since it takes every result and all that was done: Today only reads it.
 */
@Entity('week_look')
@Index('IDX_week_look_block', ['blockId'], { unique: true })
@Index('IDX_week_look_studio', ['studioId'])
export class WeekLookEntity {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_week_look_studio' })
  studio?: Relation<StudioEntity>;
  @RefColumn('block_id') blockId!: string;
  @ManyToOne(() => BlockEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'block_id', foreignKeyConstraintName: 'FK_week_look_block' })
  block?: Relation<BlockEntity>;
  /** The week that was reviewed; 0 while none is over. */
  @Column({ name: 'week', type: 'int' }) week!: number;
  /** Lanes of which something was planned in the week: so many decisions make it reviewed. */
  @Column({ name: 'reviewable', type: 'int' }) reviewable!: number;
  /** Lanes on a plateau. */
  @Column({ name: 'still', type: 'simple-json' }) still!: readonly StillLane[];
  @InstantColumn('looked_at') lookedAt!: Date;
}

/** What a coach decided of a lane for a week. A later decision about the same week takes the earlier one's place; both stay on record. */
@Entity('review')
@Index('IDX_review_block', ['blockId'])
@Index('IDX_review_studio', ['studioId'])
@Index('IDX_review_coach', ['coachId'])
export class ReviewEntity {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_review_studio' })
  studio?: Relation<StudioEntity>;
  @RefColumn('block_id') blockId!: string;
  @ManyToOne(() => BlockEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'block_id', foreignKeyConstraintName: 'FK_review_block' })
  block?: Relation<BlockEntity>;
  @Column({ name: 'lane_key', type: 'varchar', length: 40 }) laneKey!: string;
  /** The week that was reviewed, and the first that the decision changes. */
  @Column({ name: 'week', type: 'int' }) week!: number;
  @Column({ name: 'from_week', type: 'int' }) fromWeek!: number;
  @Column({ name: 'move', type: 'varchar', length: 20 }) move!: DecidedMove;
  /** What the record made of it, with its numbers, when it was decided; never queried. */
  @Column({ name: 'proposed', type: 'simple-json' }) proposed!: LaneReview;
  @Column({ name: 'reason', type: 'varchar', length: 300 }) reason!: string;
  /** The style it has put in, and what that replaced; null where it changed none. Never queried. */
  @Column({ name: 'style', type: 'simple-json', nullable: true }) style!: DecidedStyle | null;
  @RefColumn('coach_id') coachId!: string;
  @ManyToOne(() => CoachEntity, { onDelete: 'RESTRICT', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'coach_id', foreignKeyConstraintName: 'FK_review_coach' })
  coach?: Relation<CoachEntity>;
  /** Accepted by itself: the coach is the one who leads the client. */
  @Column({ name: 'by_itself', type: 'boolean', default: false }) byItself!: boolean;
  /** Another decision has taken its place. */
  @InstantColumn('withdrawn_at', { nullable: true }) withdrawnAt!: Date | null;
  @CreateDateColumn({ name: 'created_at', type: 'datetime', precision: 3, default: () => 'CURRENT_TIMESTAMP(3)' })
  createdAt!: Date;
}
