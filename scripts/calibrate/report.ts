import type { CourseState } from '@yandle/core';
import type { ChangeShares } from './changes';
import { MISSING, RETESTS, RULE, WEEKS } from './client';
import { shareHeld, type CourseShares, type ForecastShares } from './courses';
import { BLOCK, SECONDS, WANTED, WANTED_BY, WEEKLY, type ReviewShares } from './reviewed';

/** All that was measured. */
export interface Found {
  readonly clients: number;
  readonly seed: number;
  readonly changes: readonly ChangeShares[];
  readonly rising: readonly ChangeShares[];
  readonly courses: readonly CourseShares[];
  readonly forecasts: readonly ForecastShares[];
  readonly reviewed: readonly ReviewShares[];
  readonly cover: readonly (readonly [string, number])[];
}

/** A bar, and whether it is held. */
export interface Bar {
  readonly words: string;
  readonly held: boolean;
}

const percent = (share: number, digits = 1): string => `${(share * 100).toFixed(digits)}`;

/** True courses of clients who go straight to their goal: of them a plateau is an error. */
export const onCourse = (found: Pick<Found, 'courses'>): CourseShares[] =>
  found.courses.filter((c) => c.course.startsWith('straight'));

/** A kind of client without reviews, and with them. */
function both(found: Pick<Found, 'reviewed'>, taker: string): readonly [ReviewShares, ReviewShares] {
  const [without, withThem] = found.reviewed.filter((r) => r.taker === taker);
  return [without!, withThem!];
}

/** The bars of reviews: they leave alone what goes well, take off what is too much, and win something where one thing brings nothing more. */
function reviewBars(found: Pick<Found, 'reviewed'>): Bar[] {
  const [well, reviewedWell] = both(found, 'does and bears all');
  const [much, reviewedMuch] = both(found, 'bears 240 s a week at first');
  const [still, reviewedStill] = both(found, 'stands still in one technique');
  const degrees = (value: number): string => `${value.toFixed(1)}°`;
  return [
    {
      words: `who does and bears all wins ${degrees(reviewedWell.gain)} with reviews, ${degrees(well.gain)} without (bar 95 in 100 of it)`,
      held: reviewedWell.gain >= 0.95 * well.gain,
    },
    {
      words: `of these reviews ${percent(reviewedWell.eased)} in 100 take a step back (bar 0.5)`,
      held: reviewedWell.eased <= 0.005,
    },
    {
      words: `who bears less has ${reviewedMuch.strained.toFixed(1)} weeks that are too strong, ${much.strained.toFixed(1)} without (bar half of them)`,
      held: reviewedMuch.strained <= much.strained / 2,
    },
    {
      words: `who bears less wins ${degrees(reviewedMuch.gain)}, ${degrees(much.gain)} without (bar no less)`,
      held: reviewedMuch.gain >= much.gain,
    },
    {
      words: `who stands still wins ${degrees(reviewedStill.gain)}, ${degrees(still.gain)} without (bar more)`,
      held: reviewedStill.gain > still.gain,
    },
  ];
}

/** The bars of decisions. */
export function bars({ clients, ...found }: Omit<Found, 'cover' | 'seed'>): Bar[] {
  // A client gives one independent comparison, whatever the number of retests: three errors of the simulation.
  const margin = 3 * Math.sqrt((0.025 * 0.975) / clients);
  const held = found.changes.filter((c) => c.held);
  const changes = held.flatMap((c) =>
    (['improved', 'worse'] as const).map((what): Bar => ({
      words: `SEM ${c.sem}, ${c.comparison}: "${what}" said of no change in ${percent(c[what])} of 100 comparisons (bar ${percent(0.025 + margin)})`,
      held: c[what] <= 0.025 + margin,
    })),
  );
  const plateaus = onCourse(found).map((c): Bar => ({
    words: `SEM ${c.sem}, ${c.course}: plateau said ever of ${percent(c.plateauEver)} of 100 clients on course (bar 5.0)`,
    held: c.plateauEver <= 0.05,
  }));
  const forecasts = found.forecasts.flatMap((f): Bar[] => {
    const [looks, shown] = [shareHeld(f.looks), shareHeld(f.shown)];
    return [
      {
        words: `SEM ${f.sem}, ${f.course}: 90 % forecasts hold ${percent(looks)} of 100 (bar 85 to 95)`,
        held: looks >= 0.85 && looks <= 0.95,
      },
      {
        words: `SEM ${f.sem}, ${f.course}: of those shown with two ends ${percent(shown)} of 100 hold (bar 80)`,
        held: shown >= 0.8 || f.shown.all < 200,
      },
    ];
  });
  return [...changes, ...plateaus, ...forecasts, ...reviewBars(found)];
}

const table = (head: readonly string[], rows: readonly (readonly string[])[]): string =>
  [head, head.map(() => '---'), ...rows].map((r) => `| ${r.join(' | ')} |`).join('\n');

const STATES: readonly CourseState[] = ['reached', 'on course', 'plateau', 'moving away', 'cannot tell yet'];

/** docs/calibration.md. */
export function report(found: Found): string {
  const { changes, rising, courses, forecasts, clients } = found;
  const say = (rows: readonly ChangeShares[], label: (c: ChangeShares) => string): string =>
    table(
      ['SEM', 'what', '"improved"', '"worse"', 'either, ever in the block'],
      rows.map((c) => [`${c.sem}°`, label(c), percent(c.improved), percent(c.worse), percent(c.ever, 0)]),
    );
  return `# How often Yandle errs

Written by \`npm run calibrate\`: ${clients} simulated clients a row through the product's own computation, seed ${found.seed}. Shares are out
of 100. The screens quote these numbers. Misses are mended in the computation, never in the simulation.

## What is assumed

- One test in degrees: two readings, a third to fifth as long as they disagree (repeat tolerance ${RULE.repeatTolerance}°), read to whole degrees.
- The test's error (SEM) is 1.5, 3 or 5°, and it is known: a part of the day, and a part of each reading (tolerance/2.77).
- A first day, a second one three days later, then every week for ${WEEKS} weeks; ${percent(MISSING, 0)} in 100 of the weekly checks are missing, the retests of weeks
  ${RETESTS.join(', ')} are not. All cold, the same tester, the same instrument.
- People differ by 8° (SD). "Shortest of ten": the test had the lowest value of ten on the first day, which is how a lane comes about.
- True courses: none; straight 0.5, 1 and 1.5° a week; flattening (12°, two thirds of it in five weeks); relapse (1° a week up for six weeks, then down).

## Changes said of no change

A comparison is one retest with the baseline. A block has three retests and about ten quick checks: looked at so often, something is said
falsely at some time of about three clients in ten, each time withdrawn by the next look.

${say(changes, (c) => c.comparison)}

![Said of no change](calibration/false-changes.svg)

From the day on which a test was chosen because it was short a first gain is partly chance: it is measured again on another day, and that
second day is the baseline.

## Changes said of true courses

${say(rising, (c) => c.course)}

## Courses

Shares of looks from the fifth date on; the goal is the value that a straight course of 1° a week reaches by the last week (for straight ones their own).
"Band": looks at which the 95 % band of the smoothed line holds the true value of that day.

${table(
  ['SEM', 'true course', ...STATES.map((s) => `"${s}"`), 'plateau ever', 'band'],
  courses.map((c) => [
    `${c.sem}°`,
    c.course,
    ...STATES.map((s) => percent(c.states[s] ?? 0)),
    percent(c.plateauEver),
    percent(c.band),
  ]),
)}

## Forecasts

Straight courses with a goal that is truly reached 6 to 30 weeks after the start. "All": looks at which the 90 % interval holds the true day, an open
end as far as it goes. "Two ends": those shown as between two days.

${table(
  ['SEM', 'true course', 'all hold', 'looks', 'two ends shown', 'of them hold'],
  forecasts.map((f) => [
    `${f.sem}°`,
    f.course,
    percent(shareHeld(f.looks)),
    `${f.looks.all}`,
    `${f.shown.all}`,
    f.shown.all === 0 ? '–' : percent(shareHeld(f.shown)),
  ]),
)}

![Forecasts](calibration/forecasts.svg)

Two ends are shown only where forecasts with so many dates, such an error (in spreads between people: 8° or 3.5 cm) and so clear a slope (in standard
errors) held at least 80 times in 100, at whichever of the rates they hold least; each number is the lower end of a class:

${table(
  ['dates', 'error', 'slope', 'held'],
  found.cover.map(([name, held]) => [...name.split(' '), percent(held, 0)]),
)}

## Weekly reviews

A block of ${BLOCK} weeks of hamstrings in Steady hold, planned by Yandle for a regular client of 35 with six days a week; a check every week (SEM 1.5°), ${WANTED}° wanted by week ${WANTED_BY}. With reviews every proposal is accepted, and the plan is made anew from next week on; without them it goes on as it was published. What is assumed of people is
simple, and from no study:

- A week brings up to ${WEEKLY}°, two thirds of it with ${SECONDS} s a side; one that was too strong brings half.
- The sensation is as asked (±0.7) up to the dose that is borne, and rises by 6 for each dose of it beyond. At 8 a hold is broken off after 60 in 100 of it.
- What is borne grows by 3 in 100 in each week that was not too strong (for "bears 240 s"). Who "stands still" wins at most 4° with one technique.
- Sessions that are left out are left out by chance, whatever they ask.

${table(
  [
    'client',
    'reviews',
    's a week asked at the end',
    'done',
    'weeks too strong',
    'won',
    'steps back',
    'repeats',
    'changed ever',
  ],
  found.reviewed.map((r) => [
    r.taker,
    r.reviewed ? 'yes' : 'no',
    r.lastAsked.toFixed(0),
    percent(r.done, 0),
    r.strained.toFixed(1),
    `${r.gain.toFixed(1)}°`,
    ...(r.reviewed ? [percent(r.eased), percent(r.repeated), percent(r.changed, 0)] : ['–', '–', '–']),
  ]),
)}

Reviews take off what is too much, and win by it. They have a price for people who leave sessions out for other reasons than the stretching: with three sessions a week
one left out is less than 70 in 100 done, the step is repeated, and nothing rises while it goes on. That is the rule of [domain.md](domain.md); the review says "less
done" and asks for fewer days or shorter sessions, and a coach who knows why can decide "go on as planned".

## Bars

${bars(found)
  .map((b) => `- ${b.held ? 'held' : '**missed**'}: ${b.words}`)
  .join('\n')}
`;
}
