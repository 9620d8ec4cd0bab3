import { FIRST_WEEKDAYS, LENGTH_UNITS, TIMING_BOUNDS, WEIGHT_UNITS } from '@yandle/core';
import Joi from 'joi';
import {
  COACH_ROLES,
  type ChangePasswordBody,
  type ConfirmFactorBody,
  type JoinBody,
  type NerveGlidesBody,
  type RemoveFactorBody,
  type ResetBody,
  type SetupBody,
  type SignInBody,
} from '../accounts.js';
import { FIELD } from '../limits.js';
import {
  RETENTION,
  type AuditQuery,
  type EditCoachBody,
  type EditStudioBody,
  type EraseClientBody,
  type InviteBody,
  type RemoveCoachBody,
  type StandInBody,
  type StudioSettings,
} from '../studio.js';
import { blockBounds } from './blocks.js';
import { minutesPerSession } from './clients.js';
import { date, id, name, text } from './common.js';

const email = () =>
  Joi.string()
    .max(FIELD.email.max)
    .email({ tlds: false })
    .required()
    .messages({ 'string.email': 'Enter an email address, e.g. name@studio.example.' });

const ofTimeZone: Joi.CustomValidator<string> = (value, helpers) => {
  try {
    new Intl.DateTimeFormat('en', { timeZone: value });
    return value;
  } catch {
    return helpers.error('any.invalid');
  }
};
const timeZone = () =>
  Joi.string()
    .max(64)
    .custom(ofTimeZone)
    .required()
    .messages({ 'any.invalid': 'Choose a time zone, as Europe/Vienna.' });

const newPassword = () => Joi.string().min(FIELD.password.min).max(FIELD.password.max).required();
const anyPassword = () => Joi.string().max(FIELD.password.max).required();
const code = () => Joi.string().max(40);
const role = () =>
  Joi.string()
    .valid(...COACH_ROLES)
    .required();

export const nerveGlidesSchema = Joi.object<NerveGlidesBody, true>({ licence: name(), since: date() });

export const signInSchema = Joi.object<SignInBody, true>({
  email: Joi.string().max(FIELD.email.max).required(),
  password: anyPassword(),
  code: code(),
});

export const setupSchema = Joi.object<SetupBody, true>({
  studioName: name(),
  timeZone: timeZone(),
  coachName: name(),
  email: email(),
  password: newPassword(),
});

export const changePasswordSchema = Joi.object<ChangePasswordBody, true>({
  current: anyPassword(),
  password: newPassword(),
});
export const confirmFactorSchema = Joi.object<ConfirmFactorBody, true>({ code: code().required() });
export const removeFactorSchema = Joi.object<RemoveFactorBody, true>({ password: anyPassword() });
export const joinSchema = Joi.object<JoinBody, true>({ name: name(), email: email(), password: newPassword() });
export const resetSchema = Joi.object<ResetBody, true>({ password: newPassword() });

export const editStudioSchema = Joi.object<EditStudioBody, true>({
  name: name(),
  timeZone: timeZone(),
  retentionMonths: Joi.number().integer().min(RETENTION.min).max(RETENTION.max).allow(null).required(),
});
const seconds = (bounds: { readonly min: number; readonly max: number }) =>
  Joi.number().integer().min(bounds.min).max(bounds.max).required();

export const studioSettingsSchema = Joi.object<StudioSettings, true>({
  timings: Joi.object(
    Object.fromEntries(Object.entries(TIMING_BOUNDS).map(([name, b]) => [name, seconds(b)])),
  ).required(),
  firstWeekday: Joi.number()
    .valid(...FIRST_WEEKDAYS)
    .required(),
  units: Joi.object({
    length: Joi.string()
      .valid(...LENGTH_UNITS)
      .required(),
    weight: Joi.string()
      .valid(...WEIGHT_UNITS)
      .required(),
  }).required(),
  block: Joi.object(blockBounds).required(),
  minutesPerSession: minutesPerSession(),
});
export const inviteSchema = Joi.object<InviteBody, true>({ role: role(), note: text(FIELD.name.max) });
export const editCoachSchema = Joi.object<EditCoachBody, true>({ role: role() });
export const standInSchema = Joi.object<StandInBody, true>({ standInId: id().allow(null), until: date().allow(null) });
export const removeCoachSchema = Joi.object<RemoveCoachBody, true>({ clientsTo: id() });
export const auditQuerySchema = Joi.object<AuditQuery, true>({
  client: Joi.string().guid({ separator: '-' }).lowercase().allow('').default(''),
  cursor: Joi.string().max(120).allow('').default(''),
});
export const eraseClientSchema = Joi.object<EraseClientBody, true>({
  name: Joi.string().max(FIELD.name.max).required(),
});
