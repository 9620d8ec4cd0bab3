import type { MigrationInterface, QueryRunner } from 'typeorm';

const ID = 'char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL';

/** Series of routines. Each step may be run again. */
export class Series1799500000000 implements MigrationInterface {
  readonly name = 'Series1799500000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `CREATE TABLE IF NOT EXISTS series (
        id ${ID},
        studio_id ${ID},
        version int NOT NULL DEFAULT 1,
        archived tinyint NOT NULL,
        definition text NOT NULL,
        request_hash char(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
        created_at datetime(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
        INDEX IDX_series_studio (studio_id),
        PRIMARY KEY (id),
        CONSTRAINT FK_series_studio FOREIGN KEY (studio_id) REFERENCES studio (id) ON DELETE CASCADE ON UPDATE NO ACTION
      ) ENGINE=InnoDB`,
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE IF EXISTS series');
  }
}
