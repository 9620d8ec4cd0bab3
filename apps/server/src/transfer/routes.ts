import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { exportQuerySchema, importQuerySchema } from '@yandle/contract/schemas';
import { RESULT_COLUMNS, RESULTS_FORMAT, type ResultColumn } from '@yandle/core';
import { stringify } from 'csv-stringify';
import { Router, type Request, type Response } from 'express';
import { contextOf } from '../accounts/context.js';
import { ClientEntity } from '../clients/entities.js';
import { HttpProblem } from '../http/problem.js';
import { validQuery } from '../http/validate.js';
import { exportedReadings, jsonText, tableRows } from './export-results.js';
import { importResults } from './import-results.js';
import { csvLines, jsonLines } from './read-lines.js';

/** `client,,date`: what each place holds; an empty name skips it. */
function readMapping(text: string): (ResultColumn | null)[] | null {
  if (text === '') return null;
  return text.split(',').map((name) => {
    if (name === '') return null;
    const column = RESULT_COLUMNS.find((c) => c.id === name);
    if (!column)
      throw new HttpProblem('validation', 'Fix the query values listed and send again.', {
        errors: [{ path: 'columns', message: `There is no column "${name}".` }],
      });
    return column.id;
  });
}

function linesOf(req: Request, columns: string) {
  if (req.is('text/csv')) return csvLines(req, readMapping(columns));
  if (req.is('application/x-yandle-results+json')) return jsonLines(req);
  throw new HttpProblem(
    'unsupported-media-type',
    'Send the file as text/csv, or as application/x-yandle-results+json.',
  );
}

/** A stream that breaks half-way must not look like a whole file: the connection is cut instead. */
async function sendAll(res: Response, work: Promise<void>): Promise<void> {
  try {
    await work;
  } catch (err) {
    if (!res.headersSent) throw err;
    res.destroy();
  }
}

export function transferRoutes(): Router {
  const router = Router();

  router.post('/imports/results', async (req, res) => {
    const { data, coach, today } = contextOf(res);
    const { dryRun, columns } = validQuery(importQuerySchema, req.query);
    const who = { coachId: coach.id, today };
    try {
      res.json(await importResults(data, linesOf(req, columns), who, dryRun));
    } finally {
      // What is left of a refused file is read to its end, so that the answer arrives.
      req.resume();
    }
  });

  const readings = async (req: Request, res: Response) => {
    const { data } = contextOf(res);
    const { client } = validQuery(exportQuerySchema, req.query);
    if (client) await data.get(ClientEntity, client, 'client');
    return exportedReadings(data, client || null);
  };
  router.get('/exports/results.csv', async (req, res) => {
    const rows = await readings(req, res);
    res.attachment('yandle-results.csv').type('text/csv; charset=utf-8');
    await sendAll(res, pipeline(tableRows(rows), stringify(), res));
  });
  router.get('/exports/results.json', async (req, res) => {
    const rows = await readings(req, res);
    res.attachment('yandle-results.json').type('application/json; charset=utf-8');
    await sendAll(res, pipeline(Readable.from(jsonText(rows, RESULTS_FORMAT)), res));
  });
  return router;
}
