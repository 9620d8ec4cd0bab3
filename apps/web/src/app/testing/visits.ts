import type { Assessment, FocusView, TestBookView, Trial } from '@yandle/contract';
import type { Side } from '@yandle/core';

/** Visits, readings and answers of the server, as the component specs need them. */
export function aTrial(testId: string, side: Side | null, value: number, over: Partial<Trial> = {}): Trial {
  return {
    id: `${testId}-${side}-${value}`,
    testId,
    side,
    value,
    instrument: 'goniometer',
    replaces: null,
    replacedBy: null,
    warm: null,
    testerId: null,
    ...over,
  };
}

export function aVisit(date: string, trials: readonly Trial[] = [], over: Partial<Assessment> = {}): Assessment {
  return {
    id: `v-${date}`,
    clientId: 'c1',
    date,
    time: '09:40',
    warm: false,
    testerId: 'k1',
    testerName: 'Mara Thornebrook',
    note: '',
    battery: [...new Set(trials.map((t) => t.testId))],
    hoursSinceSession: null,
    trials,
    events: [],
    beighton: null,
    pictures: [],
    ...over,
  };
}

export const NO_FOCUS: FocusView = {
  focus: { version: null, interests: [], pinned: [], excluded: [], order: [], quickCheck: [] },
  goals: [],
  felt: [],
};

export const EMPTY_BOOK: TestBookView = { ownTests: [], batteries: [], errors: [] };
