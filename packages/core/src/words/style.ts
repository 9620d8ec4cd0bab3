import type { StartEntry } from '../styles/style-draft.js';

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
