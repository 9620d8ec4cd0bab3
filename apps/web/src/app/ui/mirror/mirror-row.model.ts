import {
  errorOf,
  formatReading,
  freedom,
  freedomRange,
  sideDifference,
  whisker95,
  type RomResult,
  type RomTest,
  type Side,
} from '@yandle/core';
import { changeOf } from '../change-words';

/** One bar of a mirror row. All places are fractions of the scale: 0 at the spine, 1 at the outer (freest) end. */
export interface MirrorBar {
  readonly fill: number;
  /** The number printed at the outer end. */
  readonly text: string;
  readonly whisker: { readonly from: number; readonly to: number } | null;
  /** Where it was before; solid when the change is more than the error. */
  readonly last: { readonly at: number; readonly solid: boolean; readonly text: string } | null;
  readonly reference: number | null;
  /** What was planned, as an outline. */
  readonly plan: number | null;
}

/** A row: label on the spine, left to the left, right to the right. */
export interface MirrorRowModel {
  readonly label: string;
  readonly sub: string;
  readonly subTone: 'plain' | 'attention';
  readonly bars: Readonly<Record<Side, MirrorBar | null>>;
  /** A test without sides: one value, drawn alike to both sides in a colour of its own. */
  readonly sideless?: boolean;
}

/** Results of one test in one assessment. */
export interface SidedResults {
  readonly left: RomResult | null;
  readonly right: RomResult | null;
  /** Of a test without sides. */
  readonly both?: RomResult | null;
}

function bar(
  test: RomTest,
  now: RomResult | null,
  last: RomResult | null,
  reference: number | null,
  lastTest: RomTest,
): MirrorBar | null {
  if (!now) return null;
  const { sem } = errorOf(test, now);
  const change = last ? changeOf(lastTest, test, last, now) : null;
  return {
    fill: freedom(now.value, test),
    text: formatReading(now.value, test.unit),
    whisker: freedomRange(now.value, whisker95(sem), test),
    last: last
      ? {
          at: freedom(last.value, test),
          solid: change?.class !== 'no detectable change',
          text: formatReading(last.value, test.unit),
        }
      : null,
    reference: reference === null ? null : freedom(reference, test),
    plan: null,
  };
}

/** What the measurement error allows to say about the two sides, in a few words. */
export function sideWords(test: RomTest, now: SidedResults): { text: string; notable: boolean } {
  if (!now.left && !now.right) return { text: 'not measured', notable: false };
  if (!now.left || !now.right) return { text: `${now.left ? 'right' : 'left'} not measured`, notable: false };
  const d = sideDifference(now.left.value, now.right.value, test, [errorOf(test, now.left), errorOf(test, now.right)]);
  const size = formatReading(Math.abs(d.delta), test.unit);
  // Named by a direction, a short motion does not say which side is tight: the finding does.
  const short =
    test.sides === 'direction'
      ? `less to the ${d.less}, by ${size}`
      : `${d.less === 'left' ? 'L' : 'R'} tighter by ${size}`;
  if (d.notable) return { text: short, notable: true };
  return { text: `difference ${size}, within error`, notable: false };
}

/**
 * The mirror row of a test: results now, and where they were before.
 * @param reference where the tick is drawn, in the unit of the test; null for none
 * @param lastTest the test with the error of who measured before, when that was somebody else
 */
export function testRow(
  test: RomTest,
  now: SidedResults,
  last: SidedResults | null,
  reference: number | null,
  lastTest: RomTest = test,
): MirrorRowModel {
  if (test.sides === 'none') {
    const one = bar(test, now.both ?? null, last?.both ?? null, reference, lastTest);
    return {
      label: test.name,
      sub: one ? 'no sides' : 'not measured',
      subTone: 'plain',
      bars: { left: one, right: one },
      sideless: true,
    };
  }
  const words = sideWords(test, now);
  return {
    label: test.name,
    sub: words.text,
    subTone: words.notable ? 'attention' : 'plain',
    bars: {
      left: bar(test, now.left, last?.left ?? null, reference, lastTest),
      right: bar(test, now.right, last?.right ?? null, reference, lastTest),
    },
  };
}

/** A mirror row of seconds done against seconds planned, on one scale. */
export function doseRow(
  label: string,
  sub: string,
  planned: Readonly<Record<Side, number>>,
  done: Readonly<Record<Side, number>>,
  fullScale: number,
): MirrorRowModel {
  const one = (side: Side): MirrorBar => ({
    fill: Math.min(1, done[side] / fullScale),
    text: `${done[side]} s`,
    whisker: null,
    last: null,
    reference: null,
    plan: Math.min(1, planned[side] / fullScale),
  });
  return { label, sub, subTone: 'plain', bars: { left: one('left'), right: one('right') } };
}
