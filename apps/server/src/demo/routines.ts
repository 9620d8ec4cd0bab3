import type { OwnRoutineBody } from '@yandle/contract';
import { exerciseById, firstItem, type SessionItem } from '@yandle/core';

const item = (id: string, over: Partial<SessionItem>): SessionItem => ({ ...firstItem(exerciseById(id)), ...over });

/** A routine of the demo studio: moves that end in a hold, a neck in three directions, a lunge in breaths. */
export const DEMO_ROUTINE: OwnRoutineBody = {
  ...{ version: null, archived: false, clientId: null, name: 'Slow Sunday' },
  note: 'Five moves, then stay. For quiet days, after a walk.',
  ...{ purpose: 'evening', alreadyWarm: true, rounds: 1, minutes: 15 },
  items: [
    item('supine-strap-hamstring', {
      ...{ technique: 'moving stretch', reps: 5, holdSeconds: 2, depth: 0 },
      then: [{ technique: 'static hold', holdSeconds: 20 }],
    }),
    item('half-kneeling-hip-flexor', { breaths: 6, holdSeconds: 30 }),
    item('crossed-knee-pull', {
      ...{ technique: 'moving stretch', reps: 5, holdSeconds: 2, depth: 0 },
      then: [{ technique: 'static hold', holdSeconds: 20 }],
    }),
    item('seated-ear-to-shoulder', {
      ...{ holdSeconds: 10, name: 'chin level' },
      then: [
        { name: 'chin down', holdSeconds: 10 },
        { name: 'chin up', holdSeconds: 10 },
      ],
    }),
    item('lower-rib-breathing', { reps: 8 }),
  ],
};
