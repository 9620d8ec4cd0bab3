import { readStep, testInCatalogue, type ReadingHabits } from '@yandle/core';
import type { StudioData } from '../database/studio-data.js';
import { assertInCatalogue, loadTestCatalogue } from './catalogue.js';

/** By the index of readings by test. The endings are those of whole steps. */
const HABITS = `SELECT MOD(ABS(ROUND(r.value / :step)), 10) AS digit, COUNT(*) AS readings, SUM(r.seen) AS seen
  FROM reading r INNER JOIN assessment a ON a.id = r.assessment_id
  WHERE r.studio_id = {studio} AND r.test_id = :testId AND r.replaced_by IS NULL AND r.withdrawn_at IS NULL AND a.removed_at IS NULL
    AND COALESCE(r.tester_id, a.tester_id) = :coachId
  GROUP BY digit`;

/** How a coach has read a test so far. */
export async function readingHabits(data: StudioData, testId: string, coachId: string): Promise<ReadingHabits> {
  const catalogue = await loadTestCatalogue(data);
  assertInCatalogue(catalogue, [testId], () => 'testId');
  const step = readStep(testInCatalogue(catalogue, testId)) ?? 1;
  const rows = await data.read<{ digit: string; readings: string; seen: string }>(HABITS, { step, testId, coachId });
  const sum = (of: 'readings' | 'seen'): number => rows.reduce((total, r) => total + Number(r[of]), 0);
  return {
    readings: sum('readings'),
    seen: sum('seen'),
    endings: Array.from({ length: 10 }, (_, d) => Number(rows.find((r) => Number(r.digit) === d)?.readings ?? 0)),
  };
}
