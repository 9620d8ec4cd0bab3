import type { MigrationInterface, QueryRunner } from 'typeorm';

const ID = 'char(36) CHARACTER SET ascii COLLATE ascii_bin';
const HASH = 'char(64) CHARACTER SET ascii COLLATE ascii_bin';
const NOW = 'datetime(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3)';
const END = 'ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci';

/** Columns of a bout that plans and sessions share. */
const BOUT = [
  'reps int NULL',
  'cycles int NULL',
  'push_seconds int NULL',
  'effort int NULL',
  'lower_seconds int NULL',
  'load_amount decimal(6,2) NULL',
  'load_unit varchar(20) NULL',
  'assistance int NULL',
  'depth int NULL',
  'bonus_side varchar(5) NULL',
  'bonus_sets int NULL',
  'bonus_more int NULL',
];
const PRESCRIPTION = [
  ...BOUT,
  "part int NOT NULL DEFAULT '0'",
  "days varchar(20) NOT NULL DEFAULT ''",
  "style_id varchar(60) NOT NULL DEFAULT 'steady-hold'",
  "locked tinyint NOT NULL DEFAULT '0'",
];
const ITEM = [...BOUT, 'technique varchar(30) NULL'];
const REVISION = ['choices text NULL', 'trims text NULL'];

const add = (table: string, columns: readonly string[]) =>
  `ALTER TABLE ${table} ${columns.map((c) => `ADD COLUMN IF NOT EXISTS ${c}`).join(', ')}`;
const drop = (table: string, columns: readonly string[]) =>
  `ALTER TABLE ${table} ${columns.map((c) => `DROP COLUMN IF EXISTS ${c.split(' ')[0]}`).join(', ')}`;

const versioned = (table: string) => `CREATE TABLE IF NOT EXISTS ${table} (
    id ${ID} NOT NULL,
    studio_id ${ID} NOT NULL,
    version int NOT NULL DEFAULT '1',
    retired tinyint NOT NULL,
    definition text NOT NULL,
    request_hash ${HASH} NOT NULL,
    created_at ${NOW},
    INDEX IDX_${table}_studio (studio_id),
    PRIMARY KEY (id),
    CONSTRAINT FK_${table}_studio FOREIGN KEY (studio_id) REFERENCES studio(id) ON DELETE CASCADE ON UPDATE NO ACTION
  ) ${END}`;

const TABLES = [
  versioned('own_style'),
  `CREATE TABLE IF NOT EXISTS own_style_version (
    id ${ID} NOT NULL,
    studio_id ${ID} NOT NULL,
    style_id ${ID} NOT NULL,
    version int NOT NULL,
    definition text NOT NULL,
    created_at ${NOW},
    INDEX IDX_own_style_version_studio (studio_id),
    UNIQUE INDEX IDX_own_style_version_style (style_id, version),
    PRIMARY KEY (id),
    CONSTRAINT FK_own_style_version_studio FOREIGN KEY (studio_id) REFERENCES studio(id) ON DELETE CASCADE ON UPDATE NO ACTION,
    CONSTRAINT FK_own_style_version_style FOREIGN KEY (style_id) REFERENCES own_style(id) ON DELETE CASCADE ON UPDATE NO ACTION
  ) ${END}`,
  versioned('own_template'),
  `CREATE TABLE IF NOT EXISTS calendar_link (
    id ${ID} NOT NULL,
    studio_id ${ID} NOT NULL,
    client_id ${ID} NOT NULL,
    token_hash ${HASH} NOT NULL,
    revoked_at datetime(3) NULL,
    created_at ${NOW},
    INDEX IDX_calendar_link_studio (studio_id),
    INDEX IDX_calendar_link_client (client_id),
    UNIQUE INDEX IDX_calendar_link_token (token_hash),
    PRIMARY KEY (id),
    CONSTRAINT FK_calendar_link_studio FOREIGN KEY (studio_id) REFERENCES studio(id) ON DELETE CASCADE ON UPDATE NO ACTION,
    CONSTRAINT FK_calendar_link_client FOREIGN KEY (client_id) REFERENCES client(id) ON DELETE CASCADE ON UPDATE NO ACTION
  ) ${END}`,
];

const UP = [
  ...TABLES,
  add('prescription', PRESCRIPTION),
  'ALTER TABLE prescription MODIFY reason varchar(1000) NOT NULL',
  'ALTER TABLE prescription ADD UNIQUE INDEX IF NOT EXISTS IDX_prescription_part (lane_id, week, part)',
  'ALTER TABLE prescription DROP INDEX IF EXISTS IDX_prescription_week',
  add('session_item', ITEM),
  'ALTER TABLE session ADD COLUMN IF NOT EXISTS planned_date date NULL',
  add('revision', REVISION),
  'ALTER TABLE lane ADD COLUMN IF NOT EXISTS left_out text NULL',
];

const DOWN = [
  'ALTER TABLE lane DROP COLUMN IF EXISTS left_out',
  drop('revision', REVISION),
  'ALTER TABLE session DROP COLUMN IF EXISTS planned_date',
  drop('session_item', ITEM),
  'DELETE FROM prescription WHERE part > 0',
  'ALTER TABLE prescription ADD UNIQUE INDEX IF NOT EXISTS IDX_prescription_week (lane_id, week)',
  'ALTER TABLE prescription DROP INDEX IF EXISTS IDX_prescription_part',
  drop('prescription', PRESCRIPTION),
  ...['calendar_link', 'own_template', 'own_style_version', 'own_style'].map((t) => `DROP TABLE IF EXISTS ${t}`),
];

interface OldLane {
  readonly revision: string;
  readonly laneKey: string;
  readonly muscleGroup: string;
  readonly styleId: string;
  readonly exerciseId: string;
  readonly startDate: string;
  readonly weeks: number;
  readonly ramp: string;
  readonly easierEvery: number | null;
}

/** Revisions of the version before held their choices in rows: they are written down whole, so that they can be restored. */
async function keepChoices(runner: QueryRunner): Promise<void> {
  if (!(await runner.hasColumn('lane', 'exercise_id'))) return;
  const rows = (await runner.query(
    `SELECT l.revision_id AS revision, l.lane_key AS laneKey, l.muscle_group AS muscleGroup, l.style_id AS styleId,
       l.exercise_id AS exerciseId, CAST(p.start_date AS CHAR) AS startDate, p.weeks, p.ramp, p.easier_every AS easierEvery
     FROM lane l JOIN revision r ON r.id = l.revision_id JOIN programme p ON p.id = r.programme_id
     WHERE r.choices IS NULL ORDER BY l.revision_id, l.place`,
  )) as OldLane[];
  for (const revision of new Set(rows.map((r) => r.revision))) {
    const lanes = rows.filter((r) => r.revision === revision);
    const first = lanes[0]!;
    const choices = {
      startDate: first.startDate,
      weeks: first.weeks,
      ramp: Number(first.ramp),
      easierEvery: first.easierEvery,
      easierWeeks: null,
      missedWeeks: [],
      away: [],
      lanesPerSession: 10,
      smallestPlate: null,
      lanes: lanes.map((l) => ({
        id: l.laneKey,
        group: l.muscleGroup,
        styleId: l.styleId,
        laterStyles: [],
        fromWeek: 1,
        untilWeek: null,
        baseline: null,
        loadUnit: null,
        exercises: [{ technique: 'static hold', exerciseId: l.exerciseId }],
        locked: [],
      })),
    };
    await runner.query('UPDATE revision SET choices = ? WHERE id = ?', [JSON.stringify(choices), revision]);
  }
  await runner.query('ALTER TABLE lane DROP COLUMN IF EXISTS exercise_id');
}

/** The way back: the exercise of a lane's holds stands in its row again. */
async function keepExercises(runner: QueryRunner): Promise<void> {
  await runner.query("ALTER TABLE lane ADD COLUMN IF NOT EXISTS exercise_id varchar(60) NOT NULL DEFAULT ''");
  if (!(await runner.hasColumn('revision', 'choices'))) return;
  const rows = (await runner.query('SELECT id, choices FROM revision WHERE choices IS NOT NULL')) as {
    id: string;
    choices: string;
  }[];
  for (const { id, choices } of rows)
    for (const lane of (JSON.parse(choices) as { lanes: { id: string; exercises: { exerciseId: string }[] }[] }).lanes)
      await runner.query('UPDATE lane SET exercise_id = ? WHERE revision_id = ? AND lane_key = ?', [
        lane.exercises[0]?.exerciseId ?? '',
        id,
        lane.id,
      ]);
}

/** All techniques in plans and sessions, choices of a revision, own styles and templates, calendar links. */
export class Blocks1795800000000 implements MigrationInterface {
  readonly name = 'Blocks1795800000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of UP) await runner.query(statement);
    await keepChoices(runner);
  }

  async down(runner: QueryRunner): Promise<void> {
    await keepExercises(runner);
    for (const statement of DOWN) await runner.query(statement);
  }
}
