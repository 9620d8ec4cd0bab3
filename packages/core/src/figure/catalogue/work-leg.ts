import type { Figure } from '../figure.js';
import type { Arm, Leg } from '../posture.js';
import { CROOK, FLOOR_SEAT, onFoot, posed, reach, SITTING, STANDING, STOOL } from './poses.js';

const onWall = (forward: number, up: number): { armLeft: Arm; armRight: Arm } => ({
  armLeft: reach([forward, up, -0.12], { points: [0.25, 1, 0] }),
  armRight: reach([forward, up, 0.12], { points: [0.25, 1, 0] }),
});
const onBall = (forward: number, right: number): Leg => onFoot(forward, right, { onToes: true });
const heelUpLying = (forward: number, right: number): Leg => ({
  foot: [forward, 0.014, right],
  knee: [0.2, 1, 0],
  ankle: 2,
});
const FREE: Leg = { hip: [-4, 3], knee: 50, ankle: -20 };
const STEP = { kind: 'box', at: [0.2, 0, 0], size: [0.28, 0.1, 0.5] } as const;

/** Figures of leg exercises that work: activations and slow lowerings. */
export const LEG_WORK_FIGURES: Readonly<Record<string, Figure>> = {
  'short-foot-lift': {
    view: 'side',
    end: SITTING,
    things: [STOOL],
    arrows: [{ at: 'toeR', off: [0.03, 0.03, 0], by: [-0.09, 0, 0] }],
    ground: ['heelR', 'ballR'],
  },
  'towel-roll-heel-lowering': {
    view: 'side',
    end: posed(STANDING, {
      height: 0.53,
      left: { hip: [16, 3], knee: 58, ankle: -10 },
      right: onFoot(-0.01, 0.08, { toes: 40 }),
      ...onWall(0.28, 0.8),
    }),
    start: posed(STANDING, {
      height: 0.567,
      left: onBall(0.06, -0.08),
      right: { ...onBall(0.06, 0.08), toes: 70 },
      ...onWall(0.28, 0.8),
    }),
    things: [
      { kind: 'wall', forward: 0.3 },
      { kind: 'round', at: [0.105, 0.013, 0], radius: 0.014, half: 0.14 },
    ],
    arrows: [{ at: 'heelR', off: [-0.04, 0.08, 0], by: [0, -0.09, 0] }],
    ground: ['heelR'],
  },
  'heel-raises-holding': {
    view: 'side',
    end: posed(STANDING, { height: 0.568, left: onBall(0.07, -0.08), right: onBall(0.07, 0.08), ...onWall(0.3, 0.84) }),
    start: posed(STANDING, { height: 0.528, left: onFoot(0, -0.08), right: onFoot(0, 0.08), ...onWall(0.3, 0.8) }),
    things: [{ kind: 'wall', forward: 0.32 }],
    arrows: [{ at: 'heelR', off: [-0.05, -0.05, 0], by: [0, 0.11, 0] }],
    ground: ['ballR', 'ballL'],
  },
  'chair-heel-raises': {
    view: 'side',
    end: posed(SITTING, { left: onBall(0.31, -0.1), right: onBall(0.31, 0.1) }),
    start: SITTING,
    things: [STOOL],
    arrows: [{ at: 'heelR', off: [-0.04, -0.04, 0], by: [0, 0.1, 0] }],
    ground: ['ballR', 'ballL'],
  },
  'bent-knee-heel-lowering': {
    view: 'side',
    end: posed(STANDING, {
      height: 0.555,
      left: FREE,
      right: { foot: [0, 0.075, 0.09], ankle: 40 },
      armRight: reach([0.3, 0.82, 0.16]),
    }),
    start: posed(STANDING, {
      height: 0.625,
      forward: 0.03,
      left: FREE,
      right: { foot: [0.045, 0.137, 0.09], ankle: -10, toes: 35 },
      armRight: reach([0.3, 0.86, 0.16]),
    }),
    things: [STEP, { kind: 'wall', forward: 0.33 }],
    arrows: [{ at: 'heelR', off: [-0.05, 0.05, 0], by: [0, -0.1, 0] }],
  },
  'band-toe-lowering': {
    view: 'side',
    end: posed(SITTING, { right: { foot: [0.38, 0.008, 0.1], ankle: -34 } }),
    start: posed(SITTING, { right: { foot: [0.38, 0.0, 0.1], ankle: 6 } }),
    things: [
      STOOL,
      { kind: 'table', at: [0.92, 0.43, 0.1], length: 0.4 },
      { kind: 'strap', through: ['ballR', [0.75, 0.05, 0.1]] },
    ],
    arrows: [{ at: 'toeR', off: [0.02, 0.07, 0], by: [0.06, -0.06, 0] }],
  },
  'heel-dig-bridge': {
    view: 'side',
    end: posed(CROOK, {
      pelvis: [-104],
      height: 0.125,
      neck: [14],
      left: heelUpLying(0.33, -0.1),
      right: heelUpLying(0.33, 0.1),
      armLeft: reach([0.04, 0.02, -0.2], { elbow: [0, 0, -1] }),
      armRight: reach([0.04, 0.02, 0.2], { elbow: [0, 0, 1] }),
    }),
    start: posed(CROOK, {
      height: FLOOR_SEAT,
      left: heelUpLying(0.33, -0.1),
      right: heelUpLying(0.33, 0.1),
      armLeft: reach([0.04, 0.02, -0.2], { elbow: [0, 0, -1] }),
      armRight: reach([0.04, 0.02, 0.2], { elbow: [0, 0, 1] }),
    }),
    arrows: [{ at: 'pelvis', off: [-0.02, 0.08, 0], by: [0, 0.1, 0] }],
  },
  'sliding-heel-lowering': {
    view: 'side',
    end: posed(CROOK, {
      pelvis: [-98],
      height: 0.1,
      neck: [8],
      left: heelUpLying(0.45, -0.1),
      right: heelUpLying(0.45, 0.1),
      armLeft: reach([0.04, 0.02, -0.2], { elbow: [0, 0, -1] }),
      armRight: reach([0.04, 0.02, 0.2], { elbow: [0, 0, 1] }),
    }),
    start: posed(CROOK, {
      pelvis: [-110],
      height: 0.16,
      neck: [20],
      left: heelUpLying(0.26, -0.1),
      right: heelUpLying(0.26, 0.1),
      armLeft: reach([0.04, 0.02, -0.2], { elbow: [0, 0, -1] }),
      armRight: reach([0.04, 0.02, 0.2], { elbow: [0, 0, 1] }),
    }),
    things: [{ kind: 'box', at: [0.46, -0.006, 0], size: [0.13, 0.008, 0.3], soft: true }],
    arrows: [{ at: 'heelR', off: [0.02, 0.12, 0], by: [0.12, 0, 0] }],
  },
  'straight-leg-lift': {
    view: 'side',
    end: posed(CROOK, { right: { hip: [34, 2], knee: 0, ankle: 0 } }),
    start: posed(CROOK, { right: { hip: [0, 2], knee: 0, ankle: 0 } }),
    arrows: [{ at: 'heelR', off: [0.08, -0.06, 0], by: [-0.02, 0.12, 0] }],
  },
  'split-lowering-holding': {
    view: 'side',
    end: posed(STANDING, {
      height: 0.33,
      left: onFoot(0.22, -0.08),
      right: onFoot(-0.2, 0.08, { onToes: true }),
      armLeft: reach([0.32, 0.5, -0.14]),
      armRight: reach('hipR', { off: [0.03, 0.07, 0.05], elbow: [-1, -0.2, 0.4] }),
    }),
    start: posed(STANDING, {
      height: 0.47,
      left: onFoot(0.22, -0.08),
      right: onFoot(-0.2, 0.08, { onToes: true }),
      armLeft: reach([0.32, 0.52, -0.14]),
      armRight: reach('hipR', { off: [0.03, 0.07, 0.05], elbow: [-1, -0.2, 0.4] }),
    }),
    things: [{ kind: 'chair', at: [0.45, 0.24, -0.16], back: true }],
    arrows: [{ at: 'kneeR', off: [0.07, 0.1, 0], by: [0, -0.11, 0] }],
    ground: ['ballR', 'heelL'],
  },
};
