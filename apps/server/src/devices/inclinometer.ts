import {
  INCLINOMETER_DEFAULTS,
  INCLINOMETER_HZ,
  inclinometerSample,
  settledAngle,
  type InclinometerSettings,
} from '@yandle/core';

/** A simulated inclinometer on a desk: it has settings, and shows an angle that moves when they change. */
export class SimulatedInclinometer {
  private current: InclinometerSettings = INCLINOMETER_DEFAULTS;
  private from = 0;
  private changedAt: number;
  private readonly startedAt: number;

  /** @param clock milliseconds of a steady clock */
  constructor(
    private readonly clock: () => number,
    private readonly random: () => number,
  ) {
    this.startedAt = clock();
    this.changedAt = this.startedAt;
  }

  get settings(): InclinometerSettings {
    return this.current;
  }

  private moment() {
    const now = this.clock();
    return {
      from: this.from,
      sinceChange: (now - this.changedAt) / 1000,
      sinceStart: (now - this.startedAt) / 1000,
    };
  }

  /** The limb begins to move from where it is now to the new true angle. */
  set(settings: InclinometerSettings): void {
    this.from = settledAngle({ ...this.current, driftPerMinute: 0 }, this.moment());
    this.changedAt = this.clock();
    this.current = settings;
  }

  sample(): number | null {
    return inclinometerSample(this.current, this.moment(), this.random);
  }
}

/** Milliseconds between samples. */
export const SAMPLE_MS = 1000 / INCLINOMETER_HZ;

/** One device a studio, made when first asked for. It holds no data worth keeping, so it lives in memory. */
export class Inclinometers {
  private readonly devices = new Map<string, SimulatedInclinometer>();

  constructor(
    private readonly clock: () => number = () => performance.now(),
    private readonly random: () => number = Math.random,
  ) {}

  of(studioId: string): SimulatedInclinometer {
    const found = this.devices.get(studioId);
    if (found) return found;
    const made = new SimulatedInclinometer(this.clock, this.random);
    this.devices.set(studioId, made);
    return made;
  }
}
