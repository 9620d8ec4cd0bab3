import type { MigrationInterface, QueryRunner } from 'typeorm';

/** One statement a step: DDL commits by itself in MariaDB, and each may be run again after a kill half-way. */
const UP: readonly string[] = [
  `CREATE TABLE IF NOT EXISTS own_test (
    id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    studio_id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    version int NOT NULL DEFAULT '1',
    retired tinyint NOT NULL,
    definition text NOT NULL,
    request_hash char(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    created_at datetime(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
    INDEX IDX_own_test_studio (studio_id),
    PRIMARY KEY (id),
    CONSTRAINT FK_own_test_studio FOREIGN KEY (studio_id) REFERENCES studio(id) ON DELETE CASCADE ON UPDATE NO ACTION
  ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
  `CREATE TABLE IF NOT EXISTS own_battery (
    id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    studio_id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    version int NOT NULL DEFAULT '1',
    retired tinyint NOT NULL,
    name varchar(120) NOT NULL,
    about varchar(200) NOT NULL,
    test_ids text NOT NULL,
    request_hash char(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    created_at datetime(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
    INDEX IDX_own_battery_studio (studio_id),
    PRIMARY KEY (id),
    CONSTRAINT FK_own_battery_studio FOREIGN KEY (studio_id) REFERENCES studio(id) ON DELETE CASCADE ON UPDATE NO ACTION
  ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
  `CREATE TABLE IF NOT EXISTS reliability_study (
    id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    studio_id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    coach_id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    version int NOT NULL DEFAULT '1',
    test_id varchar(60) NOT NULL,
    name varchar(120) NOT NULL,
    kind varchar(10) NOT NULL,
    column_names text NOT NULL,
    table_rows text NOT NULL,
    request_hash char(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    created_at datetime(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
    INDEX IDX_study_studio (studio_id),
    INDEX IDX_study_coach (coach_id),
    PRIMARY KEY (id),
    CONSTRAINT FK_study_studio FOREIGN KEY (studio_id) REFERENCES studio(id) ON DELETE CASCADE ON UPDATE NO ACTION,
    CONSTRAINT FK_study_coach FOREIGN KEY (coach_id) REFERENCES coach(id) ON DELETE CASCADE ON UPDATE NO ACTION
  ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
  `CREATE TABLE IF NOT EXISTS own_error (
    id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    studio_id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    coach_id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    study_id char(36) CHARACTER SET ascii COLLATE ascii_bin NULL,
    test_id varchar(60) NOT NULL,
    sem decimal(9,4) NOT NULL,
    low decimal(9,4) NULL,
    high decimal(9,4) NULL,
    clients int NULL,
    origin varchar(20) NOT NULL,
    source varchar(500) NOT NULL,
    withdrawn_at datetime(3) NULL,
    request_hash char(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    created_at datetime(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
    INDEX IDX_own_error_studio (studio_id, withdrawn_at),
    INDEX IDX_own_error_coach (coach_id),
    INDEX IDX_own_error_study (study_id),
    PRIMARY KEY (id),
    CONSTRAINT FK_own_error_studio FOREIGN KEY (studio_id) REFERENCES studio(id) ON DELETE CASCADE ON UPDATE NO ACTION,
    CONSTRAINT FK_own_error_coach FOREIGN KEY (coach_id) REFERENCES coach(id) ON DELETE CASCADE ON UPDATE NO ACTION,
    CONSTRAINT FK_own_error_study FOREIGN KEY (study_id) REFERENCES reliability_study(id) ON DELETE SET NULL ON UPDATE NO ACTION
  ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
  `CREATE TABLE IF NOT EXISTS goal (
    id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    studio_id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    client_id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    test_id varchar(60) NOT NULL,
    value decimal(7,2) NOT NULL,
    due date NULL,
    words varchar(300) NOT NULL,
    set_on date NOT NULL,
    ended_on date NULL,
    request_hash char(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    created_at datetime(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
    INDEX IDX_goal_client (client_id),
    INDEX IDX_goal_studio (studio_id),
    PRIMARY KEY (id),
    CONSTRAINT FK_goal_studio FOREIGN KEY (studio_id) REFERENCES studio(id) ON DELETE CASCADE ON UPDATE NO ACTION,
    CONSTRAINT FK_goal_client FOREIGN KEY (client_id) REFERENCES client(id) ON DELETE CASCADE ON UPDATE NO ACTION
  ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
  `CREATE TABLE IF NOT EXISTS felt (
    id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    studio_id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    client_id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    date date NOT NULL,
    region varchar(20) NOT NULL,
    kind varchar(20) NOT NULL,
    moment varchar(20) NOT NULL,
    score int NOT NULL,
    habits text NOT NULL,
    request_hash char(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    created_at datetime(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
    INDEX IDX_felt_client (client_id, date),
    INDEX IDX_felt_studio (studio_id),
    PRIMARY KEY (id),
    CONSTRAINT FK_felt_studio FOREIGN KEY (studio_id) REFERENCES studio(id) ON DELETE CASCADE ON UPDATE NO ACTION,
    CONSTRAINT FK_felt_client FOREIGN KEY (client_id) REFERENCES client(id) ON DELETE CASCADE ON UPDATE NO ACTION
  ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
  `CREATE TABLE IF NOT EXISTS focus (
    id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    studio_id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    version int NOT NULL DEFAULT '1',
    content text NOT NULL,
    INDEX IDX_focus_studio (studio_id),
    PRIMARY KEY (id),
    CONSTRAINT FK_focus_studio FOREIGN KEY (studio_id) REFERENCES studio(id) ON DELETE CASCADE ON UPDATE NO ACTION,
    CONSTRAINT FK_focus_client FOREIGN KEY (id) REFERENCES client(id) ON DELETE CASCADE ON UPDATE NO ACTION
  ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
  `CREATE TABLE IF NOT EXISTS visit_event (
    id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    studio_id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    assessment_id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    seq int NOT NULL,
    test_id varchar(60) NOT NULL,
    kind varchar(20) NOT NULL,
    side varchar(5) NULL,
    symptom varchar(20) NULL,
    reason varchar(500) NOT NULL,
    request_hash char(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    created_at datetime(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
    INDEX IDX_visit_event_assessment (assessment_id),
    INDEX IDX_visit_event_studio (studio_id),
    PRIMARY KEY (id),
    CONSTRAINT FK_visit_event_studio FOREIGN KEY (studio_id) REFERENCES studio(id) ON DELETE CASCADE ON UPDATE NO ACTION,
    CONSTRAINT FK_visit_event_assessment FOREIGN KEY (assessment_id) REFERENCES assessment(id) ON DELETE CASCADE ON UPDATE NO ACTION
  ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
  `CREATE TABLE IF NOT EXISTS beighton (
    id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    studio_id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    assessment_id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    seq int NOT NULL,
    items text NOT NULL,
    request_hash char(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    created_at datetime(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
    INDEX IDX_beighton_assessment (assessment_id),
    INDEX IDX_beighton_studio (studio_id),
    PRIMARY KEY (id),
    CONSTRAINT FK_beighton_studio FOREIGN KEY (studio_id) REFERENCES studio(id) ON DELETE CASCADE ON UPDATE NO ACTION,
    CONSTRAINT FK_beighton_assessment FOREIGN KEY (assessment_id) REFERENCES assessment(id) ON DELETE CASCADE ON UPDATE NO ACTION
  ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
  `CREATE TABLE IF NOT EXISTS picture (
    id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    studio_id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    assessment_id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    test_id varchar(60) NOT NULL,
    side varchar(5) NULL,
    media_type varchar(40) NOT NULL,
    bytes mediumblob NOT NULL,
    request_hash char(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    created_at datetime(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
    INDEX IDX_picture_assessment (assessment_id),
    INDEX IDX_picture_studio (studio_id),
    PRIMARY KEY (id),
    CONSTRAINT FK_picture_studio FOREIGN KEY (studio_id) REFERENCES studio(id) ON DELETE CASCADE ON UPDATE NO ACTION,
    CONSTRAINT FK_picture_assessment FOREIGN KEY (assessment_id) REFERENCES assessment(id) ON DELETE CASCADE ON UPDATE NO ACTION
  ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
  `ALTER TABLE trial ADD COLUMN IF NOT EXISTS warm tinyint NULL AFTER instrument`,
  `ALTER TABLE trial ADD COLUMN IF NOT EXISTS tester_id char(36) CHARACTER SET ascii COLLATE ascii_bin NULL AFTER warm`,
];

/** Tables, those that refer to others first. */
const TABLES = [
  'picture',
  'beighton',
  'visit_event',
  'focus',
  'felt',
  'goal',
  'own_error',
  'reliability_study',
  'own_battery',
  'own_test',
];

/** Own tests, batteries and errors; goals, complaints and decisions; what happened at the bench. */
export class Measuring1795500000000 implements MigrationInterface {
  readonly name = 'Measuring1795500000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of UP) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE trial DROP COLUMN IF EXISTS tester_id');
    await runner.query('ALTER TABLE trial DROP COLUMN IF EXISTS warm');
    for (const table of TABLES) await runner.query(`DROP TABLE IF EXISTS ${table}`);
  }
}
