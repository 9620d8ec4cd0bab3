import { soundBeats, thereAndBack, type Beat } from './beats.js';
import type { Bout } from './prescription.js';
import { repeatedSegment } from './segment.js';
import type { TechniqueKind } from './shape.js';
import { tempoOf, type Timings } from './timings.js';

const dose = (b: Bout): number => (b.reps ?? 0) * b.holdSeconds;

/** Out to the end, a short stay, and back. Where there is a stay only it counts; else the movement is logged. */
const beats = (b: Bout, t: Timings): Beat[] => {
  const [out, back] = thereAndBack(tempoOf(t), 'out', 'back', dose(b) === 0);
  return [out, { kind: 'pause', seconds: b.holdSeconds, counts: true }, back];
};

/** Slow movement into the stretch and out of it, with a pause at the end. */
export const MOVING_STRETCH: TechniqueKind = {
  breath: 'In as you begin, out as you reach the end.',
  begin: 'Begin small.',
  unit: 'repetitions',
  loaded: false,
  stretches: true,
  still: false,
  held: false,
  planned: true,
  calms: false,
  demands: [],
  section: 1,
  fields: ['sets', 'reps', 'holdSeconds', 'sessionsPerWeek'],
  needs: [],
  amount: { min: 4, max: 15 },
  defaults: { holdSeconds: 2, amountFloor: 4, stepSize: 1, step: 1, cap: 12 },
  handStep: 1,
  variables: ['depth'],
  extra: { depth: 0 },
  logged: () => 1,
  dose,
  beats,
  segments: (b, t, { turns }) => {
    const reps = b.reps ?? 0;
    const args = { reps, ...(b.trips && { trips: b.trips }), inTurn: turns > 1, pauseSeconds: b.holdSeconds };
    return [repeatedSegment('repetitions', soundBeats(beats(b, t)), reps, turns, { code: 'move', args })];
  },
};
