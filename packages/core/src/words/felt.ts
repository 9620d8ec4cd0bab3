import { bodyRegionName } from '../anatomy/body-region.js';
import { roundTo } from '../math/rounding.js';
import type { Side } from '../anatomy/side.js';
import type { FeltCourse, Relief } from '../review/felt.js';
import { formatDate } from '../schedule/plain-date.js';
import { counted } from './plural.js';

/** How a complaint or a stiffness has gone: "Low back, complaint: 6 of 10 on 2 Feb, 2 on 9 Mar: better." */
export function feltWords({ region, kind, first, now, change }: FeltCourse): string {
  const day = (date: string): string => formatDate(date, 'd MMM');
  const start = `${bodyRegionName(region)}, ${kind}: ${first.score} of 10 on ${day(first.date)}`;
  return change === null ? `${start}.` : `${start}, ${now.score} on ${day(now.date)}: ${change}.`;
}

/** How often a side felt tighter while stretching. @example tighterFeltWords({ left: 4, right: 1 }) // 'Felt tighter while stretching: left 4 times, right once.' */
export function tighterFeltWords(times: Readonly<Record<Side, number>>): string {
  const often = (['left', 'right'] as const)
    .filter((side) => times[side] > 0)
    .map((side) => `${side} ${times[side] === 1 ? 'once' : `${times[side]} times`}`);
  return `Felt tighter while stretching: ${often.join(', ')}.`;
}

/** What sessions do to stiffness. */
export function reliefWords({ region, sessions, before, after }: Relief): string {
  const often = sessions === 1 ? 'said once' : `on average of ${counted(sessions, 'session')}`;
  return `${bodyRegionName(region)}: stiffness ${roundTo(before, 1)} before a session and ${roundTo(after, 1)} after, ${often}.`;
}
