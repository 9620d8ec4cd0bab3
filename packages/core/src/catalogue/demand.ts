/**
 * What a movement asks of the body beyond its muscle groups, its technique and its position; a condition may take it away. Movements are
 * tagged by what their end asks, not by what a careful client would do. Common practice, no source.
 */
export const DEMANDS = [
  'hip-past-90',
  'hip-across',
  'hip-back',
  'hip-pinched',
  'legs-wide',
  'knee-bent',
  'knee-twisted',
  'kneeling',
  'one-leg',
  'one-leg-held',
  'heel-low',
  'toes-back',
  'spine-forward',
  'spine-back',
  'spine-turned',
  'spine-loaded',
  'spine-pressed',
  'head-low',
  'head-turned-lying',
  'head-turned',
  'arm-overhead',
  'arm-out',
  'arm-behind',
  'wrists',
  'grip',
  'neck-back',
  'neck-hand',
  'head-carried',
  'belly',
  'floor',
  'impact',
] as const;
export type Demand = (typeof DEMANDS)[number];
