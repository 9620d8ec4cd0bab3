import type { ConditionFact } from '../measuring/conditions.js';

/** One difference between the conditions of two results, fit for a warning. */
export function conditionWords(f: ConditionFact): string {
  switch (f.code) {
    case 'cold-warm':
      return 'one was taken cold, the other warm';
    case 'instrument':
      return `different instruments (${f.args.instruments.join(', ')})`;
    case 'tester':
      return 'measured by different people';
    case 'time-of-day':
      return 'more than 2 hours apart in the time of day';
    case 'after-session':
      return 'less than 24 hours after a session';
  }
}
