import type { MigrationInterface, QueryRunner } from 'typeorm';

/** The form of an exercise in which something was felt. Each step may be run again. */
export class FeltForm1799400000000 implements MigrationInterface {
  readonly name = 'FeltForm1799400000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE symptom ADD COLUMN IF NOT EXISTS form varchar(60) NULL AFTER exercise_id');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE symptom DROP COLUMN IF EXISTS form');
  }
}
