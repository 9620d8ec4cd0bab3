import { volume } from '../../dose/dose.js';
import { amountOf, withAmount, type Prescription } from '../../technique/prescription.js';

/** What an easier week keeps of the last full week's dose: about this share, between the two bounds. Common practice, no source. */
export const EASIER_SHARE = { aim: 0.6, least: 0.4, most: 0.8 } as const;

/** How far a prescription is from 60 % of a full week, in its weekly volume. */
export function easierMiss(p: Prescription, build: Prescription): number {
  return Math.abs(volume(p) - EASIER_SHARE.aim * volume(build));
}

/** True when a week keeps 40-80 % of a full one. */
export function isEasier(p: Prescription, build: Prescription): boolean {
  const share = volume(p) / volume(build);
  return share >= EASIER_SHARE.least - 1e-9 && share <= EASIER_SHARE.most + 1e-9;
}

/** An easier week; `smaller` is false where nothing smaller exists and only the sensation is lower. */
export interface EasierWeek {
  readonly prescription: Prescription;
  readonly smaller: boolean;
}

/**
 * An easier week after a full week (domain 2.6, 3): the first of these that lands in 40-80 % of it, nearest 60 % within it: fewer sets, else fewer
 * sessions (two at least), else a shorter bout. Load and depth stay, the sensation is one lower. Of two equally near the larger.
 * @param least smallest bout, on the grid of `stepSize`
 */
export function easierWeek(build: Prescription, least: number, stepSize: number): EasierWeek {
  const sensation = Math.max(1, build.sensation - 1);
  const amount = amountOf(build);
  const down = (from: number, to: number): number[] =>
    Array.from({ length: Math.max(0, from - to) }, (_, i) => from - 1 - i);
  const shorter: number[] = [];
  for (let a = Math.ceil(amount / stepSize - 1) * stepSize; a >= least; a -= stepSize) shorter.push(a);
  const families: readonly (readonly Prescription[])[] = [
    down(build.sets, 1).map((sets) => ({ ...build, sets })),
    down(build.sessionsPerWeek, 2).map((sessionsPerWeek) => ({ ...build, sessionsPerWeek })),
    shorter.map((a) => withAmount(build, a)),
  ];
  for (const family of families) {
    const able = family.filter((p) => isEasier(p, build));
    const [first] = able;
    if (!first) continue;
    const best = able.reduce((a, b) => (easierMiss(b, build) < easierMiss(a, build) - 1e-9 ? b : a), first);
    return { prescription: { ...best, sensation }, smaller: true };
  }
  return { prescription: { ...build, sensation }, smaller: false };
}
