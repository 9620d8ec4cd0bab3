import { placeOfKind, type About, type Answers, type QuestionId } from '@yandle/core';
import type {
  CheckInBody,
  ClearanceBody,
  ClientBody,
  SelfReportBody,
  PrioritiesBody,
  GoalBody,
  StudyBody,
} from '@yandle/contract';

/** Where the demo studios are: in Vienna, unless the setting says another zone (the browser tests run at the same hour at any time of day). */
const ZONE = process.env['DEMO_TIME_ZONE'] ?? 'Europe/Vienna';

/** All people and places here are invented. */
export const DEMO_STUDIO = {
  id: '0d3f0000-0000-4000-8000-000000000001',
  name: 'Harbour Lane Mobility',
  timeZone: ZONE,
};
/** Exists to prove that nothing of it is ever seen from the first. */
export const OTHER_STUDIO = {
  id: '0d3f0000-0000-4000-8000-000000000002',
  name: 'Millpond Movement Room',
  timeZone: ZONE,
};

export const DEMO_PASSWORD = 'long-easy-breath';

export const DEMO_COACHES = [
  {
    id: '0d3f0000-0000-4000-8000-000000000011',
    studioId: DEMO_STUDIO.id,
    name: 'Mara Thornebrook',
    email: 'mara@harbourlane.example',
    role: 'owner',
  },
  {
    id: '0d3f0000-0000-4000-8000-000000000012',
    studioId: DEMO_STUDIO.id,
    name: 'Joris Ebbing',
    email: 'joris@harbourlane.example',
    role: 'coach',
  },
  {
    id: '0d3f0000-0000-4000-8000-000000000013',
    studioId: OTHER_STUDIO.id,
    name: 'Silva Pendry',
    email: 'silva@millpond.example',
    role: 'owner',
  },
] as const;

/** True value of a test on a side at the start, and what a week of stretching adds (signed as the reading). */
export interface DemoTest {
  readonly testId: string;
  readonly left: number;
  readonly right: number;
  readonly perWeek: { readonly left: number; readonly right: number };
}

export interface DemoClient {
  readonly body: Omit<ClientBody, 'leadCoachId' | 'birthDate'>;
  readonly age: number;
  readonly lead: 0 | 1;
  readonly tests: readonly DemoTest[];
  /** Weeks since the block began (0: this week), how many it has, its groups, and their styles where not the usual one; null for no block. */
  readonly block: {
    readonly weeksAgo: number;
    readonly weeks: number;
    readonly groups: readonly string[];
    readonly styles?: Readonly<Record<string, string>>;
  } | null;
  /** Share of the sets that are done. */
  readonly adherence: number;
  /** Weeks before the block's start that are measured, 0 = baseline; further ones are retests. */
  readonly assessmentWeeks: readonly number[];
  readonly symptom?: boolean;
  /** Weeks in which only the two tests of the quick check are measured. */
  readonly quickCheck?: { readonly testIds: readonly [string, string]; readonly weeks: readonly number[] };
  readonly goals?: readonly Omit<GoalBody, 'due'>[];
  /** What the client said, so many days ago. */
  readonly checkIns?: readonly (Omit<CheckInBody, 'date' | 'sessionId'> & { readonly daysAgo: number })[];
  readonly selfReports?: readonly (Omit<SelfReportBody, 'date'> & { readonly daysAgo: number })[];
  readonly interests?: PrioritiesBody['interests'];
  /** Questions answered with yes, all others with no; null for questions not asked yet. */
  readonly yes?: readonly QuestionId[] | null;
  readonly details?: Answers['details'];
  readonly about?: Partial<About>;
  readonly clearances?: readonly Omit<ClearanceBody, 'on'>[];
}

const base = { gentleGroups: [], screening: 'clear', screeningNote: '', notes: '' } as const;

export const DEMO_CLIENTS: readonly DemoClient[] = [
  {
    body: {
      ...base,
      name: 'Ottoline Varga',
      sex: 'female',
      aim: 'Sit on my heels in the garden and get up without a hand',
      experience: 'regular',
      trainingDays: [1, 3, 5, 6],
      minutesPerSession: 20,
    },
    about: {
      aims: ['heels-sit', 'squat'],
      sittingHours: 5,
      sport: 'gardening, hill walks',
      places: [placeOfKind('home', 'home', ['strap', 'block', 'sofa']), placeOfKind('gym', 'gym')],
      times: ['evening'],
      heightCm: 168,
      dominantSide: 'right',
    },
    age: 46,
    lead: 0,
    tests: [
      { testId: 'weight-bearing-lunge', left: 6.4, right: 9.1, perWeek: { left: 0.5, right: 0.12 } },
      { testId: 'active-knee-extension', left: 38, right: 29, perWeek: { left: -2.3, right: -0.6 } },
      { testId: 'thomas-hip', left: -7, right: 3, perWeek: { left: 0.5, right: 0.2 } },
      { testId: 'shoulder-flexion', left: 158, right: 163, perWeek: { left: 0.3, right: 0.1 } },
      { testId: 'neck-rotation', left: 54, right: 66, perWeek: { left: 0.4, right: 0 } },
    ],
    block: { weeksAgo: 5, weeks: 8, groups: ['soleus', 'hamstrings'] },
    adherence: 0.94,
    assessmentWeeks: [0, 2, 4],
    quickCheck: { testIds: ['weight-bearing-lunge', 'active-knee-extension'], weeks: [1, 3, 5] },
    goals: [{ testId: 'weight-bearing-lunge', value: 11, words: 'sit on my heels' }],
    checkIns: [
      {
        ...{ daysAgo: 22, moment: 'day', inTheWay: ['time'], away: [], note: '' },
        stiffness: [
          { region: 'lower-leg', score: 5 },
          { region: 'thigh-back', score: 7 },
        ],
        complaints: [{ region: 'low-back', score: 4 }],
      },
      {
        ...{ daysAgo: 15, moment: 'day', inTheWay: [], away: [], note: '' },
        stiffness: [
          { region: 'lower-leg', score: 4 },
          { region: 'thigh-back', score: 6 },
        ],
        complaints: [],
      },
      {
        ...{ daysAgo: 9, moment: 'before session', inTheWay: [], away: [], note: '', complaints: [] },
        stiffness: [{ region: 'thigh-back', score: 6 }],
      },
      {
        ...{ daysAgo: 9, moment: 'after session', inTheWay: [], away: [], note: '', complaints: [] },
        stiffness: [{ region: 'thigh-back', score: 3 }],
      },
      {
        ...{ daysAgo: 8, moment: 'day', inTheWay: ['tired'], away: [], note: 'The long hold at the wall is fine now' },
        stiffness: [
          { region: 'lower-leg', score: 3 },
          { region: 'thigh-back', score: 4 },
        ],
        complaints: [{ region: 'low-back', score: 2 }],
      },
    ],
    selfReports: [
      { daysAgo: 30, region: 'low-back', kind: 'complaint', moment: 'day', score: 5, habits: ['sitting'] },
      { daysAgo: 3, region: 'low-back', kind: 'complaint', moment: 'day', score: 3, habits: ['sitting'] },
    ],
    interests: [{ group: 'hip-flexors', coach: 1, client: 2 }],
  },
  {
    body: {
      ...base,
      name: 'Tobin Quillfeather',
      sex: 'male',
      aim: 'Run a half marathon without calves like wood',
      experience: 'regular',
      trainingDays: [2, 4, 7],
      minutesPerSession: 25,
    },
    about: {
      training: 'runs four days a week',
      sport: 'running',
      times: ['after training'],
      places: [placeOfKind('home', 'home', ['step', 'weight'])],
    },
    age: 29,
    lead: 0,
    tests: [
      { testId: 'weight-bearing-lunge', left: 7.8, right: 7.5, perWeek: { left: 0.2, right: 0.25 } },
      { testId: 'active-knee-extension', left: 33, right: 36, perWeek: { left: -0.8, right: -0.9 } },
    ],
    block: {
      weeksAgo: 2,
      weeks: 8,
      groups: ['calf', 'soleus', 'hamstrings'],
      styles: { calf: 'loaded-range', hamstrings: 'push-relax' },
    },
    adherence: 0.8,
    assessmentWeeks: [0],
    symptom: true,
  },
  {
    body: {
      ...base,
      name: 'Isaura Bellwether',
      sex: 'female',
      aim: 'Look after my balance on the stairs',
      experience: 'beginner',
      trainingDays: [1, 2, 4, 5],
      minutesPerSession: 15,
      gentleGroups: ['hamstrings'],
      notes: 'Wears hearing aids: give cues from the front.',
    },
    yes: ['balance', 'pressure'],
    details: { balance: ['unsteady'], pressure: ['controlled'] },
    about: { aims: ['squat'], places: [placeOfKind('chair')], times: ['morning'] },
    age: 71,
    lead: 1,
    tests: [
      { testId: 'weight-bearing-lunge', left: 8.9, right: 8.2, perWeek: { left: 0.25, right: 0.3 } },
      { testId: 'active-knee-extension', left: 27, right: 26, perWeek: { left: -0.5, right: -0.5 } },
    ],
    block: { weeksAgo: 3, weeks: 12, groups: ['soleus', 'hamstrings'] },
    adherence: 0.98,
    assessmentWeeks: [0],
  },
  {
    body: {
      ...base,
      name: 'Lorcan Ashgrove',
      sex: 'male',
      aim: 'Kick higher in dance class',
      experience: 'regular',
      trainingDays: [1, 3, 6],
      minutesPerSession: 15,
    },
    clearances: [{ cautionId: 'under-18', who: 'Brona Ashgrove, guardian', lifts: [], note: 'Agreed in writing.' }],
    age: 16,
    lead: 1,
    tests: [
      { testId: 'weight-bearing-lunge', left: 10.2, right: 10.6, perWeek: { left: 0.1, right: 0.1 } },
      { testId: 'active-knee-extension', left: 24, right: 22, perWeek: { left: -1.2, right: -1 } },
    ],
    block: { weeksAgo: 0, weeks: 8, groups: ['hamstrings', 'quadriceps'] },
    adherence: 1,
    assessmentWeeks: [0],
  },
  {
    body: {
      ...base,
      name: 'Petronella Sand',
      sex: 'female',
      aim: 'Less back ache after long drives',
      experience: 'beginner',
      trainingDays: [2, 5],
      minutesPerSession: 20,
      notes: 'Leg pain below the knee when bending: asked to see her doctor first.',
    },
    yes: ['leg-pain'],
    about: { aims: ['stand-tall'], sittingHours: 9, training: 'none at present' },
    age: 52,
    lead: 0,
    tests: [],
    block: null,
    adherence: 0,
    assessmentWeeks: [],
  },
  {
    body: {
      ...base,
      name: 'Emeric Holloway',
      sex: 'male',
      aim: 'Touch my toes again',
      experience: 'beginner',
      trainingDays: [1, 4, 6],
      minutesPerSession: 20,
    },
    age: 58,
    lead: 0,
    tests: [
      { testId: 'weight-bearing-lunge', left: 8.1, right: 8.4, perWeek: { left: 0, right: 0 } },
      { testId: 'active-knee-extension', left: 44, right: 41, perWeek: { left: 0, right: 0 } },
      { testId: 'hip-abduction', left: 29, right: 34, perWeek: { left: 0, right: 0 } },
      { testId: 'thomas-hip', left: -14, right: -11, perWeek: { left: 0, right: 0 } },
      { testId: 'straight-leg-raise', left: 54, right: 58, perWeek: { left: 0, right: 0 } },
      { testId: 'shoulder-flexion', left: 149, right: 152, perWeek: { left: 0, right: 0 } },
      { testId: 'seated-rotation', left: 38, right: 41, perWeek: { left: 0, right: 0 } },
    ],
    block: null,
    adherence: 0,
    assessmentWeeks: [0],
  },
  {
    body: {
      ...base,
      name: 'Fenna Oosterveld',
      sex: 'female',
      aim: 'Squat with my heels down',
      experience: 'experienced',
      trainingDays: [1, 2, 3, 5, 6],
      minutesPerSession: 25,
    },
    age: 34,
    lead: 1,
    tests: [
      { testId: 'weight-bearing-lunge', left: 8.4, right: 8.0, perWeek: { left: 0.42, right: 0.4 } },
      { testId: 'active-knee-extension', left: 25, right: 27, perWeek: { left: -0.4, right: -0.5 } },
    ],
    block: { weeksAgo: 9, weeks: 8, groups: ['soleus', 'calf'] },
    adherence: 0.9,
    assessmentWeeks: [0, 4, 8],
  },
  {
    body: {
      ...base,
      name: 'Dario Munkácsy',
      sex: 'male',
      aim: 'Reach the top shelf without leaning back',
      experience: 'beginner',
      trainingDays: [3, 6],
      minutesPerSession: 15,
      screening: 'open',
    },
    age: 41,
    lead: 0,
    tests: [],
    block: null,
    adherence: 0,
    assessmentWeeks: [],
  },
];

export const OTHER_CLIENT: Omit<ClientBody, 'leadCoachId' | 'birthDate'> = {
  ...base,
  name: 'Ruprecht Vale',
  sex: 'male',
  aim: 'Belongs to the other studio',
  experience: 'regular',
  trainingDays: [2, 4],
  minutesPerSession: 20,
};

/** A coach's own measurement error: clients measured on two days, in centimetres. */
export const DEMO_STUDY: Omit<StudyBody, 'version'> = {
  testId: 'weight-bearing-lunge',
  name: 'Spring, twelve clients',
  kind: 'days',
  columns: ['Monday', 'Thursday'],
  rows: [
    ['Client 1', 9.5, 10],
    ['Client 2', 7, 6.5],
    ['Client 3', 12, 12.5],
    ['Client 4', 10.5, 10],
    ['Client 5', 5.5, 6.5],
    ['Client 6', 8, 8],
    ['Client 7', 11, 11.5],
    ['Client 8', 9, 8],
    ['Client 9', 13.5, 13],
    ['Client 10', 6.5, 7],
    ['Client 11', 10, 11],
    ['Client 12', 8.5, 8.5],
  ].map(([label, first, second]) => ({
    label: label as string,
    first: first as number,
    second: second as number,
  })),
};
