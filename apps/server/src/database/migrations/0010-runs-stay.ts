import type { MigrationInterface, QueryRunner } from 'typeorm';

const FORGET = 'ALTER TABLE run DROP FOREIGN KEY IF EXISTS FK_run_session';
const refer = (onDelete: 'RESTRICT' | 'CASCADE') =>
  `ALTER TABLE run ADD CONSTRAINT FK_run_session FOREIGN KEY (session_id) REFERENCES session(id) ON DELETE ${onDelete} ON UPDATE NO ACTION`;

/** A session that was run is not deleted, and nothing that is done to it takes the run away. Safe to run again. */
export class RunsStay1797200000000 implements MigrationInterface {
  readonly name = 'RunsStay1797200000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(FORGET);
    await runner.query(refer('RESTRICT'));
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(FORGET);
    await runner.query(refer('CASCADE'));
  }
}
