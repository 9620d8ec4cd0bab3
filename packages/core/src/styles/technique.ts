/** How a stretch is done. */
export const TECHNIQUES = [
  'static hold',
  'contract-relax',
  'loaded eccentric',
  'loaded isometric',
  'moving stretch',
  'rolling',
  'nerve glide',
  'activation',
  'breathing',
] as const;
export type Technique = (typeof TECHNIQUES)[number];

/** Techniques that work against a weight, a band or the body's own weight at the end of the range. */
export const LOADED_TECHNIQUES: readonly Technique[] = ['loaded eccentric', 'loaded isometric'];

/** True for a technique that loads the end of the range. */
export function isLoaded(technique: Technique): boolean {
  return LOADED_TECHNIQUES.includes(technique);
}

/** What a bout of a technique is counted in. */
export type BoutUnit = 'seconds' | 'repetitions' | 'breaths';

const UNIT: Readonly<Record<Technique, BoutUnit>> = {
  'static hold': 'seconds',
  'contract-relax': 'seconds',
  'loaded eccentric': 'repetitions',
  'loaded isometric': 'seconds',
  'moving stretch': 'repetitions',
  rolling: 'seconds',
  'nerve glide': 'repetitions',
  activation: 'repetitions',
  breathing: 'breaths',
};

/** Seconds, repetitions or breaths. */
export function unitOf(technique: Technique): BoutUnit {
  return UNIT[technique];
}

/** Techniques that a style can progress; nerve glides are never planned. Those that stretch nothing progress in their own unit. */
export const STYLE_TECHNIQUES: readonly Technique[] = TECHNIQUES.filter((t) => t !== 'nerve glide');

/** Techniques whose seconds count as time under stretch (domain 2.1); the others are counted in sessions and sets. */
export const STRETCHING: readonly Technique[] = [
  'static hold',
  'contract-relax',
  'loaded eccentric',
  'loaded isometric',
  'moving stretch',
];
