import { createHash } from 'node:crypto';
import {
  asMeasuredIn,
  errorOf,
  fhirBundle,
  isWarm,
  readingsOf,
  resultIn,
  sidesOfTest,
  testerIn,
  type SharedResult,
} from '@yandle/core';
import { CoachEntity } from '../accounts/entities.js';
import { assessmentsOf } from '../assessments/service.js';
import { ClientEntity } from '../clients/entities.js';
import type { StudioData } from '../database/studio-data.js';
import { loadTestCatalogue } from '../test-catalogue/catalogue.js';

/** The same things always have the same id: a file that is sent again brings nothing twice. */
function idOf(...parts: readonly string[]): string {
  const hex = createHash('sha256').update(parts.join('|')).digest('hex');
  // Version 8 of RFC 9562: a UUID made as one likes.
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-8${hex.slice(13, 16)}-a${hex.slice(17, 20)}-${hex.slice(20, 32)}`;
}

/** All results of a client that stand, as a FHIR Bundle. @param pseudonym true to leave out the name, the sex and the year of birth */
export async function clientBundle(
  data: StudioData,
  clientId: string,
  pseudonym: boolean,
  timeZone: string,
): Promise<object> {
  const client = await data.get(ClientEntity, clientId, 'client');
  const catalogue = await loadTestCatalogue(data);
  const assessments = await assessmentsOf(data, clientId, timeZone);
  const names = new Map((await data.find(CoachEntity, {})).map((c) => [c.id, c.name]));
  const results = assessments.flatMap((a) =>
    catalogue.tests.flatMap((test) =>
      sidesOfTest(test).flatMap((side): SharedResult[] => {
        const measured = asMeasuredIn(catalogue, a, test);
        const result = resultIn(a, measured, side);
        if (!result) return [];
        return [
          {
            id: idOf(a.id, test.id, side ?? ''),
            ...{ date: a.date, time: a.time, test, side, value: result.value, error: errorOf(measured, result) },
            readings: result.readings,
            instrument: readingsOf(a, test, side).at(-1)?.instrument ?? '',
            warm: isWarm(a, test, side),
            tester: names.get(testerIn(a, test, side)) ?? a.testerName,
          },
        ];
      }),
    ),
  );
  const id = idOf('person', clientId);
  const person = pseudonym
    ? { id, name: `Client ${id.slice(0, 6)}`, sex: null, birthYear: null }
    : {
        id,
        name: client.name.split(/\s+/)[0]!,
        sex: client.sex,
        birthYear: Number(client.birthDate.slice(0, 4)),
      };
  return fhirBundle(person, results, data.now.toISOString());
}
