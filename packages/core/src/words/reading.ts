import { percentOf, roundTo } from '../math/rounding.js';
import type { RomUnit } from '../catalogue/rom-test.js';

/**
 * A reading with at most one decimal and no trailing zero: "31.5", "9".
 * @example formatNumber(-4.04) // '−4'
 */
export function formatNumber(value: number): string {
  return roundTo(value, 1).toString().replace('-', '−');
}

/**
 * A reading with its unit: "31.5°", "9.5 cm".
 * @example formatReading(9.5, 'cm') // '9.5 cm'
 */
export function formatReading(value: number, unit: RomUnit): string {
  return unit === 'deg' ? `${formatNumber(value)}°` : `${formatNumber(value)} cm`;
}

/**
 * A number with just so many decimals, halves rounded away from zero: "0.70", "−1.3".
 * @example formatFixed(0.7, 2) // '0.70'
 */
export function formatFixed(value: number, decimals: number): string {
  return roundTo(value, decimals).toFixed(decimals).replace('-', '−');
}

/**
 * A measurement error with its unit; two decimals below 10, so that small ones can be told apart: "0.37 cm", "12°".
 * @example formatError(0.372, 'cm') // '0.37 cm'
 */
export function formatError(value: number, unit: RomUnit): string {
  if (Math.abs(value) >= 10) return formatReading(value, unit);
  const text = formatFixed(value, 2);
  return unit === 'deg' ? `${text}°` : `${text} cm`;
}

/**
 * A change in percent with its sign: "+20%", "−5%", "0%".
 * @example formatPercentChange(-5) // '−5%'
 */
export function formatPercentChange(percent: number): string {
  return `${percent > 0 ? '+' : ''}${formatNumber(percent)}%`;
}

/**
 * A share in whole percent: "20%".
 * @example formatShare(0.2) // '20%'
 */
export function formatShare(share: number): string {
  return `${percentOf(share, 1)}%`;
}
