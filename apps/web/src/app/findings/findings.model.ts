import {
  changeBetween,
  conditionWords,
  differentConditions,
  exercisesFor,
  findings,
  formatFixed,
  formatNumber,
  formatReading,
  goalsOf,
  interestsOf,
  measuredTests,
  muscleGroupName,
  referenceGapWords,
  resultSeries,
  sidesOfTest,
  type Findings,
  type GroupFinding,
  type MeasuredTest,
  type MuscleGroupId,
  type Person,
  type RomTest,
  type TestCatalogue,
  type TestFinding,
} from '@yandle/core';
import type { Assessment, PrioritiesView } from '@yandle/contract';
import { conditionsOf } from '../measure/results';
import type { RegionShade } from '../ui/body-figure';
import { changeWords } from '../ui/change-words';

/** A test with its newest values and the day they were taken. */
export type DatedTest = MeasuredTest & {
  readonly date: string;
  /** Changes since the assessment before that measured it, side by side, in words; empty for the first. */
  readonly changes: readonly string[];
  /** Comparisons behind them, and how many are more than the error. */
  readonly compared: { readonly all: number; readonly real: number };
};

/**
 * The newest result of every test of a client, with the day it was taken, the error of who took it, and the client's goal.
 * @param goals by test, in its unit
 */
export function newestResults(
  assessments: readonly Assessment[],
  catalogue: TestCatalogue,
  goals: ReadonlyMap<string, number> = new Map(),
): DatedTest[] {
  return measuredTests(assessments, catalogue).map((m): DatedTest => {
    const changes = sidesOfTest(m.test).flatMap((side) => {
      const series = resultSeries(assessments, catalogue, m.test, side);
      const [before, now] = [series.at(-2), series.at(-1)];
      if (!before || !now) return [];
      const change = changeBetween(before.value, now.value, m.test.better, [before, now]);
      const [a, b] = [before.from.at(-1)!, now.from.at(-1)!];
      const different = differentConditions(conditionsOf(a, m.test, side), conditionsOf(b, m.test, side));
      const words = `${side === null ? '' : `${side} `}${changeWords(change, m.test)}`;
      return [{ words, real: change.class !== 'no detectable change', different: different.map(conditionWords) }];
    });
    const different = [...new Set(changes.flatMap((c) => c.different))];
    return {
      ...m,
      goal: goals.get(m.test.id) ?? null,
      // What speaks against comparing is said once for both sides.
      changes: [
        ...changes.map((c) => c.words),
        ...(different.length > 0 ? [`different: ${different.join(', ')}`] : []),
      ],
      compared: { all: changes.length, real: changes.filter((c) => c.real).length },
    };
  });
}

/** The gap in words: "left 44°, 16° short of 28°". */
export function gapWords(f: TestFinding): string {
  const unit = f.test.unit;
  const where = f.side ? `${f.side} ` : '';
  const value = `${where}${formatReading(f.value, unit)}`;
  if (!f.target || !f.shortfall) return `${value}, nothing to compare with`;
  const target = formatReading(f.target.value, unit);
  const gap = f.shortfall.gap;
  if (gap <= 0) return `${value}, reaches ${target}`;
  const size = `${formatReading(gap, unit)} short of ${target}`;
  return f.shortfall.spreads === 0 ? `${value}, ${size}, within error` : `${value}, ${size}`;
}

/** Where a target comes from, in words. */
export function targetWords(f: TestFinding): string {
  const { reference } = f;
  if (!f.target && reference.kind === 'nominal' && reference.nearest)
    return `nearest age ${reference.nearest.join('-')}: ${formatReading(reference.value, f.test.unit)}; nothing is short against it`;
  if (!f.target) return reference.kind === 'none' ? referenceGapWords(reference.because) : '';
  if (f.target.from === 'goal') return 'the client’s goal';
  if (f.target.from === 'typical range') return 'the lower edge of the typical range';
  return 'a nominal value, less two of the trade’s usual spreads';
}

/** How large a gap is beside what a measurement can tell at all; empty without one. */
export function stepsWords(f: TestFinding): string {
  if (!f.shortfall || f.shortfall.gap <= 0) return '';
  return `${formatNumber(f.shortfall.detectableSteps)} × the smallest real change`;
}

/** Why a group stands where it stands, in one sentence. */
export function whyWords(g: GroupFinding, complaints: readonly string[] = []): string {
  const short = g.tests.filter((t) => (t.finding.shortfall?.spreads ?? 0) > 0);
  const reasons = short.slice(0, 2).map(({ finding }) => {
    return `${finding.test.name}: ${gapWords(finding)}`;
  });
  const [widest] = [...g.tests].sort((a, b) => b.finding.sideSpreads - a.finding.sideSpreads);
  if (g.parts.side > 0) reasons.push(`the ${g.tighter} side is clearly tighter (${widest!.finding.test.name})`);
  if (g.parts.complaint > 0)
    reasons.push(complaints.length > 0 ? `complaint: ${complaints.join(', ')}` : 'a complaint goes with it');
  if (g.parts.interest > 0) reasons.push('the client asked for it');
  const text = reasons.join('; ');
  return `${text.charAt(0).toUpperCase()}${text.slice(1)}.`;
}

/** True when the library has a stretch for a group, so that a lane can be made of it. */
export function canBeLane(g: Pick<GroupFinding, 'group'>): boolean {
  return exercisesFor(g.group).length > 0;
}

export const groupNames = (groups: readonly Parameters<typeof muscleGroupName>[0][]): string =>
  groups.map((g) => muscleGroupName(g)).join('; ');

/** Tests by name. */
export const testNames = (tests: readonly RomTest[]): string => tests.map((t) => t.name).join(', ');

/** Tints of the body by score, each with its words. @param top score of the darkest tint */
export function shadesOf(found: Findings, top: number): Map<MuscleGroupId, RegionShade> {
  const shades = new Map<MuscleGroupId, RegionShade>();
  found.ranked.forEach((g, i) => {
    const step = Math.min(6, 3 + Math.floor((g.score / top) * 4));
    const words = `${muscleGroupName(g.group)}: place ${i + 1}, score ${formatFixed(g.score, 1)}`;
    shades.set(g.group, { fill: `var(--sense-${step})`, words });
  });
  for (const g of found.fine)
    shades.set(g, { fill: 'var(--minutes)', words: `${muscleGroupName(g)}: reaches its target` });
  for (const g of found.notMeasured)
    shades.set(g, { fill: 'var(--sheet)', words: `${muscleGroupName(g)}: not measured` });
  return shades;
}

/** What a client's newest results say, with the client's goals and what coach and client want; null before anything is measured. */
export function foundIn(
  assessments: readonly Assessment[],
  catalogue: TestCatalogue,
  wishes: PrioritiesView,
  person: Person,
): Findings | null {
  const measured = newestResults(assessments, catalogue, goalsOf(wishes));
  return measured.length === 0 ? null : findings(measured, person, interestsOf(wishes));
}
