import Joi from 'joi';
import type { SetupBody, SignInBody } from '../accounts.js';
import { FIELD } from '../limits.js';
import { line } from './common.js';

const email = () =>
  Joi.string()
    .max(FIELD.email.max)
    .email({ tlds: false })
    .required()
    .messages({ 'string.email': 'Enter an email address, e.g. name@studio.example.' });

const timeZone: Joi.CustomValidator<string> = (value, helpers) => {
  try {
    new Intl.DateTimeFormat('en', { timeZone: value });
    return value;
  } catch {
    return helpers.error('any.invalid');
  }
};

export const signInSchema = Joi.object<SignInBody, true>({
  email: Joi.string().max(FIELD.email.max).required(),
  password: Joi.string().max(FIELD.password.max).required(),
});

export const setupSchema = Joi.object<SetupBody, true>({
  studioName: line(),
  timeZone: Joi.string()
    .max(64)
    .custom(timeZone)
    .required()
    .messages({ 'any.invalid': 'Choose a time zone, as Europe/Vienna.' }),
  coachName: line(),
  email: email(),
  password: Joi.string().min(FIELD.password.min).max(FIELD.password.max).required(),
});
