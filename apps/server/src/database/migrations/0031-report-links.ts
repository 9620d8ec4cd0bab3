import type { MigrationInterface, QueryRunner } from 'typeorm';

const ID = 'char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL';

/** Links to reports for clients. Each step may be run again. */
export class ReportLinks1800200000000 implements MigrationInterface {
  readonly name = 'ReportLinks1800200000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `CREATE TABLE IF NOT EXISTS report_link (
        id ${ID},
        studio_id ${ID},
        client_id ${ID},
        token_hash char(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
        content mediumtext NOT NULL,
        expires_at datetime(3) NOT NULL,
        used_at datetime(3) NULL,
        revoked_at datetime(3) NULL,
        created_at datetime(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
        INDEX IDX_report_link_client (client_id),
        INDEX IDX_report_link_studio (studio_id),
        UNIQUE INDEX IDX_report_link_token (token_hash),
        PRIMARY KEY (id),
        CONSTRAINT FK_report_link_studio FOREIGN KEY (studio_id) REFERENCES studio (id) ON DELETE CASCADE ON UPDATE NO ACTION,
        CONSTRAINT FK_report_link_client FOREIGN KEY (client_id) REFERENCES client (id) ON DELETE CASCADE ON UPDATE NO ACTION
      ) ENGINE=InnoDB`,
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE IF EXISTS report_link');
  }
}
