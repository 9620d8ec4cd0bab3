import type { Technique } from '../../technique/catalogue.js';
import type { BlockPlan } from '../plan.js';
import type { WeekFact } from '../facts.js';

/** A session of a published block whose list of exercises a coach has changed by hand. */
export interface HandList {
  readonly date: string;
  readonly week: number;
  readonly items: readonly { readonly exerciseId: string; readonly technique: Technique }[];
}

/** Why a list changed by hand is planned anew with the next version of its block. */
export type GivesWay = 'lowered' | 'not-allowed';

const LOWERED: readonly WeekFact['code'][] = ['back-after', 'begins-again', 'eased'];

/**
 * Why a list changed by hand gives way to a new plan; null when it stays. In a week that is lower after an absence or soreness a list of before would
 * be too much, and what may no longer be done is never kept.
 * @param allowed whether no caution speaks against an exercise done with a technique
 */
export function givesWay(
  { week, items }: Pick<HandList, 'week' | 'items'>,
  plan: Pick<BlockPlan, 'lanes'>,
  allowed: (exerciseId: string, technique: Technique) => boolean,
): GivesWay | null {
  if (!items.every((i) => allowed(i.exerciseId, i.technique))) return 'not-allowed';
  const lowered = plan.lanes.some((l) => l.weeks[week - 1]?.reasons.some((r) => LOWERED.includes(r.code)));
  return lowered ? 'lowered' : null;
}
