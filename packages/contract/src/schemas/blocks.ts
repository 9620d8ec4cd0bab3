import { BLOCK_BOUNDS, LOAD_UNITS, MUSCLE_GROUP_IDS, TECHNIQUES } from '@yandle/core';
import Joi from 'joi';
import type { CreateBlockBody, MoveSessionBody, UpdateBlockBody } from '../blocks.js';
import { date, id, line, version } from './common.js';
import { lockedCell } from './prescription.js';

const slug = (what: string) =>
  Joi.string()
    .max(60)
    .pattern(/^[a-z0-9]+(-[a-z0-9]+)*$/)
    .required()
    .messages({ 'string.pattern.base': what });
export const styleId = () => slug('Choose a style of the list.');
const week = () => Joi.number().integer().min(1).max(BLOCK_BOUNDS.weeks.max);
const weeksBetween = (min: number, max: number) => Joi.number().integer().min(min).max(max).required();

/** Parts of a lane that a block and a template share. */
export const lanePlan = {
  group: Joi.string()
    .valid(...MUSCLE_GROUP_IDS)
    .required(),
  styleId: styleId(),
  laterStyles: Joi.array()
    .items(Joi.object({ fromWeek: week().min(2).required(), styleId: styleId() }).optional())
    .max(8)
    .unique('fromWeek')
    .required(),
  fromWeek: week().required(),
  untilWeek: week().allow(null).required(),
};

const lane = Joi.object({
  id: id(),
  ...lanePlan,
  startingDose: Joi.number().integer().min(0).max(20_000).allow(null).required(),
  loadUnit: Joi.string()
    .valid(...LOAD_UNITS)
    .allow(null)
    .required(),
  exercises: Joi.array()
    .items(
      Joi.object({
        technique: Joi.string()
          .valid(...TECHNIQUES)
          .required(),
        exerciseId: slug('Choose an exercise from the library.'),
      }).optional(),
    )
    .unique('technique')
    .max(TECHNIQUES.length)
    .required(),
  locked: Joi.array().items(lockedCell().optional()).unique('week').max(BLOCK_BOUNDS.weeks.max).required(),
});

/** Settings of a block that a studio has defaults for. */
export const blockBounds = {
  weeks: weeksBetween(BLOCK_BOUNDS.weeks.min, BLOCK_BOUNDS.weeks.max),
  ramp: Joi.number().min(BLOCK_BOUNDS.ramp.min).max(BLOCK_BOUNDS.ramp.max).precision(2).required(),
  easierEvery: weeksBetween(BLOCK_BOUNDS.easierEvery.min, BLOCK_BOUNDS.easierEvery.max).allow(null),
  lanesPerSession: weeksBetween(BLOCK_BOUNDS.lanesPerSession.min, BLOCK_BOUNDS.lanesPerSession.max),
};

/** Settings of a block that a template has as well. */
export const blockPlan = {
  ...blockBounds,
  easierWeeks: Joi.array().items(week().optional()).unique().max(BLOCK_BOUNDS.weeks.max).allow(null).required(),
};

const body = {
  startDate: date(),
  ...blockPlan,
  smallestPlate: Joi.number().min(0.25).max(10).precision(2).allow(null).required(),
  missedWeeks: Joi.array().items(week().optional()).unique().max(BLOCK_BOUNDS.weeks.max).required(),
  away: Joi.array()
    .items(
      Joi.object({ from: date(), to: date() })
        .custom((value: { from: string; to: string }, helpers) =>
          value.from <= value.to ? value : helpers.message({ custom: 'The last day away is before the first.' }),
        )
        .optional(),
    )
    .max(20)
    .required(),
  lanes: Joi.array()
    .items(lane)
    .min(BLOCK_BOUNDS.lanes.min)
    .max(BLOCK_BOUNDS.lanes.max)
    .unique('group')
    .unique('id')
    .required(),
  reason: line(300),
};

export const moveRetestSchema = Joi.object<{ date: string }, true>({ date: date() });

export const createBlockSchema = Joi.object<CreateBlockBody>({ ...body, id: id() });
export const updateBlockSchema = Joi.object<UpdateBlockBody>({
  ...body,
  version: version(),
  renew: Joi.boolean().default(false),
});
export const moveSessionSchema = Joi.object<MoveSessionBody>({ date: date() });
