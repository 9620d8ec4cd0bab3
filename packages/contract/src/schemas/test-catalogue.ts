import { LIMIT_SIDES, MOVERS, MUSCLE_GROUP_IDS, ORIGINS, POSITIONS, TURNS } from '@yandle/core';
import Joi from 'joi';
import {
  STUDY_KINDS,
  type AdoptErrorBody,
  type OwnBatteryBody,
  type OwnTestBody,
  type StudyBody,
} from '../test-catalogue.js';
import { id, line, name, testId, text, versionOrNew } from './common.js';

/** Lists of short lines: steps, faults … */
const lines = (most: number, least = 0) => Joi.array().items(line(300).optional()).min(least).max(most).required();
const reading = () => Joi.number().min(-200).max(400);

/** A number without its origin is refused: that is the point. */
const source = () =>
  Joi.object({
    origin: Joi.string()
      .valid(...ORIGINS)
      .required(),
    text: line(500),
  });

export const ownTestSchema = Joi.object<OwnTestBody>({
  version: versionOrNew(),
  archived: Joi.boolean().required(),
  name: name(),
  motion: line(200),
  purpose: text(300),
  position: Joi.string()
    .valid(...POSITIONS)
    .required(),
  landmarks: lines(8),
  steps: lines(8, 1),
  endPoint: line(300),
  instruments: Joi.array().items(name(60).optional()).min(1).max(5).unique().required(),
  unit: Joi.string().valid('deg', 'cm').required(),
  reads: line(120),
  better: Joi.string().valid('more', 'less').required(),
  sides: Joi.string().valid('body', 'direction', 'none').required(),
  valueRule: Joi.string().valid('mean', 'best', 'median').required(),
  repeatTolerance: Joi.number().positive().max(100).required(),
  resolution: Joi.number().positive().max(20).required(),
  plausible: Joi.object({ min: reading().required(), max: reading().required() }).required(),
  error: Joi.object({ sem: Joi.number().positive().max(100).required(), source: source().required() }).required(),
  reference: Joi.object({
    mean: reading().required(),
    sd: Joi.number().positive().max(100).allow(null).required(),
    source: source().required(),
  })
    .allow(null)
    .required(),
  limits: Joi.array()
    .items(
      Joi.object({
        group: Joi.string()
          .valid(...MUSCLE_GROUP_IDS)
          .required(),
        weight: Joi.number().greater(0).max(1).required(),
        side: Joi.string()
          .valid(...LIMIT_SIDES)
          .optional(),
      }),
    )
    .unique('group')
    .min(1)
    .max(8)
    .required(),
  cautions: lines(8, 1),
  notFor: lines(8),
  faults: lines(8),
  moved: Joi.string()
    .valid(...MOVERS)
    .optional(),
  turns: Joi.string()
    .valid(...TURNS)
    .optional(),
});

export const ownBatterySchema = Joi.object<OwnBatteryBody>({
  version: versionOrNew(),
  name: name(),
  about: text(200),
  testIds: Joi.array().items(testId()).unique().min(1).max(40).required(),
  archived: Joi.boolean().required(),
});

/** Query of how a coach reads a test. */
export const readingHabitsQuerySchema = Joi.object<{ testId: string }>({ testId: testId().required() });

export const studySchema = Joi.object<StudyBody>({
  version: versionOrNew(),
  testId: testId().required(),
  name: name(),
  kind: Joi.string()
    .valid(...STUDY_KINDS)
    .required(),
  columns: Joi.array().items(name(60).optional()).length(2).required(),
  rows: Joi.array()
    .items(
      Joi.object({
        label: text(60),
        first: reading().allow(null).required(),
        second: reading().allow(null).required(),
      }),
    )
    .max(200)
    .required(),
});

export const adoptErrorSchema = Joi.object<AdoptErrorBody>({
  id: id(),
  testId: testId().required(),
  sem: Joi.number().positive().max(100).required(),
  low: Joi.number().min(0).max(100).allow(null).required(),
  high: Joi.number().min(0).max(1000).allow(null).required(),
  clients: Joi.number().integer().min(3).max(500).allow(null).required(),
  source: source().required(),
  studyId: id().allow(null),
});
