import { afterEach, describe, expect, it } from 'vitest';
import { formatError, formatReading, formatWeight, shownReading, typedReading } from './reading.js';
import { loadWords } from './prescription.js';
import { METRIC, showUnits, typedLength, typedWeight } from './units.js';

describe('units shown', () => {
  afterEach(() => showUnits(METRIC));

  // International yard and pound agreement of 1959: 1 in = 2.54 cm, 1 lb = 0.45359237 kg, both exact.
  it('are inches and pounds where a studio asks for them', () => {
    showUnits({ length: 'in', weight: 'lb' });
    expect(formatReading(25.4, 'cm')).toBe('10 in');
    expect(formatReading(-5.08, 'cm')).toBe('−2 in');
    expect(formatError(0.381, 'cm')).toBe('0.15 in');
    expect(formatWeight(4.54)).toBe('10 lb');
    expect(loadWords({ load: 2.27, loadUnit: 'kg' })).toBe('5 lb');
  });

  it('never change what is no length and no kilogram', () => {
    showUnits({ length: 'in', weight: 'lb' });
    expect(formatReading(31.5, 'deg')).toBe('31.5°');
    expect(typedReading(31.5, 'deg')).toBe(31.5);
    expect(loadWords({ load: 2, loadUnit: 'band' })).toBe('light band (step 2)');
    expect(loadWords({ load: 5, loadUnit: '% body mass' })).toBe('5% of body weight');
  });

  it('are centimetres and kilograms again when the studio changes back, or a text asks for them', () => {
    showUnits({ length: 'in', weight: 'kg' });
    expect(formatReading(9.5, 'cm', METRIC)).toBe('9.5 cm');
    expect(formatWeight(1.25)).toBe('1.25 kg');
    showUnits(METRIC);
    expect(formatReading(9.5, 'cm')).toBe('9.5 cm');
  });

  it('lose nothing that can be read off a tape: every quarter inch and half pound comes back as it was typed', () => {
    showUnits({ length: 'in', weight: 'lb' });
    for (let quarters = -80; quarters <= 240; quarters++) {
      const inches = quarters / 4;
      expect(shownReading(typedReading(inches, 'cm'), 'cm')).toBeCloseTo(inches, 2);
    }
    for (let halves = 1; halves <= 200; halves++)
      expect(formatWeight(typedWeight(halves / 2))).toBe(`${halves / 2} lb`);
    expect(typedLength(2)).toBe(5.08);
  });
});
