/** How the phone is held: `flat` lies with its back on the limb, long edge along it; `edge` stands on its long edge, screen to the coach. */
export type PhoneHold = 'flat' | 'edge';

const RAD = Math.PI / 180;

/**
 * Inclination of the phone's long edge from the orientation angles of the browser, −180…180 degrees.
 *
 * Up in the phone's own axes is (−cos β·sin γ, sin β, cos β·cos γ): the last row of the rotation matrix Z-X′-Y″ of the W3C Device
 * Orientation specification. `flat` measures it in the plane of the long edge and the screen's normal, `edge` in the plane of the screen,
 * where upright on the short edge is 90.
 * @param beta,gamma degrees as in DeviceOrientationEvent
 * @example phoneInclination(30, 0, 'flat') // 30
 */
export function phoneInclination(beta: number, gamma: number, hold: PhoneHold): number {
  const x = -Math.cos(beta * RAD) * Math.sin(gamma * RAD);
  const y = Math.sin(beta * RAD);
  const z = Math.cos(beta * RAD) * Math.cos(gamma * RAD);
  const other = hold === 'flat' ? z : Math.abs(x);
  return Math.atan2(y, other) / RAD;
}

/**
 * A reading against a zero set before, wrapped to −180…180 degrees.
 * @example zeroed(170, -20) // -170
 */
export function zeroed(degrees: number, zero: number): number {
  const d = (((degrees - zero + 180) % 360) + 360) % 360;
  return d === 0 && degrees - zero > 0 ? 180 : d - 180;
}
