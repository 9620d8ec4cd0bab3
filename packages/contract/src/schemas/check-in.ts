import { BODY_REGION_IDS, OBSTACLES } from '@yandle/core';
import Joi from 'joi';
import type { CheckInBody, SeeAwayBody } from '../check-in.js';
import { SELF_REPORT_MOMENTS } from '../priorities.js';
import { awayDates, date, id, text } from './common.js';

const scores = () =>
  Joi.array()
    .items(
      Joi.object({
        region: Joi.string()
          .valid(...BODY_REGION_IDS)
          .required(),
        score: Joi.number().integer().min(0).max(10).required(),
      }).optional(),
    )
    .unique('region')
    .max(BODY_REGION_IDS.length)
    .required();

export const checkInSchema = Joi.object<CheckInBody>({
  date: date(),
  moment: Joi.string()
    .valid(...SELF_REPORT_MOMENTS)
    .required(),
  sessionId: id().allow(null),
  stiffness: scores(),
  complaints: scores(),
  inTheWay: Joi.array()
    .items(
      Joi.string()
        .valid(...OBSTACLES)
        .optional(),
    )
    .unique()
    .max(OBSTACLES.length)
    .required(),
  away: awayDates(4),
  note: text(300),
});

export const seeAwaySchema = Joi.object<SeeAwayBody>({ plan: Joi.boolean().required() });
