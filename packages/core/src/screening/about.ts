import type { BodyRegionId } from '../anatomy/body-region.js';
import type { Side } from '../anatomy/side.js';
import type { PropId } from '../catalogue/props.js';
import { placeOfKind, type ClientPlace } from './place.js';

/** Aims that clients bring, and the tests that measure them. Common practice, no source. */
export const AIMS = [
  { id: 'touch-toes', name: 'Touch my toes', tests: ['finger-to-floor', 'straight-leg-raise'] },
  { id: 'squat', name: 'Squat with my heels down', tests: ['weight-bearing-lunge', 'hip-flexion'] },
  { id: 'side-split', name: 'A wider side split', tests: ['side-split-height', 'hip-abduction'] },
  { id: 'overhead', name: 'Reach overhead', tests: ['shoulder-flexion'] },
  { id: 'shoulder-check', name: 'Look over my shoulder', tests: ['neck-rotation', 'seated-rotation'] },
  { id: 'back-reach', name: 'Reach behind my back', tests: ['back-scratch', 'shoulder-internal-rotation'] },
  { id: 'cross-legged', name: 'Sit cross-legged', tests: ['bent-knee-fall-out', 'hip-external-rotation'] },
  { id: 'heels-sit', name: 'Sit on my heels', tests: ['prone-knee-bend', 'plantarflexion'] },
  { id: 'stand-tall', name: 'Stand and walk taller', tests: ['thomas-hip', 'shoulder-horizontal-abduction'] },
] as const satisfies readonly { id: string; name: string; tests: readonly string[] }[];

export type AimId = (typeof AIMS)[number]['id'];
export const AIM_IDS: readonly AimId[] = AIMS.map((w) => w.id);

/** Times of day a client likes to stretch. */
export const PREFERRED_TIMES = ['on waking', 'morning', 'midday', 'evening', 'after training'] as const;
export type PreferredTime = (typeof PREFERRED_TIMES)[number];

/** How much a region bothers, 0-10. */
export interface RegionScore {
  readonly region: BodyRegionId;
  readonly score: number;
}

/** What is known of a client besides the questions: only what changes the plan or its reading. */
export interface About {
  readonly heightCm: number | null;
  readonly massKg: number | null;
  readonly dominantSide: Side | null;
  /** Training and its days, in the client's words. */
  readonly training: string;
  readonly sport: string;
  /** Hours sat a day. */
  readonly sittingHours: number | null;
  readonly history: string;
  /** What hurts or bothers, each region once, 0 nothing to 10 worst. */
  readonly complaints: readonly RegionScore[];
  /** Where the client stretches, the usual place first. */
  readonly places: readonly ClientPlace[];
  readonly times: readonly PreferredTime[];
  readonly aims: readonly AimId[];
}

export const NOTHING_KNOWN: About = {
  heightCm: null,
  massKg: null,
  dominantSide: null,
  training: '',
  sport: '',
  sittingHours: null,
  history: '',
  complaints: [],
  places: [placeOfKind('home')],
  times: [],
  aims: [],
};

/** What was stored of a client: all of it, or what was asked by then. */
export interface StoredAbout extends Partial<About> {
  /** One place and its equipment, as they were asked before a client could have several. */
  readonly place?: 'mat' | 'bed only' | 'chair only';
  readonly props?: readonly PropId[];
}

const KIND_BEFORE = { mat: 'home', 'bed only': 'bed', 'chair only': 'chair' } as const;

/**
 * What was answered before a field existed, or kept in a browser since, with nothing known of the rest.
 * @example aboutFrom({ place: 'bed only', props: ['strap'] }).places[0].things // ['cushion', 'strap']
 */
export function aboutFrom(stored: StoredAbout): About {
  const { place, props, ...rest } = stored;
  const before = place || props ? { places: [placeOfKind(KIND_BEFORE[place ?? 'mat'], undefined, props)] } : {};
  return { ...NOTHING_KNOWN, ...before, ...rest };
}

/** Tests that measure what a client aims, each once, in the order of the aims. */
export function testsOfAims(aims: readonly AimId[]): string[] {
  return [...new Set(AIMS.filter((w) => aims.includes(w.id)).flatMap((w) => [...w.tests]))];
}
