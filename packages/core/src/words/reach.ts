import { muscleGroupName } from '../anatomy/muscle-group.js';
import { FAVOURED_WEEKLY_SECONDS, FLATTENING_WEEKLY_SECONDS } from '../dose/dose.js';
import type { FullGroup, Reach, ReachWay } from '../planning/reach.js';
import { lowerFirst } from './list.js';
import { counted, joined } from './plural.js';

const SOURCE = 'Thomas 2018, from memory';

/** Whether a group gets to the amount that the reviews favour, and when. */
export function reachWords(r: Reach): string {
  switch (r.kind) {
    case 'upkeep':
      return `${muscleGroupName(r.group)}: Upkeep keeps a range; it is meant to stay below ${FAVOURED_WEEKLY_SECONDS} s.`;
    case 'no figure':
      return `${muscleGroupName(r.group)}: for loaded and moving work no such figure exists.`;
    case 'amount':
      return r.week === null
        ? `${muscleGroupName(r.group)}: not in this block; ${r.most} s at most.`
        : `${muscleGroupName(r.group)}: from week ${r.week}.`;
  }
}

/** The reach of a block in one line. */
export function reachLine(all: readonly Reach[]): string {
  const counting = all.filter((r) => r.kind === 'amount');
  if (counting.length === 0) return '';
  const there = counting.filter((r) => r.week !== null);
  const names = counting.filter((r) => r.week === null).map((r) => lowerFirst(muscleGroupName(r.group)));
  const head = `${there.length} of ${counted(counting.length, 'group')} ${there.length === 1 || counting.length === 1 ? 'reaches' : 'reach'} ${FAVOURED_WEEKLY_SECONDS} s a week per side`;
  return names.length === 0 ? `${head} (${SOURCE}).` : `${head}; not ${joined(names)} (${SOURCE}).`;
}

/** What would get a group there. @param styleName name of the style of a way */
export function reachWayWords(way: ReachWay, styleName: (id: string) => string): string {
  const from = `from week ${way.week}`;
  switch (way.code) {
    case 'minutes':
      return `${way.more} more minutes a session: ${from}`;
    case 'days':
      return `${counted(way.more, 'more day')} a week: ${from}`;
    case 'first':
      return `the first place among the lanes: ${from}`;
    case 'style':
      return `${styleName(way.styleId)}: ${from}`;
    case 'weeks':
      return `a block of ${counted(way.weeks, 'week')}: ${from}`;
  }
}

/** A group whose weekly amount passes the one at which gains flatten. */
export function fullGroupWords({ group, week, seconds }: FullGroup): string {
  return `${muscleGroupName(group)}: ${seconds} s a week from week ${week}, with secondary muscles counted; above ${FLATTENING_WEEKLY_SECONDS} s gains flatten (Ingram 2025, from memory).`;
}
