import {
  BODY_REGION_IDS,
  BREATH_BOUNDS,
  LINKS,
  LOAD_UNITS,
  MOST_DATES,
  MOST_DAY_ROUNDS,
  MOST_ROUNDS,
  PURPOSE_IDS,
  ROUTINE_BOUNDS,
  SIDE_PATTERNS,
  SIDES,
  SYMPTOMS,
  TECHNIQUES,
  TIMING_BOUNDS,
  WELLNESS,
  type DayRound,
  type Pacing,
  type SessionItem,
  type SessionPacing,
} from '@yandle/core';
import Joi from 'joi';
import { FIELD } from '../limits.js';
import {
  FELT_SIDES,
  type BreathBody,
  type ChooseRunBody,
  type ClearSymptomBody,
  type CreateSeriesBody,
  type CreateSessionsBody,
  type SorenessBody,
  type EditAnswersBody,
  type EditSessionBody,
  type FinishRunBody,
  type RestoreSessionBody,
  type SetLogBody,
  type StartRunBody,
  type SwapComingBody,
  type SymptomBody,
  type WithdrawBody,
} from '../sessions.js';
import { date, id, instant, line, name, text, version } from './common.js';
import { furtherParts, holdFields, loosening, pace } from './parts.js';
import { boutFields } from './prescription.js';

/** How a client feels before a session; may be left out. */
export const wellness = () => Joi.string().valid(...WELLNESS);

const item = Joi.number().integer().min(0).max(99).required();
const side = Joi.string()
  .valid(...SIDES)
  .allow(null)
  .required();

const exerciseId = () =>
  Joi.string()
    .max(60)
    .pattern(/^[a-z0-9]+(-[a-z0-9]+)*$/)
    .messages({ 'string.pattern.base': 'Choose an exercise from the library.' });
const sensation = Joi.number().integer().min(FIELD.sensation.min).max(FIELD.sensation.max).allow(null);
const loadUnit = Joi.string().valid(...LOAD_UNITS);

/** One exercise of a session as a coach sets it. */
const sessionItem = Joi.object<SessionItem>({
  exerciseId: exerciseId().required(),
  technique: Joi.string().valid(...TECHNIQUES),
  firstSide: Joi.string()
    .valid(...SIDES)
    .required(),
  sidePattern: Joi.string().valid(...SIDE_PATTERNS),
  link: Joi.string().valid(...LINKS),
  choice: exerciseId(),
  ...holdFields,
  pace: pace(),
  loosen: loosening(),
  then: furtherParts(),
  middle: Joi.boolean().valid(true),
  ...boutFields,
});

/** The list of a session. */
export const sessionItems = () => Joi.array().items(sessionItem.optional()).min(1).max(ROUTINE_BOUNDS.items).required();

/** Timings that are set one by one, each within what a studio may set. */
const ownTimings = () =>
  Joi.object(
    Object.fromEntries(
      Object.entries(TIMING_BOUNDS).map(([field, { min, max }]) => [field, Joi.number().integer().min(min).max(max)]),
    ),
  ).required();

/** How a session is gone through. */
export const settings = {
  purpose: Joi.string()
    .valid(...PURPOSE_IDS)
    .required(),
  alreadyWarm: Joi.boolean().required(),
  rounds: Joi.number().integer().min(1).max(MOST_ROUNDS).required(),
  untilEasy: Joi.boolean(),
  pacing: Joi.object<SessionPacing, true>({ brisk: Joi.boolean().allow(null).required(), own: ownTimings() }),
  minutes: Joi.number().integer().min(FIELD.minutes.min).max(FIELD.minutes.max).allow(null).required(),
};

export const editSessionSchema = Joi.object<EditSessionBody>({
  version: version(),
  ...settings,
  items: sessionItems(),
});
export const swapComingSchema = Joi.object<SwapComingBody, true>({
  from: exerciseId().required(),
  to: exerciseId().required(),
});

/** Lists that one series may have: as many routines as it may name. */
const MOST_LISTS = 60;

const dayRound = Joi.object<DayRound, true>({
  no: Joi.number().integer().min(1).max(Joi.ref('of')).required(),
  of: Joi.number().integer().min(2).max(MOST_DAY_ROUNDS).required(),
});
const dated = Joi.object({ id: id(), date: date(), dayRound });

export const routineId = () =>
  Joi.string()
    .max(60)
    .pattern(/^[a-z0-9-]+$/);

export const createSessionsSchema = Joi.object<CreateSessionsBody>({
  sessions: Joi.array().items(dated.optional()).unique('id').min(1).max(MOST_DATES).required(),
  name: name(ROUTINE_BOUNDS.name),
  routineId: routineId().allow(null).required(),
  placeId: Joi.string().max(40).allow(null).required(),
  ...settings,
  items: sessionItems(),
});
export const createSeriesSchema = Joi.object<CreateSeriesBody>({
  lists: Joi.array().items(createSessionsSchema.optional()).min(1).max(MOST_LISTS).required(),
});
export const restoreSessionSchema = Joi.object<RestoreSessionBody, true>({ version: version() });

export const startRunSchema = Joi.object<StartRunBody, true>({
  id: id(),
  startedAt: instant(),
  source: Joi.string().valid('coach', 'paper'),
  wellness: wellness(),
});

export const withdrawSchema = Joi.object<WithdrawBody, true>({ withdrawn: Joi.boolean().required() });

export const setLogSchema = Joi.object<SetLogBody, true>({
  item,
  side,
  set: Joi.number().integer().min(1).max(100).required(),
  plannedSeconds: Joi.number().integer().min(1).max(FIELD.holdSeconds.max).required(),
  doneSeconds: Joi.number().integer().min(0).max(FIELD.holdSeconds.max).required(),
  replaces: id().allow(null),
  reps: Joi.number().integer().min(0).max(200).allow(null),
  pieces: Joi.number().integer().min(1).max(100),
  form: exerciseId().allow(null),
  load: Joi.number().min(0).max(500).precision(2).allow(null),
  loadUnit: loadUnit.allow(null),
  assistance: Joi.number().integer().min(0).max(2).allow(null),
  depthCm: Joi.number().min(-100).max(250).precision(1).allow(null),
  sensation,
});

export const symptomSchema = Joi.object<SymptomBody>({
  item,
  side,
  symptom: Joi.string()
    .valid(...SYMPTOMS.map((s) => s.id))
    .required(),
  form: exerciseId().allow(null),
  at: instant().optional(),
});

const answers = {
  sensation: sensation.required(),
  feltTighter: Joi.string()
    .valid(...FELT_SIDES)
    .allow(null),
  note: text(),
};
export const finishRunSchema = Joi.object<FinishRunBody>({
  endedAt: instant(),
  ...answers,
  tighterIn: Joi.array()
    .items(
      Joi.object({
        exerciseId: exerciseId().required(),
        side: Joi.string()
          .valid(...SIDES)
          .required(),
      }).optional(),
    )
    .unique('exerciseId')
    .max(40),
});
export const editAnswersSchema = Joi.object<EditAnswersBody, true>({ id: id(), ...answers });
export const chooseRunSchema = Joi.object<ChooseRunBody, true>({ runId: id() });
export const sorenessSchema = Joi.object<SorenessBody, true>({
  date: date(),
  region: Joi.string()
    .valid(...BODY_REGION_IDS)
    .allow(null)
    .required(),
  soreness: Joi.number().integer().min(0).max(10).required(),
  note: text(),
});
export const pacingSchema = Joi.object<Pacing, true>({ brisk: Joi.boolean().required(), own: ownTimings() });

export const breathSchema = Joi.object<BreathBody, true>({
  seconds: Joi.number().integer().min(BREATH_BOUNDS.min).max(BREATH_BOUNDS.max).allow(null).required(),
});

export const clearSymptomSchema = Joi.object<ClearSymptomBody>({
  note: line(FIELD.note.max),
  who: text(FIELD.name.max).optional().default(''),
});
