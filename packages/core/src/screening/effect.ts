import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import type { Demand } from '../catalogue/demand.js';
import type { Position } from '../catalogue/rom-test.js';
import type { Technique } from '../technique/catalogue.js';

/** What is off where some groups are worked, and only there. */
export interface GroupLimit {
  readonly groups: readonly MuscleGroupId[];
  readonly techniques: readonly Technique[];
  readonly demands: readonly Demand[];
}

/** What a condition takes away. Empty lists take nothing; numbers are null where there is no limit. */
export interface CautionEffect {
  /** Groups that are not worked at all. */
  readonly excludedGroups: readonly MuscleGroupId[];
  /** Groups where sensation stays at 4 or below. */
  readonly gentleGroups: readonly MuscleGroupId[];
  readonly excludedTechniques: readonly Technique[];
  readonly excludedPositions: readonly Position[];
  readonly excludedDemands: readonly Demand[];
  readonly groupLimits: readonly GroupLimit[];
  /** Highest sensation anywhere, 0-10. */
  readonly sensationMax: number | null;
  /** Longest still hold, seconds. */
  readonly holdMax: number | null;
  /** Strongest push, % of what the client could. */
  readonly effortMax: number | null;
  /** Hardest exercises, 1-3. */
  readonly difficultyMax: number | null;
  /** True where an exercise of a coach's own is left out until somebody has gone through what it asks. */
  readonly onlyKnown: boolean;
}

export const NO_EFFECT: CautionEffect = {
  excludedGroups: [],
  gentleGroups: [],
  excludedTechniques: [],
  excludedPositions: [],
  excludedDemands: [],
  groupLimits: [],
  sensationMax: null,
  holdMax: null,
  effortMax: null,
  difficultyMax: null,
  onlyKnown: false,
};

const union = <T>(lists: readonly (readonly T[])[]): T[] => [...new Set(lists.flat())];
const least = (values: readonly (number | null)[]): number | null => {
  const given = values.filter((v): v is number => v !== null);
  return given.length > 0 ? Math.min(...given) : null;
};

/** Whatever one of several effects takes away is gone; of limits the strictest. */
export function strictest(effects: readonly CautionEffect[]): CautionEffect {
  return {
    excludedGroups: union(effects.map((e) => e.excludedGroups)),
    gentleGroups: union(effects.map((e) => e.gentleGroups)),
    excludedTechniques: union(effects.map((e) => e.excludedTechniques)),
    excludedPositions: union(effects.map((e) => e.excludedPositions)),
    excludedDemands: union(effects.map((e) => e.excludedDemands)),
    groupLimits: effects.flatMap((e) => e.groupLimits),
    sensationMax: least(effects.map((e) => e.sensationMax)),
    holdMax: least(effects.map((e) => e.holdMax)),
    effortMax: least(effects.map((e) => e.effortMax)),
    difficultyMax: least(effects.map((e) => e.difficultyMax)),
    onlyKnown: effects.some((e) => e.onlyKnown),
  };
}

/** True for an effect that takes nothing away. */
export function isEmptyEffect({ onlyKnown: _, ...limits }: CautionEffect): boolean {
  return Object.values(limits).every((v: unknown) => v === null || (Array.isArray(v) && v.length === 0));
}
