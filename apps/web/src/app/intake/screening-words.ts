import type { ScreeningState } from '@yandle/contract';

/** What a screening state is called, and what follows from it. */
export const SCREENING_WORDS: Readonly<Record<ScreeningState, { state: string; choice: string; follows: string }>> = {
  open: {
    state: 'questions unanswered',
    choice: 'Questions unanswered',
    follows: 'Answer every question to start planning.',
  },
  clear: {
    state: '✓ clear',
    choice: 'Nothing blocks planning',
    follows: 'Planning is open, within the limits below.',
  },
  refer: {
    state: 'doctor or physiotherapist first',
    choice: 'Doctor or physiotherapist first',
    follows: 'Planning is blocked until a clearance is recorded.',
  },
  cleared: {
    state: '✓ cleared',
    choice: 'Cleared by a doctor or physiotherapist',
    follows: 'Planning is open, within the limits below.',
  },
};
