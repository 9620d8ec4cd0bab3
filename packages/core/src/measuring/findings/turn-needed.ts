import type { MuscleGroupId } from '../../anatomy/muscle-group.js';
import type { Person } from '../../catalogue/reference.js';
import { TURNING_GROUPS, type Turn } from '../../catalogue/rom-test.js';
import type { MeasuredTest } from '../measured-test.js';
import { HEAVY_WEIGHT } from '../tighter-side.js';
import { findingOf } from './findings.js';

/** Which way a group that holds two opposite motions is short. */
export interface NeededTurn {
  readonly group: MuscleGroupId;
  readonly turns: Turn;
}

/** The short motion of every group that holds two of them, by its shortest test; groups of which neither is short are left out. */
export function neededTurns(measured: readonly MeasuredTest[], person: Person): NeededTurn[] {
  return TURNING_GROUPS.flatMap((group): NeededTurn[] => {
    const short = measured
      .flatMap((m) => {
        const { turns, limits } = m.test;
        const heavy = limits.some((l) => l.group === group && l.weight >= HEAVY_WEIGHT);
        const spreads = turns && heavy ? (findingOf(m, person)?.shortfall?.spreads ?? 0) : 0;
        return turns && spreads > 0 ? [{ turns, spreads }] : [];
      })
      .sort((a, b) => b.spreads - a.spreads)[0];
    return short ? [{ group, turns: short.turns }] : [];
  });
}

/** Exercises that turn the way that is short first, those that turn the other way last; else in their order. */
export function byNeededTurn<E extends { readonly turns?: Turn }>(exercises: readonly E[], needed: Turn | null): E[] {
  if (needed === null) return [...exercises];
  const rank = (e: E) => (e.turns === needed ? 0 : e.turns === undefined ? 1 : 2);
  return [...exercises].sort((a, b) => rank(a) - rank(b));
}
