import { BLOCK_BOUNDS, MUSCLE_GROUP_IDS, STYLES } from '@yandle/core';
import Joi from 'joi';
import type { CreateBlockBody, UpdateBlockBody } from '../blocks.js';
import { date, id, version } from './common.js';

const lane = Joi.object({
  id: id(),
  group: Joi.string()
    .valid(...MUSCLE_GROUP_IDS)
    .required(),
  styleId: Joi.string()
    .valid(...STYLES.map((s) => s.id))
    .required(),
  exerciseId: Joi.string()
    .max(60)
    .pattern(/^[a-z0-9]+(-[a-z0-9]+)*$/)
    .required()
    .messages({ 'string.pattern.base': 'Choose an exercise of the library.' }),
});

const body = {
  startDate: date(),
  weeks: Joi.number().integer().min(BLOCK_BOUNDS.weeks.min).max(BLOCK_BOUNDS.weeks.max).required(),
  ramp: Joi.number().min(BLOCK_BOUNDS.ramp.min).max(BLOCK_BOUNDS.ramp.max).precision(2).required(),
  easierEvery: Joi.number()
    .integer()
    .min(BLOCK_BOUNDS.easierEvery.min)
    .max(BLOCK_BOUNDS.easierEvery.max)
    .allow(null)
    .required(),
  lanes: Joi.array()
    .items(lane)
    .min(BLOCK_BOUNDS.lanes.min)
    .max(BLOCK_BOUNDS.lanes.max)
    .unique('group')
    .unique('id')
    .required(),
};

export const createBlockSchema = Joi.object<CreateBlockBody>({ ...body, id: id() });
export const updateBlockSchema = Joi.object<UpdateBlockBody>({ ...body, version: version() });
