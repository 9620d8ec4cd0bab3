import { MOST_ROUNDS, PURPOSE_IDS } from '@yandle/core';
import Joi from 'joi';
import type { DecideLateBody, OpenShareBody, SharedRunBody } from '../phone.js';
import { date, id, instant } from './common.js';
import { sessionItems, wellness } from './sessions.js';

export const openShareSchema = Joi.object<OpenShareBody, true>({ token: Joi.string().min(20).max(100).required() });

export const sharedRunSchema = Joi.object<SharedRunBody>({
  id: id(),
  startedAt: instant(),
  wellness: wellness(),
  snapshot: Joi.object({
    date: date(),
    purpose: Joi.string()
      .valid(...PURPOSE_IDS)
      .required(),
    alreadyWarm: Joi.boolean().required(),
    rounds: Joi.number().integer().min(1).max(MOST_ROUNDS).required(),
    items: sessionItems(),
  }).required(),
});

export const decideLateSchema = Joi.object<DecideLateBody, true>({
  accept: Joi.boolean().required(),
  sessionId: id().optional(),
});
