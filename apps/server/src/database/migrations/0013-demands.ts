import {
  ageOn,
  downgradeStored,
  screeningOn,
  upgradeStored,
  type Answers,
  type ClearanceFact,
  type StoredKind,
} from '@yandle/core';
import type { MigrationInterface, QueryRunner } from 'typeorm';

const DOCUMENTS: readonly (readonly [table: string, column: string, kind: StoredKind])[] = [
  ['own_exercise', 'definition', 'exercise'],
  ['own_exercise_version', 'definition', 'exercise'],
  ['own_test', 'definition', 'test'],
];

interface Summary {
  readonly id: string;
  readonly today: string;
  readonly birthDate: string;
  readonly screening: string;
  /** JSON, as are the clearances. */
  readonly answers: string;
  readonly given: string | null;
}

async function rewrite(runner: QueryRunner, change: typeof upgradeStored): Promise<void> {
  for (const [table, column, kind] of DOCUMENTS) {
    const rows = (await runner.query(`SELECT id, ${column} AS content FROM ${table}`)) as {
      id: string;
      content: string;
    }[];
    for (const { id, content } of rows) {
      const now = JSON.stringify(change(kind, JSON.parse(content)));
      if (now !== content) await runner.query(`UPDATE ${table} SET ${column} = ? WHERE id = ?`, [now, id]);
    }
  }
}

/** The summaries in the lists of clients, by the questions of today: some have new ones to answer, or a professional to see first. */
async function summarise(runner: QueryRunner): Promise<void> {
  const rows =
    (await runner.query(`SELECT DATE_FORMAT(UTC_DATE(), '%Y-%m-%d') AS today, c.id, DATE_FORMAT(c.birth_date, '%Y-%m-%d') AS birthDate, c.screening, i.answers,
      (SELECT JSON_ARRAYAGG(JSON_OBJECT('cautionId', g.caution_id, 'on', DATE_FORMAT(g.given_on, '%Y-%m-%d')))
       FROM clearance g WHERE g.client_id = c.id AND g.withdrawn_at IS NULL) AS given
    FROM client c INNER JOIN intake i ON i.id = (SELECT l.id FROM intake l WHERE l.client_id = c.id
      ORDER BY l.asked_on DESC, l.created_at DESC, l.id DESC LIMIT 1)`)) as Summary[];
  for (const r of rows) {
    const given = (JSON.parse(r.given ?? '[]') as Omit<ClearanceFact, 'lifts'>[]).map((g) => ({ ...g, lifts: [] }));
    const { state } = screeningOn(JSON.parse(r.answers) as Answers, ageOn(r.birthDate, r.today), given, r.today);
    if (state !== r.screening) await runner.query('UPDATE client SET screening = ? WHERE id = ?', [state, r.id]);
  }
}

/**
 * What exercises of a coach's own ask is demands in place of tags, and sitting is on a chair or on the floor; clearances name what they lift.
 * Each step may be run again.
 */
export class Demands1797500000000 implements MigrationInterface {
  readonly name = 'Demands1797500000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE clearance ADD COLUMN IF NOT EXISTS lifts text NULL');
    await runner.query(
      "ALTER TABLE symptom ADD COLUMN IF NOT EXISTS felt_at datetime(3) NULL, ADD COLUMN IF NOT EXISTS cleared_who varchar(120) NOT NULL DEFAULT ''",
    );
    await rewrite(runner, upgradeStored);
    await summarise(runner);
  }

  async down(runner: QueryRunner): Promise<void> {
    await rewrite(runner, downgradeStored);
    await runner.query('ALTER TABLE symptom DROP COLUMN IF EXISTS felt_at, DROP COLUMN IF EXISTS cleared_who');
    await runner.query('ALTER TABLE clearance DROP COLUMN IF EXISTS lifts');
  }
}
