import { EXPERIENCES, MUSCLE_GROUP_IDS } from '@yandle/core';
import Joi from 'joi';
import { SCREENING_STATES, WHOSE, type CreateClientBody, type UpdateClientBody, type Whose } from '../clients.js';
import { FIELD } from '../limits.js';
import { date, id, name, text, version } from './common.js';

const CLEARANCE_MISSING = 'Enter who gave the clearance and when.';

/** Minutes a client has for one session. */
export const minutesPerSession = () => Joi.number().integer().min(FIELD.minutes.min).max(FIELD.minutes.max).required();

const body = {
  name: name(),
  birthDate: date(),
  sex: Joi.string().valid('female', 'male').allow(null).required(),
  aim: text(FIELD.aim.max),
  experience: Joi.string()
    .valid(...EXPERIENCES)
    .required(),
  trainingDays: Joi.array().items(Joi.number().integer().min(1).max(7)).unique().min(1).max(7).required(),
  minutesPerSession: minutesPerSession(),
  gentleGroups: Joi.array()
    .items(Joi.string().valid(...MUSCLE_GROUP_IDS))
    .unique()
    .max(MUSCLE_GROUP_IDS.length)
    .required(),
  screening: Joi.string()
    .valid(...SCREENING_STATES)
    .required(),
  screeningNote: text().when('screening', {
    is: 'cleared',
    then: Joi.string().invalid('').pattern(/\S/).messages({
      'any.invalid': CLEARANCE_MISSING,
      'string.pattern.base': CLEARANCE_MISSING,
    }),
  }),
  notes: text(),
  leadCoachId: id(),
};

export const createClientSchema = Joi.object<CreateClientBody>({ ...body, id: id() });
export const updateClientSchema = Joi.object<UpdateClientBody>({ ...body, version: version() });
export const versionSchema = Joi.object<{ version: number }, true>({ version: version() });

/** Query of the client list. Query values are text, so this one converts. */
const whose = Joi.string()
  .valid(...WHOSE)
  .default('all');

export const whoseSchema = Joi.object<{ whose: Whose }>({ whose });
export const daySchema = Joi.object<{ whose: Whose; date: string }>({ whose, date: date().required() });
export const clientListSchema = Joi.object<{
  search: string;
  archived: boolean;
  cursor: string;
  limit: number;
  whose: Whose;
}>({
  whose,
  search: Joi.string().allow('').max(FIELD.name.max).default(''),
  archived: Joi.boolean().default(false),
  cursor: Joi.string().allow('').max(400).default(''),
  limit: Joi.number().integer().min(1).max(200).default(50),
});
