import type { ReviewedLaneView } from '@yandle/contract';
import { DECIDED_MOVES, type DecidedMove } from '@yandle/core';

/** What can be decided of a lane: a change only where there is something to change to. */
export function offeredMoves({ proposal }: Pick<ReviewedLaneView, 'proposal'>): readonly DecidedMove[] {
  return DECIDED_MOVES.filter((m) => m !== 'change' || proposal.changeTo !== undefined);
}
