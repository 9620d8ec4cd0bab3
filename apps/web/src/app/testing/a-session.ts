import type { Run, Session } from '@yandle/contract';

/** A planned session of calf and hamstrings, to be bent by a test. */
export function aSession(over: Partial<Session> = {}): Session {
  const items: Session['items'] = over.items ?? [
    { exerciseId: 'bent-knee-wall-calf', sets: 2, holdSeconds: 30, sensation: 5, firstSide: 'right' },
    { exerciseId: 'supine-strap-hamstring', sets: 2, holdSeconds: 30, sensation: 5, firstSide: 'left' },
  ];
  return {
    id: 's1',
    clientId: 'c1',
    blockId: 'b1',
    name: null,
    date: '2026-03-11',
    plannedDate: '2026-03-11',
    week: 1,
    status: 'planned',
    totalSeconds: 544,
    exerciseIds: items.map((i) => i.exerciseId),
    clientName: 'Ottoline Varga',
    version: 1,
    purpose: 'own',
    alreadyWarm: false,
    rounds: 1,
    minutes: null,
    asPlanned: { purpose: 'own', alreadyWarm: false, rounds: 1, minutes: null },
    minutesBudget: 20,
    items,
    plannedItems: items,
    forms: items.map(() => ({ easier: null, harder: null, choice: null })),
    breathSeconds: null,
    ranked: ['soleus', 'hamstrings'],
    weekWork: [],
    near: [],
    run: null,
    otherRuns: [],
    openSymptoms: [],
    ...over,
  };
}

/** A run of it, begun. */
export function aRun(over: Partial<Run> = {}): Run {
  return {
    id: 'r1',
    sessionId: 's1',
    startedAt: '2026-03-11T17:00:00.000Z',
    endedAt: null,
    source: 'coach',
    sensation: null,
    feltTighter: null,
    tighterIn: [],
    note: '',
    wellness: null,
    withdrawn: false,
    earlier: [],
    sets: [],
    ...over,
  };
}
