import type { MigrationInterface, QueryRunner } from 'typeorm';

const ID = 'char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL';
const REF = 'char(36) CHARACTER SET ascii COLLATE ascii_bin NULL';

/** What clients say of their week and around a session, and which side felt tighter in an exercise. Each step may be run again. */
export class CheckIns1800100000000 implements MigrationInterface {
  readonly name = 'CheckIns1800100000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `CREATE TABLE IF NOT EXISTS check_in (
        id ${ID},
        studio_id ${ID},
        client_id ${ID},
        date date NOT NULL,
        moment varchar(20) NOT NULL,
        session_id ${REF},
        in_the_way text NOT NULL,
        away text NOT NULL,
        note varchar(300) NOT NULL,
        away_seen_at datetime(3) NULL,
        request_hash char(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
        created_at datetime(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
        INDEX IDX_check_in_client (client_id, date),
        INDEX IDX_check_in_studio (studio_id),
        PRIMARY KEY (id),
        CONSTRAINT FK_check_in_studio FOREIGN KEY (studio_id) REFERENCES studio (id) ON DELETE CASCADE ON UPDATE NO ACTION,
        CONSTRAINT FK_check_in_client FOREIGN KEY (client_id) REFERENCES client (id) ON DELETE CASCADE ON UPDATE NO ACTION
      ) ENGINE=InnoDB`,
    );
    await runner.query(`ALTER TABLE self_report ADD COLUMN IF NOT EXISTS check_in_id ${REF} AFTER client_id`);
    await runner.query('CREATE INDEX IF NOT EXISTS IDX_self_report_check_in ON self_report (check_in_id)');
    await runner.query('ALTER TABLE run ADD COLUMN IF NOT EXISTS tighter_in text NULL AFTER felt_tighter');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE run DROP COLUMN IF EXISTS tighter_in');
    await runner.query('DROP INDEX IF EXISTS IDX_self_report_check_in ON self_report');
    await runner.query('ALTER TABLE self_report DROP COLUMN IF EXISTS check_in_id');
    await runner.query('DROP TABLE IF EXISTS check_in');
  }
}
