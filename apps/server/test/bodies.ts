import { EXERCISES, NOTHING_KNOWN, QUESTION_IDS, questionById, styleById, TEMPLATES } from '@yandle/core';
import { v7 as uuid } from 'uuid';

/** Bodies that the routes of the test catalogue accept, to be bent by a test. */
export const ownTestBody = (over: object = {}) => ({
  version: null,
  archived: false,
  name: 'Wall slide',
  motion: 'Shoulder flexion against a wall',
  purpose: '',
  position: 'standing',
  landmarks: ['wrist crease'],
  steps: ['Back against the wall, slide both arms up.'],
  endPoint: 'the low back leaves the wall',
  instruments: ['tape'],
  unit: 'cm',
  reads: 'wrist to wall',
  better: 'less',
  sides: 'body',
  valueRule: 'mean',
  repeatTolerance: 1,
  resolution: 0.5,
  plausible: { min: 0, max: 60 },
  error: { sem: 1.2, source: { origin: 'practice', text: 'our studio' } },
  reference: null,
  limits: [{ group: 'lats', weight: 1 }],
  cautions: ['Stop at pain.'],
  notFor: [],
  faults: [],
  ...over,
});
export const studyBody = (over: object = {}) => ({
  version: null,
  testId: 'weight-bearing-lunge',
  name: 'Spring',
  kind: 'days',
  columns: ['Monday', 'Thursday'],
  rows: [{ label: 'A', first: 9.5, second: 10 }],
  ...over,
});
export const errorBody = (over: object = {}) => ({
  id: uuid(),
  testId: 'weight-bearing-lunge',
  sem: 0.61,
  low: 0.42,
  high: 1.11,
  clients: 10,
  source: { origin: 'own', text: '10 clients on two days' },
  studyId: null,
  ...over,
});
/** The last of the ways a yes can be told apart by: "not known", or the mildest. */
const told = (yes: readonly string[]): Record<string, string[]> =>
  Object.fromEntries(
    QUESTION_IDS.filter((id) => yes.includes(id)).flatMap((id) => {
      const last = questionById(id).detail?.options.at(-1);
      return last ? [[id, [last.id]]] : [];
    }),
  );
/** Answers to all questions: yes to some, no to the rest. */
export const intakeBody = (yes: readonly string[] = [], over: object = {}) => ({
  askedOn: '2026-03-09',
  answers: { yes, no: QUESTION_IDS.filter((q) => !yes.includes(q)), regions: {}, details: told(yes), dates: {} },
  about: NOTHING_KNOWN,
  consent: { version: 1, by: 'client', name: 'Who Agrees' },
  ...over,
});
/** An exercise of one's own, made from one of the catalogue. */
export const exerciseBody = (over: object = {}) => {
  const { id: _, ...definition } = EXERCISES[0]!;
  return { ...definition, name: 'Our calf stretch', origin: 'own' as const, version: null, archived: false, ...over };
};
/** A style of one's own, made from one that ships. */
export const styleBody = (over: object = {}) => {
  const { id: _, ...definition } = styleById('steady-hold');
  return { ...definition, name: 'Our hold', version: null, archived: false, ...over };
};
/** A template of one's own, made from one that ships. */
export const templateBody = (over: object = {}) => {
  const { id: _, ...definition } = TEMPLATES[0]!;
  return { ...definition, name: 'Our desk', version: null, archived: false, ...over };
};
