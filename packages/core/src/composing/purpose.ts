import { kindOf, LOADED_TECHNIQUES, TECHNIQUES, type Technique } from '../technique/catalogue.js';

/** What a session is for (domain 2.7). */
export const PURPOSES = [
  { id: 'own', name: 'Stand-alone session' },
  { id: 'after training', name: 'After training' },
  { id: 'before training', name: 'Before training' },
  { id: 'on waking', name: 'On waking' },
  { id: 'short break', name: 'A short break' },
  { id: 'evening', name: 'In the evening' },
] as const;
export type PurposeId = (typeof PURPOSES)[number]['id'];
export const PURPOSE_IDS: readonly PurposeId[] = PURPOSES.map((p) => p.id);

/** Name of a purpose, for screens. */
export function purposeName(id: PurposeId): string {
  return PURPOSES.find((p) => p.id === id)!.name;
}

/** What a purpose changes. */
export interface PurposeRules {
  /** The body is warm when it begins. */
  readonly warm: boolean;
  readonly excludedTechniques: readonly Technique[];
  /** No bending of the spine towards its end, and none with a load on it. */
  readonly spareSpine: boolean;
  /** Most seconds a group is held still in the session; null for no limit. */
  readonly staticMax: number | null;
  /** Everything in one region of the body. */
  readonly oneRegion: boolean;
  /** Minutes it is meant for; null for the client's own. */
  readonly minutes: number | null;
  /** Groups that were trained count this many times. */
  readonly trainedFactor: number;
  /** For the coach and the client: what was changed and why. Empty for nothing. */
  readonly words: string;
}

const PLAIN: PurposeRules = {
  warm: false,
  excludedTechniques: [],
  spareSpine: false,
  staticMax: null,
  oneRegion: false,
  minutes: null,
  trainedFactor: 1,
  words: '',
};

/** Seconds a group may be held still before training without costing strength (Behm et al. 2016, Appl Physiol Nutr Metab 41:1-11; from memory). */
export const STATIC_BEFORE_TRAINING = 60;

const RULES: Readonly<Record<PurposeId, PurposeRules>> = {
  own: PLAIN,
  'after training': {
    ...PLAIN,
    warm: true,
    trainedFactor: 2,
    words: 'No warm-up: the body is warm. What was trained counts twice (common practice, no source).',
  },
  'before training': {
    ...PLAIN,
    staticMax: STATIC_BEFORE_TRAINING,
    excludedTechniques: LOADED_TECHNIQUES,
    words: `Nothing loaded, and no group is held still for more than ${STATIC_BEFORE_TRAINING} s: longer holds cost strength for a while (Behm 2016, from memory).`,
  },
  'on waking': {
    ...PLAIN,
    spareSpine: true,
    excludedTechniques: LOADED_TECHNIQUES,
    words:
      'In the first hour or two after waking the back is not bent to its end and nothing is loaded: the discs hold more water then (Snook 1998, from memory).',
  },
  'short break': {
    ...PLAIN,
    oneRegion: true,
    minutes: 5,
    words: 'One region of the body, so that there is little to change (common practice, no source).',
  },
  evening: {
    ...PLAIN,
    excludedTechniques: TECHNIQUES.filter((t) => !kindOf(t).calms),
    words: 'Only what calms: holds, contract-relax, rolling and breathing (common practice, no source).',
  },
};

/** What a purpose changes. */
export function purposeRules(id: PurposeId): PurposeRules {
  return RULES[id];
}
