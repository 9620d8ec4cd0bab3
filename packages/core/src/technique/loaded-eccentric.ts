import { soundBeats, type Beat } from './beats.js';
import type { Bout } from './prescription.js';
import { repeatedSegment, supportArgs } from './segment.js';
import type { TechniqueKind } from './shape.js';
import type { Timings } from './timings.js';

const beats = (b: Bout, t: Timings): Beat[] => [
  { kind: 'lower', seconds: b.lowerSeconds ?? 0, counts: true },
  { kind: 'pause', seconds: b.holdSeconds, counts: true },
  { kind: 'return', seconds: t.return, counts: false },
];

/** Lower slowly into the stretch under load, stay, come back with help. Lowering and pause count. */
export const LOADED_ECCENTRIC: TechniqueKind = {
  breath: 'In on the way down, out on the way back.',
  begin: 'Take your place; begin from the top.',
  unit: 'repetitions',
  loaded: true,
  stretches: true,
  still: false,
  held: false,
  planned: true,
  calms: false,
  demands: ['load', 'lowering'],
  section: 2,
  fields: ['sets', 'reps', 'lowerSeconds', 'holdSeconds', 'sessionsPerWeek', 'assistance'],
  needs: ['lowerSeconds'],
  amount: { min: 4, max: 12 },
  defaults: { holdSeconds: 2, amountFloor: 4, stepSize: 1, step: 1, cap: 12 },
  handStep: 1,
  variables: ['assistance', 'load'],
  extra: {},
  logged: () => 1,
  dose: (b) => (b.reps ?? 0) * ((b.lowerSeconds ?? 0) + b.holdSeconds),
  beats,
  segments: (b, t, { turns }) => {
    const reps = b.reps ?? 0;
    return [
      repeatedSegment('repetitions', soundBeats(beats(b, t)), reps, turns, {
        code: 'lower',
        args: {
          ...supportArgs(b),
          reps,
          inTurn: turns > 1,
          lowerSeconds: b.lowerSeconds ?? 0,
          pauseSeconds: b.holdSeconds,
        },
      }),
    ];
  },
};
