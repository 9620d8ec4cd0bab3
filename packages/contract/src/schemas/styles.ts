import {
  BLOCK_BOUNDS,
  FILE_VERSION,
  ORIGINS,
  STYLE_BOUNDS,
  styleFaults,
  styleFaultWords,
  TECHNIQUES,
  VARIABLES,
  type StyleDefinition,
} from '@yandle/core';
import Joi from 'joi';
import type { OwnStyleBody, OwnTemplateBody, StyleFile, TemplateFile } from '../styles.js';
import { blockPlan, lanePlan } from './blocks.js';
import { line, name, text, versionOrNew } from './common.js';
import { lockedCell } from './prescription.js';

type Bounds = { readonly min: number; readonly max: number };
const within = ({ min, max }: Bounds) => Joi.number().integer().min(min).max(max);
const technique = () =>
  Joi.string()
    .valid(...TECHNIQUES)
    .required();
const variable = () => Joi.string().valid(...VARIABLES);
const values = (least: number, most: number) =>
  Joi.object(Object.fromEntries(VARIABLES.map((v) => [v, Joi.number().min(least).max(most).precision(2)]))).required();

const start = Joi.object({
  sets: within(STYLE_BOUNDS.sets).required(),
  holdSeconds: Joi.number().integer().min(0).max(STYLE_BOUNDS.holdSeconds.max).required(),
  sessionsPerWeek: within(STYLE_BOUNDS.sessionsPerWeek).required(),
  reps: within(STYLE_BOUNDS.reps),
  cycles: within(STYLE_BOUNDS.cycles),
  pushSeconds: within(STYLE_BOUNDS.pushSeconds),
  effort: within(STYLE_BOUNDS.effort),
  lowerSeconds: within(STYLE_BOUNDS.lowerSeconds),
  assistance: within({ min: 0, max: 2 }),
}).required();

const turns = () =>
  Joi.array()
    .items(
      Joi.object({
        variable: variable().required(),
        until: Joi.number().min(0).max(300).precision(2).allow(null).required(),
      }).optional(),
    )
    .max(2 * VARIABLES.length);

const phase = Joi.object({
  technique: technique(),
  start,
  order: turns().required(),
  experiencedOrder: turns(),
  step: values(0, 100),
  caps: values(0, 300),
  amountFloor: Joi.number().integer().min(1).max(180).required(),
  stepSize: Joi.number().integer().min(1).max(30).required(),
});

const extra = () =>
  Joi.object({
    technique: technique(),
    sets: within(STYLE_BOUNDS.sets).required(),
    amount: Joi.number().integer().min(1).max(180).required(),
    cap: Joi.number().integer().min(1).max(300).required(),
  })
    .allow(null)
    .required();

const definition = {
  name: name(60),
  summary: text(300),
  phases: Joi.array().items(phase.optional()).min(1).max(STYLE_BOUNDS.phases.max).required(),
  before: extra(),
  after: extra(),
  doseCap: within(STYLE_BOUNDS.doseCap).allow(null).required(),
  easierWeeks: Joi.boolean().required(),
  easierEvery: Joi.number()
    .integer()
    .min(BLOCK_BOUNDS.easierEvery.min)
    .max(BLOCK_BOUNDS.easierEvery.max)
    .allow(null)
    .required(),
  sources: Joi.array()
    .items(
      Joi.object({
        origin: Joi.string()
          .valid(...ORIGINS)
          .required(),
        text: line(500),
      }).optional(),
    )
    .max(10)
    .required(),
};

/** What no schema of single fields can say of a style: the first thing wrong with it. */
const usable: Joi.CustomValidator<StyleDefinition> = (value, helpers) => {
  const [first] = styleFaults(value);
  return first ? helpers.message({ custom: styleFaultWords(first) }) : value;
};

export const ownStyleSchema = Joi.object<OwnStyleBody>({
  ...definition,
  version: versionOrNew(),
  archived: Joi.boolean().required(),
}).custom(usable);

export const styleFileSchema = Joi.object<StyleFile>({
  format: Joi.string().valid('yandle-styles').required(),
  formatVersion: Joi.number().valid(FILE_VERSION).required(),
  styles: Joi.array()
    .items(Joi.object<StyleDefinition>(definition).custom(usable).optional())
    .min(1)
    .max(50)
    .required(),
});

const template = {
  name: name(60),
  summary: text(300),
  ...blockPlan,
  lanes: Joi.array()
    .items(
      Joi.object({
        ...lanePlan,
        cells: Joi.array().items(lockedCell().optional()).unique('week').max(BLOCK_BOUNDS.weeks.max).required(),
        firstDose: Joi.number().integer().min(0).max(20_000).allow(null).required(),
      }).optional(),
    )
    .min(1)
    .max(BLOCK_BOUNDS.lanes.max)
    .unique('group')
    .required(),
};

export const ownTemplateSchema = Joi.object<OwnTemplateBody>({
  ...template,
  version: versionOrNew(),
  archived: Joi.boolean().required(),
});

export const templateFileSchema = Joi.object<TemplateFile>({
  format: Joi.string().valid('yandle-templates').required(),
  formatVersion: Joi.number().valid(FILE_VERSION).required(),
  templates: Joi.array().items(Joi.object(template).optional()).min(1).max(50).required(),
});
