import type { MuscleGroupId } from '../../anatomy/muscle-group.js';
import { LOADED_TECHNIQUES, type Technique } from '../../technique/catalogue.js';
import type { Exercise } from '../exercise.js';
import { exercisesDoing } from '../forms.js';
import { KINDS, type Kind } from './none.js';

const TECHNIQUES_OF: Readonly<Record<Kind, readonly Technique[]>> = {
  static: ['static hold'],
  'contract-relax': ['contract-relax'],
  moving: ['moving stretch'],
  activation: ['activation', 'activation hold'],
  release: ['rolling'],
  loaded: LOADED_TECHNIQUES,
};

/** The kind that a technique asks for; null for what no group needs: breathing, nerve glides. */
export function kindAsked(technique: string): Kind | null {
  return KINDS.find((kind) => TECHNIQUES_OF[kind].some((t) => t === technique)) ?? null;
}

/**
 * Exercises of a kind for a group. Contract-relax counts a hold that something is pushed against; moving counts own movements alone, not holds that are
 * moved through; an activation counts where it uses the group's new length.
 */
export function exercisesOfKind(group: MuscleGroupId, kind: Kind): readonly Exercise[] {
  const those = new Set(TECHNIQUES_OF[kind].flatMap((t) => exercisesDoing(group, t)));
  return [...those].filter((e) => kind !== 'moving' || e.technique === 'moving stretch');
}
