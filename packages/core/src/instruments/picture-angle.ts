import { CoreError } from '../errors.js';

/** A point of a picture in pixels: x to the right, y downwards. */
export interface PicturePoint {
  readonly x: number;
  readonly y: number;
}

/** What is read from three points: the angle between the two arms at the joint, or how the moving arm stands in space. */
export type PictureReading = 'between' | 'short of straight' | 'to the horizontal' | 'to the vertical';

export const PICTURE_READINGS: readonly PictureReading[] = [
  'between',
  'short of straight',
  'to the horizontal',
  'to the vertical',
];

/**
 * Which way an angle counts as positive, as seen in the picture; the other way is negative. `either`: nobody has said it, nothing is negative.
 * A joint bends clockwise or counter-clockwise, an arm stands above or below level, and leans left or right of upright.
 */
export const PICTURE_WAYS = ['either', 'clockwise', 'counter-clockwise', 'above', 'below', 'left', 'right'] as const;
export type PictureWay = (typeof PICTURE_WAYS)[number];

/** The ways that a reading can count. */
export const WAYS_OF: Readonly<Record<PictureReading, readonly PictureWay[]>> = {
  between: ['either'],
  'short of straight': ['either', 'clockwise', 'counter-clockwise'],
  'to the horizontal': ['either', 'above', 'below'],
  'to the vertical': ['either', 'left', 'right'],
};

/** Ways in which an angle counted counter-clockwise, up, or to the right turns its sign. */
const TURNED: readonly PictureWay[] = ['clockwise', 'below', 'left'];

const DEG = 180 / Math.PI;
/** Points closer than this make no direction, pixels. */
const NEAR = 1;

/** Direction of b seen from a, degrees, counter-clockwise as seen, 0 to the right. */
function direction(a: PicturePoint, b: PicturePoint): number {
  if (![a.x, a.y, b.x, b.y].every(Number.isFinite) || Math.hypot(b.x - a.x, b.y - a.y) < NEAR)
    throw new CoreError('invalid-angle', { code: 'points-meet', args: {} });
  return Math.atan2(a.y - b.y, b.x - a.x) * DEG;
}

/** Wrapped to −180…180. */
const wrap = (d: number): number => ((((d + 180) % 360) + 360) % 360) - 180;

/**
 * Tilt of the camera: angle of the horizon line in the picture, degrees, counter-clockwise; the line has no direction, so −90…90.
 * @throws CoreError `invalid-angle` when the points coincide
 */
export function horizonTilt(horizon: readonly [PicturePoint, PicturePoint]): number {
  const d = wrap(direction(horizon[0], horizon[1]));
  return d > 90 ? d - 180 : d <= -90 ? d + 180 : d;
}

/**
 * Angle from three points, degrees: `fixed` and `moving` are ends of the two arms, `joint` is where they meet. Between two arms 0…180; short of
 * straight 0…180, or with a known way −180…180; against level or upright 0…90, or with a known way −90…90.
 * An angle between two arms does not change when the camera is tilted; one against the horizontal or vertical does and is corrected by
 * the horizon when given.
 * @throws CoreError `invalid-angle` when points coincide
 */
export function pictureAngle(
  fixed: PicturePoint,
  joint: PicturePoint,
  moving: PicturePoint,
  reading: PictureReading,
  horizon: readonly [PicturePoint, PicturePoint] | null = null,
  way: PictureWay = 'either',
): number {
  const arm = direction(joint, moving);
  if (reading === 'between') return Math.abs(wrap(arm - direction(joint, fixed)));
  // A way that does not belong to the reading says nothing.
  const known = way !== 'either' && WAYS_OF[reading].includes(way);
  const signed = (angle: number): number => (!known ? Math.abs(angle) : TURNED.includes(way) ? -angle : angle);
  // Counter-clockwise as seen from the line that goes on from the fixed arm.
  if (reading === 'short of straight') return signed(wrap(arm - direction(fixed, joint)));
  const level = (wrap(arm - (horizon ? horizonTilt(horizon) : 0)) * Math.PI) / 180;
  const [across, up] = [Math.cos(level), Math.sin(level)];
  if (reading === 'to the vertical') return signed(Math.atan2(across, Math.abs(up)) * DEG);
  return signed(Math.atan2(up, Math.abs(across)) * DEG);
}
