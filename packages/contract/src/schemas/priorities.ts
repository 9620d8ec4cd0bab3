import { BODY_REGION_IDS, HABIT_IDS, MUSCLE_GROUP_IDS } from '@yandle/core';
import Joi from 'joi';
import {
  SELF_REPORT_KINDS,
  SELF_REPORT_MOMENTS,
  type SelfReportBody,
  type PrioritiesBody,
  type GoalBody,
} from '../priorities.js';
import { date, line, testId, text, versionOrNew } from './common.js';

const group = () => Joi.string().valid(...MUSCLE_GROUP_IDS);
const interest = () => Joi.number().integer().min(0).max(3).required();

export const goalSchema = Joi.object<GoalBody>({
  testId: testId().required(),
  value: Joi.number().min(-200).max(400).required(),
  due: date().allow(null),
  words: text(300),
});

export const selfReportSchema = Joi.object<SelfReportBody>({
  date: date(),
  region: Joi.string()
    .valid(...BODY_REGION_IDS)
    .required(),
  kind: Joi.string()
    .valid(...SELF_REPORT_KINDS)
    .required(),
  moment: Joi.string()
    .valid(...SELF_REPORT_MOMENTS)
    .required(),
  score: Joi.number().integer().min(0).max(10).required(),
  habits: Joi.array()
    .items(Joi.string().valid(...HABIT_IDS))
    .unique()
    .max(HABIT_IDS.length)
    .required(),
});

export const prioritiesSchema = Joi.object<PrioritiesBody>({
  version: versionOrNew(),
  interests: Joi.array()
    .items(Joi.object({ group: group().required(), coach: interest(), client: interest() }))
    .unique('group')
    .max(MUSCLE_GROUP_IDS.length)
    .required(),
  pinned: Joi.array().items(group()).unique().max(MUSCLE_GROUP_IDS.length).required(),
  excluded: Joi.array()
    .items(Joi.object({ group: group().required(), reason: line(300) }))
    .unique('group')
    .max(MUSCLE_GROUP_IDS.length)
    .required(),
  order: Joi.array().items(group()).unique().max(MUSCLE_GROUP_IDS.length).required(),
  quickCheck: Joi.array().items(testId()).unique().max(2).required(),
});
