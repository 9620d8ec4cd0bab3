import {
  BLOCK_BOUNDS,
  DAY_ORDERS,
  DAY_PLAN_BOUNDS,
  LOAD_UNITS,
  MOST_EXERCISES,
  MUSCLE_GROUP_IDS,
  PURPOSE_IDS,
  ROUTINE_BOUNDS,
  STYLE_BOUNDS,
  TECHNIQUES,
  type TechniqueExercise,
} from '@yandle/core';
import Joi from 'joi';
import type { CreateBlockBody, MoveSessionBody, UpdateBlockBody } from '../blocks.js';
import { awayDates, date, id, line, shortId, version } from './common.js';
import { lockedCell } from './prescription.js';
import { routineId, sessionItems } from './sessions.js';

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
    .items(
      Joi.object({
        fromWeek: week().min(2).required(),
        styleId: styleId(),
        share: Joi.number().min(0.1).max(1),
      }).optional(),
    )
    .max(8)
    .unique('fromWeek')
    .required(),
  fromWeek: week().required(),
  untilWeek: week().allow(null).required(),
};

const sameUse = (a: TechniqueExercise, b: TechniqueExercise): boolean =>
  a.technique === b.technique && a.dayPlanId === b.dayPlanId;
/** One or two exercises a technique and day plan. */
const atMostTwo = (value: readonly TechniqueExercise[], helpers: Joi.CustomHelpers<unknown>) =>
  value.some((a) => value.filter((b) => sameUse(a, b)).length > MOST_EXERCISES)
    ? helpers.message({ custom: `Choose at most ${MOST_EXERCISES} exercises for a technique.` })
    : value;

const dayPlan = Joi.object({
  id: shortId().required(),
  name: line(60),
  weekdays: Joi.array().items(Joi.number().integer().min(1).max(7).optional()).unique().max(7).required(),
  purpose: Joi.string()
    .valid(...PURPOSE_IDS)
    .required(),
  minutes: Joi.number()
    .integer()
    .min(DAY_PLAN_BOUNDS.minutes.min)
    .max(DAY_PLAN_BOUNDS.minutes.max)
    .allow(null)
    .required(),
  warm: Joi.boolean().required(),
  placeId: shortId().allow(null).required(),
  order: Joi.string()
    .valid(...DAY_ORDERS)
    .required(),
  theme: Joi.array()
    .items(
      Joi.string()
        .valid(...MUSCLE_GROUP_IDS)
        .optional(),
    )
    .unique()
    .min(1)
    .max(MUSCLE_GROUP_IDS.length)
    .allow(null)
    .required(),
  routineId: routineId().allow(null).required(),
  routine: Joi.when('routineId', {
    is: null,
    then: Joi.any().valid(null),
    otherwise: Joi.object({ name: line(ROUTINE_BOUNDS.name), items: sessionItems() }).required(),
  }),
});

const lane = Joi.object({
  id: id(),
  ...lanePlan,
  startingDose: Joi.number().integer().min(0).max(20_000).allow(null).required(),
  loadUnit: Joi.string()
    .valid(...LOAD_UNITS)
    .allow(null)
    .required(),
  startLoad: Joi.number().min(0).max(500).precision(2).allow(null).required(),
  startHelp: Joi.number().integer().min(0).max(2).allow(null).required(),
  loadMax: Joi.number().min(0).max(500).precision(2).allow(null).required(),
  phaseWeeks: Joi.array()
    .items(Joi.number().integer().min(1).max(BLOCK_BOUNDS.weeks.max).optional())
    .max(STYLE_BOUNDS.phases.max)
    .allow(null)
    .required(),
  exercises: Joi.array()
    .items(
      Joi.object({
        technique: Joi.string()
          .valid(...TECHNIQUES)
          .required(),
        exerciseId: slug('Choose an exercise from the library.'),
        dayPlanId: shortId().allow(null).required(),
      }).optional(),
    )
    .unique((a: TechniqueExercise, b: TechniqueExercise) => a.exerciseId === b.exerciseId && sameUse(a, b))
    .custom(atMostTwo)
    .max(TECHNIQUES.length * MOST_EXERCISES)
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
  away: awayDates(20),
  dayPlans: Joi.array()
    .items(dayPlan)
    .min(DAY_PLAN_BOUNDS.count.min)
    .max(DAY_PLAN_BOUNDS.count.max)
    .unique('id')
    .required(),
  lanes: Joi.array().items(lane).min(BLOCK_BOUNDS.lanes.min).max(BLOCK_BOUNDS.lanes.max).unique('id').required(),
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
