import type { Figure } from '../figure.js';
import type { Arm } from '../posture.js';
import {
  CROOK,
  SUPINE,
  HALF_KNEELING,
  HEEL_SIT,
  KNEELING,
  LONG_SITTING,
  onFoot,
  posed,
  PRONE,
  reach,
  SITTING,
  STANDING,
  STOOL,
} from './poses.js';

const HOLD_STRAP: { armLeft: Arm; armRight: Arm } = {
  armLeft: reach([-0.1, 0.3, -0.05], { elbow: [0.2, -1, -0.8] }),
  armRight: reach([-0.1, 0.3, 0.05], { elbow: [0.2, -1, 0.8] }),
};
const BEHIND_THIGH: { armLeft: Arm; armRight: Arm } = {
  armLeft: reach('kneeR', { off: [0.04, -0.12, -0.05], elbow: [0, -1, -0.5] }),
  armRight: reach('kneeR', { off: [0.04, -0.12, 0.03], elbow: [0, -1, 0.5] }),
};

/** Figures of the thigh. */
export const THIGH_FIGURES: Readonly<Record<string, Figure>> = {
  'supine-strap-hamstring': {
    view: 'side',
    end: posed(CROOK, { right: { hip: [84, 0], knee: 4, ankle: 4 }, ...HOLD_STRAP }),
    start: posed(CROOK, { right: { hip: [84, 0], knee: 60, ankle: 4 }, ...HOLD_STRAP }),
    things: [{ kind: 'strap', through: ['handR', 'ballR'] }],
    arrows: [{ at: 'heelR', off: [0.1, 0.02, 0], by: [-0.03, 0.1, 0] }],
  },
  'supine-hands-hamstring': {
    view: 'side',
    end: posed(CROOK, { right: { hip: [92, 0], knee: 22, ankle: 0 }, ...BEHIND_THIGH }),
    start: posed(CROOK, { right: { hip: [92, 0], knee: 90, ankle: 0 }, ...BEHIND_THIGH }),
    arrows: [{ at: 'ankleR', off: [0.08, 0, 0], by: [-0.02, 0.1, 0] }],
  },
  'chair-hamstring-hinge': {
    view: 'side',
    end: posed(SITTING, {
      pelvis: [28],
      spine: [4],
      left: onFoot(0.2, -0.1),
      right: { foot: [0.428, 0.004, 0.1], ankle: 4 },
      armLeft: reach('kneeL', { off: [-0.1, 0.05, 0] }),
      armRight: reach('kneeL', { off: [-0.1, 0.05, 0.06] }),
    }),
    start: posed(SITTING, {
      pelvis: [4],
      left: onFoot(0.2, -0.1),
      right: { foot: [0.428, 0.004, 0.1], ankle: 4 },
      armLeft: reach('kneeL', { off: [-0.1, 0.05, 0] }),
      armRight: reach('kneeL', { off: [-0.1, 0.05, 0.06] }),
    }),
    things: [STOOL],
    arrows: [{ at: 'neck', off: [0.17, 0.13, 0], by: [0.09, -0.07, 0] }],
    ground: ['heelR'],
  },
  'heel-on-chair-hamstring': {
    view: 'side',
    end: posed(STANDING, {
      pelvis: [24],
      height: 0.528,
      left: onFoot(0, -0.08),
      right: { foot: [0.41, 0.262, 0.09], ankle: 4 },
      armLeft: reach('kneeR', { off: [-0.11, 0.06, -0.06] }),
      armRight: reach('kneeR', { off: [-0.11, 0.05, 0] }),
    }),
    things: [{ kind: 'chair', at: [0.48, 0.252, 0.05] }],
    arrows: [{ at: 'neck', off: [0.17, 0.13, 0], by: [0.09, -0.07, 0] }],
    ground: ['heelL', 'toeL'],
  },
  'long-sitting-fold': {
    view: 'side',
    end: posed(LONG_SITTING, {
      pelvis: [34],
      spine: [38],
      neck: [12],
      left: { hip: [124, 3], knee: 0, ankle: 0 },
      right: { hip: [124, 3], knee: 0, ankle: 0 },
      armLeft: reach('ankleL', { off: [0, 0.05, -0.02] }),
      armRight: reach('ankleR', { off: [0, 0.05, 0.02] }),
    }),
    arrows: [{ at: 'neck', off: [0.0, 0.19, 0], by: [0.13, -0.03, 0] }],
  },
  'strap-push-relax-hamstring': {
    view: 'side',
    end: posed(CROOK, { right: { hip: [92, 0], knee: 4, ankle: 4 }, ...HOLD_STRAP }),
    start: posed(CROOK, { right: { hip: [70, 0], knee: 6, ankle: 4 }, ...HOLD_STRAP }),
    things: [{ kind: 'strap', through: ['handR', 'ballR'] }],
    arrows: [{ at: 'heelR', off: [0.07, 0, 0], by: [0.11, -0.05, 0] }],
  },
  'weighted-hinge': {
    view: 'side',
    end: posed(STANDING, {
      pelvis: [68],
      neck: [-14],
      height: 0.49,
      forward: -0.1,
      left: onFoot(0, -0.08),
      right: onFoot(0, 0.08),
      armLeft: reach([0.165, 0.216, -0.12]),
      armRight: reach([0.165, 0.216, 0.12]),
    }),
    start: posed(STANDING, { armLeft: reach([0.07, 0.46, -0.11]), armRight: reach([0.07, 0.46, 0.11]) }),
    things: [{ kind: 'weight', at: 'handR' }],
    arrows: [{ at: 'pelvis', off: [-0.08, 0.02, 0], by: [-0.12, 0, 0] }],
    ground: ['heelR', 'heelL'],
  },
  'leg-swing': {
    view: 'side',
    end: posed(STANDING, { right: { hip: [52, 0], knee: 8, ankle: 0 }, armRight: { shoulder: [-25, 10], elbow: 20 } }),
    start: posed(STANDING, {
      right: { hip: [-24, 0], knee: 16, ankle: -10 },
      armRight: { shoulder: [30, 10], elbow: 20 },
    }),
    things: [{ kind: 'wall', right: -0.3 }],
    arrows: [{ at: 'ankleR', off: [0.06, -0.1, 0], by: [0.05, 0.1, 0] }],
    ground: ['heelL', 'toeL'],
  },
  'sciatic-glide': {
    view: 'side',
    end: posed(CROOK, { right: { hip: [90, 0], knee: 45, ankle: -40 }, ...BEHIND_THIGH }),
    start: posed(CROOK, { right: { hip: [90, 0], knee: 95, ankle: 15 }, ...BEHIND_THIGH }),
    arrows: [{ at: 'ankleR', off: [0.1, -0.02, 0], by: [-0.02, 0.1, 0] }],
  },
  'hamstring-roll': {
    view: 'side',
    end: posed(LONG_SITTING, {
      height: 0.14,
      pelvis: [-38],
      left: onFoot(0.3, -0.12, { knee: [0.2, 1, 0] }),
      right: { hip: [53, 3], knee: 2, ankle: 0 },
      armLeft: reach([-0.32, 0.02, -0.15], { points: [-1, -0.1, 0] }),
      armRight: reach([-0.32, 0.02, 0.15], { points: [-1, -0.1, 0] }),
    }),
    things: [{ kind: 'round', at: [0.14, 0.052, 0.05], radius: 0.05, half: 0.2 }],
    arrows: [{ at: [0.08, 0.24, 0.1], by: [0.13, -0.01, 0] }],
  },
  'side-lying-quadriceps': {
    // From above, lying on the left side: the bent knee and the heel at the buttock are seen in profile.
    view: 'top',
    end: posed(SUPINE, {
      pelvis: [-90, 0, -90],
      height: 0.185,
      neck: [0, -8],
      left: { hip: [70, 0], knee: 84, ankle: -15 },
      right: { hip: [-10, 4], knee: 128, ankle: -30 },
      armLeft: { shoulder: [150, 0], elbow: 20 },
      armRight: reach('ankleR'),
    }),
    arrows: [{ at: 'kneeR', off: [0.08, 0, -0.08], by: [0, 0, 0.12] }],
  },
  'prone-quadriceps': {
    view: 'side',
    end: posed(PRONE, {
      right: { hip: [0, 2], knee: 138, ankle: -40 },
      armRight: reach('ankleR', { elbow: [0, 1, 0.6] }),
      armLeft: reach([0.43, 0.03, 0.02], { elbow: [0.3, 0, -1] }),
    }),
    arrows: [{ at: 'ankleR', off: [0.02, 0.1, 0], by: [0.09, -0.04, 0] }],
  },
  'standing-quadriceps': {
    view: 'side',
    end: posed(STANDING, {
      spine: [-4],
      right: { hip: [2, 0], knee: 140, ankle: -40 },
      armRight: reach('ankleR', { elbow: [-1, 0.1, 0.3] }),
      armLeft: reach([0.325, 0.76, -0.12], { points: [0.25, 1, 0] }),
    }),
    things: [{ kind: 'wall', forward: 0.345 }],
    ground: ['heelL', 'toeL'],
  },
  'heel-sit-lean-back': {
    view: 'side',
    end: posed(HEEL_SIT, {
      pelvis: [-30],
      spine: [-14],
      left: { hip: [38, 4], knee: 158, ankle: -64 },
      right: { hip: [38, 4], knee: 158, ankle: -64 },
      armLeft: reach([-0.33, 0.02, -0.15], { points: [-1, -0.1, 0] }),
      armRight: reach([-0.33, 0.02, 0.15], { points: [-1, -0.1, 0] }),
    }),
    arrows: [{ at: 'hipR', off: [0.02, 0.09, 0], by: [0.03, 0.11, 0] }],
  },
  'sofa-quadriceps': {
    view: 'side',
    end: posed(HALF_KNEELING, {
      height: 0.281,
      right: { hip: [-13, 3], knee: 128, ankle: -40 },
      left: onFoot(0.27, -0.09),
      armLeft: reach('kneeL', { off: [-0.03, 0.05, 0] }),
      armRight: reach('kneeL', { off: [-0.06, 0.05, 0.04] }),
    }),
    things: [
      { kind: 'box', at: [-0.39, 0, 0], size: [0.36, 0.205, 0.5], soft: true },
      { kind: 'box', at: [-0.53, 0, 0], size: [0.08, 0.42, 0.5], soft: true },
    ],
    arrows: [{ at: 'shoulderR', off: [-0.07, -0.05, 0], by: [-0.1, 0.02, 0] }],
    ground: ['kneeR'],
  },
  'kneeling-lean-back': {
    view: 'side',
    end: posed(KNEELING, {
      pelvis: [-26],
      left: { hip: [0, 4], knee: 116, ankle: -64 },
      right: { hip: [0, 4], knee: 116, ankle: -64 },
    }),
    start: KNEELING,
    things: [{ kind: 'box', at: [0.05, -0.03, 0], size: [0.2, 0.03, 0.3], soft: true }],
    arrows: [{ at: 'head', off: [-0.08, 0.02, 0], by: [-0.11, -0.04, 0] }],
    ground: ['kneeR', 'kneeL'],
  },
  'quadriceps-roll': {
    view: 'side',
    end: posed(PRONE, {
      pelvis: [84],
      height: 0.155,
      left: { hip: [4, 8], knee: 8, ankle: -30 },
      right: { hip: [3, 2], knee: 4, ankle: -50 },
      armLeft: reach([0.42, 0.02, -0.13], { elbow: [-0.3, -1, 0] }),
      armRight: reach([0.42, 0.02, 0.13], { elbow: [-0.3, -1, 0] }),
    }),
    things: [{ kind: 'round', at: [-0.13, 0.05, 0.06], radius: 0.05, half: 0.2 }],
    arrows: [{ at: [-0.2, 0.25, 0.1], by: [0.13, 0, 0] }],
  },
};
