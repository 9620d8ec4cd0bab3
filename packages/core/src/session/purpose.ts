import { kindOf, LOADED_TECHNIQUES, TECHNIQUES, type Technique } from '../technique/catalogue.js';

/** What a session is for (domain 2.7). */
export const PURPOSE_IDS = ['own', 'after training', 'before training', 'on waking', 'short break', 'evening'] as const;
export type PurposeId = (typeof PURPOSE_IDS)[number];

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
}

const PLAIN: PurposeRules = {
  warm: false,
  excludedTechniques: [],
  spareSpine: false,
  staticMax: null,
  oneRegion: false,
  minutes: null,
  trainedFactor: 1,
};

/** Seconds a group may be held still before training without costing strength (Behm et al. 2016, Appl Physiol Nutr Metab 41:1-11; from memory). */
export const STATIC_BEFORE_TRAINING = 60;

const RULES: Readonly<Record<PurposeId, PurposeRules>> = {
  own: PLAIN,
  'after training': {
    ...PLAIN,
    warm: true,
    trainedFactor: 2,
  },
  'before training': {
    ...PLAIN,
    staticMax: STATIC_BEFORE_TRAINING,
    excludedTechniques: LOADED_TECHNIQUES,
  },
  'on waking': {
    ...PLAIN,
    spareSpine: true,
    excludedTechniques: LOADED_TECHNIQUES,
  },
  'short break': {
    ...PLAIN,
    oneRegion: true,
    minutes: 5,
  },
  evening: {
    ...PLAIN,
    excludedTechniques: TECHNIQUES.filter((t) => !kindOf(t).calms),
  },
};

/** What a purpose changes. */
export function purposeRules(id: PurposeId): PurposeRules {
  return RULES[id];
}
