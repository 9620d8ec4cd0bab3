import type { MigrationInterface, QueryRunner } from 'typeorm';

/**
 * Logs can be taken back and stay on record, an empty one makes no session done, and a run says how the client felt that day. Each step may be
 * run again.
 */
export class TakenBack1797600000000 implements MigrationInterface {
  readonly name = 'TakenBack1797600000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      'ALTER TABLE run ADD COLUMN IF NOT EXISTS withdrawn_at datetime(3) NULL, ADD COLUMN IF NOT EXISTS has_work tinyint(1) NOT NULL DEFAULT 1, ADD COLUMN IF NOT EXISTS wellness varchar(10) NULL',
    );
    await runner.query('ALTER TABLE soreness ADD COLUMN IF NOT EXISTS withdrawn_at datetime(3) NULL');
    // Finished with nothing in it: no set that counts, and no answer.
    await runner.query(
      "UPDATE run SET has_work = 0 WHERE ended_at IS NOT NULL AND sensation IS NULL AND felt_tighter IS NULL AND note = '' AND NOT EXISTS (SELECT 1 FROM set_log s WHERE s.run_id = run.id AND s.done_seconds > 0)",
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE soreness DROP COLUMN IF EXISTS withdrawn_at');
    await runner.query(
      'ALTER TABLE run DROP COLUMN IF EXISTS withdrawn_at, DROP COLUMN IF EXISTS has_work, DROP COLUMN IF EXISTS wellness',
    );
  }
}
