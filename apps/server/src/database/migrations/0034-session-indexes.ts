import type { MigrationInterface, QueryRunner } from 'typeorm';

const INDEXES = [
  // Whose session a day has, with its length: no row is read for it.
  [
    'IDX_session_day',
    '(studio_id, date, client_id, block_id, total_seconds)',
    'IDX_session_studio',
    '(studio_id, date)',
  ],
  // The sessions of one week of a block.
  ['IDX_session_week', '(block_id, week, date)', 'IDX_session_block', '(block_id, date)'],
] as const;

/** Indexes of sessions that fit what Today asks. Each step may be run again. */
export class SessionIndexes1800500000000 implements MigrationInterface {
  readonly name = 'SessionIndexes1800500000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const [name, columns, before] of INDEXES) {
      await runner.query(`CREATE INDEX IF NOT EXISTS ${name} ON session ${columns}`);
      await runner.query(`DROP INDEX IF EXISTS ${before} ON session`);
    }
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const [name, , before, columns] of INDEXES) {
      await runner.query(`CREATE INDEX IF NOT EXISTS ${before} ON session ${columns}`);
      await runner.query(`DROP INDEX IF EXISTS ${name} ON session`);
    }
  }
}
