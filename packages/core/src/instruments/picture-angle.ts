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

/** Which way a joint bends in the picture; what goes past straight the other way is negative. `either`: nobody has said it, nothing is. */
export const BENDS = ['either', 'clockwise', 'counter-clockwise'] as const;
export type Bends = (typeof BENDS)[number];

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
 * Angle from three points, degrees: `fixed` and `moving` are ends of the two arms, `joint` is where they meet. 0…180, but for `short of straight`
 * with a known way to bend: past straight it is negative, −180…180.
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
  bends: Bends = 'either',
): number {
  const arm = direction(joint, moving);
  if (reading === 'between') return Math.abs(wrap(arm - direction(joint, fixed)));
  if (reading === 'short of straight') {
    // Counter-clockwise as seen from the line that goes on from the fixed arm.
    const bent = wrap(arm - direction(fixed, joint));
    return bends === 'either' ? Math.abs(bent) : bends === 'clockwise' ? -bent : bent;
  }
  const level = wrap(arm - (horizon ? horizonTilt(horizon) : 0));
  if (reading === 'to the vertical') return Math.abs(90 - Math.abs(level));
  const steep = Math.abs(level);
  return steep > 90 ? 180 - steep : steep;
}
