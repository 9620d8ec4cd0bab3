import { SIDES, type Side } from '../anatomy/side.js';
import type { Posture } from './posture.js';
import { jointAngles, type Skeleton } from './skeleton.js';

/**
 * Widest angles that a supple adult reaches, degrees: nominal values of the AAOS (1965, from memory) widened by a third, so that a drawing
 * may show a good stretch but nothing impossible.
 */
export const JOINT_LIMITS = {
  hipFlexion: [-40, 160],
  hipAbduction: [-45, 88],
  knee: [0, 162],
  ankle: [-68, 45],
  armRaise: [0, 183],
  armBack: [-100, 92],
  elbow: [0, 162],
} as const satisfies Record<keyof ReturnType<typeof jointAngles>, readonly [number, number]>;

/** Limits of spine and neck: flexion, side-bend, rotation. */
export const SPINE_LIMITS = {
  spine: [
    [-65, 115],
    [-55, 55],
    [-65, 65],
  ],
  neck: [
    [-75, 70],
    [-50, 50],
    [-90, 90],
  ],
} as const;

/** How far a shoulder is carried by its blade, up and forward, in body heights: a few centimetres either way; common practice, no source. */
export const BLADE_LIMITS = [
  [-0.03, 0.06],
  [-0.05, 0.05],
] as const;

/** What is impossible about a posture, in words; empty when a body can take it. */
export function impossible(p: Posture, s: Skeleton): string[] {
  const out: string[] = [];
  for (const part of ['spine', 'neck'] as const)
    (p[part] ?? [0]).forEach((angle, i) => {
      const [min, max] = SPINE_LIMITS[part][i]!;
      if (angle! < min || angle! > max) out.push(`${part} ${['flexion', 'side-bend', 'rotation'][i]} ${angle}°`);
    });
  for (const side of SIDES)
    (p.blades?.[side] ?? [0]).forEach((way, i) => {
      const [min, max] = BLADE_LIMITS[i]!;
      if (way! < min || way! > max) out.push(`${side} shoulder blade ${i === 0 ? 'up' : 'forward'} ${way}`);
    });
  for (const side of SIDES) out.push(...limbErrors(s, side));
  return out;
}

function limbErrors(s: Skeleton, side: Side): string[] {
  const angles = jointAngles(s, side);
  return (Object.keys(JOINT_LIMITS) as (keyof typeof JOINT_LIMITS)[]).flatMap((joint) => {
    const [min, max] = JOINT_LIMITS[joint];
    // Past 80° of abduction, or beside the hip with a bent leg, flexion of the thigh has no meaning.
    if (joint === 'hipFlexion' && angles.hipAbduction > 70) return [];
    const angle = angles[joint];
    return angle < min - 0.5 || angle > max + 0.5 ? [`${side} ${joint} ${Math.round(angle)}°`] : [];
  });
}
