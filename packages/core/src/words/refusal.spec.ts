import { describe, expect, it } from 'vitest';
import { exerciseById } from '../catalogue/exercises.js';
import { romTestById } from '../catalogue/tests.js';
import { CoreError } from '../errors.js';
import { pictureAngle } from '../instruments/picture-angle.js';
import { semFromIcc, semFromMdc95 } from '../math/measurement-error.js';
import { beighton } from '../measuring/beighton.js';
import { changeBetween } from '../measuring/change.js';
import { anova } from '../measuring/reliability/anova.js';
import { blandAltman } from '../measuring/reliability/bland-altman.js';
import { ownError } from '../measuring/reliability/own-error.js';
import { MAX_READINGS, resultOfReadings } from '../measuring/result.js';
import { buildBlock } from '../planning/block.js';
import { missWeek, setWeeks } from '../planning/revision/edit.js';
import { draft } from '../planning/draft.fixture.js';
import { ask, steady } from '../planning/rules.fixture.js';
import { addDays } from '../schedule/plain-date.js';
import { buildTimeline } from '../session/timeline.js';
import { assertStyle } from '../styles/own-style.js';
import { styleById } from '../styles/index.js';
import { assertPrescription } from '../technique/prescription.js';
import { localLevel } from '../trend/local-level.js';
import { theilSen } from '../trend/theil-sen.js';
import { errorWords } from './refusal.js';

const test = romTestById('active-knee-extension');
const item = { exerciseId: 'bent-knee-wall-calf', sets: 1, holdSeconds: 30, sensation: 5, firstSide: 'left' as const };
const at = (x: number, y: number) => ({ x, y });
const day = (n: number, sem = 1) => ({ date: addDays('2026-03-01', n), value: 10 + n, sem });

/** What is refused, as a coach reads it. Each sentence names the bound or the field, or says what to do next. */
const CASES: readonly (readonly [name: string, work: () => unknown, words: string])[] = [
  ['no reading', () => resultOfReadings([], test), 'There is no reading on this side yet. Take at least one.'],
  [
    'a sixth reading',
    () =>
      resultOfReadings(
        Array.from({ length: MAX_READINGS + 1 }, () => 30),
        test,
      ),
    '5 readings per side is the limit. Correct one instead.',
  ],
  [
    'a reading no body shows',
    () => resultOfReadings([400], test),
    `A reading of this test lies between ${test.plausible.min} and ${test.plausible.max}. Check the number.`,
  ],
  [
    'a change without a value',
    () => changeBetween(NaN, 1, 'more', [1, 1]),
    'Both results need a value before they can be compared.',
  ],
  [
    'one item of the score',
    () => beighton([true], 30),
    'The Beighton score has 9 items. Mark each as yes, no or not looked at.',
  ],
  [
    'an error below 0',
    () => semFromMdc95(-1),
    'Enter the measurement error as a number of 0 or more, in the unit of the test.',
  ],
  ['a reliability above 1', () => semFromIcc(5, 1.1), 'Enter a reliability (ICC) between 0 and 1.'],
  [
    'two clients',
    () =>
      anova([
        [1, 2],
        [2, 3],
      ]),
    'Measure at least 3 clients; 10 or more make a usable error.',
  ],
  [
    'two pairs',
    () =>
      blandAltman([
        [1, 2],
        [2, 3],
      ]),
    'Measure at least 3 clients; 10 or more make a usable error.',
  ],
  ['one day', () => anova([[1], [2], [3]]), 'Measure each client at least twice: on two days, or by two testers.'],
  ['a gap', () => anova([[1, 2], [2, 3], [3]]), 'Every client needs the same number of measurements.'],
  [
    'a word',
    () =>
      anova([
        [1, 2],
        [2, 3],
        [3, NaN],
      ]),
    'Enter every measurement as a number.',
  ],
  [
    'clients all alike',
    () =>
      ownError([
        [10, 11],
        [11, 10],
        [10, 11],
        [11, 10],
      ]),
    'All clients measured about the same. Include tight and free clients.',
  ],
  ['a trend on one day', () => theilSen([3, 3], [1, 2]), 'A slope needs results on two different days.'],
  ['a line through two days', () => localLevel([day(0), day(1)]), 'A smoothed line needs results on 3 days.'],
  [
    'a line without errors',
    () => localLevel([day(0, 0), day(1, 0), day(2, 0)]),
    'Every result in a trend needs a value and an error of 0 or more.',
  ],
  ['an unknown exercise', () => exerciseById('x'), 'There is no exercise “x”. Choose one from the library.'],
  ['an unknown test', () => romTestById('x'), 'There is no test “x”. Choose one from the battery.'],
  ['an unknown style', () => styleById('x'), 'There is no style “x”. Choose one from the list.'],
  [
    'no days',
    () => buildBlock(ask([steady()], { client: { ...ask([]).client, trainingDays: [] } })),
    'Choose at least one day for sessions.',
  ],
  ['no week', () => buildBlock(ask([steady()], { weeks: 0 })), 'A block has 1 to 52 weeks.'],
  ['a ramp of 60%', () => buildBlock(ask([steady()], { ramp: 0.6 })), 'The weekly increase is between 0% and 50%.'],
  [
    'an easier week every second',
    () => buildBlock(ask([steady()], { easierEvery: 2 })),
    'An easier week comes every 3 to 6 weeks, or never.',
  ],
  ['no lane', () => buildBlock(ask([])), 'Choose 1 to 20 muscle groups.'],
  [
    'a group twice',
    () => buildBlock(ask([steady(), steady()])),
    'A muscle group can have two lanes at most: with different techniques, and only one of them loaded.',
  ],
  [
    'a lane without an exercise',
    () => buildBlock(ask([steady({ exercises: [] })])),
    'Choose an exercise for Soleus: static hold.',
  ],
  [
    'a week too many',
    () => missWeek(setWeeks(draft, 52), 3, 'shift'),
    'A block has at most 52 weeks. Skip the week, or remove the last one first.',
  ],
  [
    'half a set',
    () => {
      assertPrescription({ technique: 'static hold', sets: 0.5, holdSeconds: 30, sessionsPerWeek: 3, sensation: 5 });
    },
    'Enter sets, seconds, reps and sessions as whole numbers of 1 or more, with at most 7 sessions a week.',
  ],
  [
    'a style without a name',
    () => {
      assertStyle({ ...styleById('upkeep'), name: '' });
    },
    'Give the style a name.',
  ],
  ['five rounds', () => buildTimeline([item], { rounds: 5 }), 'A session has 1 to 4 rounds.'],
  [
    'no set',
    () => buildTimeline([{ ...item, sets: 0 }]),
    'Enter sets, seconds and reps as whole numbers of 1 or more.',
  ],
  [
    'points on each other',
    () => pictureAngle(at(1, 1), at(1, 1), at(9, 9), 'between'),
    'Two points lie on each other. Move them apart.',
  ],
  ['30 February', () => addDays('2026-02-30', 1), '“2026-02-30” isn’t a date. Enter a date like 2026-03-09.'],
];

describe('a refusal', () => {
  it.each(CASES)('of %s says what to do', (_, work, words) => {
    let caught: unknown;
    try {
      work();
    } catch (err) {
      caught = err;
    }
    expect(caught).toBeInstanceOf(CoreError);
    expect(errorWords(caught as CoreError)).toBe(words);
  });
});
