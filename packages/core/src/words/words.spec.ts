import { describe, expect, it } from 'vitest';
import { formatClock } from './duration.js';
import { lowerFirst, runningList } from './list.js';
import { formatNumber, formatReading } from './reading.js';

describe('words', () => {
  it('writes clock times', () => {
    expect(formatClock(1120)).toBe('18:40');
    expect(formatClock(5)).toBe('0:05');
    expect(formatClock(59.6)).toBe('1:00');
    expect(formatClock(-3)).toBe('0:00');
  });
  it('writes readings with at most one decimal and their unit', () => {
    expect(formatReading(31.5, 'deg')).toBe('31.5°');
    expect(formatReading(9, 'cm')).toBe('9 cm');
    expect(formatNumber(8.3333)).toBe('8.3');
    expect(formatNumber(-0.04)).toBe('0');
    expect(formatNumber(-2.5)).toBe('−2.5');
  });
  it('keeps names inside a running list', () => {
    expect(runningList(['A fresh calf or Achilles tear', 'Swelling'])).toBe('a fresh calf or Achilles tear; swelling');
    expect(lowerFirst('')).toBe('');
    expect(lowerFirst('Down syndrome or a loose neck')).toBe('Down syndrome or a loose neck');
  });
});
