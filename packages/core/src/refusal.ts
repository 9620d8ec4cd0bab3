import type { MuscleGroupId } from './anatomy/muscle-group.js';
import type { StyleFault } from './styles/own-style.js';
import type { Technique } from './technique/catalogue.js';

interface Bounds {
  readonly min: number;
  readonly max: number;
}

/** What each refusal needs to be said. */
interface RefusalArgs {
  // Readings and results
  'no-readings': object;
  'too-many-readings': { readonly most: number };
  /** A reading outside what the test can show. */
  implausible: Bounds;
  'value-missing': object;
  'beighton-items': { readonly items: number };
  // Measurement error
  'error-not-a-number': object;
  'reliability-bounds': object;
  'too-few-clients': { readonly least: number; readonly good: number };
  'too-few-measurements': object;
  'uneven-measurements': object;
  'measurement-not-a-number': object;
  'same-difference': object;
  'no-spread': object;
  // Trends
  'result-without-error': object;
  'slope-needs-days': object;
  'retention-order': object;
  'smoothing-needs-days': { readonly days: number };
  // Own tests
  'plausible-order': object;
  'tolerance-too-wide': object;
  'step-too-coarse': object;
  'reference-outside': object;
  // What is not in a list
  'unknown-test': { readonly id: string };
  'unknown-exercise': { readonly id: string };
  'unknown-style': { readonly id: string };
  // Blocks
  'no-days': object;
  'group-ruled-out': { readonly group: MuscleGroupId };
  'lane-needs-exercise': { readonly group: MuscleGroupId; readonly technique: Technique };
  'needs-exercise': { readonly technique: Technique };
  'weeks-bounds': Bounds;
  'ramp-bounds': Bounds;
  'easier-bounds': Bounds;
  'lanes-bounds': Bounds;
  'group-twice': object;
  'no-week-left': { readonly most: number };
  // Doses, styles, sessions
  'not-doable': object;
  'style-fault': { readonly fault: StyleFault };
  'timing-not-whole': object;
  'rounds-bounds': { readonly most: number };
  'item-not-doable': object;
  // Pictures and dates
  'points-meet': object;
  'not-a-date': { readonly text: string };
  'no-start-date': object;
}

/** What the computation refuses, as a fact; the sentences are in `words/refusal.ts`. */
export type Refusal = {
  [C in keyof RefusalArgs]: { readonly code: C; readonly args: RefusalArgs[C] };
}[keyof RefusalArgs];
