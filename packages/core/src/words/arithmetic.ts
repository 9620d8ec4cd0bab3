import { boutDose, sessionDose, sideWeeklyDose, weeklyDose } from '../dose/dose.js';
import { amountOf, type Prescription } from '../technique/prescription.js';
import { boutFactors } from './technique.js';

/** A line of the arithmetic of a week: what is multiplied, and what it comes to. */
export interface DoseLine {
  readonly words: string;
  /** In seconds, or in the unit the line names. */
  readonly value: string;
}

const times = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`;

function boutLine(p: Prescription): DoseLine | null {
  const words = boutFactors(p);
  return words === null ? null : { words, value: `${boutDose(p)} s` };
}

/** How the weekly time under stretch of a side comes about, line by line, the last one the sum (domain 2.4). */
export function doseArithmetic(p: Prescription): DoseLine[] {
  const bout = boutLine(p);
  const counted = boutDose(p) > 0;
  const unit = counted ? 's' : '';
  const perSession = counted ? sessionDose(p) : p.sets * amountOf(p);
  const perWeek = counted ? weeklyDose(p) : perSession * p.sessionsPerWeek;
  const lines: DoseLine[] = bout ? [bout] : [];
  lines.push({
    words: bout ? `× ${times(p.sets, 'set')}` : `${times(p.sets, 'set')} × ${amountOf(p)}${counted ? ' s' : ''}`,
    value: `${perSession} ${unit}`.trim(),
  });
  lines.push({ words: `× ${times(p.sessionsPerWeek, 'session')}`, value: `${perWeek} ${unit}`.trim() });
  if (p.bonus && counted) {
    const more = sideWeeklyDose(p, p.bonus.side);
    lines.push({
      words: `${p.bonus.side} side, with ${p.bonus.sets > 0 ? times(p.bonus.sets, 'set') : `${p.bonus.more} a bout`} more`,
      value: `${more} s`,
    });
  }
  return lines;
}
