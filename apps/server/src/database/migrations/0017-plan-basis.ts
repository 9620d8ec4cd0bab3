import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What a revision was planned from besides the coach's choices; null for those from before it was kept. Each step may be run again. */
export class PlanBasis1797900000000 implements MigrationInterface {
  readonly name = 'PlanBasis1797900000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE revision ADD COLUMN IF NOT EXISTS basis text NULL');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE revision DROP COLUMN IF EXISTS basis');
  }
}
