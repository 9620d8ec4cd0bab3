import {
  BODY_REGION_IDS,
  CONSENTERS,
  PREFERRED_TIMES,
  PROP_IDS,
  QUESTION_IDS,
  QUESTIONS,
  questionById,
  PLACE_BOUNDS,
  PLACE_KINDS,
  POSITIONS,
  AIM_IDS,
  isSided,
  SIDES,
  type About,
  type Answers,
  type ClientPlace,
} from '@yandle/core';
import Joi from 'joi';
import { FIELD } from '../limits.js';
import type { ClearanceBody, ConsentBody, EraseAnswerBody, IntakeBody } from '../screening.js';
import { date, name, shortId, text } from './common.js';

const oneOf = (values: readonly string[]) => Joi.string().valid(...values);
const some = (values: readonly string[]) => Joi.array().items(oneOf(values)).unique().max(values.length).required();
const withRegions = QUESTIONS.filter((q) => 'regions' in q).map((q) => q.id);

/** What a yes may be told apart by: one way, or several where the question says so. */
const DETAILS = QUESTION_IDS.map(questionById).flatMap(({ id, detail }) =>
  detail
    ? [
        [
          id,
          Joi.array()
            .items(oneOf(detail.options.map((o) => o.id)).optional())
            .unique()
            .max(detail.many ? detail.options.length : 1)
            .optional(),
        ] as const,
      ]
    : [],
);
const SIDED = BODY_REGION_IDS.filter(isSided);
const DATED = QUESTION_IDS.filter((id) => questionById(id).date);

const answers = Joi.object<Answers>({
  yes: some(QUESTION_IDS),
  no: some(QUESTION_IDS),
  regions: Joi.object(Object.fromEntries(withRegions.map((q) => [q, some(BODY_REGION_IDS).optional()]))).required(),
  details: Joi.object(Object.fromEntries(DETAILS)).default({}),
  sides: Joi.object(
    Object.fromEntries(
      withRegions.map((q) => [
        q,
        Joi.object(Object.fromEntries(SIDED.map((r) => [r, oneOf(SIDES).optional()]))).optional(),
      ]),
    ),
  ).optional(),
  dates: Joi.object(Object.fromEntries(DATED.map((q) => [q, date().optional()]))).default({}),
})
  .custom((value: Answers, helpers) =>
    value.yes.some((q) => value.no.includes(q)) ? helpers.error('answers.both') : value,
  )
  .messages({ 'answers.both': 'A question is answered yes or no, not both.' });

const place = Joi.object<ClientPlace>({
  id: shortId().required(),
  name: name(PLACE_BOUNDS.name),
  kind: oneOf(PLACE_KINDS).required(),
  positions: some(POSITIONS),
  floor: Joi.boolean().strict().required(),
  things: some(PROP_IDS),
  substitutes: Joi.array()
    .items(Joi.object({ thing: oneOf(PROP_IDS).required(), instead: name(PLACE_BOUNDS.instead) }).optional())
    .unique('thing')
    .max(PROP_IDS.length)
    .required(),
});

const about = Joi.object<About>({
  heightCm: Joi.number().min(FIELD.height.min).max(FIELD.height.max).allow(null).required(),
  massKg: Joi.number().min(FIELD.mass.min).max(FIELD.mass.max).allow(null).required(),
  dominantSide: oneOf(['left', 'right']).allow(null).required(),
  training: text(FIELD.aim.max),
  sport: text(FIELD.aim.max),
  sittingHours: Joi.number().min(0).max(24).allow(null).required(),
  history: text(),
  complaints: Joi.array()
    .items(
      Joi.object({
        region: oneOf(BODY_REGION_IDS).required(),
        score: Joi.number().integer().min(0).max(10).required(),
      }).optional(),
    )
    .unique('region')
    .max(BODY_REGION_IDS.length)
    .required(),
  places: Joi.array()
    .items(place.optional())
    .unique('id')
    .min(PLACE_BOUNDS.count.min)
    .max(PLACE_BOUNDS.count.max)
    .required(),
  times: some(PREFERRED_TIMES),
  aims: some(AIM_IDS),
});

const consent = Joi.object<ConsentBody>({
  version: Joi.number().integer().min(1).max(1000).required(),
  by: oneOf(CONSENTERS).required(),
  name: name(),
});
/** A consent recorded by itself. */
export const consentSchema = consent;
export const eraseAnswerSchema = Joi.object<EraseAnswerBody, true>({ question: oneOf(QUESTION_IDS).required() });

export const intakeSchema = Joi.object<IntakeBody>({
  askedOn: date(),
  answers: answers.required(),
  about: about.required(),
  consent: consent.optional(),
});

export const clearanceSchema = Joi.object<ClearanceBody>({
  cautionId: oneOf([...QUESTION_IDS, 'under-18', 'over-65', 'hand-on-head']).required(),
  who: name(),
  on: date(),
  note: text(),
  lifts: Joi.array().items(Joi.string().max(40).optional()).unique().max(40).default([]),
});
