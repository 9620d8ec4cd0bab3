import type { CautionEffect } from './effect.js';

/**
 * One limit of a caution by its code: what a clearance may lift. `groups`: groups that rest or are limited; the others name a demand, a
 * technique or a position, or one of the numbers.
 */
export type LiftCode = string;

const of = (kind: string, values: readonly string[]): LiftCode[] => values.map((v) => `${kind}:${v}`);
const number = (kind: string, value: number | null): LiftCode[] => (value === null ? [] : [kind]);

/** Every limit of an effect that a clearance may name. */
export function liftsIn(e: CautionEffect): LiftCode[] {
  return [
    ...of('demand', e.excludedDemands),
    ...of('technique', e.excludedTechniques),
    ...of('position', e.excludedPositions),
    ...(e.excludedGroups.length > 0 ? ['groups'] : []),
    ...(e.groupLimits.length > 0 ? ['group-limits'] : []),
    ...(e.gentleGroups.length > 0 ? ['gentle'] : []),
    ...number('sensation', e.sensationMax),
    ...number('hold', e.holdMax),
    ...number('effort', e.effortMax),
    ...number('difficulty', e.difficultyMax),
  ];
}

/** What is left of an effect once some of its limits are lifted by name. */
export function withoutLifted(e: CautionEffect, lifts: readonly LiftCode[]): CautionEffect {
  const kept = <T extends string>(kind: string, values: readonly T[]): readonly T[] =>
    values.filter((v) => !lifts.includes(`${kind}:${v}`));
  const unless = <T>(code: LiftCode, value: T, lifted: T): T => (lifts.includes(code) ? lifted : value);
  return {
    excludedDemands: kept('demand', e.excludedDemands),
    excludedTechniques: kept('technique', e.excludedTechniques),
    excludedPositions: kept('position', e.excludedPositions),
    excludedGroups: unless('groups', e.excludedGroups, []),
    groupLimits: unless('group-limits', e.groupLimits, []),
    gentleGroups: unless('gentle', e.gentleGroups, []),
    sensationMax: unless('sensation', e.sensationMax, null),
    holdMax: unless('hold', e.holdMax, null),
    effortMax: unless('effort', e.effortMax, null),
    difficultyMax: unless('difficulty', e.difficultyMax, null),
    onlyKnown: e.onlyKnown,
  };
}
