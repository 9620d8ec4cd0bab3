import { ACTIVATION } from './activation.js';
import { ACTIVATION_HOLD } from './activation-hold.js';
import { BREATHING } from './breathing.js';
import { CONTRACT_RELAX } from './contract-relax.js';
import { LOADED_ECCENTRIC } from './loaded-eccentric.js';
import { LOADED_ISOMETRIC } from './loaded-isometric.js';
import { MOVING_STRETCH } from './moving-stretch.js';
import { NERVE_GLIDE } from './nerve-glide.js';
import { ROLLING } from './rolling.js';
import type { BoutUnit, TechniqueDemand, TechniqueKind } from './shape.js';
import { STATIC_HOLD } from './static-hold.js';

/** Every technique, by the name it is stored with. */
export const TECHNIQUE_KINDS = {
  'static hold': STATIC_HOLD,
  'contract-relax': CONTRACT_RELAX,
  'loaded eccentric': LOADED_ECCENTRIC,
  'loaded isometric': LOADED_ISOMETRIC,
  'moving stretch': MOVING_STRETCH,
  rolling: ROLLING,
  'nerve glide': NERVE_GLIDE,
  activation: ACTIVATION,
  'activation hold': ACTIVATION_HOLD,
  breathing: BREATHING,
} as const;

/** How a stretch is done. */
export type Technique = keyof typeof TECHNIQUE_KINDS;

export const TECHNIQUES = Object.keys(TECHNIQUE_KINDS) as readonly Technique[];

/** Everything that depends on a technique. */
export function kindOf(technique: Technique): TechniqueKind {
  return TECHNIQUE_KINDS[technique];
}

const those = (is: (kind: TechniqueKind) => boolean): readonly Technique[] => TECHNIQUES.filter((t) => is(kindOf(t)));

/** Techniques that work against a weight, a band or the body's bodyweight at the end of the range. */
export const LOADED_TECHNIQUES = those((k) => k.loaded);
/** Techniques that a style can progress. Those that stretch nothing progress in their own unit. */
export const STYLE_TECHNIQUES = those((k) => k.planned);
/** Techniques whose seconds count as time under stretch (domain 2.1); the others are counted in sessions and sets. */
export const STRETCHING = those((k) => k.stretches);
/** The technique that a lane falls back to where its own is not possible. */
export const PLAINEST: Technique = TECHNIQUES.find((t) => kindOf(t).still)!;

/** Techniques that ask one of these of a body. */
export function demanding(...demands: readonly TechniqueDemand[]): readonly Technique[] {
  return those((k) => demands.some((d) => k.demands.includes(d)));
}

/** True for a technique that loads the end of the range. */
export function isLoaded(technique: Technique): boolean {
  return kindOf(technique).loaded;
}

/** Seconds, repetitions or breaths. */
export function unitOf(technique: Technique): BoutUnit {
  return kindOf(technique).unit;
}
