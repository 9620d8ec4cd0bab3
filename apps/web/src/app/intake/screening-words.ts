import type { ScreeningState } from '@yandle/contract';

/** What a screening state is called, and what follows from it. */
export const SCREENING_WORDS: Readonly<Record<ScreeningState, { state: string; choice: string; follows: string }>> = {
  open: {
    state: 'questions open',
    choice: 'Not asked yet',
    follows: 'Planning waits until the questions are asked.',
  },
  clear: {
    state: '✓ clear',
    choice: 'Asked: nothing speaks against it',
    follows: 'Planning is open.',
  },
  refer: {
    state: 'professional first',
    choice: 'A licensed professional first',
    follows: 'Planning is blocked until a clearance is recorded.',
  },
  cleared: {
    state: '✓ cleared',
    choice: 'Cleared by a licensed professional',
    follows: 'Planning is open. Write who gave the clearance and when.',
  },
};

/** Questions to ask before planning: topics of general pre-exercise screens, in our own words. */
export const SCREENING_QUESTIONS: readonly string[] = [
  'Heart trouble, chest pain, high blood pressure, fainting or dizziness',
  'An operation, a break or a joint replacement; a muscle torn lately',
  'Brittle bones, an inflamed joint, a known disc trouble, or leg pain that goes below the knee',
  'Numbness, trouble with bladder or bowel, saddle numbness (an emergency)',
  'Neck with dizziness, double vision, trouble speaking or swallowing, drop attacks',
  'Pregnancy; blood thinners, a clot, varicose veins; long steroid treatment or a recent strong antibiotic',
  'Very loose joints; eye surgery or glaucoma; loss of feeling; falls',
  'Unexplained weight loss or pain at night',
];
