import { OWN_TEST_PREFIX } from '@yandle/contract';
import { romTestOf, testCatalogue, type TestCatalogue } from '@yandle/core';
import { IsNull } from 'typeorm';
import type { StudioData } from '../database/studio-data.js';
import { HttpProblem } from '../http/problem.js';
import { OwnErrorEntity, OwnTestEntity } from './entities.js';

/** The tests a studio works with, with the errors its coaches adopted. */
export async function loadTestCatalogue(data: StudioData): Promise<TestCatalogue> {
  const own = await data.find(OwnTestEntity, {}, { order: { createdAt: 'ASC', id: 'ASC' } });
  const errors = await data.find(OwnErrorEntity, { withdrawnAt: IsNull() });
  return testCatalogue(
    own.map((o) => ({ test: romTestOf(OWN_TEST_PREFIX + o.id, o.definition), archived: o.archived })),
    errors.map((e) => ({
      testId: e.testId,
      coachId: e.coachId,
      sem: Number(e.sem),
      clients: e.clients,
      source: { origin: e.origin, text: e.source },
    })),
  );
}

/**
 * @param pathOf path of the i-th test in the body, for the refusal
 * @throws HttpProblem `validation` naming the field when a test is not in the catalogue
 */
export function assertInCatalogue(
  catalogue: TestCatalogue,
  testIds: readonly string[],
  pathOf: (i: number) => string,
): void {
  const errors = testIds.flatMap((id, i) =>
    catalogue.tests.some((t) => t.id === id) ? [] : [{ path: pathOf(i), message: 'There is no such test.' }],
  );
  if (errors.length > 0) throw new HttpProblem('validation', 'Fix the fields below and save again.', { errors });
}
