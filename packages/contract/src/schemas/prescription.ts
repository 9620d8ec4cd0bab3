import {
  assertPrescription,
  BLOCK_BOUNDS,
  CoreError,
  errorWords,
  ITEM_BOUNDS,
  LOAD_UNITS,
  TECHNIQUES,
  type Prescription,
} from '@yandle/core';
import Joi from 'joi';

const whole = (min: number, max: number) => Joi.number().integer().min(min).max(max);

/** What no schema of single fields can say: which of them a technique needs. */
const doable: Joi.CustomValidator<Prescription> = (value, helpers) => {
  try {
    assertPrescription(value);
    return value;
  } catch (err) {
    if (err instanceof CoreError) return helpers.message({ custom: errorWords(err) });
    throw err;
  }
};

/** How much of one bout is done. */
export const amountFields = {
  holdSeconds: whole(0, ITEM_BOUNDS.seconds.max).required(),
  reps: whole(0, ITEM_BOUNDS.counts.max),
  cycles: whole(1, 10),
  pushSeconds: whole(1, 60),
  effort: whole(1, 100),
  lowerSeconds: whole(1, 60),
  depth: whole(0, 2),
};

/** Fields of a bout that plans and sessions share. */
export const boutFields = {
  ...amountFields,
  sets: whole(ITEM_BOUNDS.sets.min, ITEM_BOUNDS.sets.max).required(),
  sensation: whole(1, 6).required(),
  load: Joi.number().min(0).max(500).precision(2),
  loadUnit: Joi.string().valid(...LOAD_UNITS),
  assistance: whole(0, 2),
  bonus: Joi.object({
    side: Joi.string().valid('left', 'right').required(),
    sets: whole(0, 10).required(),
    more: whole(0, 300).required(),
  }),
};

/** What a lane asks in one week. */
export const prescription = () =>
  Joi.object<Prescription>({
    technique: Joi.string()
      .valid(...TECHNIQUES)
      .required(),
    sessionsPerWeek: whole(0, 7).required(),
    ...boutFields,
  }).custom(doable);

/** A cell set by hand. */
export const lockedCell = () =>
  Joi.object({ week: whole(1, BLOCK_BOUNDS.weeks.max).required(), prescription: prescription().required() });
