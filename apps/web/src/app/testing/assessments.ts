import type { Assessment, PrioritiesView, TestCatalogueView, Reading } from '@yandle/contract';
import type { Side } from '@yandle/core';

/** Assessments, readings and answers of the server, as the component specs need them. */
export function aReading(testId: string, side: Side | null, value: number, over: Partial<Reading> = {}): Reading {
  return {
    id: `${testId}-${side}-${value}`,
    testId,
    side,
    value,
    instrument: 'goniometer',
    replaces: null,
    replacedBy: null,
    warm: null,
    testerId: null,
    seen: false,
    ...over,
  };
}

export function anAssessment(
  date: string,
  readings: readonly Reading[] = [],
  over: Partial<Assessment> = {},
): Assessment {
  return {
    id: `v-${date}`,
    clientId: 'c1',
    date,
    time: '09:40',
    warm: false,
    testerId: 'k1',
    testerName: 'Mara Thornebrook',
    note: '',
    battery: [...new Set(readings.map((t) => t.testId))],
    hoursSinceSession: null,
    readings,
    events: [],
    beighton: null,
    pictures: [],
    ...over,
  };
}

export const NO_PRIORITIES: PrioritiesView = {
  priorities: { version: null, interests: [], pinned: [], excluded: [], order: [], quickCheck: [] },
  goals: [],
  selfReports: [],
};

export const EMPTY_CATALOGUE: TestCatalogueView = { ownTests: [], batteries: [], errors: [] };
