import { describe, expect, it } from 'vitest';
import { parseNumber } from './parse-number.js';

describe('parseNumber', () => {
  it.each([
    ['31.5', 31.5],
    ['31,5', 31.5],
    [' 9 ', 9],
    ['-7', -7],
    ['−7,5', -7.5],
    ['0', 0],
  ])('reads %j', (text, value) => expect(parseNumber(text)).toBe(value));
  it.each(['', ' ', 'abc', '1e5', '31.5.2', '--3', '1,000,5', '.5', '5.', '5 cm'])('does not take %j', (text) =>
    expect(parseNumber(text)).toBeNull(),
  );
});
