import { addDays, changeBetween, type ChangeClass } from '@yandle/core';
import { follow, NONE, RETESTS, START, type TrueCourse } from './client';
import { Random } from './random';

/** How a change was counted: from which day, and whether the test had been chosen because it was short. */
export interface Comparison {
  readonly name: string;
  readonly chosenOf: number;
  readonly from: 'first' | 'second';
  /** Held to the bar; the others are printed. */
  readonly held: boolean;
}

export const COMPARISONS: readonly Comparison[] = [
  { name: 'taken as it came, first day', chosenOf: 1, from: 'first', held: true },
  { name: 'shortest of ten, second day', chosenOf: 10, from: 'second', held: true },
  { name: 'shortest of ten, the day it was chosen', chosenOf: 10, from: 'first', held: false },
];

/** What was said of clients of one kind. Shares of all comparisons of the baseline with a retest. */
export interface ChangeShares {
  readonly comparison: string;
  readonly sem: number;
  readonly course: string;
  readonly improved: number;
  readonly worse: number;
  /** Share of clients of whom either was said at any look of the block, quick checks included. */
  readonly ever: number;
  readonly held: boolean;
}

export function changeShares(
  comparison: Comparison,
  sem: number,
  clients: number,
  random: Random,
  course: TrueCourse = NONE,
): ChangeShares {
  const retests = RETESTS.map((w) => addDays(START, 7 * w));
  const counts: Record<ChangeClass, number> = { improved: 0, 'no detectable change': 0, worse: 0 };
  let ever = 0;
  for (let i = 0; i < clients; i++) {
    const record = follow(course, sem, comparison.chosenOf, random);
    const before = record[comparison.from];
    const said = record.later.map((now) => {
      const { class: change } = changeBetween(before.value, now.value, 'more', [before, now]);
      if (retests.includes(now.date)) counts[change]++;
      return change;
    });
    if (said.some((c) => c !== 'no detectable change')) ever++;
  }
  const all = counts.improved + counts.worse + counts['no detectable change'];
  return {
    comparison: comparison.name,
    sem,
    course: course.name,
    improved: counts.improved / all,
    worse: counts.worse / all,
    ever: ever / clients,
    held: comparison.held,
  };
}
