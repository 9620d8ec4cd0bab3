import type { DecidedMove, ReviewFact, ReviewMove } from '../review/lane-review.js';

const MOVE_WORDS: Readonly<Record<ReviewMove, string>> = {
  advance: 'Go on as planned',
  repeat: 'Repeat the step',
  ease: 'One step back',
  'ease two': 'Two steps back',
  change: 'Change one thing',
  keep: 'Keep what is reached',
  ask: 'Ask how it went',
};

/** What a review proposes, or a coach decides: "One step back". */
export function reviewMoveWords(move: ReviewMove | DecidedMove): string {
  return MOVE_WORDS[move];
}

/**
 * What is proposed of a lane, with what a change would bring.
 * @param changeTo name of the style; null for a step of dose, left out where there is nothing to change to
 */
export function proposalWords(move: DecidedMove, changeTo?: string | null): string {
  if (move === 'keep') return 'Keep what is reached: Upkeep at a third of the dose';
  if (move !== 'change' || changeTo === undefined) return reviewMoveWords(move);
  return changeTo === null ? 'Change one thing: a step more dose, as planned' : `Change one thing: ${changeTo}`;
}

/** Why a review proposes it, with its numbers. */
export function reviewFactWords(f: ReviewFact): string {
  switch (f.code) {
    case 'sore-twice':
      return `Very sore on ${f.args.days} days in two weeks (7 of 10 or more).`;
    case 'far-too-strong':
      return `A sensation of ${f.args.sensation} of 10 was logged: pain territory.`;
    case 'too-strong':
      return `${f.args.over} or more above the target in ${f.args.times} of ${f.args.of} sensations logged.`;
    case 'cut-short':
      return `${f.args.percent}% of the hold seconds were cut short for discomfort.`;
    case 'little-done-twice':
      return `Only ${f.args.percent}% was done, after ${f.args.before}% the week before. Fewer days or shorter sessions may suit better.`;
    case 'less-done':
      return `${f.args.percent}% of the plan was done, less than 70%.`;
    case 'more-done':
      return `${f.args.percent}% of the plan was done. Talk about it: more is not the plan.`;
    case 'as-planned':
      return `${f.args.percent}% of the plan was done.`;
    case 'strong-somewhere':
      return `A session felt ${f.args.sensation} of 10, and nobody said in which exercise. Ask; nothing is eased for it by itself.`;
    case 'stop-sign':
      return `A stop sign was reported in this lane${f.args.times > 1 ? `, ${f.args.times} times` : ''}: no step up.`;
    case 'plateau':
      return 'The test stands still although the plan was followed.';
    case 'goal-twice':
      return 'The goal was reached on two assessments.';
    case 'no-log':
      return 'Nothing was logged. That is not the same as not done: ask.';
  }
}
