import { bodyRegionName, regionOfGroup } from '../anatomy/body-region.js';
import type { Side } from '../anatomy/side.js';
import type { RomTest } from '../catalogue/rom-test.js';
import { roundTo } from '../math/rounding.js';
import type { ResultError } from '../measuring/error.js';
import { mdc95 } from '../measuring/error.js';
import type { PlainDate } from '../schedule/plain-date.js';

/** A result of a test, side and assessment, as it goes to others. */
export interface SharedResult {
  /** Made by the sender; unique in the file. */
  readonly id: string;
  readonly date: PlainDate;
  /** `09:40`, the client's clock. */
  readonly time: string;
  readonly test: RomTest;
  readonly side: Side | null;
  /** In the unit of the test. */
  readonly value: number;
  readonly error: ResultError;
  /** Readings that it is made of. */
  readonly readings: readonly number[];
  readonly instrument: string;
  readonly warm: boolean;
  readonly tester: string;
}

/** Whose results they are: a first name or a pseudonym, never more. */
export interface SharedPerson {
  readonly id: string;
  readonly name: string;
  readonly sex: 'female' | 'male' | null;
  readonly birthYear: number | null;
}

const UCUM = 'http://unitsofmeasure.org';
/** Sides as SNOMED CT qualifiers (codes from memory). */
const SIDE_CODES = {
  left: { code: '7771000', display: 'Left' },
  right: { code: '24028007', display: 'Right' },
} as const satisfies Record<Side, object>;

const MOVED = { active: 'moved by the client', weight: 'moved by weight', tester: 'moved by the tester' } as const;

const quantity = (value: number, unit: RomTest['unit']) => ({
  value: roundTo(value, 2),
  unit: unit === 'deg' ? 'degrees' : 'cm',
  system: UCUM,
  code: unit,
});

/** Where a test is limited: the region of the group that limits it most. */
function siteOf({ limits }: RomTest, side: Side | null) {
  const [most] = [...limits].sort((a, b) => b.weight - a.weight);
  const region = most ? bodyRegionName(regionOfGroup(most.group)) : null;
  if (region === null && side === null) return null;
  const coding = side === null ? {} : { coding: [{ system: 'http://snomed.info/sct', ...SIDE_CODES[side] }] };
  return { ...coding, text: [side, region].filter((x) => x !== null).join(', ') };
}

function observation(r: SharedResult, person: SharedPerson) {
  const { test } = r;
  const site = siteOf(test, r.side);
  const moved = test.moved ? `, ${MOVED[test.moved]}` : '';
  const readings = `${test.valueRule} of ${r.readings.length === 1 ? '1 reading' : `${r.readings.length} readings`}`;
  const component = (text: string, value: number) => ({
    code: { text },
    valueQuantity: quantity(value, test.unit),
  });
  return {
    resourceType: 'Observation',
    id: r.id,
    status: 'final',
    category: [{ coding: [{ system: 'http://terminology.hl7.org/CodeSystem/observation-category', code: 'exam' }] }],
    code: { coding: [{ system: 'urn:yandle:rom-test', code: test.id, display: test.name }], text: test.motion },
    subject: { reference: `urn:uuid:${person.id}` },
    effectiveDateTime: r.date,
    performer: [{ display: r.tester }],
    valueQuantity: quantity(r.value, test.unit),
    ...(site && { bodySite: site }),
    method: { text: `${test.name}: ${r.instrument}, ${test.position}${moved}, ${readings}` },
    device: { display: r.instrument },
    note: [
      { text: `Reads ${test.reads}. Ends at: ${test.endPoint}.` },
      { text: `${r.warm ? 'Warm' : 'Cold'}, ${r.time}. Readings: ${r.readings.join(', ')}.` },
    ],
    component: [
      component('Standard error of measurement', r.error.sem),
      component('Smallest real change between two results, 95 %', mdc95(r.error, r.error)),
    ],
  };
}

/**
 * Results as a FHIR R4 Bundle for another professional: a Patient with no more than a name and a year of birth, and an Observation for each result
 * with test, side, value, unit (UCUM), instrument, conditions and error.
 * @param at instant in UTC, `2026-03-09T08:12:00Z`
 * Source: HL7 FHIR R4 (4.0.1), Bundle, Patient, Observation.
 */
export function fhirBundle(person: SharedPerson, results: readonly SharedResult[], at: string): object {
  const entry = (id: string, resource: object) => ({ fullUrl: `urn:uuid:${id}`, resource });
  const patient = {
    resourceType: 'Patient',
    id: person.id,
    name: [{ given: [person.name] }],
    ...(person.sex && { gender: person.sex }),
    ...(person.birthYear !== null && { birthDate: String(person.birthYear) }),
  };
  return {
    resourceType: 'Bundle',
    type: 'collection',
    timestamp: at,
    entry: [entry(person.id, patient), ...results.map((r) => entry(r.id, observation(r, person)))],
  };
}
