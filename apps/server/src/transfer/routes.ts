import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { exportQuerySchema, fhirQuerySchema, importQuerySchema } from '@yandle/contract/schemas';
import { RESULT_COLUMNS, RESULTS_FORMAT, type ResultColumn } from '@yandle/core';
import { stringify } from 'csv-stringify';
import { Router, type Request, type Response } from 'express';
import { contextOf } from '../accounts/context.js';
import { ClientEntity } from '../clients/entities.js';
import { Turnstile } from '../http/gate.js';
import { HttpProblem } from '../http/problem.js';
import { sendAll } from '../http/send-all.js';
import { pathId, validQuery } from '../http/validate.js';
import { clientBundle } from './fhir.js';
import { exportedReadings, jsonText, tableRows } from './export-results.js';
import { importResults } from './import-results.js';
import { csvLines, jsonLines, type NumberedLine } from './read-lines.js';
import { withWholeFile } from './spool.js';

/** Milliseconds that the largest import may take once its file has come. */
const WORK_MS = 10 * 60 * 1000;

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

type Reader = (file: Readable) => AsyncIterable<NumberedLine>;

function readerFor(req: Request, columns: string): Reader {
  if (req.is('text/csv')) {
    const mapping = readMapping(columns);
    return (file) => csvLines(file, mapping);
  }
  if (req.is('application/x-yandle-results+json')) return jsonLines;
  throw new HttpProblem(
    'unsupported-media-type',
    'Send the file as text/csv, or as application/x-yandle-results+json.',
  );
}

export function transferRoutes(): Router {
  const router = Router();
  // Each holds a connection for as long as it writes.
  const imports = new Turnstile(2, 'Two other files are being taken in.');

  router.post('/imports/results', async (req, res) => {
    const { data, coach, today } = contextOf(res);
    const { dryRun, columns } = validQuery(importQuerySchema, req.query);
    const who = { coachId: coach.id, today };
    try {
      const read = readerFor(req, columns);
      const work = (file: Readable) => {
        // The file is in: from here on it is the server that takes its time.
        req.setTimeout(WORK_MS);
        return imports.pass(() => importResults(data, read(file), who, dryRun));
      };
      res.json(await withWholeFile(req, work));
    } finally {
      // What is left of a refused file is read to its end, so that the answer arrives.
      req.resume();
    }
  });

  const readings = async (req: Request, res: Response) => {
    const { data } = contextOf(res);
    const { client } = validQuery(exportQuerySchema, req.query);
    if (client) await data.get(ClientEntity, client, 'client');
    await data.audit('results-exported', { clientId: client || null });
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
  router.get('/clients/:id/results.fhir.json', async (req, res) => {
    const { data, studio } = contextOf(res);
    const { name } = validQuery(fhirQuerySchema, req.query);
    const clientId = pathId(req.params.id, 'client');
    const bundle = await clientBundle(data, clientId, name === 'pseudonym', studio.timeZone);
    await data.audit('results-exported', { clientId });
    res.attachment('yandle-results.fhir.json').type('application/fhir+json; charset=utf-8');
    res.send(JSON.stringify(bundle));
  });
  return router;
}
