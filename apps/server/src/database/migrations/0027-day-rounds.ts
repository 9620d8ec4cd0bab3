import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Sessions that are spread over a day in small rounds. Each step may be run again. */
export class DayRounds1799800000000 implements MigrationInterface {
  readonly name = 'DayRounds1799800000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE session ADD COLUMN IF NOT EXISTS day_round text NULL AFTER date');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE session DROP COLUMN IF EXISTS day_round');
  }
}
