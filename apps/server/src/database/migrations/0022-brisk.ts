import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Practised clients, whose changes of position and side are brisk. Each step may be run again. */
export class Brisk1799300000000 implements MigrationInterface {
  readonly name = 'Brisk1799300000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE client ADD COLUMN IF NOT EXISTS brisk tinyint NOT NULL DEFAULT 0');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE client DROP COLUMN IF EXISTS brisk');
  }
}
