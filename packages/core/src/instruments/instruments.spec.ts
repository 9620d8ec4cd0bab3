import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { edgeDown, phoneInclination, zeroed } from './phone-orientation.js';
import { horizonTilt, pictureAngle, type PicturePoint, type PictureReading, type PictureWay } from './picture-angle.js';
import {
  INCLINOMETER_DEFAULTS,
  INCLINOMETER_HZ,
  inclinometerSample,
  settledAngle,
  type InclinometerSettings,
} from './simulated-inclinometer.js';
import { NOT_STEADY, rearmed, STEADY, steadyStep, type AngleSample, type SteadyState } from './steady.js';

/** A plain linear congruential generator (Numerical Recipes constants), so that the tests repeat. */
function seeded(seed: number): () => number {
  let s = seed >>> 0;
  return () => (s = (Math.imul(s, 1664525) + 1013904223) >>> 0) / 2 ** 32;
}

const feed = (samples: readonly AngleSample[], from: SteadyState = NOT_STEADY) => {
  const captured: number[] = [];
  const last = samples.reduce((state, s) => {
    const next = steadyStep(state, s);
    if (next.captured !== null) captured.push(next.captured);
    return next;
  }, from);
  return { captured, last };
};
const hold = (degrees: (i: number) => number | null, n = 40, start = 0): AngleSample[] =>
  Array.from({ length: n }, (_, i) => ({ at: start + i * 50, degrees: degrees(i) }));

describe('steadyStep', () => {
  it('captures the mean of a second and a half that is steady, once', () => {
    const { captured } = feed(hold((i) => 30 + (i % 2 === 0 ? 0.2 : -0.2), 80));
    expect(captured).toHaveLength(1);
    expect(captured[0]).toBeCloseTo(30, 1);
  });
  it('captures nothing before they are over', () => {
    // 30 samples at 20 Hz span 1450 ms only.
    expect(feed(hold(() => 30, 30)).captured).toEqual([]);
    expect(feed(hold(() => 30, 31)).captured).toEqual([30]);
  });
  it('waits while the limb moves or shakes too much', () => {
    expect(feed(hold((i) => 30 + i, 60)).captured).toEqual([]);
    // ±1 alternating has a standard deviation of about 1.
    expect(feed(hold((i) => 30 + (i % 2 === 0 ? 1 : -1), 60)).captured).toEqual([]);
  });
  // A limb that sinks by 1.7° a second has a standard deviation of 1.7·1/√12 = 0.49° within one second.
  it('waits while the limb still sinks, however smoothly', () => {
    expect(feed(hold((i) => 30 + 1.7 * 0.05 * i, 200)).captured).toEqual([]);
    expect(feed(hold((i) => 30 + 0.4 * 0.05 * i, 200)).captured).toEqual([]);
    expect(feed(hold((i) => 30 + 0.2 * 0.05 * i, 60)).captured).toHaveLength(1);
  });
  // Settling towards 60° with a time constant of τ: at 0.3°/s what is left is 0.3·τ.
  it.each([1, 2, 3, 4])('comes within 0.3 τ + half a degree of the end of a limb that settles over %i s', (tau) => {
    const { captured } = feed(hold((i) => 60 - 30 * Math.exp(-(0.05 * i) / tau), 600));
    expect(60 - captured[0]!).toBeLessThan(0.3 * tau + 0.5);
  });
  it('begins anew after a drop-out or a gap', () => {
    const dropped = [...hold(() => 30, 22), { at: 1100, degrees: null }, ...hold(() => 30, 22, 1150)];
    expect(feed(dropped).captured).toEqual([]);
    const gap = [...hold(() => 30, 22), ...hold(() => 30, 22, 1100 + STEADY.maxGapMs + 1)];
    expect(feed(gap).captured).toEqual([]);
    expect(feed([...gap, ...hold(() => 30, 12, 2451)]).captured).toHaveLength(1);
  });
  it('takes the next reading after the limb has moved away, or when asked', () => {
    const first = feed(hold(() => 30, 40));
    const same = feed(
      hold(() => 30.2, 40, 2000),
      first.last,
    );
    expect(same.captured).toEqual([]);
    const away = feed([...hold(() => 20, 3, 4000), ...hold(() => 31, 40, 4150)], same.last);
    expect(away.captured).toHaveLength(1);
    expect(
      feed(
        hold(() => 30.2, 40, 2000),
        rearmed(first.last),
      ).captured,
    ).toHaveLength(1);
  });
  it('ignores a sample that is older than the newest', () => {
    const one = steadyStep(NOT_STEADY, { at: 100, degrees: 30 });
    expect(steadyStep(one, { at: 50, degrees: 80 })).toMatchObject({ live: 30, captured: null });
  });
  it('never captures a value outside the readings of its window', () => {
    const angles = fc.array(fc.double({ min: 29, max: 31, noNaN: true }), { minLength: 31, maxLength: 60 });
    fc.assert(
      fc.property(angles, (xs) => {
        for (const c of feed(hold((i) => xs[i]!, xs.length)).captured) {
          expect(c).toBeGreaterThanOrEqual(Math.min(...xs));
          expect(c).toBeLessThanOrEqual(Math.max(...xs));
        }
      }),
    );
  });
});

describe('the simulated inclinometer', () => {
  const s: InclinometerSettings = { trueAngle: 40, tremor: 0.3, driftPerMinute: 6, settling: 2, dropOuts: 0 };
  it('covers 63 % of the way in one settling time, and drifts', () => {
    expect(settledAngle({ ...s, driftPerMinute: 0 }, { from: 0, sinceChange: 2, sinceStart: 2 })).toBeCloseTo(25.28, 2);
    expect(settledAngle(s, { from: 40, sinceChange: 0, sinceStart: 30 })).toBeCloseTo(43, 10);
    expect(settledAngle({ ...s, settling: 0 }, { from: 0, sinceChange: 0, sinceStart: 0 })).toBe(40);
  });
  it('shakes with the tremor set, in tenths of a degree', () => {
    const random = seeded(7);
    const steady = { ...s, driftPerMinute: 0 };
    const xs = Array.from({ length: 4000 }, () =>
      inclinometerSample(steady, { from: 40, sinceChange: 60, sinceStart: 60 }, random),
    ) as number[];
    const mean = xs.reduce((a, b) => a + b, 0) / xs.length;
    const sd = Math.sqrt(xs.reduce((a, b) => a + (b - mean) ** 2, 0) / xs.length);
    // Standard error of the mean 0.005, of the SD 0.0034; four of each.
    expect(Math.abs(mean - 40)).toBeLessThan(0.02);
    expect(Math.abs(sd - Math.hypot(0.3, 0.1 / Math.sqrt(12)))).toBeLessThan(0.014);
    expect(xs.every((x) => Math.abs(x * 10 - Math.round(x * 10)) < 1e-9)).toBe(true);
  });
  it('loses the share of samples set', () => {
    const random = seeded(3);
    const at = { from: 40, sinceChange: 9, sinceStart: 9 };
    const lost = Array.from({ length: 2000 }, () => inclinometerSample({ ...s, dropOuts: 0.25 }, at, random)).filter(
      (x) => x === null,
    ).length;
    // Binomial: 500 ± 19; four of it.
    expect(Math.abs(lost - 500)).toBeLessThan(78);
    expect(inclinometerSample({ ...s, dropOuts: 1 }, at, random)).toBeNull();
  });
  it('can be read by the steady capture at its factory settings, near the true angle', () => {
    const random = seeded(11);
    const samples = Array.from({ length: INCLINOMETER_HZ * 8 }, (_, i) => {
      const t = i / INCLINOMETER_HZ;
      return {
        at: t * 1000,
        degrees: inclinometerSample(INCLINOMETER_DEFAULTS, { from: 0, sinceChange: t, sinceStart: t }, random),
      };
    });
    const { captured } = feed(samples);
    expect(captured.length).toBeGreaterThanOrEqual(1);
    // 0.5° SD over a second allows the tail of the settling: within a degree.
    expect(Math.abs(captured[0]! - INCLINOMETER_DEFAULTS.trueAngle)).toBeLessThan(1);
  });
});

/** Rotation matrices with arithmetic of their own, row by row: the plumb line is z. */
type Matrix = readonly (readonly number[])[];
const times = (a: Matrix, b: Matrix): Matrix =>
  a.map((row) => [0, 1, 2].map((c) => row.reduce((sum, x, k) => sum + x * b[k]![c]!, 0)));
const D = Math.PI / 180;
const aboutX = (d: number): Matrix => [
  [1, 0, 0],
  [0, Math.cos(d * D), -Math.sin(d * D)],
  [0, Math.sin(d * D), Math.cos(d * D)],
];
const aboutY = (d: number): Matrix => [
  [Math.cos(d * D), 0, Math.sin(d * D)],
  [0, 1, 0],
  [-Math.sin(d * D), 0, Math.cos(d * D)],
];
const aboutZ = (d: number): Matrix => [
  [Math.cos(d * D), -Math.sin(d * D), 0],
  [Math.sin(d * D), Math.cos(d * D), 0],
  [0, 0, 1],
];
/** β and γ that a browser reports for an attitude: β in −180…180, γ in −90…90 (W3C Device Orientation, appendix). */
function reported(m: Matrix): { beta: number; gamma: number } {
  const [x, y, z] = m[2]!;
  const back = z! < 0 || (Math.abs(z!) < 1e-12 && x! > 0);
  const gamma = Math.atan2(back ? x! : -x!, back ? -z! : z!) / D;
  const beta = Math.asin(Math.min(1, Math.max(-1, y!))) / D;
  return { beta: back ? (beta < 0 ? -180 - beta : 180 - beta) : beta, gamma };
}
const same = (a: number, b: number) => Math.abs(((((a - b + 180) % 360) + 360) % 360) - 180);

describe('phoneInclination', () => {
  // Rest positions of the W3C Device Orientation specification: flat on a table β = γ = 0; upright β = 90; on its edge γ = ±90.
  it('is 0 flat on a table and 90 upright', () => {
    expect(phoneInclination(0, 0, 'flat')).toBeCloseTo(0, 6);
    expect(phoneInclination(90, 0, 'flat')).toBeCloseTo(90, 4);
    expect(phoneInclination(0, -90, 'edge', edgeDown(0, -90))).toBeCloseTo(0, 6);
    expect(phoneInclination(0, 90, 'edge', edgeDown(0, 90))).toBeCloseTo(0, 6);
    expect(edgeDown(0, -90)).not.toBe(edgeDown(0, 90));
  });
  it('of a phone that lies flat is that of the limb, all the way round and however it rolls about the limb', () => {
    for (let limb = -179; limb <= 180; limb += 7)
      for (let roll = -80; roll <= 80; roll += 16)
        for (const compass of [0, 130]) {
          const { beta, gamma } = reported(times(times(aboutZ(compass), aboutX(limb)), aboutY(roll)));
          expect(same(phoneInclination(beta, gamma, 'flat'), limb), `limb ${limb}, roll ${roll}`).toBeLessThan(1e-4);
        }
  });
  it('of a phone on either long edge goes on past 90°, however it leans', () => {
    for (const edge of [-90, 90])
      for (let lean = -60; lean <= 60; lean += 15) {
        const at = (limb: number) => reported(times(aboutX(limb), aboutY(edge + lean)));
        const start = at(0);
        const down = edgeDown(start.beta, start.gamma);
        for (const limb of [-170, -120, -30, 0, 15, 60, 89, 100, 120, 165]) {
          const { beta, gamma } = at(limb);
          expect(same(phoneInclination(beta, gamma, 'edge', down), limb), `edge ${edge + lean}, ${limb}`).toBeLessThan(
            1e-4,
          );
        }
      }
  });
  it('measures against a zero, wrapped', () => {
    expect(zeroed(95, 60)).toBe(35);
    expect(zeroed(-170, 170)).toBe(20);
    expect(zeroed(180, 0)).toBe(180);
    expect(zeroed(10, 60)).toBe(-50);
  });
});

describe('pictureAngle', () => {
  const p = (x: number, y: number): PicturePoint => ({ x, y });
  it('reads a right angle and a straight limb', () => {
    expect(pictureAngle(p(0, 100), p(0, 0), p(100, 0), 'between')).toBeCloseTo(90, 10);
    expect(pictureAngle(p(0, 100), p(0, 0), p(100, 0), 'short of straight')).toBeCloseTo(90, 10);
    expect(pictureAngle(p(-50, 0), p(0, 0), p(80, 0), 'between')).toBeCloseTo(180, 10);
    expect(pictureAngle(p(-50, 0), p(0, 0), p(80, 0), 'short of straight')).toBeCloseTo(0, 10);
  });
  it('is negative past straight once it is known which way the joint bends', () => {
    // A thigh to the left, the shin to the right: 100 along, 17.63 down is 10° clockwise (tan 10° = 0.1763); y grows downwards.
    const shin = (down: number) =>
      (['clockwise', 'counter-clockwise', 'either'] as const).map((way) =>
        pictureAngle(p(-100, 0), p(0, 0), p(100, down), 'short of straight', null, way),
      );
    const close = (found: readonly number[], wanted: readonly number[]) =>
      found.forEach((x, i) => expect(x).toBeCloseTo(wanted[i]!, 2));
    close(shin(17.633), [10, -10, 10]);
    close(shin(-17.633), [-10, 10, 10]);
    close(shin(0), [0, 0, 0]);
  });
  it('keeps the sign against level and upright once it is said which way counts, wherever the arm points', () => {
    // A thigh 30 along and 40 down: 53.13° below level, 36.87° from upright, to the right; mirrored it leans to the left.
    const of = (x: number, y: number, ...[reading, way]: [PictureReading, PictureWay]) =>
      Math.round(pictureAngle(p(9, 9), p(0, 0), p(x, y), reading, null, way) * 100) / 100;
    for (const x of [30, -30]) {
      expect(of(x, 40, 'to the horizontal', 'below')).toBe(53.13);
      expect(of(x, 40, 'to the horizontal', 'above')).toBe(-53.13);
      expect(of(x, -40, 'to the horizontal', 'above')).toBe(53.13);
      expect(of(x, 40, 'to the horizontal', 'either')).toBe(53.13);
    }
    for (const y of [40, -40]) {
      expect(of(30, y, 'to the vertical', 'right')).toBe(36.87);
      expect(of(-30, y, 'to the vertical', 'right')).toBe(-36.87);
      expect(of(-30, y, 'to the vertical', 'left')).toBe(36.87);
    }
    // A way of another reading says nothing.
    expect(of(30, 40, 'to the horizontal', 'left')).toBe(53.13);
  });
  it('reads 53.13° of the 3-4-5 triangle against the horizontal', () => {
    // The arm rises 4 over 3: arctan(4/3) = 53.1301°. y grows downwards in a picture.
    expect(pictureAngle(p(9, 9), p(0, 0), p(30, -40), 'to the horizontal')).toBeCloseTo(53.1301, 4);
    expect(pictureAngle(p(9, 9), p(0, 0), p(-30, -40), 'to the horizontal')).toBeCloseTo(53.1301, 4);
    expect(pictureAngle(p(9, 9), p(0, 0), p(30, -40), 'to the vertical')).toBeCloseTo(36.8699, 4);
    expect(pictureAngle(p(9, 9), p(0, 0), p(30, 40), 'to the vertical')).toBeCloseTo(36.8699, 4);
  });
  it('takes a tilted horizon out, and an angle between arms does not need it', () => {
    const point = fc.record({ x: fc.integer({ min: -400, max: 400 }), y: fc.integer({ min: -400, max: 400 }) });
    const tilts = fc.integer({ min: -40, max: 40 });
    fc.assert(
      fc.property(point, point, point, tilts, (a, b, c, tilt) => {
        fc.pre(Math.hypot(a.x - b.x, a.y - b.y) > 5 && Math.hypot(c.x - b.x, c.y - b.y) > 5);
        const r = (tilt * Math.PI) / 180;
        const turn = (q: PicturePoint): PicturePoint => ({
          x: q.x * Math.cos(r) + q.y * Math.sin(r),
          y: -q.x * Math.sin(r) + q.y * Math.cos(r),
        });
        const horizon = [turn(p(-300, 50)), turn(p(300, 50))] as const;
        expect(horizonTilt(horizon)).toBeCloseTo(tilt, 6);
        for (const reading of ['between', 'to the horizontal', 'to the vertical'] as const) {
          const level = pictureAngle(a, b, c, reading);
          const tilted = pictureAngle(turn(a), turn(b), turn(c), reading, horizon);
          expect(tilted).toBeCloseTo(level, 5);
        }
      }),
    );
  });
  it('takes a horizon drawn from right to left as the same line', () => {
    expect(horizonTilt([p(100, 0), p(0, 10)])).toBeCloseTo(horizonTilt([p(0, 10), p(100, 0)]), 10);
    expect(horizonTilt([p(0, 100), p(0, 0)])).toBe(90);
    expect(horizonTilt([p(0, 0), p(0, 100)])).toBe(90);
  });
  it('refuses points that lie on each other', () => {
    expect(() => pictureAngle(p(1, 1), p(1, 1), p(9, 9), 'between')).toThrow(
      expect.objectContaining({ code: 'invalid-angle' }),
    );
  });
});
