import { muscleGroupName } from '../anatomy/muscle-group.js';
import type { CoreError } from '../errors.js';
import type { Refusal } from '../refusal.js';
import { styleFaultWords } from './style.js';

/** What was refused, and what to do. */
export function refusalWords(r: Refusal): string {
  switch (r.code) {
    case 'no-readings':
      return 'There is no reading on this side yet. Take at least one.';
    case 'too-many-readings':
      return `${r.args.most} readings per side is the limit. Correct one instead.`;
    case 'implausible':
      return `A reading of this test lies between ${r.args.min} and ${r.args.max}. Check the number.`;
    case 'value-missing':
      return 'Both results need a value before they can be compared.';
    case 'beighton-items':
      return `The Beighton score has ${r.args.items} items. Mark each as yes, no or not looked at.`;
    case 'error-not-a-number':
      return 'Enter the measurement error as a number of 0 or more, in the unit of the test.';
    case 'reliability-bounds':
      return 'Enter a reliability (ICC) between 0 and 1.';
    case 'too-few-clients':
      return `Measure at least ${r.args.least} clients; ${r.args.good} or more make a usable error.`;
    case 'too-few-measurements':
      return 'Measure each client at least twice: on two days, or by two testers.';
    case 'uneven-measurements':
      return 'Every client needs the same number of measurements.';
    case 'measurement-not-a-number':
      return 'Enter every measurement as a number.';
    case 'same-difference':
      return 'The two measurements differ by the same amount in every client, so no error can be worked out. Read to the finest step of the instrument.';
    case 'no-spread':
      return 'All clients measured about the same. Include tight and free clients.';
    case 'result-without-error':
      return 'Every result in a trend needs a value and an error of 0 or more.';
    case 'slope-needs-days':
      return 'A slope needs results on two different days.';
    case 'retention-order':
      return 'Retention compares a start, a result before the break and one after it.';
    case 'smoothing-needs-days':
      return `A smoothed line needs results on ${r.args.days} days.`;
    case 'plausible-order':
      return 'The smallest plausible reading must be below the largest.';
    case 'tolerance-too-wide':
      return 'Readings that agree must be closer together than the whole plausible range.';
    case 'step-too-coarse':
      return 'The smallest step of the instrument can’t be larger than the difference within which readings agree.';
    case 'reference-outside':
      return 'The reference must lie within the plausible readings.';
    case 'unknown-test':
      return `There is no test “${r.args.id}”. Choose one from the battery.`;
    case 'unknown-exercise':
      return `There is no exercise “${r.args.id}”. Choose one from the library.`;
    case 'unknown-style':
      return `There is no style “${r.args.id}”. Choose one from the list.`;
    case 'no-days':
      return 'Choose at least one day for sessions.';
    case 'group-ruled-out':
      return `An intake caution rules out this muscle group: ${muscleGroupName(r.args.group)}.`;
    case 'lane-needs-exercise':
      return `Choose an exercise for ${muscleGroupName(r.args.group)}: ${r.args.technique}.`;
    case 'needs-exercise':
      return `Choose an exercise: ${r.args.technique}.`;
    case 'weeks-bounds':
      return `A block has ${r.args.min} to ${r.args.max} weeks.`;
    case 'ramp-bounds':
      return `The weekly increase is between ${r.args.min * 100}% and ${r.args.max * 100}%.`;
    case 'easier-bounds':
      return `An easier week comes every ${r.args.min} to ${r.args.max} weeks, or never.`;
    case 'lanes-bounds':
      return `Choose ${r.args.min} to ${r.args.max} muscle groups.`;
    case 'group-twice':
      return 'A muscle group can have two lanes at most: with different techniques, and only one of them loaded.';
    case 'no-week-left':
      return `A block has at most ${r.args.most} weeks. Skip the week, or remove the last one first.`;
    case 'not-doable':
      return 'Enter sets, seconds, reps and sessions as whole numbers of 1 or more, with at most 7 sessions a week.';
    case 'style-fault':
      return styleFaultWords(r.args.fault);
    case 'timing-not-whole':
      return 'Enter every timing as whole seconds, 0 or more.';
    case 'rounds-bounds':
      return `A session has 1 to ${r.args.most} rounds.`;
    case 'item-not-doable':
      return 'Enter sets, seconds and reps as whole numbers of 1 or more.';
    case 'points-meet':
      return 'Two points lie on each other. Move them apart.';
    case 'not-a-date':
      return `“${r.args.text}” isn’t a date. Enter a date like 2026-03-09.`;
    case 'no-start-date':
      return 'Choose a start date.';
  }
}

/** What a refused computation says. */
export function errorWords(err: CoreError): string {
  return refusalWords(err.refusal);
}
