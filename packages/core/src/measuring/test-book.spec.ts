import { describe, expect, it } from 'vitest';
import { ROM_TESTS } from '../catalogue/tests.js';
import type { Source } from '../source.js';
import { beighton, beightonCutOff, BEIGHTON_ITEMS } from './beighton.js';
import { resultSem } from './error.js';
import { romTestOf, type OwnTestDefinition } from './own-test.js';
import { referenceFor } from './reference.js';
import { asMeasuredBy, SHIPPED_TESTS, offeredTests, testCatalogue, testInCatalogue } from './test-catalogue.js';

const source: Source = { origin: 'practice', text: 'our studio' };
export const OVERHEAD: OwnTestDefinition = {
  name: 'Overhead wall slide',
  motion: 'Shoulder flexion against a wall',
  purpose: 'Reaching a high shelf',
  position: 'standing',
  landmarks: ['wrist crease'],
  steps: ['Back against the wall, slide both arms up.'],
  endPoint: 'the low back leaves the wall',
  instruments: ['tape'],
  unit: 'cm',
  reads: 'wrist to wall',
  better: 'less',
  sides: 'body',
  valueRule: 'mean',
  repeatTolerance: 1,
  resolution: 0.5,
  plausible: { min: 0, max: 60 },
  error: { sem: 1.2, source },
  reference: { mean: 5, sd: 3, source },
  limits: [{ group: 'lats', weight: 1 }],
  cautions: ['Stop at pain.'],
  notFor: ['A shoulder that has come out'],
  faults: ['The back arches'],
};

describe('romTestOf', () => {
  it('makes a test whose drawn scale has the free end outside', () => {
    const t = romTestOf('own-1', OVERHEAD);
    // Three spreads around 5 are −4 to 14; below 0 nothing is plausible. Less is freer.
    expect(t.scale).toEqual({ stiffest: 14, freest: 0 });
    expect(referenceFor(t, { age: 40, sex: null })).toMatchObject({ kind: 'band', low: 2, high: 8, centre: 5 });
  });
  it('knows the side of a limb, and of a direction only where the coach has said it', () => {
    const of = (sides: 'body' | 'direction' | 'none', side?: 'opposite') =>
      romTestOf('own-x', { ...OVERHEAD, sides, limits: [{ group: 'lats', weight: 1, ...(side && { side }) }] })
        .limits[0]!.side;
    expect([of('body'), of('direction'), of('none')]).toEqual(['same', 'none', 'none']);
    expect(of('direction', 'opposite')).toBe('opposite');
  });
  it('takes a single value as nominal, and none as none', () => {
    const nominal = romTestOf('own-1', { ...OVERHEAD, better: 'more', reference: { mean: 30, sd: null, source } });
    expect(nominal.reference).toMatchObject({ kind: 'nominal', value: 30 });
    // Three practice spreads of 3.5 cm.
    expect(nominal.scale).toEqual({ stiffest: 19.5, freest: 40.5 });
    const none = romTestOf('own-1', { ...OVERHEAD, reference: null });
    expect(none).toMatchObject({ reference: { kind: 'none' }, scale: { stiffest: 60, freest: 0 } });
  });
  it.each([
    ['a range upside down', { plausible: { min: 60, max: 0 } }],
    ['agreement wider than the range', { repeatTolerance: 60 }],
    ['an instrument coarser than the agreement', { resolution: 2 }],
    ['a reference outside the range', { reference: { mean: 90, sd: 3, source } }],
  ])('refuses %s', (_, wrong) => {
    expect(() => romTestOf('own-1', { ...OVERHEAD, ...wrong })).toThrow(
      expect.objectContaining({ code: 'invalid-test' }),
    );
  });
});

describe('the test catalogue', () => {
  const own = romTestOf('own-1', OVERHEAD);
  const catalogue = testCatalogue(
    [{ test: own, archived: true }],
    [
      {
        testId: 'weight-bearing-lunge',
        coachId: 'mara',
        sem: 0.7,
        clients: 12,
        source: { origin: 'own', text: '12 clients' },
      },
    ],
  );
  it('has the catalogue and own tests; a archived one is found but not offered', () => {
    expect(catalogue.tests).toHaveLength(ROM_TESTS.length + 1);
    expect(testInCatalogue(catalogue, 'own-1').name).toBe('Overhead wall slide');
    expect(offeredTests(catalogue).map((t) => t.id)).not.toContain('own-1');
    expect(() => testInCatalogue(SHIPPED_TESTS, 'own-1')).toThrow(expect.objectContaining({ code: 'unknown-test' }));
  });
  it('gives a coach their own error, others the catalogue’s, and keeps the catalogue’s figure', () => {
    const lunge = testInCatalogue(catalogue, 'weight-bearing-lunge');
    const mine = asMeasuredBy(catalogue, lunge, 'mara');
    expect(resultSem(mine)).toBe(0.7);
    expect(mine.error.source.origin).toBe('own');
    expect(asMeasuredBy(catalogue, lunge, 'ilse')).toBe(lunge);
    expect(lunge.error.sem).not.toBe(0.7);
  });
});

describe('the Beighton score', () => {
  it('has nine items: four pairs and the palms', () => {
    expect(BEIGHTON_ITEMS).toHaveLength(9);
    expect(BEIGHTON_ITEMS.filter((i) => i.side === 'left')).toHaveLength(4);
    expect(BEIGHTON_ITEMS.filter((i) => i.side === 'right')).toHaveLength(4);
  });
  // Malfait F et al. 2017, Am J Med Genet C 175:8-26 (from memory): 6 before puberty, 5 to 50 years, 4 above.
  it.each([
    [8, 6],
    [13, 5],
    [50, 5],
    [51, 4],
  ])('calls it high at age %i from %i', (age, cutOff) => {
    expect(beightonCutOff(age)).toBe(cutOff);
    const items = BEIGHTON_ITEMS.map((_, i) => i < cutOff);
    expect(beighton(items, age)).toEqual({ score: cutOff, missing: 0, cutOff, high: true });
    expect(beighton([...items.slice(1), false], age).high).toBe(false);
  });
  it('counts items that were not looked at, and refuses another number of items', () => {
    expect(beighton([true, null, true, null, true, true, true, false, false], 30)).toMatchObject({
      score: 5,
      missing: 2,
      high: true,
    });
    expect(() => beighton([true], 30)).toThrow(expect.objectContaining({ code: 'invalid-reading' }));
  });
});
