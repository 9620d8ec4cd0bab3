import type { StyleFault } from '../styles/own-style.js';
import type { OrderStep, StylePhase } from '../styles/style.js';
import type { Variable } from '../technique/prescription.js';
import type { StartEntry } from '../styles/style-draft.js';
import { capital, counted } from './plural.js';
import { VARIABLE_NAME } from './prescription.js';

/** Labels of the fields of a style's start. */
export const START_LABEL: Readonly<Record<StartEntry['name'], string>> = {
  sets: 'Sets',
  holdSeconds: 'Hold, s',
  pause: 'Pause, s',
  sessionsPerWeek: 'Days per week',
  reps: 'Reps',
  cycles: 'Cycles',
  pushSeconds: 'Push, s',
  effort: 'Push effort, %',
  lowerSeconds: 'Lowering, s',
  assistance: 'Assistance, 0-2',
};

function faultWords(f: StyleFault): string {
  switch (f.code) {
    case 'no-name':
      return 'Give the style a name.';
    case 'no-phase':
      return 'A style needs at least one phase.';
    case 'technique-not-planned':
      return `A style can’t use ${f.technique}.`;
    case 'variable-not-here':
      return `${capital(VARIABLE_NAME[f.variable])}: can’t progress with this technique.`;
    case 'variable-without-cap':
      return `${capital(VARIABLE_NAME[f.variable])}: add a cap, because it progresses.`;
    case 'variable-twice':
      return 'A variable that comes again must go further than before.';
    case 'start-below-floor':
      return 'The start is below the least this phase allows.';
    case 'cap-below-start':
      return `${capital(VARIABLE_NAME[f.variable])}: the cap is below the start.`;
    case 'sensation-too-high':
      return `Target sensation can’t be above ${f.most} of 10 (talk test).`;
  }
}

/** What is wrong with a style, and in which phase. */
export function styleFaultWords(f: StyleFault): string {
  return f.phase === null ? faultWords(f) : `Phase ${f.phase + 1}: ${faultWords(f)}`;
}

/** How far each variable goes, in one line: "hold 60 · sets 4". */
export function capsWords(caps: StylePhase['caps']): string {
  return Object.entries(caps)
    .map(([v, most]) => `${VARIABLE_NAME[v as Variable]} ${most}`)
    .join(' · ');
}

/** A turn of a style's order: what progresses, and until where. */
export function orderStepWords({ variable, until }: OrderStep): string {
  const name = VARIABLE_NAME[variable];
  if (until === null || variable === 'assistance') return name;
  return variable === 'load' ? `${name} (${counted(until, 'plate')})` : `${name} to ${until}`;
}
