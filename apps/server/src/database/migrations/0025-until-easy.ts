import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Rounds until it feels easy. Each step may be run again. */
export class UntilEasy1799600000000 implements MigrationInterface {
  readonly name = 'UntilEasy1799600000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      'ALTER TABLE session ADD COLUMN IF NOT EXISTS until_easy tinyint NOT NULL DEFAULT 0 AFTER rounds',
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE session DROP COLUMN IF EXISTS until_easy');
  }
}
