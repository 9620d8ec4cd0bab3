import { usualError, type ResultError } from '../error.js';
import { veryFreeTests } from '../hypermobility.js';
import type { MeasuredTest } from '../measured-test.js';
import type { Person } from '../../catalogue/reference.js';
import { MUSCLE_GROUP_IDS, type MuscleGroupId } from '../../anatomy/muscle-group.js';
import type { Side } from '../../anatomy/side.js';
import { normalCdf } from '../../math/normal.js';
import { bandOf, referenceFor, type AppliedReference } from '../reference.js';
import type { RomTest } from '../../catalogue/rom-test.js';
import { sideDifference } from '../side-difference.js';
import { HEAVY_WEIGHT, sidedValues, sideErrors, tighterSide } from '../tighter-side.js';
import { PRACTICE_SPREAD, shortfall, targetFor, type Shortfall, type Target } from './shortfall.js';

/** What coach and client add to the numbers: interest 0-3 each, and whether a complaint is linked to the group. */
export interface Interest {
  readonly coach: number;
  readonly client: number;
  readonly complaint: boolean;
}

/** A test as a finding: its worse side against the target. */
export interface TestFinding {
  readonly test: RomTest;
  readonly reference: AppliedReference;
  readonly target: Target | null;
  /** The side that is shorter; null for a test without sides. */
  readonly side: Side | null;
  readonly value: number;
  /** Null without a target. */
  readonly shortfall: Shortfall | null;
  /** The side or direction that notably moves less; null when both are alike within error. */
  readonly less: Side | null;
  /** |left − right| in spreads; 0 unless notable, and where there is a band the shorter one is below its target. */
  readonly sideSpreads: number;
  /** |left − right| that is notable and not counted, because both are typical; null for none. In the unit of the test. */
  readonly sidesTypical: number | null;
}

/** The parts a score is made of; they add up to it. */
export interface PriorityParts {
  readonly shortfall: number;
  readonly side: number;
  readonly interest: number;
  readonly complaint: number;
}

export interface GroupFinding {
  readonly group: MuscleGroupId;
  readonly score: number;
  readonly parts: PriorityParts;
  readonly tighter: Side | null;
  /** Tests that speak for the group, heaviest first. */
  readonly tests: readonly { readonly finding: TestFinding; readonly weight: number }[];
}

/** A group that nobody has measured and somebody has asked for. */
export interface AskedGroup {
  readonly group: MuscleGroupId;
  readonly interest: number;
  readonly complaint: number;
}

export interface Findings {
  /** Groups with a score above 0, highest first; of equal scores from the floor up. */
  readonly ranked: readonly GroupFinding[];
  /** Groups measured without anything to work on. */
  readonly fine: readonly MuscleGroupId[];
  readonly notMeasured: readonly MuscleGroupId[];
  /** Those of them that the client asked for or complains of: they have no score, and can be worked on all the same. */
  readonly asked: readonly AskedGroup[];
  /** Side differences that were looked at and not counted, because both sides are typical. In the unit of the test. */
  readonly notCounted: readonly { readonly test: RomTest; readonly difference: number }[];
  /** "Short" results found, and how many chance alone makes in a healthy client. */
  readonly shortFlags: { readonly found: number; readonly expected: number; readonly results: number };
  /** Tests beyond mean + 2 SD on the free side; three or more ask for a look at hypermobility. */
  readonly veryFree: readonly RomTest[];
}

const NO_INTEREST: Interest = { coach: 0, client: 0, complaint: false };

/** A side with its value and the error of that. */
export interface SideValue {
  readonly side: Side | null;
  readonly value: number;
  readonly error: ResultError;
}

function values(m: MeasuredTest): SideValue[] {
  const one = (side: Side | null, value: number | null): SideValue[] =>
    value === null ? [] : [{ side, value, error: m.errors?.[side ?? 'both'] ?? usualError(m.test) }];
  return [...one(null, m.both), ...one('left', m.left), ...one('right', m.right)];
}

/** The value of the side that moves less; null where nothing was measured. */
export function worseSide(m: MeasuredTest): SideValue | null {
  const direction = m.test.better === 'more' ? 1 : -1;
  return [...values(m)].sort((a, b) => direction * (a.value - b.value))[0] ?? null;
}

/** A measured test as a finding; null where nothing of it was measured. */
export function findingOf(m: MeasuredTest, person: Person): TestFinding | null {
  const { test } = m;
  const worse = worseSide(m);
  if (!worse) return null;
  const reference = referenceFor(test, person);
  const target = targetFor(test, reference, m.goal ?? null);
  const difference = m.left !== null && m.right !== null ? sideDifference(m.left, m.right, test, sideErrors(m)) : null;
  const less = difference?.notable ? difference.less : null;
  const short = target ? shortfall(worse.value, test, target, worse.error) : null;
  // Without a band nobody can be called typical: the difference itself speaks (domain 2.2).
  const typical = reference.kind === 'band' && (short === null || short.gap <= 0);
  const sd = target?.sd ?? PRACTICE_SPREAD[test.unit];
  return {
    test,
    reference,
    target,
    side: worse.side,
    value: worse.value,
    shortfall: short,
    less,
    sideSpreads: less !== null && !typical ? Math.abs(difference!.delta) / sd : 0,
    sidesTypical: less !== null && typical ? Math.abs(difference!.delta) : null,
  };
}

/** Chance that a healthy value is called short: a quarter below a middle half, two fifths below "good", Φ(−1) beyond one SD. */
function chanceOfShort(test: RomTest): number {
  if (test.reference.kind === 'grades') return 0.4;
  return test.reference.kind === 'middle half' ? 0.25 : normalCdf(-1);
}

/**
 * Ranked muscle groups of an assessment, each score with its parts (domain 2.2):
 * Σ w·g / max(1, Σ w) + 0.5·min(2, largest clear side difference in spreads, of tests that the group limits by half or more)
 * + max(coach's, client's interest)/3 + 1 for a linked complaint. Weights and steps are common practice, no source.
 * @param interests by group; missing ones count nothing
 */
export function findings(
  measured: readonly MeasuredTest[],
  person: Person,
  interests: Partial<Record<MuscleGroupId, Interest>> = {},
): Findings {
  const tests = measured.flatMap((m) => {
    const finding = findingOf(m, person);
    return finding ? [{ m, finding }] : [];
  });
  const sided = sidedValues(measured);
  const ranked: GroupFinding[] = [];
  const fine: MuscleGroupId[] = [];
  const notMeasured: MuscleGroupId[] = [];
  const asked: AskedGroup[] = [];
  for (const group of MUSCLE_GROUP_IDS) {
    const own = tests
      .flatMap(({ finding }) => {
        const weight = finding.test.limits.find((l) => l.group === group)?.weight ?? 0;
        return weight > 0 ? [{ finding, weight }] : [];
      })
      .sort((a, b) => b.weight - a.weight);
    const wish = interests[group] ?? NO_INTEREST;
    const interest = Math.max(wish.coach, wish.client) / 3;
    const complaint = wish.complaint ? 1 : 0;
    const judged = own.filter((t) => t.finding.shortfall !== null);
    if (own.length === 0) {
      notMeasured.push(group);
      if (interest > 0 || complaint > 0) asked.push({ group, interest, complaint });
      continue;
    }
    const weights = judged.reduce((sum, t) => sum + t.weight, 0);
    const short = judged.reduce((sum, t) => sum + t.weight * t.finding.shortfall!.spreads, 0) / Math.max(1, weights);
    const heavy = own.filter(
      (t) => t.weight >= HEAVY_WEIGHT && t.finding.test.limits.find((l) => l.group === group)!.side !== 'none',
    );
    const side = 0.5 * Math.min(2, Math.max(0, ...heavy.map((t) => t.finding.sideSpreads)));
    const parts = { shortfall: short, side, interest, complaint };
    const score = short + side + interest + complaint;
    const tighter = tighterSide(group, sided);
    if (score > 0) ranked.push({ group, score, parts, tighter, tests: own });
    else fine.push(group);
  }
  ranked.sort((a, b) => b.score - a.score);

  const judged = tests.filter((t) => t.finding.reference.kind === 'band');
  const results = judged.flatMap(({ m, finding }) =>
    values(m).map(({ value }) => ({
      short: bandOf(value, m.test, finding.reference) === 'short',
      chance: chanceOfShort(m.test),
    })),
  );
  return {
    ranked,
    fine,
    notMeasured,
    asked,
    notCounted: tests.flatMap(({ finding: { test, sidesTypical } }) =>
      sidesTypical === null ? [] : [{ test, difference: sidesTypical }],
    ),
    shortFlags: {
      found: results.filter((r) => r.short).length,
      expected: results.reduce((sum, r) => sum + r.chance, 0),
      results: results.length,
    },
    veryFree: veryFreeTests(measured, person).map((m) => m.test),
  };
}
