import Joi from 'joi';
import type { DecideLateBody, OpenShareBody, SharedRunBody } from '../phone.js';
import { date, id, instant } from './common.js';
import { sessionItems, settings, wellness } from './sessions.js';

/** How a session is gone through; its minutes say nothing of what was done. */
const { minutes: _, ...manner } = settings;

export const openShareSchema = Joi.object<OpenShareBody, true>({ token: Joi.string().min(20).max(100).required() });

export const sharedRunSchema = Joi.object<SharedRunBody>({
  id: id(),
  startedAt: instant(),
  wellness: wellness(),
  snapshot: Joi.object({
    date: date(),
    ...manner,
    items: sessionItems(),
  }).required(),
});

export const decideLateSchema = Joi.object<DecideLateBody, true>({
  accept: Joi.boolean().required(),
  sessionId: id().optional(),
});
