import { BEIGHTON_ITEMS, SIDES, SYMPTOMS, type Side } from '@yandle/core';
import Joi from 'joi';
import {
  TEST_EVENT_KINDS,
  type AssessmentConditionsBody,
  type BeightonBody,
  type CreateAssessmentBody,
  type ReadingBody,
  type RemovedBody,
  type TestEventBody,
  type WithdrawnBody,
} from '../assessments.js';
import { date, id, line, testId, text, time } from './common.js';

const side = () =>
  Joi.string()
    .valid(...SIDES)
    .allow(null)
    .required();

export const createAssessmentSchema = Joi.object<CreateAssessmentBody>({
  id: id(),
  date: date(),
  time: time(),
  warm: Joi.boolean().required(),
  note: text(),
  battery: Joi.array().items(testId()).unique().min(1).max(60).required(),
});

export const assessmentConditionsSchema = Joi.object<AssessmentConditionsBody>({
  date: date(),
  time: time(),
  warm: Joi.boolean().required(),
  note: text(),
});

export const removedSchema = Joi.object<RemovedBody>({ removed: Joi.boolean().required() });

export const withdrawnSchema = Joi.object<WithdrawnBody>({ withdrawn: Joi.boolean().required() });

export const readingSchema = Joi.object<ReadingBody, true>({
  testId: testId().required(),
  side: side(),
  value: Joi.number().min(-200).max(400).required(),
  instrument: line(60),
  replaces: id().allow(null),
  // Left out by senders that know no exceptions from the assessment's conditions.
  warm: Joi.boolean().allow(null).default(null),
  testerId: Joi.string().guid({ separator: '-' }).lowercase().allow(null).default(null),
  // Left out by senders from before it was asked.
  seen: Joi.boolean().default(false),
});

export const testEventSchema = Joi.object<TestEventBody>({
  testId: testId().required(),
  kind: Joi.string()
    .valid(...TEST_EVENT_KINDS)
    .required(),
  side: side(),
  symptom: Joi.when('kind', {
    is: 'stopped',
    then: Joi.string()
      .valid(...SYMPTOMS.map((s) => s.id))
      .required(),
    otherwise: Joi.valid(null).required(),
  }),
  reason: text(500),
});

export const beightonSchema = Joi.object<BeightonBody>({
  items: Joi.array().items(Joi.boolean().allow(null)).length(BEIGHTON_ITEMS.length).required(),
});

/** Query of an attached picture. */
export const pictureQuerySchema = Joi.object<{ testId: string; side: Side | '' }>({
  testId: testId().required(),
  side: Joi.string()
    .valid(...SIDES, '')
    .default(''),
});
