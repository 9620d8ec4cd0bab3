import { CoreError } from '../errors.js';
import type { Source } from '../source.js';
import { PRACTICE_SPREAD } from './findings/shortfall.js';
import type {
  LimitSide,
  Mover,
  Position,
  RomTest,
  RomUnit,
  TestLimit,
  Turn,
  ValueRule,
} from '../catalogue/rom-test.js';

/** What a coach writes down of a test of their own. Numbers in its unit. */
export interface OwnTestDefinition {
  readonly name: string;
  readonly motion: string;
  readonly purpose: string;
  readonly moved?: Mover;
  readonly position: Position;
  readonly landmarks: readonly string[];
  readonly steps: readonly string[];
  readonly endPoint: string;
  readonly instruments: readonly string[];
  readonly unit: RomUnit;
  readonly reads: string;
  readonly better: RomTest['better'];
  readonly sides: RomTest['sides'];
  readonly valueRule: ValueRule;
  readonly repeatTolerance: number;
  readonly resolution: number;
  readonly plausible: { readonly min: number; readonly max: number };
  readonly error: { readonly sem: number; readonly source: Source };
  /** A typical value with its spread; sd null for a single value; null for none. */
  readonly reference: { readonly mean: number; readonly sd: number | null; readonly source: Source } | null;
  /** `side` is left out in definitions from before it was asked. */
  readonly limits: readonly (Omit<TestLimit, 'side'> & { readonly side?: LimitSide })[];
  readonly turns?: Turn;
  readonly cautions: readonly string[];
  readonly notFor: readonly string[];
  readonly faults: readonly string[];
}

/** How the numbers of a test contradict each other. */
type OwnTestFault = 'plausible-order' | 'tolerance-too-wide' | 'step-too-coarse' | 'reference-outside';

/** Fields that fix what a number means: they cannot change once the test has results. */
export const MEANING_FIELDS = [
  'unit',
  'better',
  'sides',
  'valueRule',
  'moved',
] as const satisfies (keyof OwnTestDefinition)[];

/** The side that a group limits where nobody has said it: that of the limb; of a direction nobody can tell. */
const SIDE_WHERE_NOT_SAID: Readonly<Record<RomTest['sides'], LimitSide>> = {
  body: 'same',
  direction: 'none',
  none: 'none',
};

/**
 * A test of the catalogue from a coach's definition. The drawn scale runs over the plausible range, narrowed to three spreads around a
 * reference where there is one.
 * @throws CoreError `invalid-test` when its numbers contradict each other
 */
export function romTestOf(id: string, d: OwnTestDefinition): RomTest {
  const { min, max } = d.plausible;
  const refuse = (code: OwnTestFault): never => {
    throw new CoreError('invalid-test', { code, args: {} });
  };
  if (!(min < max)) refuse('plausible-order');
  if (d.repeatTolerance >= max - min) refuse('tolerance-too-wide');
  if (d.resolution > d.repeatTolerance) refuse('step-too-coarse');
  const r = d.reference;
  if (r && (r.mean < min || r.mean > max)) refuse('reference-outside');
  const reach = r ? 3 * (r.sd ?? PRACTICE_SPREAD[d.unit]) : 0;
  const low = r ? Math.max(min, r.mean - reach) : min;
  const high = r ? Math.min(max, r.mean + reach) : max;
  const { reference: _, ...rest } = d;
  return {
    ...rest,
    id,
    limits: d.limits.map((l) => ({ ...l, side: l.side ?? SIDE_WHERE_NOT_SAID[d.sides] })),
    demands: [],
    bed: true,
    scale: d.better === 'more' ? { stiffest: low, freest: high } : { stiffest: high, freest: low },
    sideThreshold: null,
    reference: !r
      ? { kind: 'none', why: 'No reference was given for this test.' }
      : r.sd === null
        ? { kind: 'nominal', value: r.mean, source: r.source }
        : { kind: 'distribution', mean: r.mean, sd: r.sd, source: r.source },
  };
}
