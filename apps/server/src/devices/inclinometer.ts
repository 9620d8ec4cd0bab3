import {
  INCLINOMETER_DEFAULTS,
  INCLINOMETER_HZ,
  inclinometerSample,
  settledAngle,
  type InclinometerSettings,
} from '@yandle/core';
import type { StudioData } from '../database/studio-data.js';
import { InclinometerEntity } from './entities.js';

/** Milliseconds between samples. */
export const SAMPLE_MS = 1000 / INCLINOMETER_HZ;

/** Where a simulated inclinometer stands. Times are milliseconds since 1970. */
export interface InclinometerState {
  readonly settings: InclinometerSettings;
  /** Degrees from which the limb began to move. */
  readonly fromDegrees: number;
  readonly changedAt: number;
  readonly startedAt: number;
}

const momentOf = (state: InclinometerState, now: number) => ({
  from: state.fromDegrees,
  sinceChange: (now - state.changedAt) / 1000,
  sinceStart: (now - state.startedAt) / 1000,
});

/** What it shows now; null where it drops out. */
export function sampleOf(state: InclinometerState, now: number, random: () => number): number | null {
  return inclinometerSample(state.settings, momentOf(state, now), random);
}

/** The one of a studio, as whichever process set it last; on the desk as delivered before that. */
export async function inclinometerOf(data: StudioData): Promise<InclinometerState> {
  const now = data.now.getTime();
  const row = await data.findOne(InclinometerEntity, { id: data.studioId });
  return row ?? { settings: INCLINOMETER_DEFAULTS, fromDegrees: 0, changedAt: now, startedAt: now };
}

/** The limb begins to move from where it is now to the new true angle. */
export async function setInclinometer(data: StudioData, settings: InclinometerSettings): Promise<InclinometerState> {
  const now = data.now.getTime();
  return data.transaction(async (tx) => {
    const [row] = await tx.findLocked(InclinometerEntity, { id: tx.studioId });
    const before = row ?? (await inclinometerOf(tx));
    const state: InclinometerState = {
      settings,
      fromDegrees: settledAngle({ ...before.settings, driftPerMinute: 0 }, momentOf(before, now)),
      changedAt: now,
      startedAt: before.startedAt,
    };
    if (row) await tx.update(InclinometerEntity, { id: tx.studioId }, state);
    else await tx.insert(InclinometerEntity, { ...state, id: tx.studioId });
    return state;
  });
}
