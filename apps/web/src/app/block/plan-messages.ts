import {
  allowedOf,
  blockInputOf,
  contextOfFacts,
  proposable,
  proposeBlocks,
  startingDoseIn,
  waysToReach,
  type BlockDraft,
  type MuscleGroupId,
  type PlanFacts,
  type Proposal,
  type ReachWay,
  type WantedGroup,
} from '@yandle/core';
import { newId } from '../data/ids';
import { planBoard, sessionsOf, type Board, type BoardAsk } from './plan-board';

/** A proposal with the length of its longest session. */
export interface TimedProposal extends Proposal {
  readonly longestSeconds: number;
}

/** What the planner's worker can be asked, and what it answers. */
export interface PlanTasks {
  readonly board: { readonly ask: BoardAsk; readonly answer: Board };
  readonly propose: {
    readonly ask: { readonly base: BlockDraft; readonly facts: PlanFacts; readonly wanted: readonly WantedGroup[] };
    readonly answer: readonly TimedProposal[];
  };
  readonly ways: {
    readonly ask: { readonly draft: BlockDraft; readonly facts: PlanFacts; readonly group: MuscleGroupId };
    readonly answer: readonly ReachWay[];
  };
}
export type PlanTask = keyof PlanTasks;

export interface PlanRequest<K extends PlanTask = PlanTask> {
  readonly id: number;
  readonly kind: K;
  readonly ask: PlanTasks[K]['ask'];
}

export interface PlanAnswer {
  readonly id: number;
  /** Null when it failed. */
  readonly answer: PlanTasks[PlanTask]['answer'] | null;
}

const WORK: { readonly [K in PlanTask]: (ask: PlanTasks[K]['ask']) => PlanTasks[K]['answer'] } = {
  board: planBoard,
  propose: ({ base, facts, wanted }) =>
    proposeBlocks(wanted, {
      base,
      context: contextOfFacts(facts),
      allowed: allowedOf(facts, proposable(facts)),
      startingDose: (group) => startingDoseIn(facts, group),
      newId,
    }).map((p) => ({
      ...p,
      longestSeconds: Math.max(0, ...sessionsOf(p.draft, p.plan, facts).map((s) => s.totalSeconds)),
    })),
  ways: ({ draft, facts, group }) => waysToReach(blockInputOf(draft, contextOfFacts(facts)), group),
};

/** Does a task where it is called: in the worker, or on the spot where there is none. */
export function workOn<K extends PlanTask>(kind: K, ask: PlanTasks[K]['ask']): PlanTasks[K]['answer'] {
  return WORK[kind](ask);
}
