import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import type { Side } from '../anatomy/side.js';
import { add, inWorld } from './geometry.js';
import { letterOf, type BodyPoint, type PointInSpace } from './posture.js';
import { pointsOf, type SegmentId, type Skeleton } from './skeleton.js';

/** A knot of a muscle's strip: a point of the body, and where the strip lies from it in the frame of a segment (forward, up, outward). */
type Knot = readonly [point: string, segment: string, offset: PointInSpace];

/** `K` stands for the letter of the side. Places by eye, after any anatomy atlas. */
const STRIPS: Readonly<Record<MuscleGroupId, { readonly width: number; readonly knots: readonly Knot[] }>> = {
  'plantar-foot': {
    width: 2.6,
    knots: [
      ['heelK', 'footK', [0.02, 0.008, 0]],
      ['toeK', 'footK', [-0.03, 0.008, 0]],
    ],
  },
  calf: {
    width: 3.8,
    knots: [
      ['kneeK', 'shankK', [-0.022, -0.015, 0]],
      ['kneeK', 'shankK', [-0.024, -0.11, 0]],
    ],
  },
  soleus: {
    width: 3.2,
    knots: [
      ['kneeK', 'shankK', [-0.018, -0.12, 0]],
      ['ankleK', 'shankK', [-0.016, 0.02, 0]],
    ],
  },
  shin: {
    width: 2.6,
    knots: [
      ['kneeK', 'shankK', [0.017, -0.04, 0.006]],
      ['ankleK', 'shankK', [0.014, 0.03, 0]],
    ],
  },
  hamstrings: {
    width: 4,
    knots: [
      ['hipK', 'thighK', [-0.028, -0.05, 0]],
      ['kneeK', 'thighK', [-0.02, 0.025, 0]],
    ],
  },
  quadriceps: {
    width: 4,
    knots: [
      ['hipK', 'thighK', [0.028, -0.05, 0]],
      ['kneeK', 'thighK', [0.02, 0.025, 0]],
    ],
  },
  'hip-flexors': {
    width: 4,
    knots: [
      ['hipK', 'pelvis', [0.04, 0.06, -0.02]],
      ['hipK', 'thighK', [0.03, -0.07, 0]],
    ],
  },
  adductors: {
    width: 3.8,
    knots: [
      ['hipK', 'thighK', [0, -0.03, -0.03]],
      ['kneeK', 'thighK', [0, 0.05, -0.02]],
    ],
  },
  gluteals: {
    width: 5,
    knots: [
      ['hipK', 'pelvis', [-0.042, 0.045, -0.02]],
      ['hipK', 'thighK', [-0.04, -0.03, 0.005]],
    ],
  },
  'deep-hip-rotators': {
    width: 3.6,
    knots: [
      ['hipK', 'pelvis', [-0.045, 0.02, -0.06]],
      ['hipK', 'thighK', [-0.02, -0.01, 0.03]],
    ],
  },
  'lateral-hip': {
    width: 3.6,
    knots: [
      ['hipK', 'pelvis', [0, 0.07, 0.025]],
      ['hipK', 'thighK', [0, -0.07, 0.04]],
    ],
  },
  'low-back': {
    width: 4,
    knots: [
      ['pelvis', 'pelvis', [-0.042, 0.03, 0.03]],
      ['chest', 'lumbar', [-0.042, -0.01, 0.03]],
    ],
  },
  abdominals: {
    width: 4.4,
    knots: [
      ['pelvis', 'pelvis', [0.04, 0.03, 0.02]],
      ['chest', 'lumbar', [0.045, 0.02, 0.02]],
    ],
  },
  'lateral-trunk': {
    width: 4,
    knots: [
      ['hipK', 'pelvis', [0, 0.07, -0.01]],
      ['chest', 'lumbar', [0, -0.02, 0.085]],
      ['shoulderK', 'thorax', [0, -0.05, -0.035]],
    ],
  },
  'upper-back': {
    width: 4.4,
    knots: [
      ['chest', 'thorax', [-0.042, 0, 0.045]],
      ['neck', 'thorax', [-0.035, -0.015, 0.045]],
    ],
  },
  'thoracic-rotators': {
    width: 3.6,
    knots: [
      ['chest', 'lumbar', [-0.035, -0.05, 0.03]],
      ['neck', 'thorax', [-0.03, -0.03, 0.075]],
    ],
  },
  lats: {
    width: 4,
    knots: [
      ['waist', 'lumbar', [-0.025, 0.01, 0.05]],
      ['shoulderK', 'thorax', [-0.02, -0.07, -0.02]],
      ['shoulderK', 'upperArmK', [-0.014, -0.03, 0]],
    ],
  },
  pectorals: {
    width: 4.2,
    knots: [
      ['neck', 'thorax', [0.045, -0.05, 0.03]],
      ['shoulderK', 'thorax', [0.03, -0.02, -0.015]],
    ],
  },
  'anterior-shoulder': {
    width: 3.2,
    knots: [
      ['shoulderK', 'thorax', [0.022, 0.012, 0]],
      ['shoulderK', 'upperArmK', [0.018, -0.07, 0]],
    ],
  },
  'posterior-shoulder': {
    width: 3.2,
    knots: [
      ['shoulderK', 'thorax', [-0.022, 0.008, -0.01]],
      ['shoulderK', 'upperArmK', [-0.016, -0.07, 0]],
    ],
  },
  'shoulder-rotators': {
    width: 3.2,
    knots: [
      ['shoulderK', 'thorax', [-0.03, -0.03, -0.06]],
      ['shoulderK', 'upperArmK', [-0.008, -0.03, 0]],
    ],
  },
  'elbow-flexors': {
    width: 2.8,
    knots: [
      ['shoulderK', 'upperArmK', [0.014, -0.05, 0]],
      ['elbowK', 'upperArmK', [0.012, 0.015, 0]],
    ],
  },
  triceps: {
    width: 2.8,
    knots: [
      ['shoulderK', 'upperArmK', [-0.014, -0.05, 0]],
      ['elbowK', 'upperArmK', [-0.012, 0.015, 0]],
    ],
  },
  'forearm-flexors': {
    width: 2.4,
    knots: [
      ['elbowK', 'forearmK', [0.012, -0.02, 0]],
      ['wristK', 'forearmK', [0.008, 0.02, 0]],
    ],
  },
  'forearm-extensors': {
    width: 2.4,
    knots: [
      ['elbowK', 'forearmK', [-0.012, -0.02, 0]],
      ['wristK', 'forearmK', [-0.008, 0.02, 0]],
    ],
  },
  'upper-trapezius': {
    width: 3.2,
    knots: [
      ['neck', 'head', [-0.014, 0.055, 0.018]],
      ['shoulderK', 'thorax', [-0.014, 0.022, -0.05]],
    ],
  },
  'neck-side': {
    width: 2.6,
    knots: [
      ['neck', 'head', [0, 0.06, 0.022]],
      ['neck', 'thorax', [0.012, 0.01, 0.04]],
    ],
  },
  'neck-front': {
    width: 2.6,
    knots: [
      ['neck', 'head', [0.02, 0.05, 0.008]],
      ['neck', 'thorax', [0.03, -0.005, 0.012]],
    ],
  },
  'neck-back': {
    width: 2.8,
    knots: [
      ['neck', 'head', [-0.022, 0.065, 0.008]],
      ['neck', 'thorax', [-0.028, -0.005, 0.012]],
    ],
  },
};

/** Where the strip of a muscle group lies on a body, and how wide it is (in hundredths of body height). */
export function stripOf(
  s: Skeleton,
  group: MuscleGroupId,
  side: Side,
): { readonly width: number; readonly places: readonly PointInSpace[]; readonly core: readonly PointInSpace[] } {
  const { width, knots } = STRIPS[group];
  const k = letterOf(side);
  const out = side === 'right' ? 1 : -1;
  const points = pointsOf(s);
  const named = ([point, segment, offset]: Knot) => ({
    from: points[point.replace('K', k) as BodyPoint],
    offset: inWorld(s.frames[segment.replace('K', k) as SegmentId], [offset[0], offset[1], offset[2] * out]),
    along: inWorld(s.frames[segment.replace('K', k) as SegmentId], [0, offset[1], 0]),
  });
  const all = knots.map(named);
  return {
    width,
    places: all.map((n) => add(n.from, n.offset)),
    core: all.map((n) => add(n.from, n.along)),
  };
}
