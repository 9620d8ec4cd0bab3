import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { NO_ANSWERS, type Answers } from './answers.js';
import { cautionsFor } from './cautions.js';
import { limitsOfCautions } from './limits.js';
import { withRecorded } from './merge-answers.js';
import { QUESTION_IDS, questionById, type QuestionId } from './questions.js';

const answers = (yes: readonly QuestionId[], over: Partial<Answers> = {}): Answers => ({
  ...NO_ANSWERS,
  yes,
  no: QUESTION_IDS.filter((q) => !yes.includes(q)),
  ...over,
});

/** A client's answer can add a caution and never take away what was recorded (domain 2.9). */
describe('what a client answers alone', () => {
  it('adds, and takes nothing away that is on record: the denial is kept beside it', () => {
    const merged = withRecorded(answers(['disc']), answers(['heart']));
    expect(merged.yes).toEqual(['disc', 'heart']);
    expect(merged.no).not.toContain('heart');
    expect(merged.denied).toEqual(['heart']);
  });
  it('does not soften what a yes was told apart by', () => {
    const recorded = answers(['pressure'], { details: { pressure: ['not-controlled'] } });
    const merged = withRecorded(answers(['pressure'], { details: { pressure: ['controlled'] } }), recorded);
    expect(merged).toMatchObject({ details: { pressure: ['not-controlled'] }, denied: ['pressure'] });
  });
  it('says no side where record and client name two', () => {
    const knee = (side: 'left' | 'right') =>
      answers(['tear'], { regions: { tear: ['knee'] }, sides: { tear: { knee: side } }, details: { tear: ['fresh'] } });
    const asked = { ...knee('right'), details: { tear: ['old'] } };
    expect(withRecorded(asked, knee('left')).sides).toBeUndefined();
    expect(withRecorded(asked, knee('right')).sides).toEqual({ tear: { knee: 'right' } });
  });
  it('stands as it is where nothing is on record, or nothing differs', () => {
    const own = answers(['tear'], { regions: { tear: ['knee'] } });
    expect(withRecorded(own, null)).toEqual(own);
    expect(withRecorded(own, own)).toEqual(own);
  });
  it('leaves every limit of the record in force, whatever is answered', () => {
    const any = fc.subarray([...QUESTION_IDS]).chain((yes) =>
      fc
        .tuple(...yes.map((id) => fc.constantFrom(...(questionById(id).detail?.options.map((o) => o.id) ?? ['']))))
        .map((told) =>
          answers(yes, {
            details: Object.fromEntries(yes.flatMap((id, i) => (questionById(id).detail ? [[id, [told[i]!]]] : []))),
          }),
        ),
    );
    fc.assert(
      fc.property(any, any, (client, recorded) => {
        const was = limitsOfCautions(cautionsFor(recorded, 40));
        const now = limitsOfCautions(cautionsFor(withRecorded(client, recorded), 40));
        for (const key of ['excludedDemands', 'excludedTechniques', 'excludedPositions', 'excludedGroups'] as const)
          expect(now[key] as readonly string[]).toEqual(expect.arrayContaining([...was[key]]));
        const blocks = (a: Answers) => cautionsFor(a, 40).some((c) => c.outcome === 'refer');
        if (blocks(recorded)) expect(blocks(withRecorded(client, recorded))).toBe(true);
      }),
    );
  });
});
