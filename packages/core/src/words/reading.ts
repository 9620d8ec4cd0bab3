import { percentOf, roundTo } from '../math/rounding.js';
import type { RomUnit } from '../catalogue/rom-test.js';
import { shownLength, shownUnits, shownWeight, typedLength } from './units.js';

/**
 * A reading with at most one decimal and no trailing zero: "31.5", "9".
 * @example formatNumber(-4.04) // '−4'
 */
export function formatNumber(value: number): string {
  return roundTo(value, 1).toString().replace('-', '−');
}

/** A reading in the unit shown: degrees stay. */
export function shownReading(value: number, unit: RomUnit, units = shownUnits()): number {
  return unit === 'deg' ? value : shownLength(value, units);
}

/** A reading that was typed in the unit shown, in degrees or centimetres, to the hundredth. */
export function typedReading(value: number, unit: RomUnit): number {
  return unit === 'deg' ? roundTo(value, 2) : typedLength(value);
}

/** Sign of the unit shown, by itself: "°", "cm", "in". */
export function unitSign(unit: RomUnit): string {
  return unit === 'deg' ? '°' : shownUnits().length;
}

/** What follows a number: "°", " cm", " in". */
export function unitSuffix(unit: RomUnit, units = shownUnits()): string {
  return unit === 'deg' ? '°' : ` ${units.length}`;
}

/**
 * A reading with its unit: "31.5°", "9.5 cm".
 * @example formatReading(9.5, 'cm') // '9.5 cm'
 */
export function formatReading(value: number, unit: RomUnit, units = shownUnits()): string {
  return `${formatNumber(shownReading(value, unit, units))}${unitSuffix(unit, units)}`;
}

/**
 * A weight with its unit, to the quarter of a kilogram or tenth of a pound: "2.5 kg".
 * @example formatWeight(1.25) // '1.25 kg'
 */
export function formatWeight(kg: number): string {
  const { weight } = shownUnits();
  return `${roundTo(shownWeight(kg), weight === 'kg' ? 2 : 1)} ${weight}`;
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
export function formatError(value: number, unit: RomUnit, units = shownUnits()): string {
  const shown = shownReading(value, unit, units);
  if (Math.abs(shown) >= 10) return formatReading(value, unit, units);
  return `${formatFixed(shown, 2)}${unitSuffix(unit, units)}`;
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
