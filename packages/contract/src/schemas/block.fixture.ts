export const BLOCK_ID = '0190a1b2-c3d4-7e5f-8a9b-0c1d2e3f4a5b';

/** A lane on the wire. */
export const lane = {
  id: BLOCK_ID,
  group: 'soleus',
  styleId: 'steady-hold',
  laterStyles: [],
  fromWeek: 1,
  untilWeek: null,
  startingDose: null,
  loadUnit: null,
  startLoad: null,
  startHelp: null,
  loadMax: null,
  phaseWeeks: null,
  exercises: [{ technique: 'static hold', exerciseId: 'bent-knee-wall-calf', dayPlanId: null }],
  locked: [],
};

/** A day plan on the wire. */
export const dayPlan = {
  id: 'evening',
  name: 'Evening',
  weekdays: [1, 3, 5],
  purpose: 'own',
  minutes: null,
  warm: false,
  placeId: null,
  order: 'fewest changes',
  theme: null,
  routineId: null,
};

/** A whole block on the wire. */
export const block = {
  id: BLOCK_ID,
  startDate: '2026-03-09',
  weeks: 8,
  ramp: 0.2,
  easierEvery: 4,
  easierWeeks: null,
  missedWeeks: [],
  away: [],
  lanesPerSession: 5,
  smallestPlate: null,
  dayPlans: [dayPlan],
  lanes: [lane],
  reason: 'First plan',
};
