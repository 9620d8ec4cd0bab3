import { FILE_VERSION, ROUTINE_BOUNDS, SERIES_BOUNDS, type RoutineDefinition, type SeriesEntry } from '@yandle/core';
import Joi from 'joi';
import type { FitRoutineBody, OwnRoutineBody, OwnSeriesBody, RoutineFile } from '../routines.js';
import { id, name, shortId, text, versionOrNew } from './common.js';
import { jsonSchemaOf } from './json-schema.js';
import { routineId, sessionItems, settings } from './sessions.js';

/** Clients that one list may be tried on at once. */
const MOST_CLIENTS = 50;

const definition = {
  name: name(ROUTINE_BOUNDS.name),
  note: text(ROUTINE_BOUNDS.note),
  ...settings,
  items: sessionItems(),
};

export const ownRoutineSchema = Joi.object<OwnRoutineBody>({
  ...definition,
  version: versionOrNew(),
  archived: Joi.boolean().required(),
  clientId: id().allow(null),
});

export const routineFileSchema = Joi.object<RoutineFile>({
  format: Joi.string().valid('yandle-routines').required(),
  formatVersion: Joi.number().valid(FILE_VERSION).required(),
  routines: Joi.array().items(Joi.object<RoutineDefinition>(definition).optional()).min(1).max(50).required(),
});

/** The published schema of a file of routines. Whoever writes such a file can check it with this. */
export const ROUTINE_FILE_SCHEMA = jsonSchemaOf(routineFileSchema, 'Routines of a studio');

export const fitRoutineSchema = Joi.object<FitRoutineBody>({
  items: sessionItems(),
  alreadyWarm: settings.alreadyWarm,
  rounds: settings.rounds,
  pacing: settings.pacing,
  placeId: shortId().allow(null),
  clientIds: Joi.array().items(id().optional()).unique().min(1).max(MOST_CLIENTS).required(),
});

const entry = Joi.object<SeriesEntry>({
  day: Joi.number().integer().min(1).max(SERIES_BOUNDS.days).required(),
  routineId: routineId().required(),
});

export const ownSeriesSchema = Joi.object<OwnSeriesBody>({
  name: name(SERIES_BOUNDS.name),
  note: text(SERIES_BOUNDS.note),
  entries: Joi.array().items(entry.optional()).min(1).max(SERIES_BOUNDS.entries).required(),
  version: versionOrNew(),
  archived: Joi.boolean().required(),
});
