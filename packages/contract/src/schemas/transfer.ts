import Joi from 'joi';

/** Query of an import. Values are text: this one converts. `columns` names the column of each place, separated by commas. */
export const importQuerySchema = Joi.object<{ dryRun: boolean; columns: string }>({
  dryRun: Joi.boolean().default(false),
  columns: Joi.string().allow('').max(2000).default(''),
});

/** Query of a file for another professional: under the first name, or a pseudonym. */
export const fhirQuerySchema = Joi.object<{ name: 'first' | 'pseudonym' }>({
  name: Joi.string().valid('first', 'pseudonym').default('first'),
});

/** Query of an export: one client, or the whole studio. */
export const exportQuerySchema = Joi.object<{ client: string }>({
  client: Joi.string().guid({ separator: '-' }).lowercase().allow('').default(''),
});
