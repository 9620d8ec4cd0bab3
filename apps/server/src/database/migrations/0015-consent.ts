import type { MigrationInterface, QueryRunner } from 'typeorm';

/** That a client, or a guardian, agrees to health answers being kept; by which text, when, and until when. Each step may be run again. */
export class Consent1797700000000 implements MigrationInterface {
  readonly name = 'Consent1797700000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE IF NOT EXISTS consent (
    id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    studio_id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    client_id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    coach_id char(36) CHARACTER SET ascii COLLATE ascii_bin NULL,
    version int NOT NULL,
    given_by varchar(10) NOT NULL,
    name varchar(120) NOT NULL,
    withdrawn_at datetime(3) NULL,
    request_hash char(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    created_at datetime(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
    INDEX IDX_consent_client (client_id),
    INDEX IDX_consent_studio (studio_id),
    INDEX IDX_consent_coach (coach_id),
    PRIMARY KEY (id),
    CONSTRAINT FK_consent_studio FOREIGN KEY (studio_id) REFERENCES studio(id) ON DELETE CASCADE ON UPDATE NO ACTION,
    CONSTRAINT FK_consent_client FOREIGN KEY (client_id) REFERENCES client(id) ON DELETE CASCADE ON UPDATE NO ACTION,
    CONSTRAINT FK_consent_coach FOREIGN KEY (coach_id) REFERENCES coach(id) ON DELETE RESTRICT ON UPDATE NO ACTION
  )`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE IF EXISTS consent');
  }
}
