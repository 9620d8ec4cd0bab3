import type { Side } from '../anatomy/side.js';
import { kindOf } from '../technique/catalogue.js';
import { amountOf, assertPrescription, withAmount, type Bout, type Prescription } from '../technique/prescription.js';

/** Weekly seconds a side below which reviews see less gain: 5 min (Thomas E et al. 2018, Int J Sports Med 39(4):243-254; from memory). */
export const FAVOURED_WEEKLY_SECONDS = 300;

/** Weekly seconds a side at which gains flatten: 10 min (Ingram LA et al. 2025, Sports Med 55(3):597-617; from memory). */
export const FLATTENING_WEEKLY_SECONDS = 600;

/**
 * Time under stretch of one bout, whole seconds (domain 2.4): the hold; the stretch phases of contract-relax; lowering and pause of loaded
 * repetitions; the end pauses of moving ones. Rolling, activation, nerve glides and breathing stretch nothing and count 0.
 * @example boutDose({ technique: 'contract-relax', cycles: 3, pushSeconds: 6, holdSeconds: 15 }) // 45
 */
export function boutDose(b: Bout): number {
  return kindOf(b.technique).dose(b);
}

/**
 * Time under stretch of one session, seconds a side, without what the tighter side gets on top.
 * @example sessionDose({ technique: 'static hold', sets: 4, holdSeconds: 30 }) // 120
 */
export function sessionDose(b: Bout): number {
  return b.sets * boutDose(b);
}

/**
 * Time under stretch of one week, seconds a side, without what the tighter side gets on top.
 * @throws CoreError `invalid-prescription`
 * @example weeklyDose({ technique: 'static hold', sets: 2, holdSeconds: 30, sessionsPerWeek: 3, sensation: 5 }) // 180
 */
export function weeklyDose(p: Prescription): number {
  assertPrescription(p);
  return sessionDose(p) * p.sessionsPerWeek;
}

/** A side's bouts of a session: how many, and of which size. The bonus of the tighter side is in it. */
export function boutsOn(b: Bout, side: Side | null): { readonly sets: number; readonly bout: Bout } {
  const bonus = side !== null && b.bonus?.side === side ? b.bonus : null;
  if (!bonus) return { sets: b.sets, bout: b };
  return { sets: b.sets + bonus.sets, bout: bonus.more === 0 ? b : withAmount(b, amountOf(b) + bonus.more) };
}

/**
 * Time under stretch of one session on a side, bonus and all. Seconds.
 * @example sideSessionDose({ technique: 'static hold', sets: 2, holdSeconds: 30, bonus: { side: 'left', sets: 1, more: 0 } }, 'left') // 90
 */
export function sideSessionDose(b: Bout, side: Side): number {
  const { sets, bout } = boutsOn(b, side);
  return sets * boutDose(bout);
}

/** Time under stretch of one week on a side, bonus and all. Seconds. */
export function sideWeeklyDose(p: Prescription, side: Side): number {
  return sideSessionDose(p, side) * p.sessionsPerWeek;
}

/** Where a weekly dose lies against the figures of the reviews, without blame; null between the two. */
export type DoseRemark = 'below-favoured' | 'above-flattening';

/** @param secondsPerSide weekly dose of a group */
export function doseRemark(secondsPerSide: number): DoseRemark | null {
  if (secondsPerSide < FAVOURED_WEEKLY_SECONDS) return 'below-favoured';
  return secondsPerSide > FLATTENING_WEEKLY_SECONDS ? 'above-flattening' : null;
}

/**
 * What grows from week to week, for the ramp: the weekly dose, or for a technique that stretches nothing its bouts in their own unit
 * (rolled seconds, repetitions, breaths) a week.
 */
export function volume(p: Prescription): number {
  return (boutDose(p) > 0 ? sessionDose(p) : p.sets * amountOf(p)) * p.sessionsPerWeek;
}
