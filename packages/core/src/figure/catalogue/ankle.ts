import type { Figure } from '../figure.js';
import {
  ALL_FOURS,
  CROOK,
  FLOOR_SEAT,
  HALF_KNEELING,
  HEEL_SIT,
  kneeLeg,
  LONG_SITTING,
  onFoot,
  posed,
  reach,
  SITTING,
  STANDING,
  STOOL,
} from './poses.js';
import type { Arm } from '../posture.js';

const onWall = (forward: number, up: number): { armLeft: Arm; armRight: Arm } => ({
  armLeft: reach([forward, up, -0.12], { points: [0.25, 1, 0] }),
  armRight: reach([forward, up, 0.12], { points: [0.25, 1, 0] }),
});
const HOLD_STRAP: { armLeft: Arm; armRight: Arm } = {
  armLeft: reach([-0.02, 0.24, -0.05], { elbow: [0.2, -1, -0.8] }),
  armRight: reach([-0.02, 0.24, 0.05], { elbow: [0.2, -1, 0.8] }),
};
const CROSSED = { foot: [0.2, 0.29, -0.11], knee: [0.3, 0.15, 1], ankle: 0 } as const;

/** Figures of foot, ankle and lower leg. */
export const ANKLE_FIGURES: Readonly<Record<string, Figure>> = {
  'bent-knee-wall-calf': {
    view: 'side',
    end: posed(STANDING, {
      height: 0.43,
      pelvis: [6],
      left: onFoot(0.15, -0.08),
      right: onFoot(-0.05, 0.08),
      ...onWall(0.34, 0.68),
    }),
    things: [{ kind: 'wall', forward: 0.36 }],
    arrows: [{ at: 'kneeR', off: [0.03, 0.1, 0], by: [0.1, -0.07, 0] }],
    ground: ['heelR', 'toeR', 'heelL'],
  },
  'straight-knee-wall-calf': {
    view: 'side',
    end: posed(STANDING, {
      pelvis: [14],
      height: 0.492,
      left: onFoot(0.2, -0.08),
      right: onFoot(-0.21, 0.08),
      ...onWall(0.42, 0.78),
    }),
    things: [{ kind: 'wall', forward: 0.44 }],
    ground: ['heelR', 'toeR', 'heelL'],
  },
  'seated-strap-calf': {
    view: 'side',
    end: posed(LONG_SITTING, {
      height: FLOOR_SEAT,
      left: onFoot(0.24, -0.14, { knee: [0.1, 1, -0.5] }),
      right: { hip: [90, 3], knee: 0, ankle: 14 },
      armLeft: reach([0.24, 0.25, -0.02]),
      armRight: reach([0.24, 0.25, 0.05]),
    }),
    things: [{ kind: 'strap', through: ['handR', 'ballR'] }],
    arrows: [{ at: 'toeR', off: [-0.02, 0.04, 0], by: [-0.11, 0.02, 0] }],
  },
  'lying-strap-calf': {
    view: 'side',
    end: posed(CROOK, { right: { hip: [38, 0], knee: 3, ankle: 18 }, ...HOLD_STRAP }),
    things: [{ kind: 'strap', through: ['handR', 'ballR'] }],
    arrows: [{ at: 'toeR', off: [0.04, 0.05, 0], by: [-0.1, 0.03, 0] }],
  },
  'upturned-v-calf': {
    view: 'side',
    end: posed(ALL_FOURS, {
      pelvis: [128],
      height: 0.458,
      neck: [6],
      left: onFoot(-0.14, -0.09, { onToes: true }),
      right: onFoot(-0.25, 0.09),
      armLeft: reach([0.525, 0.02, -0.12], { points: [1, -0.3, 0] }),
      armRight: reach([0.525, 0.02, 0.12], { points: [1, -0.3, 0] }),
    }),
    ground: ['heelR', 'handR', 'handL'],
  },
  'step-heel-drop': {
    view: 'side',
    end: posed(STANDING, {
      height: 0.6,
      left: { hip: [-4, 3], knee: 50, ankle: -20 },
      right: { foot: [0, 0.071, 0.09], ankle: 22 },
      armRight: reach([0.3, 0.86, 0.16]),
    }),
    start: posed(STANDING, {
      height: 0.667,
      forward: 0.045,
      left: { hip: [-4, 3], knee: 50, ankle: -20 },
      right: { foot: [0.045, 0.137, 0.09], ankle: -35, toes: 35 },
      armRight: reach([0.3, 0.86, 0.16]),
    }),
    things: [
      { kind: 'box', at: [0.2, 0, 0], size: [0.28, 0.1, 0.5] },
      { kind: 'wall', forward: 0.33 },
    ],
    arrows: [{ at: 'heelR', off: [-0.05, 0.05, 0], by: [0, -0.1, 0] }],
  },
  'half-kneeling-ankle-rock': {
    view: 'side',
    end: posed(HALF_KNEELING, {
      height: 0.275,
      pelvis: [4],
      forward: 0.08,
      left: kneeLeg(-16, 2),
      right: onFoot(0.22, 0.09),
      armLeft: reach('kneeR', { off: [-0.03, 0.04, -0.04] }),
      armRight: reach('kneeR', { off: [-0.03, 0.05, 0] }),
    }),
    start: posed(HALF_KNEELING, {
      left: kneeLeg(0, 2),
      right: onFoot(0.22, 0.09),
      armLeft: reach('kneeR', { off: [-0.03, 0.04, -0.04] }),
      armRight: reach('kneeR', { off: [-0.03, 0.05, 0] }),
    }),
    arrows: [{ at: 'kneeR', off: [0.05, 0.03, 0], by: [0.12, -0.01, 0] }],
    ground: ['heelR', 'toeR'],
  },
  'deep-squat-hold': {
    view: 'side',
    end: posed(STANDING, {
      height: 0.15,
      pelvis: [22],
      spine: [22],
      neck: [-22],
      left: onFoot(0.11, -0.14, { turnOut: 18, knee: [1, 0.2, -0.45] }),
      right: onFoot(0.11, 0.14, { turnOut: 18, knee: [1, 0.2, 0.45] }),
      armLeft: reach([0.36, 0.33, -0.02], { elbow: [0, -1, -0.4] }),
      armRight: reach([0.36, 0.33, 0.02], { elbow: [0, -1, 0.4] }),
    }),
    ground: ['heelR', 'heelL', 'toeR', 'toeL'],
  },
  'seated-knee-over-toes': {
    view: 'side',
    end: posed(SITTING, {
      pelvis: [20],
      spine: [8],
      left: onFoot(0.3, -0.1),
      right: onFoot(0.13, 0.1),
      armLeft: reach('kneeR', { off: [-0.04, 0.05, -0.03] }),
      armRight: reach('kneeR', { off: [-0.03, 0.05, 0.01] }),
    }),
    things: [STOOL],
    arrows: [{ at: 'kneeR', off: [0.05, 0.04, 0], by: [0.08, -0.07, 0] }],
    ground: ['heelR', 'toeR'],
  },
  'toes-up-wall': {
    view: 'side',
    end: posed(STANDING, {
      height: 0.49,
      left: onFoot(-0.06, -0.08),
      right: onFoot(0.14, 0.09, { toes: 62 }),
      ...onWall(0.22, 0.82),
    }),
    things: [{ kind: 'wall', forward: 0.24 }],
    arrows: [{ at: 'kneeR', off: [0.04, 0.05, 0], by: [0.09, -0.02, 0] }],
    ground: ['heelR', 'ballR'],
  },
  'seated-toe-pull': {
    view: 'quarter',
    end: posed(SITTING, {
      pelvis: [6],
      spine: [12],
      right: { ...CROSSED, toes: 50 },
      armLeft: reach('ballR', { off: [0.01, 0.01, -0.02] }),
      armRight: reach('ankleR', { off: [0.02, 0.03, 0.03] }),
    }),
    things: [STOOL],
  },
  'toe-tuck-kneel': {
    view: 'side',
    end: posed(HEEL_SIT, {
      left: { hip: [55, 5], knee: 155, ankle: 33, toes: 60 },
      right: { hip: [55, 5], knee: 155, ankle: 33, toes: 60 },
    }),
    ground: ['kneeR', 'ballR'],
    arrows: [{ at: 'pelvis', off: [-0.12, 0.08, 0], by: [0, -0.11, 0] }],
  },
  'ball-foot-roll': {
    view: 'side',
    end: posed(SITTING, { right: { foot: [0.25, 0.055, 0.1] } }),
    start: posed(SITTING, { right: { foot: [0.19, 0.055, 0.1] } }),
    things: [STOOL, { kind: 'round', at: [0.25, 0.028, 0.1], radius: 0.028, half: 0.028 }],
    arrows: [{ at: 'toeR', off: [0.03, 0, 0], by: [0.09, 0, 0] }],
  },
  'calf-roll': {
    view: 'side',
    end: posed(LONG_SITTING, {
      height: 0.1,
      pelvis: [-28],
      left: onFoot(0.24, -0.12, { knee: [0.2, 1, 0] }),
      right: { hip: [66, 3], knee: 0, ankle: 0 },
      armLeft: reach([-0.3, 0.02, -0.15], { points: [-1, -0.1, 0] }),
      armRight: reach([-0.3, 0.02, 0.15], { points: [-1, -0.1, 0] }),
    }),
    things: [{ kind: 'round', at: [0.36, 0.052, 0.05], radius: 0.05, half: 0.2 }],
    arrows: [{ at: [0.3, -0.02, 0.1], off: [0, 0.2, 0], by: [0.13, 0.02, 0] }],
  },
  'heel-sit-shin': {
    view: 'side',
    end: HEEL_SIT,
    arrows: [{ at: 'pelvis', off: [-0.12, 0.08, 0], by: [0, -0.11, 0] }],
  },
  'seated-shin-pull': {
    view: 'quarter',
    end: posed(SITTING, {
      pelvis: [6],
      spine: [12],
      right: { ...CROSSED, ankle: -55 },
      armLeft: reach('ballR', { off: [0, 0.02, 0] }),
      armRight: reach('ankleR', { off: [0, 0.03, 0.04] }),
    }),
    things: [STOOL],
  },
  'standing-shin': {
    view: 'side',
    end: posed(STANDING, {
      height: 0.49,
      left: onFoot(0.12, -0.08),
      right: { foot: [-0.19, 0.06, 0.08], ankle: -66, knee: [1, 0.2, 0] },
      ...onWall(0.34, 0.8),
    }),
    things: [{ kind: 'wall', forward: 0.36 }],
    arrows: [{ at: 'ankleR', off: [0.04, 0.03, 0], by: [0.06, -0.07, 0] }],
  },
  'toe-raises-wall': {
    view: 'side',
    end: posed(STANDING, {
      height: 0.505,
      left: { foot: [0.16, 0, -0.08], ankle: 26 },
      right: { foot: [0.16, 0, 0.08], ankle: 26 },
    }),
    start: posed(STANDING, { height: 0.505, left: onFoot(0.16, -0.08), right: onFoot(0.16, 0.08) }),
    things: [{ kind: 'wall', forward: -0.11 }],
    arrows: [{ at: 'toeR', off: [0.03, -0.03, 0], by: [0, 0.1, 0] }],
  },
};
