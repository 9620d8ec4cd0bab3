import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Items of several parts, with directions, breaths, a pace and a middle set. What was published before has none. Each step may be run again. */
export class ItemParts1799200000000 implements MigrationInterface {
  readonly name = 'ItemParts1799200000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE session_item ADD COLUMN IF NOT EXISTS more text NULL');
  }

  /** The version before knows only the first part. */
  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE session_item DROP COLUMN IF EXISTS more');
  }
}
