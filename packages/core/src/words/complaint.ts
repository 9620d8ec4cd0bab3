import { habitName } from '../screening/complaints.js';
import { bodyRegionName } from '../anatomy/body-region.js';
import { runningList, lowerFirst } from './list.js';
import type { Complaint } from '../screening/complaints.js';
/** A complaint in words: "low back 4 of 10, with sitting for hours". */
export function complaintWords(c: Complaint): string {
  const habits = c.habits.length > 0 ? `, with ${runningList(c.habits.map((h) => lowerFirst(habitName(h))))}` : '';
  return `${lowerFirst(bodyRegionName(c.region))} ${c.score} of 10${habits}`;
}
