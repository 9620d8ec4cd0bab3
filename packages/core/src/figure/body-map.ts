import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import { PROPORTIONS as P } from './proportions.js';

/** Which side of the body is seen. */
export type BodyView = 'front' | 'back';

/** A muscle group on the drawn body: an SVG path in the box of {@link BODY_BOX}, both halves of the body in one path. */
export interface BodyMapRegion {
  readonly group: MuscleGroupId;
  readonly view: BodyView;
  readonly path: string;
}

/** The drawing's box: a standing body 200 high. */
export const BODY_BOX = { width: 100, height: 206 } as const;

type Point = readonly [x: number, y: number];

/** A tapering part of the body: an axis and half-widths along it, at even steps from its start to its end. */
interface Segment {
  readonly from: Point;
  readonly to: Point;
  readonly widths: readonly number[];
}

// Heights and lengths are those of the figures; half-widths of limbs are drawn by eye.
const HEIGHT = 200;
const MIDDLE = BODY_BOX.width / 2;
const y = (fraction: number): number => 2 + HEIGHT * (1 - fraction);
const SHOULDER = y(P.shoulderHeight);
const HIP = y(P.hipHeight);
const KNEE = y(P.ankleHeight + P.shank);
const ANKLE = y(P.ankleHeight);
const LEG_X = 10.5;
/** Arms hang a little away from the trunk. */
const ARM_LEAN = 0.16;
const arm = (along: number): Point => [
  HEIGHT * P.shoulderHalf + Math.sin(ARM_LEAN) * along * HEIGHT,
  SHOULDER + 5 + Math.cos(ARM_LEAN) * along * HEIGHT,
];

const SEGMENTS = {
  neck: { from: [0, SHOULDER - 11], to: [0, SHOULDER + 1], widths: [6, 5.6, 8] },
  trunk: { from: [0, SHOULDER - 1], to: [0, HIP + 4], widths: [11, 25, 24.5, 22, 19, 17, 16.4, 17, 19, 20] },
  upperArm: { from: arm(0), to: arm(P.upperArm), widths: [5.6, 6.6, 6.2, 5.4, 4.8] },
  forearm: { from: arm(P.upperArm), to: arm(P.upperArm + P.forearm), widths: [4.8, 5.3, 4.5, 3.4] },
  hand: { from: arm(P.upperArm + P.forearm), to: arm(0.41), widths: [3.3, 4, 2.4] },
  thigh: { from: [LEG_X, HIP], to: [LEG_X, KNEE], widths: [9.8, 10, 9, 7.6, 6.6] },
  shank: { from: [LEG_X, KNEE], to: [LEG_X, ANKLE], widths: [6.4, 7, 6.2, 4.6, 3.6] },
  foot: { from: [LEG_X, ANKLE - 1], to: [LEG_X + 3, ANKLE + 9], widths: [3.8, 4.6, 5.2, 3.4] },
} as const satisfies Record<string, Segment>;
type SegmentId = keyof typeof SEGMENTS;

/** Head: centre and radii. */
export const HEAD = { cx: MIDDLE, cy: y(1 - 0.066), rx: 9.2, ry: 13 } as const;

function widthAt(widths: readonly number[], t: number): number {
  const place = Math.min(1, Math.max(0, t)) * (widths.length - 1);
  const i = Math.min(widths.length - 2, Math.floor(place));
  return widths[i]! + (widths[i + 1]! - widths[i]!) * (place - i);
}

/** Point of a segment: t along it, s across it from −1 (inner edge) to 1 (outer edge). */
function pointOf(segment: Segment, t: number, s: number): Point {
  const [ax, ay] = segment.from;
  const dx = segment.to[0] - ax;
  const dy = segment.to[1] - ay;
  const length = Math.hypot(dx, dy);
  const w = widthAt(segment.widths, t) * s;
  return [ax + dx * t + (dy / length) * w, ay + dy * t - (dx / length) * w];
}

const text = (n: number): string => (Math.round(n * 100) / 100).toString();
const closed = (points: readonly Point[]): string =>
  `M${points.map(([px, py]) => `${text(px)} ${text(py)}`).join('L')}Z`;

/** A patch of a segment as a closed path, on both halves of the body; `round` draws its corners in. */
function patch(id: SegmentId, t0: number, t1: number, s0: number, s1: number, round: boolean): string {
  const segment: Segment = SEGMENTS[id];
  const STEPS = 16;
  const middle = (s0 + s1) / 2;
  const half = (s1 - s0) / 2;
  const edge = (side: 1 | -1) =>
    Array.from({ length: STEPS + 1 }, (_, i) => {
      // A superellipse: flat sides, round ends.
      const u = (2 * i) / STEPS - 1;
      const width = round ? (1 - Math.abs(u) ** 5) ** (1 / 3) : 1;
      return pointOf(segment, t0 + ((t1 - t0) * i) / STEPS, middle + side * half * width);
    });
  const outline = [...edge(1), ...edge(-1).reverse()];
  // A patch across the midline is its own mirror image.
  const sides = s0 === -s1 && segment.from[0] === 0 ? [1] : [1, -1];
  return sides.map((side) => closed(outline.map(([px, py]): Point => [MIDDLE + side * px, py]))).join('');
}

type Patch = readonly [SegmentId, number, number, number, number];

const FRONT: Partial<Record<MuscleGroupId, readonly Patch[]>> = {
  'neck-front': [['neck', 0.2, 1, -0.5, 0.5]],
  'neck-side': [['neck', 0.2, 1, 0.58, 1.05]],
  'anterior-shoulder': [['upperArm', -0.06, 0.26, -0.95, 0.98]],
  pectorals: [['trunk', 0.12, 0.34, 0.04, 0.74]],
  abdominals: [['trunk', 0.38, 0.86, -0.5, 0.5]],
  'lateral-trunk': [['trunk', 0.4, 0.84, 0.56, 0.98]],
  'elbow-flexors': [['upperArm', 0.32, 0.94, -0.9, 0.9]],
  'forearm-flexors': [['forearm', 0.06, 0.92, -0.9, 0.9]],
  'hip-flexors': [
    ['trunk', 0.86, 1.02, 0.22, 0.8],
    ['thigh', 0.02, 0.14, -0.7, 0.5],
  ],
  'lateral-hip': [['thigh', 0.04, 0.4, 0.62, 1]],
  adductors: [['thigh', 0.1, 0.62, -0.98, -0.5]],
  quadriceps: [['thigh', 0.16, 0.92, -0.42, 0.54]],
  shin: [['shank', 0.1, 0.86, -0.5, 0.92]],
};

const BACK: Partial<Record<MuscleGroupId, readonly Patch[]>> = {
  'neck-back': [['neck', 0.1, 0.85, -0.92, 0.92]],
  'upper-trapezius': [['trunk', 0.02, 0.13, 0.03, 0.86]],
  'posterior-shoulder': [['upperArm', -0.06, 0.26, -0.95, 0.98]],
  'shoulder-rotators': [['trunk', 0.16, 0.34, 0.5, 0.9]],
  'upper-back': [['trunk', 0.16, 0.42, 0.03, 0.44]],
  'thoracic-rotators': [['trunk', 0.45, 0.58, -0.44, 0.44]],
  lats: [['trunk', 0.37, 0.7, 0.5, 0.98]],
  'low-back': [['trunk', 0.61, 0.86, -0.54, 0.54]],
  triceps: [['upperArm', 0.32, 0.94, -0.9, 0.9]],
  'forearm-extensors': [['forearm', 0.06, 0.92, -0.9, 0.9]],
  gluteals: [['trunk', 0.89, 1.02, 0.06, 0.94]],
  'deep-hip-rotators': [['trunk', 1.04, 1.12, 0.2, 0.9]],
  hamstrings: [['thigh', 0.24, 0.94, -0.84, 0.9]],
  calf: [['shank', 0.06, 0.46, -0.9, 0.9]],
  soleus: [['shank', 0.5, 0.84, -0.9, 0.9]],
  'plantar-foot': [['foot', 0.25, 0.95, -0.8, 0.8]],
};

function regions(view: BodyView, patches: typeof FRONT): BodyMapRegion[] {
  return (Object.entries(patches) as [MuscleGroupId, readonly Patch[]][]).map(([group, list]) => ({
    group,
    view,
    path: list.map((p) => patch(...p, true)).join(''),
  }));
}

/** Every muscle group where it is seen best: front or back. */
export const BODY_MAP: readonly BodyMapRegion[] = [...regions('front', FRONT), ...regions('back', BACK)];

/** Outline of the body without the head, both halves; the same from front and back. */
export const BODY_OUTLINE: string = (Object.keys(SEGMENTS) as SegmentId[])
  .map((id) => patch(id, 0, 1, id === 'neck' || id === 'trunk' ? 0 : -1, 1, false))
  .join('');
