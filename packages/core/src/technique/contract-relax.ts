import { plainSegment } from './segment.js';
import type { TechniqueKind } from './shape.js';

/** Push against what does not move, let go, go a little further; some cycles of it. Only the stretches count. */
export const CONTRACT_RELAX: TechniqueKind = {
  breath: 'Breathe on while you push; sink on the breath out.',
  begin: 'Go to the first clear pull.',
  unit: 'seconds',
  loaded: false,
  stretches: true,
  still: false,
  held: false,
  planned: true,
  calms: true,
  demands: ['push'],
  section: 2,
  fields: ['sets', 'holdSeconds', 'sessionsPerWeek', 'cycles', 'pushSeconds', 'effort'],
  needs: ['cycles', 'pushSeconds'],
  amount: { min: 10, max: 30 },
  defaults: { holdSeconds: 15, amountFloor: 10, stepSize: 1, step: 5, cap: 60 },
  handStep: 1,
  variables: ['cycles', 'effort'],
  extra: {},
  logged: (b) => b.cycles ?? 1,
  dose: (b) => (b.cycles ?? 1) * b.holdSeconds,
  beats: () => [],
  segments: (b, t) =>
    Array.from({ length: b.cycles ?? 1 }, () => [
      plainSegment('push', b.pushSeconds ?? 0, { code: 'push', args: { effort: b.effort ?? 0 } }),
      plainSegment('let go', t.letGo, { code: 'let-go' }),
      plainSegment('hold', b.holdSeconds, { code: 'deeper' }, b.holdSeconds),
    ]).flat(),
};
