import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Sex for reference tables, and the tests a visit is made of. Both may be missing. Safe to run again. */
export class SexAndBattery1764032400000 implements MigrationInterface {
  readonly name = 'SexAndBattery1764032400000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE client ADD COLUMN IF NOT EXISTS sex varchar(10) NULL AFTER birth_date');
    await runner.query('ALTER TABLE assessment ADD COLUMN IF NOT EXISTS battery text NULL AFTER note');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE assessment DROP COLUMN IF EXISTS battery');
    await runner.query('ALTER TABLE client DROP COLUMN IF EXISTS sex');
  }
}
