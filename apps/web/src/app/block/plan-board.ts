import {
  blockInputOf,
  buildBlock,
  checkBlock,
  contextOfFacts,
  CoreError,
  errorWords,
  fullGroups,
  isPlainDate,
  placed,
  reachOf,
  sessionsOfBlock,
  type BlockDraft,
  type BlockPlan,
  type DatedSession,
  type FullGroup,
  type PlanFacts,
  type Reach,
  type Violation,
} from '@yandle/core';

/** A draft to be planned, with all that its plan depends on. */
export interface BoardAsk {
  readonly draft: BlockDraft;
  readonly facts: PlanFacts;
  /** The plan as it was published; null to plan it. */
  readonly published: BlockPlan | null;
  /** Number of the beginning that the draft belongs to. */
  readonly beginning: number;
}

/** All that the board shows of a draft. */
export interface Board {
  readonly plan: BlockPlan | null;
  /** Why there is no plan; null where there is one. */
  readonly refusal: string | null;
  readonly violations: readonly Violation[];
  readonly sessions: readonly DatedSession[];
  readonly reach: readonly Reach[];
  readonly full: readonly FullGroup[];
}

const nothing = (refusal: string): Board => ({
  plan: null,
  refusal,
  ...{ violations: [], sessions: [], reach: [], full: [] },
});

/** Dated sessions of a plan; none while a technique has no exercise yet: there is nothing to time. */
export function sessionsOf(draft: BlockDraft, plan: BlockPlan, facts: PlanFacts): readonly DatedSession[] {
  const { findExercise } = contextOfFacts(facts);
  const lanes = draft.lanes.map((l) => ({ group: l.group, exercises: l.exercises, firstSide: 'left' as const }));
  const plans = placed(draft.dayPlans, facts.places, findExercise);
  try {
    return sessionsOfBlock(plan, draft.startDate, lanes, plans, findExercise, 1, facts.client.timings);
  } catch (err) {
    if (err instanceof CoreError) return [];
    throw err;
  }
}

/** Plans a draft and all that is shown with it. What the core refuses is said. */
export function planBoard({ draft, facts, published }: BoardAsk): Board {
  if (draft.lanes.length === 0) return nothing('Choose the muscle groups to work on.');
  try {
    if (!isPlainDate(draft.startDate)) throw new CoreError('invalid-date', { code: 'no-start-date', args: {} });
    const input = blockInputOf(draft, contextOfFacts(facts));
    const plan = published ?? buildBlock(input);
    return {
      plan,
      refusal: null,
      violations: checkBlock(input, plan),
      sessions: sessionsOf(draft, plan, facts),
      reach: reachOf(input, plan),
      full: fullGroups(input, plan),
    };
  } catch (err) {
    if (err instanceof CoreError) return nothing(errorWords(err));
    throw err;
  }
}
