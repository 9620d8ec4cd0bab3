import { dayPlanOf, downgradeStored, FIRST_DAY_PLAN, upgradeStored, type BlockDraft, type Weekday } from '@yandle/core';
import type { MigrationInterface, QueryRunner } from 'typeorm';

type Doc = Record<string, unknown>;

interface RevisionRow {
  readonly id: string;
  readonly choices: string | null;
  readonly basis: string | null;
  readonly days: string;
  readonly minutes: number;
}

/** The choices of a revision with a day plan of the client's days and minutes, and with what a lane can be told since. */
function withDayPlan(row: RevisionRow): Doc | null {
  const choices = row.choices === null ? null : (JSON.parse(row.choices) as Doc);
  if (choices === null || 'dayPlans' in choices) return null;
  const basis = row.basis === null ? null : (JSON.parse(row.basis) as Doc);
  const trainingDays = (basis?.['trainingDays'] ?? JSON.parse(row.days)) as readonly Weekday[];
  const minutesPerSession = (basis?.['minutesPerSession'] ?? row.minutes) as number;
  return {
    ...choices,
    dayPlans: [dayPlanOf({ trainingDays, minutesPerSession })],
    lanes: (choices['lanes'] as readonly Doc[]).map((lane) => ({
      startLoad: null,
      startHelp: null,
      loadMax: null,
      phaseWeeks: null,
      ...lane,
      exercises: (lane['exercises'] as readonly Doc[]).map((e) => ({ dayPlanId: null, ...e })),
    })),
  };
}

function withoutDayPlan(choices: Doc): Doc {
  const { dayPlans: _, ...rest } = choices as unknown as BlockDraft;
  return {
    ...rest,
    lanes: rest.lanes.map(({ startLoad: _a, startHelp: _b, loadMax: _c, phaseWeeks: _d, ...lane }) => ({
      ...lane,
      exercises: lane.exercises.map(({ dayPlanId: _e, ...e }) => e),
    })),
  };
}

const STYLES = ['own_style', 'own_style_version'];

async function rewriteStyles(runner: QueryRunner, change: typeof upgradeStored): Promise<void> {
  for (const table of STYLES)
    for (const row of (await runner.query(`SELECT id, definition FROM ${table}`)) as {
      id: string;
      definition: string;
    }[]) {
      const after = JSON.stringify(change('style', JSON.parse(row.definition)));
      if (after !== row.definition)
        await runner.query(`UPDATE ${table} SET definition = ? WHERE id = ?`, [after, row.id]);
    }
}

/**
 * Blocks have day plans, lanes a load and a help to begin with, exercises a day plan; a cell says in which sessions it is done, a session from which
 * day plan it comes; a style's order is one of turns. Each step may be run again.
 */
export class DayPlans1799000000000 implements MigrationInterface {
  readonly name = 'DayPlans1799000000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE prescription ADD COLUMN IF NOT EXISTS sessions text NULL');
    await runner.query(
      'ALTER TABLE session ADD COLUMN IF NOT EXISTS day_plan_id varchar(40) NULL, ADD COLUMN IF NOT EXISTS planned_manner text NULL',
    );
    await runner.query(`UPDATE session SET day_plan_id = '${FIRST_DAY_PLAN}' WHERE day_plan_id IS NULL`);
    const rows = (await runner.query(
      `SELECT r.id, r.choices, r.basis, c.training_days AS days, c.minutes_per_session AS minutes
       FROM revision r JOIN block b ON b.id = r.block_id JOIN client c ON c.id = b.client_id`,
    )) as RevisionRow[];
    for (const row of rows) {
      const choices = withDayPlan(row);
      if (choices)
        await runner.query('UPDATE revision SET choices = ? WHERE id = ?', [JSON.stringify(choices), row.id]);
    }
    await rewriteStyles(runner, upgradeStored);
  }

  async down(runner: QueryRunner): Promise<void> {
    await rewriteStyles(runner, downgradeStored);
    const rows = (await runner.query('SELECT id, choices FROM revision WHERE choices IS NOT NULL')) as {
      id: string;
      choices: string;
    }[];
    for (const { id, choices } of rows)
      await runner.query('UPDATE revision SET choices = ? WHERE id = ?', [
        JSON.stringify(withoutDayPlan(JSON.parse(choices) as Doc)),
        id,
      ]);
    await runner.query('ALTER TABLE session DROP COLUMN IF EXISTS day_plan_id, DROP COLUMN IF EXISTS planned_manner');
    await runner.query('ALTER TABLE prescription DROP COLUMN IF EXISTS sessions');
  }
}
