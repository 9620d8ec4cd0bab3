import { LOOSENING_BOUNDS, LOOSENING_TIMES, PART_BOUNDS, PATTERN_BOUNDS, TECHNIQUES, type Part } from '@yandle/core';
import Joi from 'joi';
import { line } from './common.js';
import { amountFields } from './prescription.js';

const whole = ({ min, max }: { readonly min: number; readonly max: number }) =>
  Joi.number().integer().min(min).max(max);

/** Direction of a hold, how many breaths it is held for, and whether repetitions are trips there and back. */
export const holdFields = {
  name: line(PART_BOUNDS.name).optional(),
  breaths: whole({ min: 1, max: PART_BOUNDS.breaths }),
  trips: Joi.boolean().valid(true),
};

const way = () => whole(PART_BOUNDS.tempo).required();

/** Seconds out and back, one a breath, or a breath of its own pattern. */
export const pace = () =>
  Joi.alternatives(
    Joi.string().valid('breath'),
    Joi.object({ out: way(), back: way() }),
    Joi.object({
      in: whole(PATTERN_BOUNDS.in).required(),
      hold: whole(PATTERN_BOUNDS.hold).required(),
      out: whole(PATTERN_BOUNDS.out).required(),
    }),
  );

const part = Joi.object<Part>({
  technique: Joi.string().valid(...TECHNIQUES),
  ...holdFields,
  ...amountFields,
});

/** What follows in the same entry. */
export const furtherParts = () => Joi.array().items(part.optional()).min(1).max(PART_BOUNDS.parts);

/** A short loosening as a cue of its own. */
export const loosening = () =>
  Joi.object({
    seconds: whole(LOOSENING_BOUNDS.seconds).required(),
    name: line(LOOSENING_BOUNDS.name).required(),
    when: Joi.string()
      .valid(...LOOSENING_TIMES)
      .required(),
  });
