import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Exercises that a coach keeps at hand. */
export class Favourites1800300000000 implements MigrationInterface {
  readonly name = 'Favourites1800300000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE coach ADD COLUMN IF NOT EXISTS favourites text NULL AFTER glides_since');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE coach DROP COLUMN IF EXISTS favourites');
  }
}
