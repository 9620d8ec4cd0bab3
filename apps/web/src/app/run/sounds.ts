import type { SignalKind } from './signal-kind';

/** Tones of a signal: hertz, seconds, and the delay after which it sounds. */
const FIGURES: Readonly<Record<SignalKind, readonly (readonly [number, number, number])[]>> = {
  start: [
    [520, 0.12, 0],
    [780, 0.2, 0.12],
  ],
  last: [[660, 0.07, 0]],
  switch: [
    [440, 0.12, 0],
    [660, 0.12, 0.16],
    [440, 0.16, 0.32],
  ],
  rest: [
    [330, 0.2, 0],
    [262, 0.3, 0.22],
  ],
  stop: [
    [220, 0.35, 0],
    [220, 0.35, 0.45],
    [220, 0.6, 0.9],
  ],
};

/** Cue tones by Web Audio: made here, no files. Silent where the browser has no sound. */
export class Sounds {
  private context: AudioContext | null = null;
  on = true;

  /** Browsers allow sound only after a press: call this from one. */
  wake(): void {
    try {
      this.context ??= new AudioContext();
      void this.context.resume();
    } catch {
      this.context = null;
    }
  }

  /** One of the last five seconds. */
  count(): void {
    this.tone(660, 0.07, 0.12);
  }

  /** The next part of a repetition; higher where it counts. */
  beat(counts: boolean): void {
    this.tone(counts ? 500 : 330, 0.06, 0.1);
  }

  /** A bout ends. */
  end(): void {
    this.tone(390, 0.3, 0.22);
  }

  /** Within a bout something else is done: push. */
  change(): void {
    this.tone(440, 0.12, 0.2);
    this.tone(580, 0.16, 0.2, 0.18);
  }

  /** Each signal has a figure of its own: start one rising, switch two up and down, rest two low, stop three low and long. */
  signal(kind: SignalKind): void {
    for (const [hertz, seconds, delay] of FIGURES[kind]) this.tone(hertz, seconds, 0.2, delay);
  }

  private tone(hertz: number, seconds: number, volume: number, delay = 0): void {
    const c = this.context;
    if (!this.on || !c) return;
    const at = c.currentTime + delay;
    const oscillator = c.createOscillator();
    const gain = c.createGain();
    oscillator.frequency.value = hertz;
    gain.gain.setValueAtTime(0, at);
    gain.gain.linearRampToValueAtTime(volume, at + 0.015);
    gain.gain.exponentialRampToValueAtTime(0.001, at + seconds);
    oscillator.connect(gain).connect(c.destination);
    oscillator.start(at);
    oscillator.stop(at + seconds);
  }
}
