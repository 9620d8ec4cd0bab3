import Joi from 'joi';
import type { OpenReportBody, ReportLinkBody } from '../report.js';

/** Longest that a link to a report works, in days. */
export const REPORT_DAYS_MAX = 90;

export const reportLinkSchema = Joi.object<ReportLinkBody>({
  days: Joi.number().integer().min(1).max(REPORT_DAYS_MAX).required(),
});

export const openReportSchema = Joi.object<OpenReportBody>({ token: Joi.string().min(20).max(100).required() });
