import { BLOCK_BOUNDS, DECIDED_MOVES } from '@yandle/core';
import Joi from 'joi';
import type { DecideReviewBody, StandingReviewBody } from '../review.js';
import { text, version } from './common.js';

const decision = Joi.object({
  laneId: Joi.string().max(40).required(),
  move: Joi.string()
    .valid(...DECIDED_MOVES)
    .allow(null)
    .required(),
  reason: text(300),
});

export const decideReviewSchema = Joi.object<DecideReviewBody>({
  version: version(),
  week: Joi.number().integer().min(1).max(BLOCK_BOUNDS.weeks.max).required(),
  decisions: Joi.array().items(decision.optional()).unique('laneId').min(1).max(40).required(),
});

export const standingReviewSchema = Joi.object<StandingReviewBody>({ standing: Joi.boolean().required() });
