import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What a studio has settled for all its clients: timings, defaults, units, first weekday. Each step may be run again. */
export class StudioSettings1797400000000 implements MigrationInterface {
  readonly name = 'StudioSettings1797400000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE studio ADD COLUMN IF NOT EXISTS settings text NULL');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE studio DROP COLUMN IF EXISTS settings');
  }
}
