import { roundTo } from '../math/rounding.js';

/**
 * Units that a screen shows lengths and weights in. Everything stored and computed is in centimetres and kilograms; files and published
 * texts too.
 */
export interface DisplayUnits {
  readonly length: LengthUnit;
  readonly weight: WeightUnit;
}
export const LENGTH_UNITS = ['cm', 'in'] as const;
export type LengthUnit = (typeof LENGTH_UNITS)[number];
export const WEIGHT_UNITS = ['kg', 'lb'] as const;
export type WeightUnit = (typeof WEIGHT_UNITS)[number];

export const METRIC: DisplayUnits = { length: 'cm', weight: 'kg' };

/** Exact by definition: international yard and pound agreement, 1959. */
const CM_PER_INCH = 2.54;
const KG_PER_POUND = 0.45359237;

let shown: DisplayUnits = METRIC;

/**
 * Sets what the words of this page show, as a browser sets its language: once, when the studio is known. The server never calls it, since
 * it speaks for several studios.
 */
export function showUnits(units: DisplayUnits): void {
  shown = units;
}

export function shownUnits(): DisplayUnits {
  return shown;
}

/** A length in the unit shown. @param cm centimetres */
export function shownLength(cm: number, units = shown): number {
  return units.length === 'in' ? cm / CM_PER_INCH : cm;
}

/** Centimetres of a length typed in the unit shown, to the hundredth. @example typedLength(30) // 30 */
export function typedLength(value: number): number {
  return roundTo(shown.length === 'in' ? value * CM_PER_INCH : value, 2);
}

/** A weight in the unit shown. @param kg kilograms */
export function shownWeight(kg: number): number {
  return shown.weight === 'lb' ? kg / KG_PER_POUND : kg;
}

/** Kilograms of a weight typed in the unit shown, to the hundredth. @example typedWeight(2.5) // 2.5 */
export function typedWeight(value: number): number {
  return roundTo(shown.weight === 'lb' ? value * KG_PER_POUND : value, 2);
}
