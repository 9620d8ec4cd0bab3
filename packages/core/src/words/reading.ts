import { roundTo } from '../math/rounding.js';
import type { RomUnit } from '../catalogue/rom-test.js';

/** A reading with at most one decimal and no trailing zero: "31.5", "9". */
export function formatNumber(value: number): string {
  return roundTo(value, 1).toString().replace('-', '−');
}

/** A reading with its unit: "31.5°", "9.5 cm". */
export function formatReading(value: number, unit: RomUnit): string {
  return unit === 'deg' ? `${formatNumber(value)}°` : `${formatNumber(value)} cm`;
}
