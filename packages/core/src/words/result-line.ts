import type { LineFault } from '../formats/results.js';
import { refusalWords } from './refusal.js';

/** What is wrong with a cell of a results table, and what to enter instead. */
export function lineFaultWords(f: LineFault): string {
  switch (f.code) {
    case 'no-client':
      return 'Enter the client’s name.';
    case 'no-date':
      return 'Enter a date like 2026-03-09.';
    case 'no-time':
      return 'Enter a time like 09:40, or leave it out.';
    case 'no-body':
      return 'Enter cold or warm.';
    case 'no-test':
      return 'Enter the name of the test.';
    case 'unknown-test':
      return `There is no test “${f.name}”.`;
    case 'no-side':
      return 'Enter left, right, or nothing.';
    case 'side-needed':
      return 'This test has sides: enter left or right.';
    case 'no-sides':
      return 'This test has no sides.';
    case 'other-unit':
      return `This test is read in ${f.unit === 'deg' ? 'degrees (deg)' : 'centimetres (cm)'}.`;
    case 'no-number':
      return 'Enter the reading as a number, e.g. 31.5.';
    case 'implausible':
      return refusalWords({ code: 'implausible', args: f });
    case 'too-long':
      return `At most ${f.most} characters.`;
  }
}
