import type { CutFact, LimitFact, WeekFact } from '@yandle/core';
import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A sentence of the version before, and the fact it says; the numbers are its groups. */
type Pattern<F> = readonly [pattern: RegExp, fact: (...numbers: number[]) => F];

const LIMITS: readonly Pattern<LimitFact>[] = [
  [/^65 or older: holds/, () => ({ code: 'age-65' })],
  [/^Under 18: holds/, () => ({ code: 'under-18' })],
  [/^Beginner: at most (\d+) sets/, (sets) => ({ code: 'beginner-sets', args: { sets: sets } })],
  [/^At most (\d+) sessions? a week: the client's/, (days) => ({ code: 'training-days', args: { days: days } })],
  [/^The training days leave room for (\d+)/, (days) => ({ code: 'loaded-days', args: { days: days } })],
  [
    /^Beginner: sensation at most (\d+)/,
    (sensation) => ({ code: 'beginner-sensation', args: { sensation: sensation } }),
  ],
  [
    /^A caution of the intake: sensation at most (\d+)/,
    (sensation) => ({ code: 'caution-sensation', args: { sensation: sensation } }),
  ],
  [
    /^Hypermobile joints: sensation at most (\d+)/,
    (sensation) => ({ code: 'hypermobile-sensation', args: { sensation: sensation } }),
  ],
  [
    /^Go easy on this group: sensation at most (\d+)/,
    (sensation) => ({ code: 'gentle-group', args: { sensation: sensation } }),
  ],
];

const CUTS: readonly Pattern<CutFact>[] = [
  [
    /^(\d+) → (\d+) sets to fit (\d+) min/,
    (from, to, minutes) => ({ code: 'fewer-sets', args: { from: from, to: to, minutes: minutes } }),
  ],
  [
    /^(\d+) → (\d+) sessions to fit (\d+) min/,
    (from, to, minutes) => ({ code: 'fewer-sessions', args: { from: from, to: to, minutes: minutes } }),
  ],
  [/^The tighter side’s extra is left out/, () => ({ code: 'no-extra' })],
  [/^The step of this week waits/, () => ({ code: 'step-postponed' })],
];

const WEEKS: readonly Pattern<WeekFact>[] = [
  [/^Easier week: (\d+) %/, (percent) => ({ code: 'easier', args: { percent: percent } })],
  [/^Set by the coach/, () => ({ code: 'set-by-coach' })],
  [/^Missed:/, () => ({ code: 'missed' })],
  [/^Away:/, () => ({ code: 'away' })],
  [/^The lane has not begun/, () => ({ code: 'not-started' })],
  [/^The lane is over/, () => ({ code: 'over' })],
  [/^Same as before: every variable/, () => ({ code: 'all-at-limit' })],
  [/^Same as before: the minutes/, () => ({ code: 'step-waits' })],
  [
    /^Same as before: the smallest step would add (\d+) %, more than the (\d+) %/,
    (percent, allowed) => ({ code: 'above-increase', args: { percent: percent, allowed: allowed } }),
  ],
  [/^Back inside the caps/, () => ({ code: 'back-in-limits' })],
  [/^No room this week/, () => ({ code: 'no-room' })],
];

/** The fact behind a sentence, with the sentence; only the sentence where no code can be told. */
function told<F extends { readonly code: string }>(
  words: string,
  patterns: readonly Pattern<F>[],
): (F & { words: string }) | { code: 'said'; words: string } {
  for (const [pattern, fact] of patterns) {
    const found = pattern.exec(words);
    if (found) return { ...fact(...found.slice(1).map(Number)), words };
  }
  return { code: 'said', words };
}

const BATCH = 500;

async function each(
  runner: QueryRunner,
  table: string,
  columns: string,
  change: (row: Record<string, string | null>) => Record<string, string | null>,
): Promise<void> {
  for (let after = ''; ;) {
    const rows = (await runner.query(`SELECT id, ${columns} FROM ${table} WHERE id > ? ORDER BY id LIMIT ${BATCH}`, [
      after,
    ])) as Record<string, string>[];
    for (const row of rows) {
      const to = Object.entries(change(row)).filter(([key, value]) => value !== row[key]);
      if (to.length > 0)
        await runner.query(`UPDATE ${table} SET ${to.map(([key]) => `${key} = ?`).join(', ')} WHERE id = ?`, [
          ...to.map(([, value]) => value),
          row['id'],
        ]);
    }
    if (rows.length < BATCH) return;
    after = rows.at(-1)!['id']!;
  }
}

const list = (text: string | null | undefined): unknown[] => (text ? (JSON.parse(text) as unknown[]) : []);
const facts = <F extends { readonly code: string }>(
  text: string | null | undefined,
  patterns: readonly Pattern<F>[],
) => (text ? JSON.stringify(list(text).map((x) => (typeof x === 'string' ? told(x, patterns) : x))) : null);
const sentences = (text: string | null | undefined) =>
  text
    ? JSON.stringify(list(text).map((x) => (typeof x === 'string' ? x : ((x as { words?: string }).words ?? ''))))
    : null;

interface OldCut {
  readonly lane: number;
  readonly week: number;
  readonly words?: string;
  readonly fact?: { readonly words?: string };
}

/** Reasons as codes with their numbers. Every published sentence stays beside its code, so that old versions read as they did. */
export class Facts1797100000000 implements MigrationInterface {
  readonly name = 'Facts1797100000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE prescription ADD COLUMN IF NOT EXISTS facts text NULL');
    await each(runner, 'prescription', 'reason, facts', ({ reason, facts: known }) => ({
      facts: known ?? JSON.stringify(reason ? [told(reason, WEEKS)] : []),
    }));
    await each(runner, 'lane', 'limit_reasons, left_out', (row) => ({
      limit_reasons: facts(row['limit_reasons'], LIMITS),
      left_out: facts(row['left_out'], []),
    }));
    await each(runner, 'revision', 'cuts', (row) => ({
      cuts: row['cuts']
        ? JSON.stringify(
            (JSON.parse(row['cuts']) as OldCut[]).map(({ lane, week, words, fact }) => ({
              lane,
              week,
              fact: fact ?? told(words ?? '', CUTS),
            })),
          )
        : null,
    }));
  }

  async down(runner: QueryRunner): Promise<void> {
    await each(runner, 'revision', 'cuts', (row) => ({
      cuts: row['cuts']
        ? JSON.stringify(
            (JSON.parse(row['cuts']) as OldCut[]).map(({ lane, week, words, fact }) => ({
              lane,
              week,
              words: words ?? fact?.words ?? '',
            })),
          )
        : null,
    }));
    await each(runner, 'lane', 'limit_reasons, left_out', (row) => ({
      limit_reasons: sentences(row['limit_reasons']),
      left_out: sentences(row['left_out']),
    }));
    await runner.query('ALTER TABLE prescription DROP COLUMN IF EXISTS facts');
  }
}
