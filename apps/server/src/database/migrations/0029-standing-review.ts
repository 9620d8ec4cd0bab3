import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Styles that a review puts in, and clients whose plain reviews are accepted by themselves. Each step may be run again. */
export class StandingReview1800000000000 implements MigrationInterface {
  readonly name = 'StandingReview1800000000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE review ADD COLUMN IF NOT EXISTS style text NULL AFTER reason');
    await runner.query(
      'ALTER TABLE review ADD COLUMN IF NOT EXISTS by_itself tinyint NOT NULL DEFAULT 0 AFTER coach_id',
    );
    await runner.query(
      'ALTER TABLE client ADD COLUMN IF NOT EXISTS standing_review tinyint NOT NULL DEFAULT 0 AFTER own_timings',
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE client DROP COLUMN IF EXISTS standing_review');
    await runner.query('ALTER TABLE review DROP COLUMN IF EXISTS by_itself');
    await runner.query('ALTER TABLE review DROP COLUMN IF EXISTS style');
  }
}
