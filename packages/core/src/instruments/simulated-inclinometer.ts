/** Samples a second of the simulated device. */
export const INCLINOMETER_HZ = 20;

/** How the simulated inclinometer behaves. Angles in degrees. */
export interface InclinometerSettings {
  /** What a perfect device would show at the end of the movement. */
  readonly trueAngle: number;
  /** Standard deviation of the hand's tremor. */
  readonly tremor: number;
  /** Slow creep of the zero point, degrees a minute. */
  readonly driftPerMinute: number;
  /** Seconds until the limb has covered 63 % of the way to its end (exponential). 0 for at once. */
  readonly settling: number;
  /** Share of samples that are lost, 0 to 1. */
  readonly dropOuts: number;
}

export const INCLINOMETER_DEFAULTS: InclinometerSettings = {
  trueAngle: 42,
  tremor: 0.2,
  driftPerMinute: 0,
  settling: 0.6,
  dropOuts: 0,
};

/** Ranges a setting may take. */
export const INCLINOMETER_RANGES: Readonly<Record<keyof InclinometerSettings, readonly [min: number, max: number]>> = {
  trueAngle: [-180, 180],
  tremor: [0, 10],
  driftPerMinute: [-30, 30],
  settling: [0, 10],
  dropOuts: [0, 1],
};

/** Where the limb was when the settings changed, and how long ago that and the switching on were. Seconds. */
export interface InclinometerMoment {
  readonly from: number;
  readonly sinceChange: number;
  readonly sinceStart: number;
}

/** The angle without noise: on its way from where the limb was to the true angle, plus drift. */
export function settledAngle(s: InclinometerSettings, m: InclinometerMoment): number {
  const left = s.settling === 0 ? 0 : Math.exp(-m.sinceChange / s.settling);
  return s.trueAngle + (m.from - s.trueAngle) * left + (s.driftPerMinute * m.sinceStart) / 60;
}

/**
 * One sample of the simulated device, shown in tenths of a degree; null for a lost one.
 * @param random uniform on 0…1; called up to three times (normal noise by Box and Muller 1958, Ann Math Stat 29:610-611)
 */
export function inclinometerSample(
  s: InclinometerSettings,
  m: InclinometerMoment,
  random: () => number,
): number | null {
  if (random() < s.dropOuts) return null;
  const noise = s.tremor * Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  return Math.round((settledAngle(s, m) + noise) * 10) / 10;
}
