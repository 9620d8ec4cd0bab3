/** How the phone is held: `flat` lies with its back on the limb, long edge along it; `edge` stands on its long edge, screen to the coach. */
export type PhoneHold = 'flat' | 'edge';

/** Which long edge is down where a phone stands on it: seen from the front, the left one or the right one. */
export type EdgeDown = 'left' | 'right';

const RAD = Math.PI / 180;

type Quaternion = readonly [w: number, x: number, y: number, z: number];
type Vector = readonly [x: number, y: number, z: number];

const product = ([a, b, c, d]: Quaternion, [e, f, g, h]: Quaternion): Quaternion => [
  a * e - b * f - c * g - d * h,
  a * f + b * e + c * h - d * g,
  a * g - b * h + c * e + d * f,
  a * h + b * g - c * f + d * e,
];

/**
 * How the phone stands to the earth, from the angles of the browser: Z-X′-Y″ of the W3C Device Orientation specification. The compass angle
 * turns about the plumb line and changes no inclination, so it is left out.
 */
function attitude(beta: number, gamma: number): Quaternion {
  const [b, g] = [(beta * RAD) / 2, (gamma * RAD) / 2];
  return product([Math.cos(b), Math.sin(b), 0, 0], [Math.cos(g), 0, Math.sin(g), 0]);
}

/** How far an axis of the phone points up, −1 to 1. */
function rise(q: Quaternion, [x, y, z]: Vector): number {
  const [w, i, j, k] = q;
  return product(product(q, [0, x, y, z]), [w, -i, -j, -k])[3];
}

const LONG_EDGE: Vector = [0, 1, 0];
/** Axes that point up while the limb lies level: the screen's normal, or the short edge away from the long edge that is down. */
const UP: Readonly<Record<'flat' | EdgeDown, Vector>> = {
  flat: [0, 0, 1],
  left: [1, 0, 0],
  right: [-1, 0, 0],
};

/** The long edge that is down in a phone that stands on one. @param beta,gamma degrees as in DeviceOrientationEvent */
export function edgeDown(beta: number, gamma: number): EdgeDown {
  return rise(attitude(beta, gamma), UP.left) >= 0 ? 'left' : 'right';
}

/**
 * Inclination of the phone's long edge against level, −180…180 degrees: how steeply it rises, whatever way the phone rolls about it, and past
 * upright once what was up points down.
 * @param beta,gamma degrees as in DeviceOrientationEvent
 * @param down the long edge that was down when the phone was put on, for `edge`
 * @example phoneInclination(30, 0, 'flat') // 30
 * @example phoneInclination(45, 30, 'flat') // 45
 */
export function phoneInclination(beta: number, gamma: number, hold: PhoneHold, down: EdgeDown = 'left'): number {
  const q = attitude(beta, gamma);
  const steep = Math.asin(Math.min(1, Math.max(-1, rise(q, LONG_EDGE)))) / RAD;
  if (rise(q, hold === 'flat' ? UP.flat : UP[down]) >= -1e-9) return steep;
  return steep < 0 ? -180 - steep : 180 - steep;
}

/**
 * A reading against a zero set before, wrapped to −180…180 degrees.
 * @example zeroed(170, -20) // -170
 */
export function zeroed(degrees: number, zero: number): number {
  const d = (((degrees - zero + 180) % 360) + 360) % 360;
  return d === 0 && degrees - zero > 0 ? 180 : d - 180;
}
