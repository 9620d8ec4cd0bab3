import type { MigrationInterface, QueryRunner } from 'typeorm';

const ID = 'char(36) CHARACTER SET ascii COLLATE ascii_bin';
const HASH = 'char(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL';
const NOW = 'datetime(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3)';
const studio = (table: string): string =>
  `CONSTRAINT FK_${table}_studio FOREIGN KEY (studio_id) REFERENCES studio (id) ON DELETE CASCADE ON UPDATE NO ACTION`;

/** Sessions without a block, with a name and a place of their own; routines of the studio and of clients. Each step may be run again. */
export class FreeSessions1799100000000 implements MigrationInterface {
  readonly name = 'FreeSessions1799100000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `ALTER TABLE session MODIFY block_id ${ID} NULL, MODIFY revision_number int NULL, MODIFY week int NULL,
       ADD COLUMN IF NOT EXISTS name varchar(80) NULL, ADD COLUMN IF NOT EXISTS routine_id varchar(60) CHARACTER SET ascii COLLATE ascii_bin NULL,
       ADD COLUMN IF NOT EXISTS place text NULL`,
    );
    await runner.query(
      `CREATE TABLE IF NOT EXISTS routine (
        id ${ID} NOT NULL,
        studio_id ${ID} NOT NULL,
        client_id ${ID} NULL,
        version int NOT NULL DEFAULT 1,
        archived tinyint NOT NULL,
        definition text NOT NULL,
        request_hash ${HASH},
        created_at ${NOW},
        INDEX IDX_routine_studio (studio_id),
        INDEX IDX_routine_client (client_id),
        PRIMARY KEY (id),
        ${studio('routine')},
        CONSTRAINT FK_routine_client FOREIGN KEY (client_id) REFERENCES client (id) ON DELETE CASCADE ON UPDATE NO ACTION
      ) ENGINE=InnoDB`,
    );
    await runner.query(
      `CREATE TABLE IF NOT EXISTS routine_version (
        id ${ID} NOT NULL,
        studio_id ${ID} NOT NULL,
        routine_id ${ID} NOT NULL,
        version int NOT NULL,
        definition text NOT NULL,
        created_at ${NOW},
        UNIQUE INDEX IDX_routine_version_routine (routine_id, version),
        INDEX IDX_routine_version_studio (studio_id),
        PRIMARY KEY (id),
        ${studio('routine_version')},
        CONSTRAINT FK_routine_version_routine FOREIGN KEY (routine_id) REFERENCES routine (id) ON DELETE CASCADE ON UPDATE NO ACTION
      ) ENGINE=InnoDB`,
    );
  }

  /** A free session goes to the newest block of its client, as the version before can only have it there; without any block it goes. */
  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE IF EXISTS routine_version');
    await runner.query('DROP TABLE IF EXISTS routine');
    await runner.query(
      `UPDATE session s JOIN (SELECT client_id, MAX(id) AS block_id FROM block GROUP BY client_id) b ON b.client_id = s.client_id
       SET s.block_id = b.block_id, s.revision_number = 1, s.week = 1 WHERE s.block_id IS NULL`,
    );
    await runner.query('DELETE r FROM run r JOIN session s ON s.id = r.session_id WHERE s.block_id IS NULL');
    await runner.query('DELETE FROM session WHERE block_id IS NULL');
    await runner.query(
      `ALTER TABLE session MODIFY block_id ${ID} NOT NULL, MODIFY revision_number int NOT NULL, MODIFY week int NOT NULL,
       DROP COLUMN IF EXISTS name, DROP COLUMN IF EXISTS routine_id, DROP COLUMN IF EXISTS place`,
    );
  }
}
