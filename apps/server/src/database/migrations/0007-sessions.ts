import type { MigrationInterface, QueryRunner } from 'typeorm';

const ID = 'char(36) CHARACTER SET ascii COLLATE ascii_bin';
const HASH = 'char(64) CHARACTER SET ascii COLLATE ascii_bin';
const NOW = 'datetime(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3)';
const END = 'ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci';

const COLUMNS: Readonly<Record<string, readonly string[]>> = {
  session: [
    "version int NOT NULL DEFAULT '1'",
    "purpose varchar(20) NOT NULL DEFAULT 'own'",
    "already_warm tinyint NOT NULL DEFAULT '0'",
    "rounds int NOT NULL DEFAULT '1'",
    'minutes int NULL',
    'planned_items text NULL',
    `counted_run ${ID} NULL`,
  ],
  session_item: ['side_pattern varchar(20) NULL', 'link varchar(10) NULL', 'choice varchar(60) NULL'],
  set_log: [
    'reps int NULL',
    "pieces int NOT NULL DEFAULT '1'",
    'form varchar(60) NULL',
    'load_amount decimal(6,2) NULL',
    'load_unit varchar(20) NULL',
    'assistance int NULL',
    'depth_cm decimal(5,1) NULL',
    'sensation int NULL',
  ],
  run: ["source varchar(10) NOT NULL DEFAULT 'coach'", 'felt_tighter varchar(5) NULL'],
  client: ['breath_seconds int NULL'],
};

const add = (table: string, columns: readonly string[]) =>
  `ALTER TABLE ${table} ${columns.map((c) => `ADD COLUMN IF NOT EXISTS ${c}`).join(', ')}`;
const drop = (table: string, columns: readonly string[]) =>
  `ALTER TABLE ${table} ${columns.map((c) => `DROP COLUMN IF EXISTS ${c.split(' ')[0]}`).join(', ')}`;

const UP = [
  ...Object.entries(COLUMNS).map(([table, columns]) => add(table, columns)),
  `CREATE TABLE IF NOT EXISTS run_answer (
    id ${ID} NOT NULL,
    studio_id ${ID} NOT NULL,
    run_id ${ID} NOT NULL,
    sensation int NULL,
    felt_tighter varchar(5) NULL,
    note varchar(2000) NOT NULL,
    request_hash ${HASH} NOT NULL,
    created_at ${NOW},
    INDEX IDX_run_answer_run (run_id),
    INDEX IDX_run_answer_studio (studio_id),
    PRIMARY KEY (id),
    CONSTRAINT FK_run_answer_studio FOREIGN KEY (studio_id) REFERENCES studio(id) ON DELETE CASCADE ON UPDATE NO ACTION,
    CONSTRAINT FK_run_answer_run FOREIGN KEY (run_id) REFERENCES run(id) ON DELETE CASCADE ON UPDATE NO ACTION
  ) ${END}`,
  `CREATE TABLE IF NOT EXISTS day_note (
    id ${ID} NOT NULL,
    studio_id ${ID} NOT NULL,
    client_id ${ID} NOT NULL,
    date date NOT NULL,
    region varchar(30) NULL,
    soreness int NOT NULL,
    note varchar(2000) NOT NULL,
    request_hash ${HASH} NOT NULL,
    created_at ${NOW},
    INDEX IDX_day_note_client (client_id, date),
    INDEX IDX_day_note_studio (studio_id, date),
    PRIMARY KEY (id),
    CONSTRAINT FK_day_note_studio FOREIGN KEY (studio_id) REFERENCES studio(id) ON DELETE CASCADE ON UPDATE NO ACTION,
    CONSTRAINT FK_day_note_client FOREIGN KEY (client_id) REFERENCES client(id) ON DELETE CASCADE ON UPDATE NO ACTION
  ) ${END}`,
  `CREATE TABLE IF NOT EXISTS share_link (
    id ${ID} NOT NULL,
    studio_id ${ID} NOT NULL,
    client_id ${ID} NOT NULL,
    token_hash ${HASH} NOT NULL,
    expires_at datetime(3) NOT NULL,
    used_at datetime(3) NULL,
    revoked_at datetime(3) NULL,
    created_at ${NOW},
    INDEX IDX_share_link_client (client_id),
    INDEX IDX_share_link_studio (studio_id),
    UNIQUE INDEX IDX_share_link_token (token_hash),
    PRIMARY KEY (id),
    CONSTRAINT FK_share_link_studio FOREIGN KEY (studio_id) REFERENCES studio(id) ON DELETE CASCADE ON UPDATE NO ACTION,
    CONSTRAINT FK_share_link_client FOREIGN KEY (client_id) REFERENCES client(id) ON DELETE CASCADE ON UPDATE NO ACTION
  ) ${END}`,
  `CREATE TABLE IF NOT EXISTS late_letter (
    id ${ID} NOT NULL,
    studio_id ${ID} NOT NULL,
    client_id ${ID} NOT NULL,
    run_id ${ID} NOT NULL,
    kind varchar(10) NOT NULL,
    target ${ID} NOT NULL,
    body text NOT NULL,
    reason varchar(20) NOT NULL,
    decided_at datetime(3) NULL,
    accepted tinyint NULL,
    request_hash ${HASH} NOT NULL,
    created_at ${NOW},
    INDEX IDX_late_letter_client (client_id, run_id),
    INDEX IDX_late_letter_studio (studio_id),
    PRIMARY KEY (id),
    CONSTRAINT FK_late_letter_studio FOREIGN KEY (studio_id) REFERENCES studio(id) ON DELETE CASCADE ON UPDATE NO ACTION,
    CONSTRAINT FK_late_letter_client FOREIGN KEY (client_id) REFERENCES client(id) ON DELETE CASCADE ON UPDATE NO ACTION
  ) ${END}`,
];

const DOWN = [
  'DROP TABLE IF EXISTS late_letter',
  'DROP TABLE IF EXISTS share_link',
  'DROP TABLE IF EXISTS day_note',
  'DROP TABLE IF EXISTS run_answer',
  ...Object.entries(COLUMNS).map(([table, columns]) => drop(table, columns)),
];

/** Sessions a coach changes, all that a set is logged with, answers put right, soreness of the next day, a client's breath, links for phones. */
export class Sessions1796500000000 implements MigrationInterface {
  readonly name = 'Sessions1796500000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of UP) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const statement of DOWN) await runner.query(statement);
  }
}
