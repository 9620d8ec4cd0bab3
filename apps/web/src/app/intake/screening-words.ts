import type { ScreeningState } from '@yandle/contract';

/** What a screening state is called, and what follows from it. */
export const SCREENING_WORDS: Readonly<Record<ScreeningState, { state: string; choice: string; follows: string }>> = {
  open: {
    state: 'questions open',
    choice: 'Questions open',
    follows: 'Planning waits until every question has an answer.',
  },
  clear: {
    state: '✓ clear',
    choice: 'Nothing blocks planning',
    follows: 'Planning is open, within the limits below.',
  },
  refer: {
    state: 'professional first',
    choice: 'A licensed professional first',
    follows: 'Planning is blocked until a clearance is recorded.',
  },
  cleared: {
    state: '✓ cleared',
    choice: 'Cleared by a licensed professional',
    follows: 'Planning is open, within the limits below.',
  },
};
