import { volume } from '../../dose/dose.js';
import { amountOf, withAmount, type Prescription } from '../../technique/prescription.js';
import { capOf, type Progression, type Step } from './progression.js';
import { mostAfter } from './ramp.js';
import { scaleTo } from './scale.js';

/** A step brought back inside the limits, as after a cell set by hand; never with more volume than the ramp allows where that can be helped. */
export function clampStep(current: Step, progression: Progression, ramp: number): Step {
  const { limits, phase } = progression;
  const p = current.prescription;
  const within: Prescription = withAmount(
    {
      ...p,
      sets: Math.min(p.sets, limits.setsMax),
      sessionsPerWeek: Math.min(p.sessionsPerWeek, limits.sessionsMax),
      sensation: Math.min(p.sensation, limits.sensationMax),
      ...(p.effort === undefined ? {} : { effort: Math.min(p.effort, limits.effortMax) }),
      // A variable without a cap does not move; what was set by hand stays.
      ...(p.cycles === undefined || phase.caps.cycles === undefined
        ? {}
        : { cycles: Math.min(p.cycles, capOf('cycles', progression)) }),
      ...(p.load === undefined ? {} : { load: Math.min(p.load, capOf('load', progression)) }),
    },
    Math.min(Math.max(amountOf(p), limits.amountMin), limits.amountMax),
  );
  const most = Math.min(mostAfter(volume(p), ramp), limits.doseMax ?? Infinity);
  if (volume(within) > most + 1e-9)
    return { ...current, prescription: scaleTo(within, most, limits.amountMin, phase.stepSize) };
  return { ...current, prescription: within };
}
