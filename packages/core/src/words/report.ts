import { bodyRegionName, type BodyRegionId } from '../anatomy/body-region.js';
import type { Side } from '../anatomy/side.js';
import type { RomTest } from '../catalogue/rom-test.js';
import type { FromBaseline } from '../measuring/baseline.js';
import { changeBetween } from '../measuring/change.js';
import { roundTo } from '../math/rounding.js';
import type { FeltCourse, Relief } from '../review/felt.js';
import { formatDate, type PlainDate } from '../schedule/plain-date.js';
import { lowerFirst } from './list.js';
import { plainTestName } from './plain-test.js';
import { counted } from './plural.js';
import { formatReading } from './reading.js';

/** What a report for the client is made from. */
export interface ReportFacts {
  /** Regions that were worked on. */
  readonly regions: readonly BodyRegionId[];
  /** Sessions up to now: done, and in the plan. */
  readonly sessions: { readonly done: number; readonly planned: number };
  readonly changes: readonly (Pick<FromBaseline, 'before' | 'now'> & {
    readonly test: Pick<RomTest, 'id' | 'name' | 'unit' | 'better'>;
    readonly side: Side | null;
  })[];
  readonly felt: readonly FeltCourse[];
  readonly relief: readonly Relief[];
  /** What comes next; null for nothing that is known. */
  readonly nextTest: PlainDate | null;
  readonly sessionsAWeek: number | null;
  /** Goals in the client's own words. */
  readonly goals: readonly string[];
}

/** A part of a report: a heading and short sentences. */
export interface ReportPart {
  readonly id: 'worked' | 'sure' | 'maybe' | 'feels' | 'next';
  readonly title: string;
  readonly lines: readonly string[];
}

const day = (date: PlainDate): string => formatDate(date, 'd MMMM');

/** Names in a sentence: "the hip, the neck and the chest". */
function named(names: readonly string[]): string {
  if (names.length < 2) return names[0] ?? '';
  return `${names.slice(0, -1).join(', ')} and ${names.at(-1)!}`;
}

function workedLines({ regions, sessions }: ReportFacts): string[] {
  const places = regions.map((r) => `the ${lowerFirst(bodyRegionName(r))}`);
  return [
    ...(places.length > 0 ? [`You worked on ${named(places)}.`] : []),
    ...(sessions.planned > 0 ? [`You did ${sessions.done} of ${counted(sessions.planned, 'session')}.`] : []),
  ];
}

/** What changed for sure, freer first, and what may have. */
function changeLines({ changes }: ReportFacts): { readonly sure: string[]; readonly maybe: string[] } {
  const judged = changes.map((c) => ({
    ...c,
    what: `${plainTestName(c.test)}${c.side ? `, ${c.side}` : ''}`,
    change: changeBetween(c.before.value, c.now.value, c.test.better, [c.before, c.now]),
  }));
  const size = (j: (typeof judged)[number]): string => formatReading(Math.abs(j.change.gain), j.test.unit);
  const since = (j: (typeof judged)[number]): string => `since ${day(j.before.dates[0]!)}`;
  const of = (kind: string) => judged.filter((j) => j.change.class === kind);
  const open = of('no detectable change');
  return {
    sure: [
      ...of('improved').map((j) => `${j.what}: ${size(j)} more ${since(j)}.`),
      ...of('worse').map((j) => `${j.what}: ${size(j)} less ${since(j)}. Your coach will look at it with you.`),
    ],
    maybe: [
      ...open.map((j) =>
        j.change.gain === 0
          ? `${j.what}: the same as before.`
          : `${j.what}: ${size(j)} ${j.change.gain > 0 ? 'more' : 'less'}.`,
      ),
      ...(open.some((j) => j.change.gain !== 0) ? ['This may be chance. Small changes are hard to see.'] : []),
    ],
  };
}

const FELT = {
  better: 'That is better.',
  worse: 'That is worse.',
  'no real change': 'That is about the same.',
} as const;

function feltLines({ felt, relief }: ReportFacts): string[] {
  return [
    ...felt.map(({ region, kind, first, now, change }) => {
      const what = `${bodyRegionName(region)}, ${kind === 'complaint' ? 'how much it bothers you' : 'how stiff'}`;
      return change === null
        ? `${what}: ${now.score} of 10.`
        : `${what}: ${first.score} of 10 on ${day(first.date)}, ${now.score} on ${day(now.date)}. ${FELT[change]}`;
    }),
    ...relief.map(
      ({ region, before, after }) =>
        `${bodyRegionName(region)}, how stiff: ${roundTo(before, 1)} of 10 before you stretch and ${roundTo(after, 1)} after.`,
    ),
  ];
}

function nextLines({ nextTest, sessionsAWeek, goals }: ReportFacts): string[] {
  return [
    ...(sessionsAWeek === null ? [] : [`Your plan goes on with ${counted(sessionsAWeek, 'session')} a week.`]),
    ...(nextTest === null ? [] : [`We will test again on ${day(nextTest)}.`]),
    ...goals.map((g) => `Your goal, in your words: “${g}”.`),
  ];
}

/** A report in plain words for the client: what was worked on, what changed for sure, what may have, how it feels, what comes next. */
export function reportParts(facts: ReportFacts): ReportPart[] {
  const { sure, maybe } = changeLines(facts);
  const parts: ReportPart[] = [
    { id: 'worked', title: 'What you worked on', lines: workedLines(facts) },
    {
      ...{ id: 'sure', title: 'What has changed for sure' },
      lines: sure.length > 0 ? sure : ['Nothing yet that we can be sure of.'],
    },
    { id: 'maybe', title: 'What may have changed', lines: maybe },
    { id: 'feels', title: 'How it feels to you', lines: feltLines(facts) },
    { id: 'next', title: 'What comes next', lines: nextLines(facts) },
  ];
  return parts.filter((p) => p.lines.length > 0);
}

/** What every report says of safety, in words that a client reads easily. */
export const REPORT_SAFETY =
  'Stretching should never hurt. Stop at once if you feel sharp pain, a tingle, or a numb spot, and tell your coach. Your coach helps you move, but does not treat you. If you are worried about your body, see a doctor.';
