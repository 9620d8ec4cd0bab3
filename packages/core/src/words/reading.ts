import type { RomUnit } from '../catalogue/rom-test.js';

/** A reading with at most one decimal and no trailing zero: "31.5", "9". */
export function formatNumber(value: number): string {
  const rounded = Math.round(value * 10) / 10;
  return (Object.is(rounded, -0) ? 0 : rounded).toString().replace('-', '−');
}

/** A reading with its unit: "31.5°", "9.5 cm". */
export function formatReading(value: number, unit: RomUnit): string {
  return unit === 'deg' ? `${formatNumber(value)}°` : `${formatNumber(value)} cm`;
}
