import { describe, expect, it } from 'vitest';
import {
  createAssessmentSchema,
  createBlockSchema,
  createClientSchema,
  finishRunSchema,
  setLogSchema,
  setupSchema,
  STRICT,
  readingSchema,
} from './index.js';
import { block } from './block.fixture.js';

const ID = '0190a1b2-c3d4-7e5f-8a9b-0c1d2e3f4a5b';

const client = {
  id: ID,
  name: 'Ottoline Varga',
  birthDate: '1980-03-10',
  sex: null,
  aim: 'Sit on my heels',
  experience: 'regular',
  trainingDays: [1, 3, 5],
  minutesPerSession: 20,
  gentleGroups: [],
  screening: 'clear',
  screeningNote: '',
  notes: '',
  leadCoachId: ID,
};
const reading = {
  testId: 'active-knee-extension',
  side: 'left',
  value: 31.5,
  instrument: 'goniometer',
  replaces: null,
};
const assessment = {
  id: ID,
  date: '2026-03-09',
  time: '09:40',
  warm: false,
  note: '',
  battery: ['weight-bearing-lunge'],
};
const set = { item: 0, side: 'left', set: 1, plannedSeconds: 30, doneSeconds: 28, replaces: null };
const finish = { endedAt: '2026-03-09T08:12:00.000Z', sensation: 5, note: '' };
const setup = {
  studioName: 'Studio',
  timeZone: 'Europe/Vienna',
  coachName: 'Mara',
  email: 'mara@studio.example',
  password: 'long enough now',
};

const schemas = {
  client: createClientSchema,
  block: createBlockSchema,
  reading: readingSchema,
  assessment: createAssessmentSchema,
  set: setLogSchema,
  finish: finishRunSchema,
  setup: setupSchema,
};
const good = { client, block, reading, assessment, set, finish, setup };
type Name = keyof typeof schemas;

/** Path of the first error, or '' when the body is accepted. */
function firstError(name: Name, over: object): string {
  const { error } = schemas[name].validate({ ...good[name], ...over }, STRICT);
  return error ? (error.details[0]?.path.join('.') ?? '?') : '';
}

describe('schemas accept what a screen sends', () => {
  it.each(Object.keys(good) as Name[])('%s', (name) => expect(firstError(name, {})).toBe(''));
  it('also the edges', () => {
    expect(firstError('client', { name: 'x'.repeat(120), aim: '', minutesPerSession: 5 })).toBe('');
    expect(firstError('block', { ramp: 0, easierEvery: null, weeks: 52 })).toBe('');
    expect(firstError('reading', { side: null, value: -12.25 })).toBe('');
    expect(firstError('finish', { sensation: null })).toBe('');
    expect(firstError('client', { name: 'Zoë 李 Åsa 🌿' })).toBe('');
  });
});

describe('schemas refuse, and name the field', () => {
  it.each<[Name, object, string]>([
    ['client', { name: '' }, 'name'],
    ['client', { name: '   ' }, 'name'],
    ['client', { name: 'x'.repeat(121) }, 'name'],
    ['client', { name: 'a\u0000b' }, 'name'],
    ['client', { name: 7 }, 'name'],
    ['client', { birthDate: '1980-02-30' }, 'birthDate'],
    ['client', { birthDate: '1880-01-01' }, 'birthDate'],
    ['client', { experience: 'expert' }, 'experience'],
    ['client', { trainingDays: [] }, 'trainingDays'],
    ['client', { trainingDays: [1, 1] }, 'trainingDays.1'],
    ['client', { trainingDays: [8] }, 'trainingDays.0'],
    ['client', { minutesPerSession: '20' }, 'minutesPerSession'],
    ['client', { minutesPerSession: 20.5 }, 'minutesPerSession'],
    ['client', { gentleGroups: ['elbow'] }, 'gentleGroups.0'],
    ['client', { screening: 'cleared', screeningNote: '' }, 'screeningNote'],
    ['client', { screening: 'cleared', screeningNote: '  ' }, 'screeningNote'],
    ['client', { id: 'abc' }, 'id'],
    ['client', { studioId: ID }, 'studioId'],
    ['block', { weeks: 0 }, 'weeks'],
    ['block', { weeks: 53 }, 'weeks'],
    ['block', { ramp: 0.51 }, 'ramp'],
    ['block', { ramp: 0.123 }, 'ramp'],
    ['block', { easierEvery: 2 }, 'easierEvery'],
    ['block', { lanes: [] }, 'lanes'],
    ['block', { lanes: [block.lanes[0], block.lanes[0]] }, 'lanes.1'],
    ['block', { lanes: [{ ...block.lanes[0], group: 'nose' }] }, 'lanes.0.group'],
    ['block', { startDate: 'soon' }, 'startDate'],
    ['reading', { value: '31' }, 'value'],
    ['reading', { value: Infinity }, 'value'],
    ['reading', { side: 'both' }, 'side'],
    ['reading', { testId: 'No such test' }, 'testId'],
    ['assessment', { time: '24:00' }, 'time'],
    ['assessment', { time: '9:40' }, 'time'],
    ['assessment', { warm: 'no' }, 'warm'],
    ['assessment', { battery: [] }, 'battery'],
    ['assessment', { battery: ['No such test'] }, 'battery.0'],
    ['client', { sex: 'other' }, 'sex'],
    ['set', { set: 0 }, 'set'],
    ['set', { doneSeconds: -1 }, 'doneSeconds'],
    ['set', { doneSeconds: 1801 }, 'doneSeconds'],
    ['finish', { sensation: 11 }, 'sensation'],
    ['finish', { endedAt: '2026-03-09' }, 'endedAt'],
    ['finish', { endedAt: '2026-13-09T08:12:00.000Z' }, 'endedAt'],
    ['setup', { timeZone: 'Mars/Olympus' }, 'timeZone'],
    ['setup', { email: 'mara' }, 'email'],
    ['setup', { password: 'short' }, 'password'],
  ])('%s %j', (name, over, path) => {
    expect(firstError(name, over)).toBe(path);
  });

  it('finds all faults at once and speaks plainly', () => {
    const { error } = createClientSchema.validate({ ...client, name: '', minutesPerSession: 1 }, STRICT);
    expect(error?.details.map((d) => d.message)).toEqual(['Required.', 'At least 5.']);
  });
});
