import type { MigrationInterface, QueryRunner } from 'typeorm';

const ID = 'char(36) CHARACTER SET ascii COLLATE ascii_bin';
const HASH = 'char(64) CHARACTER SET ascii COLLATE ascii_bin';
const END = 'ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci';

const COLUMNS: Readonly<Record<string, readonly string[]>> = {
  studio: ['retention_months int NULL'],
  coach: [
    "role varchar(10) NOT NULL DEFAULT 'coach'",
    `stand_in_id ${ID} NULL`,
    'stand_in_until date NULL',
    'totp_secret varchar(64) NULL',
    'totp_offered varchar(64) NULL',
    'totp_step int NULL',
    'recovery_codes text NULL',
    'removed_at datetime(3) NULL',
  ],
  auth_session: [
    `id ${ID} NULL`,
    `coach_id ${ID} NULL`,
    "agent varchar(200) NOT NULL DEFAULT ''",
    "address varchar(45) NOT NULL DEFAULT ''",
    'signed_in_at datetime(3) NULL',
  ],
};

const TABLES: Readonly<Record<string, string>> = {
  account_link: `
    id ${ID} NOT NULL,
    studio_id ${ID} NOT NULL,
    kind varchar(12) NOT NULL,
    coach_id ${ID} NULL,
    role varchar(10) NULL,
    note varchar(120) NOT NULL DEFAULT '',
    token_hash ${HASH} NOT NULL,
    expires_at datetime(3) NOT NULL,
    used_at datetime(3) NULL,
    revoked_at datetime(3) NULL,
    created_at datetime(3) NOT NULL,
    INDEX IDX_account_link_studio (studio_id),
    UNIQUE INDEX IDX_account_link_token (token_hash),
    PRIMARY KEY (id),
    CONSTRAINT FK_account_link_studio FOREIGN KEY (studio_id) REFERENCES studio(id) ON DELETE CASCADE ON UPDATE NO ACTION,
    CONSTRAINT FK_account_link_coach FOREIGN KEY (coach_id) REFERENCES coach(id) ON DELETE CASCADE ON UPDATE NO ACTION`,
  audit_entry: `
    id ${ID} NOT NULL,
    studio_id ${ID} NOT NULL,
    at datetime(3) NOT NULL,
    actor varchar(10) NOT NULL,
    coach_id ${ID} NULL,
    client_id ${ID} NULL,
    action varchar(40) NOT NULL,
    subject varchar(60) NOT NULL DEFAULT '',
    address varchar(45) NOT NULL DEFAULT '',
    INDEX IDX_audit_studio (studio_id, at, id),
    INDEX IDX_audit_client (client_id),
    PRIMARY KEY (id)`,
  erased_client: `
    id ${ID} NOT NULL,
    studio_id ${ID} NOT NULL,
    at datetime(3) NOT NULL,
    INDEX IDX_erased_client_studio (studio_id),
    PRIMARY KEY (id)`,
  attempt: `
    bucket ${HASH} NOT NULL,
    hits int NOT NULL,
    until datetime(3) NOT NULL,
    INDEX IDX_attempt_until (until),
    PRIMARY KEY (bucket)`,
  inclinometer: `
    id ${ID} NOT NULL,
    studio_id ${ID} NOT NULL,
    settings text NOT NULL,
    from_degrees double NOT NULL,
    changed_at double NOT NULL,
    started_at double NOT NULL,
    INDEX IDX_inclinometer_studio (studio_id),
    PRIMARY KEY (id),
    CONSTRAINT FK_inclinometer_studio FOREIGN KEY (studio_id) REFERENCES studio(id) ON DELETE CASCADE ON UPDATE NO ACTION`,
};

const add = (table: string, columns: readonly string[]) =>
  `ALTER TABLE ${table} ${columns.map((c) => `ADD COLUMN IF NOT EXISTS ${c}`).join(', ')}`;
const drop = (table: string, columns: readonly string[]) =>
  `ALTER TABLE ${table} ${columns.map((c) => `DROP COLUMN IF EXISTS ${c.split(' ')[0]}`).join(', ')}`;

const UP = [
  ...Object.entries(COLUMNS).map(([table, columns]) => add(table, columns)),
  'ALTER TABLE coach MODIFY email varchar(254) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NULL',
  // Who set a studio up owns it.
  `UPDATE coach c SET c.role = 'owner' WHERE NOT EXISTS (SELECT 1 FROM (SELECT studio_id FROM coach WHERE role = 'owner') o WHERE o.studio_id = c.studio_id)
     AND c.id = (SELECT MIN(f.id) FROM (SELECT id, studio_id, created_at FROM coach) f WHERE f.studio_id = c.studio_id
                 AND f.created_at = (SELECT MIN(e.created_at) FROM (SELECT studio_id, created_at FROM coach) e WHERE e.studio_id = c.studio_id))`,
  `UPDATE auth_session SET id = COALESCE(id, UUID()), coach_id = COALESCE(coach_id, (SELECT k.id FROM coach k WHERE k.id = JSON_VALUE(data, '$.coachId')))`,
  'ALTER TABLE auth_session ADD INDEX IF NOT EXISTS IDX_auth_session_coach (coach_id)',
  'ALTER TABLE auth_session DROP FOREIGN KEY IF EXISTS FK_auth_session_coach',
  'ALTER TABLE auth_session ADD CONSTRAINT FK_auth_session_coach FOREIGN KEY (coach_id) REFERENCES coach(id) ON DELETE CASCADE ON UPDATE NO ACTION',
  // Which tests have readings is asked with every catalogue.
  'ALTER TABLE reading ADD INDEX IF NOT EXISTS IDX_reading_test (studio_id, test_id)',
  ...Object.entries(TABLES).map(([table, columns]) => `CREATE TABLE IF NOT EXISTS ${table} (${columns}) ${END}`),
];

const DOWN = [
  'ALTER TABLE reading DROP INDEX IF EXISTS IDX_reading_test',
  ...Object.keys(TABLES).map((table) => `DROP TABLE IF EXISTS ${table}`),
  'ALTER TABLE auth_session DROP FOREIGN KEY IF EXISTS FK_auth_session_coach',
  'ALTER TABLE auth_session DROP INDEX IF EXISTS IDX_auth_session_coach',
  ...Object.entries(COLUMNS).map(([table, columns]) => drop(table, columns)),
  // Removed coaches have no address; the version before asks for one.
  "UPDATE coach SET email = CONCAT('removed-', id) WHERE email IS NULL",
  'ALTER TABLE coach MODIFY email varchar(254) CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci NOT NULL',
];

/** Roles and second factors of coaches, devices, links into the studio, what was done by whom, limits, erased clients. Each step may be run again. */
export class Accounts1797300000000 implements MigrationInterface {
  readonly name = 'Accounts1797300000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of UP) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const statement of DOWN) await runner.query(statement);
  }
}
