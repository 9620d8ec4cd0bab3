import { quat, vec3 } from 'gl-matrix';
import type { PointInSpace } from './posture.js';

/** An orientation: where the body's forward, up and right axes point. */
export type Frame = quat;

const RAD = Math.PI / 180;
export type Axis = 'forward' | 'up' | 'right';
const AXES: Readonly<Record<Axis, PointInSpace>> = { forward: [1, 0, 0], up: [0, 1, 0], right: [0, 0, 1] };

export const UPRIGHT: Frame = quat.create();

/** A frame turned about one of its own axes, by degrees. */
export function turned(frame: Frame, axis: Axis, degrees: number): Frame {
  const by = quat.setAxisAngle(quat.create(), [...AXES[axis]], degrees * RAD);
  return quat.normalize(quat.create(), quat.multiply(quat.create(), frame, by));
}

/** A vector of a frame in the world. */
export function inWorld(frame: Frame, v: PointInSpace): PointInSpace {
  const out = vec3.transformQuat(vec3.create(), [...v], frame);
  return [out[0], out[1], out[2]];
}

/** A vector of the world in a frame. */
export function inFrame(frame: Frame, v: PointInSpace): PointInSpace {
  return inWorld(quat.conjugate(quat.create(), frame), v);
}

export const add = (a: PointInSpace, b: PointInSpace): PointInSpace => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
export const minus = (a: PointInSpace, b: PointInSpace): PointInSpace => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
export const times = (a: PointInSpace, k: number): PointInSpace => [a[0] * k, a[1] * k, a[2] * k];
export const dot = (a: PointInSpace, b: PointInSpace): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
export const cross = (a: PointInSpace, b: PointInSpace): PointInSpace => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
export const length = (a: PointInSpace): number => Math.hypot(...a);
export const unit = (a: PointInSpace): PointInSpace => times(a, 1 / (length(a) || 1));
/** Angle between two directions, degrees. */
export const angleBetween = (a: PointInSpace, b: PointInSpace): number =>
  Math.acos(Math.min(1, Math.max(-1, dot(unit(a), unit(b))))) / RAD;

/** The part of a vector at right angles to a unit direction; a stand-in when nothing is left. */
export function across(v: PointInSpace, direction: PointInSpace, standIn: PointInSpace): PointInSpace {
  const rest = minus(v, times(direction, dot(v, direction)));
  if (length(rest) > 1e-3) return unit(rest);
  const other = minus(standIn, times(direction, dot(standIn, direction)));
  return length(other) > 1e-3 ? unit(other) : unit(cross(direction, [0.31, 0.57, 0.76]));
}

/** The frame whose up axis is given and whose forward axis is as near as can be to a wish. */
export function frameOf(up: PointInSpace, forward: PointInSpace): Frame {
  const y = unit(up);
  const x = across(forward, y, [1, 0, 0]);
  const z = cross(x, y);
  const q = quat.create();
  quat.fromMat3(q, [x[0], x[1], x[2], y[0], y[1], y[2], z[0], z[1], z[2]]);
  return quat.normalize(q, q);
}

/** A frame between two, `t` from 0 to 1 (shortest way). */
export function between(a: Frame, b: Frame, t: number): Frame {
  return quat.slerp(quat.create(), a, b, t);
}

/**
 * The middle joint of a limb of two bones whose ends are known.
 * @param pole direction in which the middle joint points
 * @returns the joint, and where the end really comes to when the wish is out of reach
 */
export function twoBones(
  root: PointInSpace,
  wish: PointInSpace,
  upper: number,
  lower: number,
  pole: PointInSpace,
): { readonly joint: PointInSpace; readonly end: PointInSpace; readonly missedBy: number } {
  const way = minus(wish, root);
  const far = length(way);
  const reach = Math.min(Math.max(far, Math.abs(upper - lower) + 1e-4), (upper + lower) * 0.99999);
  const to = unit(far > 1e-6 ? way : [0, -1, 0]);
  const along = (upper * upper - lower * lower + reach * reach) / (2 * reach);
  const out = Math.sqrt(Math.max(0, upper * upper - along * along));
  const joint = add(add(root, times(to, along)), times(across(pole, to, [0, -1, 0]), out));
  return { joint, end: add(root, times(to, reach)), missedBy: Math.abs(far - reach) };
}
