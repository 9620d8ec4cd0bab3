import type { MigrationInterface, QueryRunner } from 'typeorm';

/** That a coach is qualified for nerve glides: by which licence, and since when they have said so. Each step may be run again. */
export class NerveGlides1797800000000 implements MigrationInterface {
  readonly name = 'NerveGlides1797800000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      'ALTER TABLE coach ADD COLUMN IF NOT EXISTS glides_licence varchar(120) NULL, ADD COLUMN IF NOT EXISTS glides_since date NULL',
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE coach DROP COLUMN IF EXISTS glides_licence, DROP COLUMN IF EXISTS glides_since');
  }
}
