import type { MigrationInterface, QueryRunner } from 'typeorm';

const UP: readonly string[] = [
  `CREATE TABLE IF NOT EXISTS intake (
    id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    studio_id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    client_id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    coach_id char(36) CHARACTER SET ascii COLLATE ascii_bin NULL,
    asked_on date NOT NULL,
    answers text NOT NULL,
    about text NOT NULL,
    request_hash char(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    created_at datetime(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
    INDEX IDX_intake_client (client_id),
    INDEX IDX_intake_studio (studio_id),
    INDEX IDX_intake_coach (coach_id),
    PRIMARY KEY (id),
    CONSTRAINT FK_intake_studio FOREIGN KEY (studio_id) REFERENCES studio(id) ON DELETE CASCADE ON UPDATE NO ACTION,
    CONSTRAINT FK_intake_client FOREIGN KEY (client_id) REFERENCES client(id) ON DELETE CASCADE ON UPDATE NO ACTION,
    CONSTRAINT FK_intake_coach FOREIGN KEY (coach_id) REFERENCES coach(id) ON DELETE RESTRICT ON UPDATE NO ACTION
  ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
  `CREATE TABLE IF NOT EXISTS clearance (
    id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    studio_id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    client_id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    coach_id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    caution_id varchar(40) NOT NULL,
    who varchar(120) NOT NULL,
    given_on date NOT NULL,
    note varchar(2000) NOT NULL,
    withdrawn_at datetime(3) NULL,
    request_hash char(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    created_at datetime(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
    INDEX IDX_clearance_client (client_id),
    INDEX IDX_clearance_studio (studio_id),
    INDEX IDX_clearance_coach (coach_id),
    PRIMARY KEY (id),
    CONSTRAINT FK_clearance_studio FOREIGN KEY (studio_id) REFERENCES studio(id) ON DELETE CASCADE ON UPDATE NO ACTION,
    CONSTRAINT FK_clearance_client FOREIGN KEY (client_id) REFERENCES client(id) ON DELETE CASCADE ON UPDATE NO ACTION,
    CONSTRAINT FK_clearance_coach FOREIGN KEY (coach_id) REFERENCES coach(id) ON DELETE RESTRICT ON UPDATE NO ACTION
  ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
  `CREATE TABLE IF NOT EXISTS intake_link (
    id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    studio_id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    client_id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    token_hash char(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    expires_at datetime(3) NOT NULL,
    used_at datetime(3) NULL,
    revoked_at datetime(3) NULL,
    created_at datetime(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
    INDEX IDX_intake_link_client (client_id),
    INDEX IDX_intake_link_studio (studio_id),
    UNIQUE INDEX IDX_intake_link_token (token_hash),
    PRIMARY KEY (id),
    CONSTRAINT FK_intake_link_studio FOREIGN KEY (studio_id) REFERENCES studio(id) ON DELETE CASCADE ON UPDATE NO ACTION,
    CONSTRAINT FK_intake_link_client FOREIGN KEY (client_id) REFERENCES client(id) ON DELETE CASCADE ON UPDATE NO ACTION
  ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
];

/** Askings of the questions before planning, clearances, and links for clients. */
export class Screening1795600000000 implements MigrationInterface {
  readonly name = 'Screening1795600000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of UP) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of ['intake_link', 'clearance', 'intake']) await runner.query(`DROP TABLE IF EXISTS ${table}`);
  }
}
