import {
  DEMANDS,
  EXERCISES,
  FILE_VERSION,
  MUSCLE_GROUP_IDS,
  ORIGINS,
  POSITIONS,
  PROP_IDS,
  TECHNIQUES,
  TURNS,
  type ExerciseDefinition,
} from '@yandle/core';
import Joi from 'joi';
import type { ExerciseFile, FavouriteBody, OwnExerciseBody } from '../exercises.js';
import { line, name, text, versionOrNew } from './common.js';
import { jsonSchemaOf } from './json-schema.js';
import { furtherParts, pace } from './parts.js';

const oneOf = (values: readonly string[]) => Joi.string().valid(...values);
const some = (values: readonly string[], most: number) =>
  Joi.array().items(oneOf(values).optional()).unique().max(most).required();
const lines = (most: number) => Joi.array().items(line(300).optional()).min(1).max(most).required();
const ofCatalogue = () =>
  oneOf(EXERCISES.map((e) => e.id))
    .allow(null)
    .required();
const count = (min: number, max: number) => Joi.number().integer().min(min).max(max).required();

const definition = {
  figure: ofCatalogue(),
  name: name(),
  aim: line(300),
  difficulty: Joi.number().valid(1, 2, 3).required(),
  primary: oneOf(MUSCLE_GROUP_IDS).required(),
  secondary: some(MUSCLE_GROUP_IDS, 6),
  warmUp: Joi.valid(true).optional(),
  opens: Joi.array().items(oneOf(MUSCLE_GROUP_IDS).optional()).unique().max(7).optional(),
  otherSide: Joi.array().items(oneOf(MUSCLE_GROUP_IDS).optional()).unique().max(7).optional(),
  turns: oneOf(TURNS).optional(),
  technique: oneOf(TECHNIQUES).required(),
  pace: pace(),
  pushAgainst: line(200).optional(),
  then: furtherParts(),
  position: oneOf(POSITIONS).required(),
  alsoIn: Joi.array().items(oneOf(POSITIONS).optional()).unique().max(7).optional(),
  demands: some(DEMANDS, DEMANDS.length),
  demandsKnown: Joi.boolean().required(),
  bed: Joi.boolean().required(),
  props: some(PROP_IDS, 6),
  optionalProps: some(PROP_IDS, 6),
  substitute: text(300),
  sides: oneOf(['each', 'both']).required(),
  sideWords: text(300),
  sidePattern: oneOf(['side by side', 'alternating']).required(),
  check: line(200).allow(null),
  stages: Joi.array()
    .items(Joi.object({ name: name(), share: Joi.number().greater(0).max(1).required() }).optional())
    .max(4)
    .required(),
  steps: lines(5),
  breath: line(300),
  endPoint: line(300),
  depthMeasure: text(300),
  felt: line(300),
  notFelt: line(300),
  faults: lines(8),
  amount: Joi.object({
    unit: oneOf(['seconds', 'repetitions', 'breaths']).required(),
    min: count(1, 600),
    max: count(1, 600),
  }).required(),
  load: oneOf(['none', 'body', 'weight', 'band']).required(),
  startLoad: Joi.array().ordered(line(120), line(120), line(120)).length(3).optional(),
  easier: line(300),
  harder: line(300),
  easierForm: ofCatalogue(),
  harderForm: ofCatalogue(),
  setupSeconds: count(0, 120),
  cautions: lines(8),
  notFor: Joi.array().items(line(300).optional()).max(8).required(),
  origin: oneOf(ORIGINS).required(),
};

export const favouriteSchema = Joi.object<FavouriteBody>({ favourite: Joi.boolean().required() });

export const ownExerciseSchema = Joi.object<OwnExerciseBody>({
  ...definition,
  version: versionOrNew(),
  archived: Joi.boolean().required(),
});

export const exerciseFileSchema = Joi.object<ExerciseFile>({
  format: Joi.string().valid('yandle-exercises').required(),
  formatVersion: Joi.number().valid(FILE_VERSION).required(),
  exercises: Joi.array().items(Joi.object<ExerciseDefinition>(definition).optional()).min(1).max(100).required(),
});

/** The published schema of a file of own exercises. Whoever writes such a file can check it with this. */
export const EXERCISE_FILE_SCHEMA = jsonSchemaOf(exerciseFileSchema, 'Exercises of a studio');
