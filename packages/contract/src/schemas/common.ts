import { isPlainDate } from '@yandle/core';
import Joi from 'joi';
import { FIELD } from '../limits.js';

/** Messages of our own where Joi's do not say what to do. */
const MESSAGES = {
  'any.required': 'Required.',
  'string.empty': 'Required.',
  'string.base': 'Enter text here.',
  'string.max': 'At most {#limit} characters.',
  'string.min': 'At least {#limit} characters.',
  'number.base': 'Enter a number.',
  'number.integer': 'Enter a whole number.',
  'number.min': 'At least {#limit}.',
  'number.max': 'At most {#limit}.',
  'number.unsafe': 'This number is too large.',
  'any.only': 'Choose one of {#valids}.',
  'object.unknown': 'This field isn’t known here. Leave it out.',
  'array.min': 'Choose at least {#limit}.',
  'array.max': 'Choose at most {#limit}.',
  'array.unique': 'Each can be chosen once only.',
  'string.guid': 'An id is a UUID.',
  'date.plain': 'Enter a date like 2026-03-09.',
  'time.plain': 'Enter a time like 09:40.',
  'instant.plain': 'Enter a time like 2026-03-09T08:12:00.000Z.',
  'text.control': 'Control characters are not allowed here.',
  'text.direction': 'Characters that turn the direction of writing are not allowed here.',
  'text.broken': 'This text has a broken character. Type it again.',
  'text.lines': 'Write it on one line.',
};

/** Settings of every schema of a request body: nothing converted, nothing unknown, all errors at once. */
export const STRICT: Joi.ValidationOptions = {
  abortEarly: false,
  convert: false,
  allowUnknown: false,
  messages: MESSAGES,
  errors: { wrap: { label: false } },
};

/** What breaks exports and screens: control characters, marks that turn what is read, halves of a character. */
const plainText: Joi.CustomValidator<string> = (value, helpers) => {
  // eslint-disable-next-line no-control-regex -- control characters are what is refused
  if (/[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f-\u009f\u2028\u2029]/.test(value))
    return helpers.error('text.control');
  if (/[\u202a-\u202e\u2066-\u2069]/.test(value)) return helpers.error('text.direction');
  if (/\p{Surrogate}/u.test(value)) return helpers.error('text.broken');
  return value;
};

const oneLine: Joi.CustomValidator<string> = (value, helpers) =>
  /[\t\n\r]/.test(value) ? helpers.error('text.lines') : plainText(value, helpers);

const plainDate: Joi.CustomValidator<string> = (value, helpers) =>
  isPlainDate(value) && value >= '1900-01-01' && value <= '2200-12-31' ? value : helpers.error('date.plain');

const plainTime: Joi.CustomValidator<string> = (value, helpers) =>
  /^([01]\d|2[0-3]):[0-5]\d$/.test(value) ? value : helpers.error('time.plain');

const plainInstant: Joi.CustomValidator<string> = (value, helpers) =>
  /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}:\d{2}\.\d{3}Z$/.test(value) && !Number.isNaN(Date.parse(value))
    ? value
    : helpers.error('instant.plain');

/** A required id made by the sender. */
export const id = () => Joi.string().guid({ separator: '-' }).lowercase().required();
/** A required date. */
export const date = () => Joi.string().custom(plainDate).required();
/** A required time of day. */
export const time = () => Joi.string().custom(plainTime).required();
/** A required instant in UTC. */
export const instant = () => Joi.string().custom(plainInstant).required();
/** A required name of a person or thing: one line, not blank. */
export const name = (max: number = FIELD.name.max) =>
  Joi.string().max(max).custom(oneLine).pattern(/\S/).required().messages({ 'string.pattern.base': 'Required.' });
/** A required, non-blank text. */
export const line = (max: number) =>
  Joi.string().max(max).custom(plainText).pattern(/\S/).required().messages({ 'string.pattern.base': 'Required.' });
/** A short id that is not a UUID: of a day plan, a place. */
export const shortId = () =>
  Joi.string()
    .max(40)
    .pattern(/^[\w-]+$/);
/** A text that may be empty. */
export const text = (max: number = FIELD.note.max) => Joi.string().allow('').max(max).custom(plainText).required();
/** A version an edit started from. */
export const version = () => Joi.number().integer().min(1).required();
/** A version an edit started from, or null to create. */
export const versionOrNew = () => Joi.number().integer().min(1).allow(null).required();
/** Id of a test, of the catalogue or own. Whether it exists, the studio's book says. */
export const testId = () =>
  Joi.string()
    .max(60)
    .pattern(/^[a-z0-9]+(-[a-z0-9]+)*$/)
    .messages({ 'string.pattern.base': 'Choose a test of the list.' });

/** Days that a client is away, from and to. @param most how many ranges */
export const awayDates = (most: number) =>
  Joi.array()
    .items(
      Joi.object({ from: date(), to: date() })
        .custom((value: { from: string; to: string }, helpers) =>
          value.from <= value.to ? value : helpers.message({ custom: 'The last day away is before the first.' }),
        )
        .optional(),
    )
    .max(most)
    .required();
