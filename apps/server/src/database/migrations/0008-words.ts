import { downgradeStored, upgradeStored, type StoredKind } from '@yandle/core';
import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A table with its old and new name, and the tables its rows point to, each by a column with an index and a foreign key of its name. */
interface Renamed {
  readonly from: string;
  readonly to: string;
  /** Ends of the names of its indexes. */
  readonly indexes: readonly string[];
  readonly keys: readonly (readonly [end: string, column: string, table: string])[];
}

const STUDIO = ['studio', 'studio_id', 'studio'] as const;
const CLIENT = ['client', 'client_id', 'client'] as const;

const TABLES: readonly Renamed[] = [
  {
    from: 'trial',
    to: 'reading',
    indexes: ['studio', 'assessment'],
    keys: [STUDIO, ['assessment', 'assessment_id', 'assessment']],
  },
  {
    from: 'visit_event',
    to: 'test_event',
    indexes: ['studio', 'assessment'],
    keys: [STUDIO, ['assessment', 'assessment_id', 'assessment']],
  },
  { from: 'programme', to: 'block', indexes: ['studio', 'client'], keys: [STUDIO, CLIENT] },
  { from: 'felt', to: 'self_report', indexes: ['studio', 'client'], keys: [STUDIO, CLIENT] },
  { from: 'focus', to: 'priorities', indexes: ['studio'], keys: [STUDIO, ['client', 'id', 'client']] },
  { from: 'day_note', to: 'soreness', indexes: ['studio', 'client'], keys: [STUDIO, CLIENT] },
  { from: 'late_letter', to: 'late_log', indexes: ['studio', 'client'], keys: [STUDIO, CLIENT] },
  { from: 'share_link', to: 'phone_link', indexes: ['studio', 'client', 'token'], keys: [STUDIO, CLIENT] },
];

/** Tables with a column that points to a block. */
const OF_BLOCK = [
  { table: 'revision', index: null },
  { table: 'session', index: 'IDX_session_' },
  { table: 'retest', index: null },
];

const ARCHIVED = ['own_test', 'own_battery', 'own_style', 'own_template', 'own_exercise'];

const COLUMNS: readonly (readonly [table: string, from: string, to: string])[] = [
  ['client', 'level', 'experience'],
  ['client', 'easy_on', 'gentle_groups'],
  ['revision', 'trims', 'cuts'],
  ...OF_BLOCK.map(({ table }) => [table, 'programme_id', 'block_id'] as const),
  ...ARCHIVED.map((table) => [table, 'retired', 'archived'] as const),
];

const DOCUMENTS: readonly (readonly [table: string, column: string, kind: StoredKind])[] = [
  ['own_exercise', 'definition', 'exercise'],
  ['own_exercise_version', 'definition', 'exercise'],
  ['own_style', 'definition', 'style'],
  ['own_style_version', 'definition', 'style'],
  ['own_template', 'definition', 'template'],
  ['revision', 'choices', 'block'],
  ['session', 'planned_items', 'items'],
  ['late_log', 'body', 'items'],
  ['intake', 'about', 'about'],
];

/** Rows read at a time while documents are rewritten. */
const BATCH = 200;

/** One table's new name, then those of its indexes and keys; each step may be run again after a kill half-way. */
function renameTable({ from, to, indexes, keys }: Renamed): string[] {
  return [
    `RENAME TABLE IF EXISTS ${from} TO ${to}`,
    ...keys.map(([end]) => `ALTER TABLE ${to} DROP FOREIGN KEY IF EXISTS FK_${from}_${end}`),
    ...indexes.map((end) => `ALTER TABLE ${to} RENAME INDEX IF EXISTS IDX_${from}_${end} TO IDX_${to}_${end}`),
    ...keys.map(
      ([end, column, table]) =>
        `ALTER TABLE ${to} ADD CONSTRAINT FK_${to}_${end} FOREIGN KEY IF NOT EXISTS (${column}) REFERENCES ${table}(id) ON DELETE CASCADE ON UPDATE NO ACTION`,
    ),
  ];
}

async function renameColumns(runner: QueryRunner, way: 'up' | 'down'): Promise<void> {
  for (const [table, a, b] of COLUMNS) {
    const [from, to] = way === 'up' ? [a, b] : [b, a];
    if (await runner.hasColumn(table, from)) await runner.query(`ALTER TABLE ${table} RENAME COLUMN ${from} TO ${to}`);
  }
}

/** The keys that point to a block, under the name of what they point to. */
async function renameBlockKeys(runner: QueryRunner, from: string, to: string): Promise<void> {
  for (const { table, index } of OF_BLOCK) {
    await runner.query(`ALTER TABLE ${table} DROP FOREIGN KEY IF EXISTS FK_${table}_${from}`);
    if (index) await runner.query(`ALTER TABLE ${table} RENAME INDEX IF EXISTS ${index}${from} TO ${index}${to}`);
    await runner.query(
      `ALTER TABLE ${table} ADD CONSTRAINT FK_${table}_${to} FOREIGN KEY IF NOT EXISTS (${to}_id) REFERENCES ${to}(id) ON DELETE CASCADE ON UPDATE NO ACTION`,
    );
  }
}

/** Documents in rows, rewritten a batch at a time; one that has its new words already stays. */
async function rewrite(runner: QueryRunner, change: (kind: StoredKind, value: unknown) => unknown): Promise<void> {
  for (const [table, column, kind] of DOCUMENTS) {
    if (!(await runner.hasColumn(table, column))) continue;
    for (let after = ''; ;) {
      const rows = (await runner.query(
        `SELECT id, ${column} AS text FROM ${table} WHERE id > ? AND ${column} IS NOT NULL ORDER BY id LIMIT ${BATCH}`,
        [after],
      )) as { id: string; text: string }[];
      for (const { id, text } of rows) {
        const next = JSON.stringify(change(kind, JSON.parse(text)));
        if (next !== text) await runner.query(`UPDATE ${table} SET ${column} = ? WHERE id = ?`, [next, id]);
      }
      if (rows.length < BATCH) break;
      after = rows.at(-1)!.id;
    }
  }
}

async function renameTechnique(runner: QueryRunner, from: string, to: string): Promise<void> {
  for (const table of ['prescription', 'session_item'])
    if (await runner.hasColumn(table, 'technique'))
      await runner.query(`UPDATE ${table} SET technique = ? WHERE technique = ?`, [to, from]);
}

/** One word for one thing: tables, columns and what stands in documents. Nothing else changes. */
export class Words1797000000000 implements MigrationInterface {
  readonly name = 'Words1797000000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const table of TABLES) for (const statement of renameTable(table)) await runner.query(statement);
    await renameColumns(runner, 'up');
    await renameBlockKeys(runner, 'programme', 'block');
    await rewrite(runner, upgradeStored);
    await renameTechnique(runner, 'release', 'rolling');
  }

  async down(runner: QueryRunner): Promise<void> {
    await renameTechnique(runner, 'rolling', 'release');
    await rewrite(runner, downgradeStored);
    for (const t of TABLES)
      for (const statement of renameTable({ ...t, from: t.to, to: t.from })) await runner.query(statement);
    await renameColumns(runner, 'down');
    await renameBlockKeys(runner, 'block', 'programme');
  }
}
