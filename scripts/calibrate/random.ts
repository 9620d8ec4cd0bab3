/** Numbers that are the same for the same seed: mulberry32 (Tommy Ettinger, public domain, from memory). */
export class Random {
  private spare: number | null = null;
  constructor(private state: number) {}

  /** Uniform, 0 to 1. */
  next(): number {
    this.state = (this.state + 0x6d2b79f5) | 0;
    let t = Math.imul(this.state ^ (this.state >>> 15), 1 | this.state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  }

  /** Normal with mean 0, in pairs by Box and Muller. */
  normal(sd: number): number {
    if (this.spare !== null) {
      const value = this.spare;
      this.spare = null;
      return value * sd;
    }
    const radius = Math.sqrt(-2 * Math.log(1 - this.next()));
    const angle = 2 * Math.PI * this.next();
    this.spare = radius * Math.sin(angle);
    return radius * Math.cos(angle) * sd;
  }
}
