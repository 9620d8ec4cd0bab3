import { signal } from '@angular/core';
import { LONGEST_TICK_MS } from '@yandle/core';
import { WakeLock } from './wake-lock';

const TICK_MS = 200;
/** Seconds counted down before a session begins. */
export const COUNT_IN = 3;

/** The clock of a run: ticks while it goes, keeps the screen on, and notices when the device slept. */
export class RunClock {
  private readonly wakeLock = new WakeLock();
  private timer: ReturnType<typeof setInterval> | null = null;
  private last = 0;

  /**
   * @param ticked milliseconds since the last tick
   * @param slept nobody was counting for a while
   */
  constructor(
    private readonly ticked: (ms: number) => void,
    private readonly slept: () => void,
  ) {}

  start(): void {
    this.last = performance.now();
    this.timer ??= setInterval(() => this.tick(), TICK_MS);
    void this.wakeLock.hold();
  }

  stop(): void {
    if (this.timer) clearInterval(this.timer);
    this.timer = null;
    this.wakeLock.release();
  }

  destroy(): void {
    this.stop();
    this.wakeLock.destroy();
  }

  private tick(): void {
    const now = performance.now();
    const ms = now - this.last;
    this.last = now;
    if (ms > LONGEST_TICK_MS) this.slept();
    else this.ticked(ms);
  }
}

/** The count before a session. */
export class CountIn {
  /** Seconds left; 0 when it is over. */
  readonly left = signal(0);
  private ms = 0;

  start(): void {
    this.ms = COUNT_IN * 1000;
    this.left.set(COUNT_IN);
  }

  cancel(): void {
    this.left.set(0);
  }

  /**
   * Counts on. Milliseconds that went past the end when it ends now, `true` when another second is to be heard, else `false`.
   */
  tick(ms: number): number | boolean {
    this.ms -= ms;
    const left = Math.max(0, Math.ceil(this.ms / 1000));
    if (left === this.left()) return false;
    this.left.set(left);
    return left > 0 ? true : -this.ms;
  }
}
