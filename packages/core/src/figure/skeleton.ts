import { SIDES, type Side } from '../anatomy/side.js';
import {
  add,
  angleBetween,
  frameOf,
  inFrame,
  inWorld,
  length,
  minus,
  times,
  turned,
  twoBones,
  unit,
  UPRIGHT,
  type Frame,
} from './geometry.js';
import {
  letterOf,
  type Arm,
  type Blade,
  type BodyPoint,
  type Leg,
  type PointInSpace,
  type Posture,
} from './posture.js';
import { HEAD_ABOVE, HEEL_BEHIND, PROPORTIONS, RADIUS, TOES, TRUNK } from './proportions.js';

export const SEGMENTS = [
  ...['pelvis', 'lumbar', 'thorax', 'head'],
  ...['thighL', 'shankL', 'footL', 'upperArmL', 'forearmL', 'handL'],
  ...['thighR', 'shankR', 'footR', 'upperArmR', 'forearmR', 'handR'],
] as const;
export type SegmentId =
  | 'pelvis'
  | 'lumbar'
  | 'thorax'
  | 'head'
  | `${'thigh' | 'shank' | 'foot' | 'upperArm' | 'forearm' | 'hand'}${'L' | 'R'}`;

/** A resolved posture: where the hip line's middle is, and how each part is turned. All points follow from it. */
export interface Skeleton {
  readonly root: PointInSpace;
  readonly frames: Readonly<Record<SegmentId, Frame>>;
  /** How far hands and feet stay from where they were sent, in body heights; 0 when they reach. */
  readonly missedBy: number;
  /** Degrees that the toes are bent up. */
  readonly toes: { readonly L: number; readonly R: number };
  /** How far each shoulder is carried up and forward of where it rests, in body heights. */
  readonly blades: { readonly L: Blade; readonly R: Blade };
}

const DOWN: PointInSpace = [0, -1, 0];
const sign = (side: Side): number => (side === 'right' ? 1 : -1);

/** A joint turned by flexion, abduction and external rotation of a limb that hangs down. */
function limb(
  parent: Frame,
  side: Side,
  [flexion, abduction = 0, rotation = 0]: readonly [number, number?, number?],
): Frame {
  const s = sign(side);
  return turned(turned(turned(parent, 'right', flexion), 'forward', -abduction * s), 'up', -rotation * s);
}

/** A part of the spine bent forward, to the right, and turned to the right. */
function bent(parent: Frame, [forward, right = 0, turn = 0]: readonly [number, number?, number?], share = 1): Frame {
  return turned(turned(turned(parent, 'up', -turn * share), 'right', -forward * share), 'forward', right * share);
}

const levelFoot = (heading: PointInSpace): Frame => frameOf([0, 1, 0], [heading[0], 0, heading[2]]);

interface Spine {
  readonly pelvis: Frame;
  readonly lumbar: Frame;
  readonly thorax: Frame;
  readonly head: Frame;
}

function spineOf(p: Posture): Spine {
  const [forward, right = 0, turn = 0] = p.pelvis ?? [0];
  // Turned last, about its own length: a body that lies rolls, one that stands turns.
  const pelvis = turned(turned(turned(UPRIGHT, 'right', -forward), 'forward', right), 'up', -turn);
  const lumbar = bent(pelvis, p.spine ?? [0], 0.5);
  const thorax = bent(lumbar, p.spine ?? [0], 0.5);
  return { pelvis, lumbar, thorax, head: bent(thorax, p.neck ?? [0]) };
}

function trunkPoints(root: PointInSpace, s: Spine) {
  const waist = add(root, inWorld(s.pelvis, [0, TRUNK.pelvis, 0]));
  const chest = add(waist, inWorld(s.lumbar, [0, TRUNK.lumbar, 0]));
  const neck = add(chest, inWorld(s.thorax, [0, TRUNK.thorax, 0]));
  return { waist, chest, neck };
}

const hipOf = (root: PointInSpace, pelvis: Frame, side: Side): PointInSpace =>
  add(root, inWorld(pelvis, [0, 0, sign(side) * PROPORTIONS.hipHalf]));

/** Points of the foot below an ankle. */
function footPoints(ankle: PointInSpace, foot: Frame, toes: number) {
  const at = (forward: number): PointInSpace => add(ankle, inWorld(foot, [forward, -PROPORTIONS.ankleHeight, 0]));
  const front = PROPORTIONS.footLength - HEEL_BEHIND;
  const ball = at(front - TOES);
  return { heel: at(-HEEL_BEHIND), ball, toe: add(ball, inWorld(turned(foot, 'right', toes), [TOES, 0, 0])) };
}

function legByAngles(pelvis: Frame, side: Side, leg: Extract<Leg, { hip: unknown }>): [Frame, Frame, Frame] {
  const thigh = limb(pelvis, side, leg.hip);
  const shank = turned(thigh, 'right', -leg.knee);
  if (leg.ankle === 'flat') return [thigh, shank, levelFoot(inWorld(shank, [1, 0, 0]))];
  return [thigh, shank, turned(shank, 'right', leg.ankle ?? 0)];
}

/** Frames of a leg whose foot has a place. */
function legByFoot(
  hip: PointInSpace,
  side: Side,
  leg: Extract<Leg, { foot: unknown }>,
): { frames: [Frame, Frame, Frame]; missedBy: number } {
  const heading: PointInSpace = [
    Math.cos(((leg.turnOut ?? 0) * Math.PI) / 180),
    0,
    sign(side) * Math.sin(((leg.turnOut ?? 0) * Math.PI) / 180),
  ];
  // On the toes the heel stands 50° up, so the ankle is higher and behind the ball.
  const lift = leg.onToes ? 50 : 0;
  const level = turned(levelFoot(heading), 'right', -lift);
  const ball = PROPORTIONS.footLength - HEEL_BEHIND - TOES;
  const ankle = leg.onToes
    ? minus(leg.foot, inWorld(level, [ball, -PROPORTIONS.ankleHeight, 0]))
    : add(leg.foot, [0, PROPORTIONS.ankleHeight, 0]);
  const pole = leg.knee ?? heading;
  const { joint, end, missedBy } = twoBones(hip, ankle, PROPORTIONS.thigh, PROPORTIONS.shank, pole);
  const thigh = frameOf(minus(hip, joint), pole);
  const shank = frameOf(minus(joint, end), pole);
  const foot = typeof leg.ankle === 'number' ? turned(shank, 'right', leg.ankle) : level;
  return { frames: [thigh, shank, foot], missedBy };
}

function armByHand(
  shoulder: PointInSpace,
  wish: PointInSpace,
  thorax: Frame,
  arm: Extract<Arm, { hand: unknown }>,
): { frames: [Frame, Frame, Frame]; missedBy: number } {
  // The palm's middle is what reaches: the wrist stays half a hand short.
  const half = PROPORTIONS.hand / 2;
  const pole = arm.elbow ?? inWorld(thorax, [-0.6, -0.8, 0]);
  const toward = arm.points ? unit(arm.points) : unit(minus(wish, shoulder));
  let wrist = minus(wish, times(toward, half));
  let bones = twoBones(shoulder, wrist, PROPORTIONS.upperArm, PROPORTIONS.forearm, pole);
  if (!arm.points) {
    // Once more with the hand in line with the forearm that came out.
    wrist = minus(wish, times(unit(minus(wish, bones.joint)), half));
    bones = twoBones(shoulder, wrist, PROPORTIONS.upperArm, PROPORTIONS.forearm, pole);
  }
  const front = times(pole, -1);
  const upper = frameOf(minus(shoulder, bones.joint), front);
  const fore = frameOf(minus(bones.joint, bones.end), front);
  const hand = arm.points ? frameOf(times(toward, -1), inWorld(fore, [1, 0, 0])) : fore;
  return { frames: [upper, fore, hand], missedBy: bones.missedBy };
}

/** All points of a skeleton. */
export function pointsOf(s: Skeleton): Record<BodyPoint, PointInSpace> {
  const f = s.frames;
  const { waist, chest, neck } = trunkPoints(s.root, f);
  const head = add(neck, inWorld(f.head, [0, HEAD_ABOVE, 0]));
  const out: Partial<Record<BodyPoint, PointInSpace>> = {
    pelvis: s.root,
    waist,
    chest,
    neck,
    head,
    crown: add(head, inWorld(f.head, [0, RADIUS.head, 0])),
  };
  for (const side of SIDES) {
    const k = letterOf(side);
    const hip = hipOf(s.root, f.pelvis, side);
    const knee = add(hip, inWorld(f[`thigh${k}`], times(DOWN, PROPORTIONS.thigh)));
    const ankle = add(knee, inWorld(f[`shank${k}`], times(DOWN, PROPORTIONS.shank)));
    const foot = footPoints(ankle, f[`foot${k}`], s.toes[k]);
    const [up, forward = 0] = s.blades[k];
    const shoulder = add(neck, inWorld(f.thorax, [forward, up, sign(side) * PROPORTIONS.shoulderHalf]));
    const elbow = add(shoulder, inWorld(f[`upperArm${k}`], times(DOWN, PROPORTIONS.upperArm)));
    const wrist = add(elbow, inWorld(f[`forearm${k}`], times(DOWN, PROPORTIONS.forearm)));
    const hand = add(wrist, inWorld(f[`hand${k}`], times(DOWN, PROPORTIONS.hand / 2)));
    Object.assign(out, {
      [`hip${k}`]: hip,
      [`knee${k}`]: knee,
      [`ankle${k}`]: ankle,
      [`heel${k}`]: foot.heel,
      [`ball${k}`]: foot.ball,
      [`toe${k}`]: foot.toe,
      [`shoulder${k}`]: shoulder,
      [`elbow${k}`]: elbow,
      [`wrist${k}`]: wrist,
      [`hand${k}`]: hand,
    });
  }
  return out as Record<BodyPoint, PointInSpace>;
}

/** How thick the body is about each point that can touch the floor. */
const THICKNESS: Partial<Record<BodyPoint, number>> = {
  head: RADIUS.head,
  neck: RADIUS.trunk,
  chest: RADIUS.trunk,
  waist: RADIUS.trunk,
  pelvis: RADIUS.trunk,
  ...Object.fromEntries(
    (['L', 'R'] as const).flatMap((k): [BodyPoint, number][] => [
      [`knee${k}`, RADIUS.thigh],
      [`ankle${k}`, RADIUS.shank],
      [`heel${k}`, 0],
      [`ball${k}`, 0],
      [`toe${k}`, 0],
      [`hip${k}`, RADIUS.trunk],
      [`shoulder${k}`, RADIUS.trunk],
      [`elbow${k}`, RADIUS.upperArm],
      [`hand${k}`, RADIUS.hand],
    ]),
  ),
};

/** How high the body's surface about a point is above the floor, in body heights; 0 when it touches. */
export function clearance(points: Record<BodyPoint, PointInSpace>, point: BodyPoint): number {
  return points[point][1] - (THICKNESS[point] ?? 0);
}

/** Height of the lowest part of a body. */
export function lowest(points: Record<BodyPoint, PointInSpace>): number {
  return Math.min(...(Object.keys(THICKNESS) as BodyPoint[]).map((p) => clearance(points, p)));
}

/**
 * Works a posture out: spine from the pelvis up, legs and arms by their angles, the body let down to the floor, then feet and hands to
 * where they were sent.
 */
export function resolve(p: Posture): Skeleton {
  const spine = spineOf(p);
  const toes = { L: toesOf(p.left), R: toesOf(p.right) };
  const blades = { L: p.blades?.left ?? ([0] as const), R: p.blades?.right ?? ([0] as const) };
  const frames: Record<string, Frame> = { ...spine };
  let missedBy = 0;
  for (const side of SIDES) {
    const k = letterOf(side);
    const leg = p[side];
    const arm = p[side === 'left' ? 'armLeft' : 'armRight'];
    if ('hip' in leg) {
      const [thigh, shank, foot] = legByAngles(spine.pelvis, side, leg);
      Object.assign(frames, { [`thigh${k}`]: thigh, [`shank${k}`]: shank, [`foot${k}`]: foot });
    }
    if ('shoulder' in arm) {
      const upper = limb(spine.thorax, side, arm.shoulder);
      const fore = turned(upper, 'right', arm.elbow);
      Object.assign(frames, {
        [`upperArm${k}`]: upper,
        [`forearm${k}`]: fore,
        [`hand${k}`]: turned(fore, 'right', arm.wrist ?? 0),
      });
    }
  }

  // Limbs that are sent somewhere do not carry the body while it is let down; they hang from where they will start.
  const hanging = Object.fromEntries(
    SEGMENTS.map((id) => [id, frames[id] ?? (/thigh|shank|foot/.test(id) ? spine.pelvis : spine.thorax)]),
  );
  let root: PointInSpace = [p.forward ?? 0, p.height ?? 0, 0];
  if (p.height === undefined) {
    const points = pointsOf({ root, frames: hanging as Skeleton['frames'], missedBy: 0, toes, blades });
    const carried = (Object.keys(THICKNESS) as BodyPoint[]).filter((name) => carries(p, name));
    root = [p.forward ?? 0, -Math.min(...carried.map((name) => clearance(points, name))), 0];
  }

  for (const side of SIDES) {
    const k = letterOf(side);
    const leg = p[side];
    if ('hip' in leg) continue;
    const placed = legByFoot(hipOf(root, spine.pelvis, side), side, leg);
    const [thigh, shank, foot] = placed.frames;
    Object.assign(frames, { [`thigh${k}`]: thigh, [`shank${k}`]: shank, [`foot${k}`]: foot });
    missedBy = Math.max(missedBy, placed.missedBy);
  }
  // A hand may go to the other hand: the one with a place of its own first.
  const order = [...SIDES].sort((a, b) => handLast(p, a) - handLast(p, b));
  for (const side of order) {
    const k = letterOf(side);
    const arm = p[side === 'left' ? 'armLeft' : 'armRight'];
    if ('shoulder' in arm) continue;
    const sofar = Object.fromEntries(SEGMENTS.map((id) => [id, frames[id] ?? spine.thorax])) as Skeleton['frames'];
    const points = pointsOf({ root, frames: sofar, missedBy: 0, toes, blades });
    const wish = add(typeof arm.hand === 'string' ? points[arm.hand] : arm.hand, arm.off ?? [0, 0, 0]);
    const placed = armByHand(points[`shoulder${k}`], wish, spine.thorax, arm);
    const [upper, fore, hand] = placed.frames;
    Object.assign(frames, { [`upperArm${k}`]: upper, [`forearm${k}`]: fore, [`hand${k}`]: hand });
    missedBy = Math.max(missedBy, placed.missedBy);
  }
  return { root, frames: frames as Skeleton['frames'], missedBy, toes, blades };
}

function handLast(p: Posture, side: Side): number {
  const arm = p[side === 'left' ? 'armLeft' : 'armRight'];
  if ('shoulder' in arm) return 0;
  return typeof arm.hand === 'string' && /^(hand|wrist|elbow)/.test(arm.hand) ? 2 : 1;
}

/** On the ball of the foot the toes stay level, 50° from the sole. */
const toesOf = (leg: Leg): number => leg.toes ?? ('foot' in leg && leg.onToes ? 50 : 0);

/** True for points that belong to parts with angles of their own. */
function carries(p: Posture, point: BodyPoint): boolean {
  const side: Side = point.endsWith('L') ? 'left' : 'right';
  if (/^(knee|ankle|heel|ball|toe)[LR]$/.test(point)) return 'hip' in p[side];
  if (/^(elbow|hand)[LR]$/.test(point)) return 'shoulder' in p[side === 'left' ? 'armLeft' : 'armRight'];
  return true;
}

/** Angles of a resolved skeleton that a body has limits for, degrees. */
export function jointAngles(s: Skeleton, side: Side) {
  const k = letterOf(side);
  const f = s.frames;
  const thigh = inFrame(f.pelvis, inWorld(f[`thigh${k}`], DOWN));
  const upper = inFrame(f.thorax, inWorld(f[`upperArm${k}`], DOWN));
  const deg = 180 / Math.PI;
  const foot = inFrame(f[`shank${k}`], inWorld(f[`foot${k}`], [1, 0, 0]));
  return {
    hipFlexion: Math.atan2(thigh[0], -thigh[1]) * deg,
    hipAbduction: Math.asin(Math.max(-1, Math.min(1, thigh[2] * sign(side)))) * deg,
    knee: angleBetween(inWorld(f[`thigh${k}`], DOWN), inWorld(f[`shank${k}`], DOWN)),
    ankle: Math.atan2(foot[1], Math.hypot(foot[0], foot[2])) * deg,
    /** Angle of the upper arm from hanging. */
    armRaise: angleBetween(upper, DOWN),
    /** How far the arm goes back behind the body's plane. */
    armBack: Math.asin(Math.max(-1, Math.min(1, -upper[0]))) * deg,
    elbow: angleBetween(inWorld(f[`upperArm${k}`], DOWN), inWorld(f[`forearm${k}`], DOWN)),
  };
}

/** Length of a segment between two points. */
export const distance = (a: PointInSpace, b: PointInSpace): number => length(minus(a, b));
