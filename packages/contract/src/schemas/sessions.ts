import { SIDES, SYMPTOMS } from '@yandle/core';
import Joi from 'joi';
import { FIELD } from '../limits.js';
import type { ClearSymptomBody, FinishRunBody, SetLogBody, StartRunBody, SymptomBody } from '../sessions.js';
import { id, instant, line, text } from './common.js';

const item = Joi.number().integer().min(0).max(99).required();
const side = Joi.string()
  .valid(...SIDES)
  .allow(null)
  .required();

export const startRunSchema = Joi.object<StartRunBody, true>({ id: id(), startedAt: instant() });

export const setLogSchema = Joi.object<SetLogBody, true>({
  item,
  side,
  set: Joi.number().integer().min(1).max(100).required(),
  plannedSeconds: Joi.number().integer().min(1).max(FIELD.holdSeconds.max).required(),
  doneSeconds: Joi.number().integer().min(0).max(FIELD.holdSeconds.max).required(),
  replaces: id().allow(null),
});

export const symptomSchema = Joi.object<SymptomBody, true>({
  item,
  side,
  symptom: Joi.string()
    .valid(...SYMPTOMS.map((s) => s.id))
    .required(),
});

export const finishRunSchema = Joi.object<FinishRunBody, true>({
  endedAt: instant(),
  sensation: Joi.number().integer().min(FIELD.sensation.min).max(FIELD.sensation.max).allow(null).required(),
  note: text(),
});

export const clearSymptomSchema = Joi.object<ClearSymptomBody, true>({ note: line(FIELD.note.max) });
