import { ROM_TESTS, SIDES } from '@yandle/core';
import Joi from 'joi';
import type { CreateAssessmentBody, TrialBody } from '../assessments.js';
import { date, id, line, text, time } from './common.js';

export const createAssessmentSchema = Joi.object<CreateAssessmentBody>({
  id: id(),
  date: date(),
  time: time(),
  warm: Joi.boolean().required(),
  note: text(),
  battery: Joi.array()
    .items(Joi.string().valid(...ROM_TESTS.map((t) => t.id)))
    .unique()
    .min(1)
    .max(ROM_TESTS.length)
    .required(),
});

export const trialSchema = Joi.object<TrialBody, true>({
  testId: Joi.string()
    .valid(...ROM_TESTS.map((t) => t.id))
    .required(),
  side: Joi.string()
    .valid(...SIDES)
    .allow(null)
    .required(),
  value: Joi.number().min(-200).max(400).required(),
  instrument: line(60),
  replaces: id().allow(null),
});
