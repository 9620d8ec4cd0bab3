import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Timings of a client and of a session of their own. Each step may be run again. */
export class Pacing1799700000000 implements MigrationInterface {
  readonly name = 'Pacing1799700000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE client ADD COLUMN IF NOT EXISTS own_timings text NULL AFTER brisk');
    await runner.query('ALTER TABLE session ADD COLUMN IF NOT EXISTS pacing text NULL AFTER minutes');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE session DROP COLUMN IF EXISTS pacing');
    await runner.query('ALTER TABLE client DROP COLUMN IF EXISTS own_timings');
  }
}
