import { INCLINOMETER_RANGES, type InclinometerSettings } from '@yandle/core';
import Joi from 'joi';

const setting = (key: keyof InclinometerSettings) =>
  Joi.number().min(INCLINOMETER_RANGES[key][0]).max(INCLINOMETER_RANGES[key][1]).required();

export const inclinometerSchema = Joi.object<InclinometerSettings>({
  trueAngle: setting('trueAngle'),
  tremor: setting('tremor'),
  driftPerMinute: setting('driftPerMinute'),
  settling: setting('settling'),
  dropOuts: setting('dropOuts'),
});
