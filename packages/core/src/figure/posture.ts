import type { Side } from '../anatomy/side.js';

/** A place in the world, in fractions of body height: forward, up from the floor, to the right of the body at rest. */
export type PointInSpace = readonly [forward: number, up: number, right: number];

/** Points of the body that a hand or foot can go to, or a prop can hang on. */
export type BodyPoint =
  | 'head'
  | 'crown'
  | 'neck'
  | 'chest'
  | 'waist'
  | 'pelvis'
  | `${'shoulder' | 'elbow' | 'wrist' | 'hand' | 'hip' | 'knee' | 'ankle' | 'heel' | 'ball' | 'toe'}${'L' | 'R'}`;

/** A leg by its joint angles (degrees), or by where its foot stands. */
export type Leg =
  | {
      /** Flexion, abduction, external rotation. */
      readonly hip: readonly [number, number?, number?];
      readonly knee: number;
      /** Dorsiflexion; negative is pointed; `flat` keeps the sole level. */
      readonly ankle?: number | 'flat';
      /** Degrees that the toes are bent up. */
      readonly toes?: number;
    }
  | {
      /** Where the sole below the ankle is. */
      readonly foot: PointInSpace;
      /** Direction in which the knee points; forward by default. */
      readonly knee?: PointInSpace;
      readonly ankle?: number | 'flat';
      /** Degrees that the toes turn out, for a level foot. */
      readonly turnOut?: number;
      /** True when the ball of the foot, heel up, is what stands there. */
      readonly onToes?: boolean;
      readonly toes?: number;
    };

/** An arm by its joint angles (degrees), or by where its hand goes. */
export type Arm =
  | {
      /** Flexion, abduction, external rotation. */
      readonly shoulder: readonly [number, number?, number?];
      readonly elbow: number;
      readonly wrist?: number;
    }
  | {
      readonly hand: BodyPoint | PointInSpace;
      /** Added to a point of the body. */
      readonly off?: PointInSpace;
      /** Direction in which the elbow points; back and down by default. */
      readonly elbow?: PointInSpace;
      /** Direction of the hand itself from the wrist; along the forearm by default. */
      readonly points?: PointInSpace;
    };

/** How far a shoulder is carried by its blade, in body heights. */
export type Blade = readonly [up: number, forward?: number];

/** A posture of the whole body: joint angles in degrees, from standing upright with the arms hanging. */
export interface Posture {
  /** Lean of the pelvis: forward, to the right, turned to the right. Lying on the back is −90 forward, on the belly 90. */
  readonly pelvis?: readonly [forward: number, right?: number, turn?: number];
  /** Height of the hip line above the floor; left out, the body is let down until it touches. */
  readonly height?: number;
  /** How far forward the hip line is; 0 when left out. */
  readonly forward?: number;
  /** Flexion, side-bend to the right, rotation to the right of lumbar and thoracic spine together. */
  readonly spine?: readonly [number, number?, number?];
  /** Shoulder blades, left and right: how far each shoulder is raised and drawn forward, in body heights; 0 when left out. */
  readonly blades?: { readonly left?: Blade; readonly right?: Blade };
  /** The same of the neck. */
  readonly neck?: readonly [number, number?, number?];
  readonly left: Leg;
  readonly right: Leg;
  readonly armLeft: Arm;
  readonly armRight: Arm;
}

/** The point of a body point on the other side. */
export function otherPoint(point: BodyPoint): BodyPoint {
  if (point.endsWith('L')) return `${point.slice(0, -1)}R` as BodyPoint;
  if (point.endsWith('R')) return `${point.slice(0, -1)}L` as BodyPoint;
  return point;
}

const flipped = ([f, u, r]: PointInSpace): PointInSpace => [f, u, -r];

function mirroredLeg(leg: Leg): Leg {
  if ('hip' in leg) return leg;
  return { ...leg, foot: flipped(leg.foot), ...(leg.knee ? { knee: flipped(leg.knee) } : {}) };
}

function mirroredArm(arm: Arm): Arm {
  if ('shoulder' in arm) return arm;
  return {
    ...arm,
    hand: typeof arm.hand === 'string' ? otherPoint(arm.hand) : flipped(arm.hand),
    ...(arm.off ? { off: flipped(arm.off) } : {}),
    ...(arm.elbow ? { elbow: flipped(arm.elbow) } : {}),
    ...(arm.points ? { points: flipped(arm.points) } : {}),
  };
}

const exchanged = ({ left, right }: NonNullable<Posture['blades']>) => ({
  ...(right ? { left: right } : {}),
  ...(left ? { right: left } : {}),
});

/** The same posture for the other side. */
export function mirrored(p: Posture): Posture {
  const turn = ([a, side = 0, twist = 0]: readonly [number, number?, number?]) => [a, -side, -twist] as const;
  return {
    ...p,
    ...(p.pelvis ? { pelvis: turn(p.pelvis) } : {}),
    ...(p.spine ? { spine: turn(p.spine) } : {}),
    ...(p.neck ? { neck: turn(p.neck) } : {}),
    ...(p.blades ? { blades: exchanged(p.blades) } : {}),
    left: mirroredLeg(p.right),
    right: mirroredLeg(p.left),
    armLeft: mirroredArm(p.armRight),
    armRight: mirroredArm(p.armLeft),
  };
}

/** `R` or `L` of a side. */
export const letterOf = (side: Side): 'L' | 'R' => (side === 'left' ? 'L' : 'R');
