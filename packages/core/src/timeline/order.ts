import { muscleGroupOrder } from '../anatomy/muscle-group.js';
import { exerciseById, type FindExercise } from '../catalogue/exercises.js';
import { POSITIONS } from '../measuring/rom-test.js';
import type { Technique } from '../styles/technique.js';
import type { SessionItem } from './item.js';

/** Phases of a session (domain 2.7): release, moving, contract-relax and loaded, static, activation, breathing. */
const PHASE: Readonly<Record<Technique, number>> = {
  release: 0,
  'nerve glide': 1,
  'moving stretch': 1,
  'contract-relax': 2,
  'loaded eccentric': 2,
  'loaded isometric': 2,
  'static hold': 3,
  activation: 4,
  breathing: 5,
};

/** Place of a technique in a session, from 0. */
export function phaseOf(technique: Technique): number {
  return PHASE[technique];
}

/**
 * Items in an order with few position changes: by phase, then by body position (standing to lying), inside a position from the lower body up.
 * Inside a phase all items of a position stand together, so no other order of the phase changes position less often.
 */
export function orderItems(items: readonly SessionItem[], find: FindExercise = exerciseById): SessionItem[] {
  const key = (i: SessionItem): [number, number, number] => {
    const e = find(i.exerciseId);
    return [phaseOf(i.technique ?? e.technique), POSITIONS.indexOf(e.position), muscleGroupOrder(e.primary)];
  };
  return [...items].sort((a, b) => {
    const [ha, pa, ga] = key(a);
    const [hb, pb, gb] = key(b);
    return ha - hb || pa - pb || ga - gb;
  });
}
