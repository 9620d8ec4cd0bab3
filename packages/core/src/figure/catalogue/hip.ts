import type { Figure } from '../figure.js';
import type { Posture } from '../posture.js';
import {
  ALL_FOURS,
  BENT_SITTING,
  CROOK,
  FLOOR_SEAT,
  HALF_KNEELING,
  kneeLeg,
  LONG_SITTING,
  onFoot,
  PRONE,
  ON_LEFT_SIDE,
  posed,
  reach,
  SITTING,
  STANDING,
  STOOL,
  SUPINE,
} from './poses.js';

const CUSHION_UNDER_KNEE = { kind: 'box', at: [-0.1, -0.028, 0.09], size: [0.18, 0.028, 0.16], soft: true } as const;
const STRADDLE: Posture = posed(LONG_SITTING, {
  pelvis: [16],
  left: { hip: [106, 46], knee: 0, ankle: 0 },
  right: { hip: [106, 46], knee: 0, ankle: 0 },
  armLeft: reach([0.3, 0.02, -0.08]),
  armRight: reach([0.3, 0.02, 0.08]),
});

/** Figures of hip and seat. */
export const HIP_FIGURES: Readonly<Record<string, Figure>> = {
  'half-kneeling-hip-flexor': {
    view: 'side',
    end: posed(HALF_KNEELING, { height: 0.266, right: kneeLeg(-24), left: onFoot(0.3, -0.09) }),
    start: posed(HALF_KNEELING, { right: kneeLeg(0), left: onFoot(0.26, -0.09) }),
    things: [CUSHION_UNDER_KNEE],
    arrows: [{ at: 'hipR', off: [0.09, 0.03, 0], by: [0.12, -0.01, 0] }],
    ground: ['kneeR', 'heelL', 'toeL'],
  },
  'split-stance-hip-flexor': {
    view: 'side',
    end: posed(STANDING, {
      height: 0.47,
      left: onFoot(0.17, -0.08),
      right: onFoot(-0.18, 0.08, { onToes: true }),
      armLeft: reach([0.3, 0.52, -0.12]),
      armRight: reach('hipR', { off: [0.02, 0.08, 0.05], elbow: [-1, -0.2, 0.4] }),
    }),
    things: [{ kind: 'chair', at: [0.41, 0.24, -0.12], back: true }],
    arrows: [{ at: 'hipR', off: [0.08, 0.0, 0], by: [0.11, -0.01, 0] }],
    ground: ['ballR', 'heelL'],
  },
  'edge-hip-flexor': {
    view: 'side',
    end: posed(SUPINE, {
      height: 0.372,
      left: { hip: [118, 4], knee: 132, ankle: -10 },
      right: { hip: [-18, 3], knee: 62, ankle: -10 },
      armLeft: reach('kneeL', { off: [0.03, 0.05, 0], elbow: [0, 0, -1] }),
      armRight: reach('kneeL', { off: [0.02, 0.05, 0.04], elbow: [0, 0, 1] }),
    }),
    things: [{ kind: 'box', at: [-0.24, 0, 0], size: [0.56, 0.31, 0.4] }],
    arrows: [{ at: 'kneeR', off: [0.04, 0.06, 0], by: [0.01, -0.11, 0] }],
  },
  'lunge-overhead-bend': {
    view: 'quarter',
    end: posed(HALF_KNEELING, {
      height: 0.27,
      spine: [0, -26],
      right: kneeLeg(-20),
      left: onFoot(0.29, -0.1),
      armRight: { shoulder: [0, 172], elbow: 8 },
      armLeft: reach('kneeL', { off: [-0.03, 0.05, 0] }),
    }),
    arrows: [{ at: 'handR', off: [0, 0.06, 0], by: [0, 0.02, -0.13] }],
  },
  'march-on-the-spot': {
    view: 'side',
    end: posed(STANDING, {
      right: { hip: [78, 2], knee: 84, ankle: -5 },
      armLeft: { shoulder: [38, 6], elbow: 75 },
      armRight: { shoulder: [-30, 6], elbow: 70 },
    }),
    start: STANDING,
    arrows: [{ at: 'kneeR', off: [0.08, -0.1, 0], by: [0, 0.11, 0] }],
    ground: ['heelL', 'toeL'],
  },
  'bound-soles-sit': {
    view: 'front',
    end: posed(LONG_SITTING, {
      height: FLOOR_SEAT,
      pelvis: [16],
      left: { foot: [0.18, 0.012, -0.025], knee: [0.35, 0.16, -1], turnOut: 0 },
      right: { foot: [0.18, 0.012, 0.025], knee: [0.35, 0.16, 1], turnOut: 0 },
      armLeft: reach('ankleL', { off: [0.05, 0.03, 0] }),
      armRight: reach('ankleR', { off: [0.05, 0.03, 0] }),
    }),
    arrows: [
      { at: 'kneeR', off: [0, 0.11, 0], by: [0, -0.08, 0.01] },
      { at: 'kneeL', off: [0, 0.11, 0], by: [0, -0.08, -0.01] },
    ],
  },
  'wall-straddle': {
    view: 'back-high',
    end: posed(SUPINE, {
      left: { hip: [88, 36], knee: 2, ankle: 0 },
      right: { hip: [88, 36], knee: 2, ankle: 0 },
      armLeft: reach('hipL', { off: [-0.02, 0.17, -0.13], elbow: [-0.3, 0, -1] }),
      armRight: reach('hipR', { off: [-0.02, 0.17, 0.13], elbow: [-0.3, 0, 1] }),
    }),
    things: [{ kind: 'wall', forward: 0.07 }],
    arrows: [
      { at: 'ankleR', off: [0, 0.05, 0.06], by: [0, -0.05, 0.11] },
      { at: 'ankleL', off: [0, 0.05, -0.06], by: [0, -0.05, -0.11] },
    ],
  },
  'straddle-hinge': {
    view: 'front-high',
    end: posed(STRADDLE, {
      pelvis: [38],
      spine: [10],
      left: { hip: [128, 46], knee: 0, ankle: 0 },
      right: { hip: [128, 46], knee: 0, ankle: 0 },
      armLeft: reach([0.46, 0.02, -0.1]),
      armRight: reach([0.46, 0.02, 0.1]),
    }),
    start: posed(STRADDLE, {
      pelvis: [-4],
      left: { hip: [86, 46], knee: 0, ankle: 0 },
      right: { hip: [86, 46], knee: 0, ankle: 0 },
      armLeft: reach([0.16, 0.02, -0.1]),
      armRight: reach([0.16, 0.02, 0.1]),
    }),
    arrows: [{ at: 'handR', off: [0.02, 0.02, 0.1], by: [0.14, 0, 0] }],
  },
  frog: {
    view: 'top',
    end: posed(ALL_FOURS, {
      pelvis: [88],
      height: 0.17,
      left: { hip: [88, 62], knee: 90, ankle: -40 },
      right: { hip: [88, 62], knee: 90, ankle: -40 },
      armLeft: reach([0.46, 0.02, -0.12], { elbow: [0, -0.5, -1] }),
      armRight: reach([0.46, 0.02, 0.12], { elbow: [0, -0.5, 1] }),
    }),
    arrows: [{ at: 'pelvis', off: [-0.08, 0.1, 0], by: [-0.12, 0, 0] }],
  },
  'side-lunge': {
    view: 'front',
    end: posed(STANDING, {
      pelvis: [20],
      height: 0.34,
      left: { foot: [0, 0, -0.2], knee: [1, 0, -0.5], turnOut: 14 },
      right: { foot: [0, 0, 0.482], turnOut: 4 },
      armLeft: reach([0.3, 0.42, -0.06], { elbow: [0, -1, -0.6] }),
      armRight: reach([0.3, 0.42, 0.02], { elbow: [0, -1, 0.6] }),
    }),
    start: posed(STANDING, {
      height: 0.488,
      left: onFoot(0, -0.3),
      right: onFoot(0, 0.3),
      armLeft: reach([0.3, 0.6, -0.06], { elbow: [0, -1, -0.6] }),
      armRight: reach([0.3, 0.6, 0.02], { elbow: [0, -1, 0.6] }),
    }),
    arrows: [{ at: 'hipL', off: [0, -0.02, -0.1], by: [0, -0.09, -0.05] }],
    ground: ['heelR', 'heelL'],
  },
  'kneeling-adductor-rock': {
    view: 'top',
    end: posed(ALL_FOURS, { forward: -0.09, left: kneeLegBack(105), right: { foot: [0, 0, 0.503] } }),
    start: posed(ALL_FOURS, { right: { foot: [0, 0, 0.503] } }),
    arrows: [{ at: 'pelvis', off: [-0.08, 0.09, 0], by: [-0.13, 0, 0] }],
  },
  'straddle-press': {
    view: 'front-high',
    end: posed(STRADDLE, {
      pelvis: [4],
      left: { hip: [94, 42], knee: 0, ankle: 0 },
      right: { hip: [94, 42], knee: 0, ankle: 0 },
      armLeft: reach([-0.12, 0.02, -0.2]),
      armRight: reach([-0.12, 0.02, 0.2]),
    }),
    arrows: [
      { at: 'ankleR', off: [0.02, 0.2, 0.03], by: [0, -0.1, -0.04] },
      { at: 'ankleL', off: [0.02, 0.2, -0.03], by: [0, -0.1, 0.04] },
    ],
  },
  'knee-hug': {
    view: 'side',
    end: posed(SUPINE, {
      right: { hip: [122, 4], knee: 134, ankle: -10 },
      armLeft: reach('kneeR', { off: [0.04, 0.05, -0.05], elbow: [0.3, 0, -1] }),
      armRight: reach('kneeR', { off: [0.04, 0.05, 0.0], elbow: [0.3, 0, 1] }),
    }),
    arrows: [{ at: 'kneeR', off: [0.1, 0.06, 0], by: [-0.1, 0.01, 0] }],
  },
  'crossed-knee-pull': {
    view: 'top',
    end: posed(CROOK, {
      right: { hip: [92, -38], knee: 100, ankle: -10 },
      armLeft: reach('kneeR', { off: [0.0, 0.03, -0.02], elbow: [0, 0.2, -1] }),
      armRight: { shoulder: [0, 60], elbow: 8 },
    }),
    arrows: [{ at: 'kneeR', off: [-0.08, 0, -0.03], by: [-0.12, 0, -0.06] }],
  },
  'front-shin-fold': {
    view: 'side',
    end: posed(STANDING, {
      pelvis: [52],
      height: 0.1,
      spine: [2],
      neck: [-10],
      left: { hip: [-33, 2], knee: 4, ankle: -62 },
      right: { foot: [0.2, 0.01, -0.12], knee: [0.6, 0.1, 1], ankle: -20 },
      armLeft: reach([0.5, 0.02, -0.18], { points: [1, -0.2, 0] }),
      armRight: reach([0.5, 0.02, 0.12], { points: [1, -0.2, 0] }),
    }),
    arrows: [{ at: 'neck', off: [0.06, 0.2, 0], by: [0.12, -0.08, 0] }],
  },
  'seat-ball': {
    view: 'side',
    end: posed(BENT_SITTING, {
      height: 0.112,
      pelvis: [-34],
      right: { foot: [0.16, 0.25, -0.02], knee: [0.3, 0.6, 1], ankle: 0 },
      armLeft: reach([-0.3, 0.02, -0.15], { points: [-1, -0.1, 0] }),
      armRight: reach([-0.3, 0.02, 0.15], { points: [-1, -0.1, 0] }),
    }),
    things: [{ kind: 'round', at: [0, 0.032, 0.09], radius: 0.032, half: 0.032 }],
  },
  bridge: {
    view: 'side',
    end: posed(CROOK, {
      pelvis: [-116],
      height: 0.195,
      neck: [26],
      left: { foot: [0.19, 0, -0.1], knee: [0.4, 1, 0] },
      right: { foot: [0.19, 0, 0.1], knee: [0.4, 1, 0] },
      armLeft: reach([0.02, 0.02, -0.2], { elbow: [0, 0, -1] }),
      armRight: reach([0.02, 0.02, 0.2], { elbow: [0, 0, 1] }),
    }),
    start: posed(CROOK, {
      left: { foot: [0.19, 0, -0.1], knee: [0.4, 1, 0] },
      right: { foot: [0.19, 0, 0.1], knee: [0.4, 1, 0] },
      armLeft: reach([0.02, 0.02, -0.2], { elbow: [0, 0, -1] }),
      armRight: reach([0.02, 0.02, 0.2], { elbow: [0, 0, 1] }),
    }),
    arrows: [{ at: 'pelvis', off: [-0.02, 0.08, 0], by: [0, 0.11, 0] }],
    ground: ['heelR', 'heelL'],
  },
  'chair-figure-four': {
    view: 'front-high',
    end: posed(SITTING, {
      pelvis: [10],
      right: { foot: [0.21, 0.3, -0.15], knee: [0.4, 0.1, 1], ankle: 0 },
      armLeft: reach('ankleR', { off: [-0.02, 0.04, -0.03], elbow: [-0.5, 0, -1] }),
      armRight: reach('kneeR', { off: [-0.02, 0.05, 0.02], elbow: [-0.5, 0, 1] }),
    }),
    things: [STOOL],
    arrows: [{ at: 'kneeR', off: [0, 0.06, 0.09], by: [0, -0.11, 0.01] }],
    ground: ['heelL'],
  },
  'chair-knee-in': {
    view: 'front',
    end: posed(SITTING, {
      left: onFoot(0.245, -0.19),
      right: { foot: [0.245, 0, 0.19], knee: [1, 0, -0.75] },
    }),
    start: posed(SITTING, { left: onFoot(0.245, -0.19), right: onFoot(0.245, 0.19) }),
    things: [STOOL],
    arrows: [{ at: 'kneeR', off: [0, 0.08, 0.03], by: [0, -0.01, -0.11] }],
    ground: ['heelL'],
  },
  'lying-feet-apart': {
    view: 'quarter',
    end: posed(PRONE, {
      left: { hip: [0, 0, -36], knee: 90, ankle: 0 },
      right: { hip: [0, 0, -36], knee: 90, ankle: 0 },
    }),
    arrows: [
      { at: 'ankleR', off: [0, 0.02, 0.05], by: [0, -0.02, 0.13] },
      { at: 'ankleL', off: [0, 0.02, -0.05], by: [0, -0.02, -0.13] },
    ],
  },
  'lying-figure-four': {
    view: 'quarter-left',
    end: posed(CROOK, {
      left: { hip: [100, 4], knee: 92, ankle: 0 },
      right: { foot: [-0.02, 0.3, -0.15], knee: [-0.1, 0.3, 1], ankle: 0 },
      armLeft: reach('kneeL', { off: [0.04, -0.1, -0.05], elbow: [0, -0.2, -1] }),
      armRight: reach('kneeL', { off: [0.04, -0.1, 0.05], elbow: [0, -0.2, 1] }),
    }),
    arrows: [{ at: 'kneeL', off: [0.05, 0.1, -0.08], by: [-0.15, 0, 0] }],
  },
  'double-right-angle-sit': {
    view: 'front-high',
    end: posed(LONG_SITTING, {
      height: 0.075,
      pelvis: [18],
      right: { foot: [0.21, 0.01, -0.12], knee: [0.6, 0.05, 1], ankle: -10 },
      left: { foot: [-0.16, 0.005, -0.34], knee: [0.35, 0.05, -1], ankle: -30 },
      armLeft: reach([0.14, 0.02, -0.26]),
      armRight: reach([0.1, 0.02, 0.28]),
    }),
    arrows: [{ at: 'neck', off: [0.1, -0.02, 0], by: [0.16, -0.06, 0] }],
  },
  'knee-wipers': {
    view: 'top',
    end: posed(CROOK, {
      left: { foot: [0.26, 0, -0.14], knee: [0.1, 0.3, 1] },
      right: { foot: [0.26, 0, 0.14], knee: [0.1, 0.3, 1] },
      armLeft: { shoulder: [0, 70], elbow: 10 },
      armRight: { shoulder: [0, 70], elbow: 10 },
    }),
    start: posed(CROOK, {
      left: { foot: [0.26, 0, -0.14], knee: [0.1, 0.3, -1] },
      right: { foot: [0.26, 0, 0.14], knee: [0.1, 0.3, -1] },
      armLeft: { shoulder: [0, 70], elbow: 10 },
      armRight: { shoulder: [0, 70], elbow: 10 },
    }),
    arrows: [{ at: 'kneeR', off: [0, 0, 0.06], by: [0, 0, 0.12] }],
  },
  'standing-cross-lean': {
    view: 'front',
    end: posed(STANDING, {
      pelvis: [0, -6],
      height: 0.462,
      spine: [0, 14],
      left: onFoot(0.06, -0.08),
      right: onFoot(-0.08, -0.16),
      armRight: reach([0, 0.84, 0.36], { points: [0.1, 1, 0], elbow: [0, -1, 0] }),
      armLeft: reach('hipL', { off: [0.02, 0.07, -0.05], elbow: [0, 0, -1] }),
    }),
    things: [{ kind: 'wall', right: 0.38 }],
    arrows: [{ at: 'hipR', off: [0, 0, 0.07], by: [0, 0, 0.12] }],
  },
  'lying-leg-across': {
    view: 'top',
    end: posed(CROOK, {
      left: { foot: [0.34, 0, -0.1], knee: [0.1, 1, 0] },
      right: { hip: [62, -40], knee: 6, ankle: 0 },
      armLeft: reach('kneeR', { off: [-0.06, 0.02, 0], elbow: [-0.6, 0.2, -1] }),
      armRight: { shoulder: [0, 80], elbow: 6 },
    }),
    arrows: [{ at: 'ankleR', off: [0.04, 0, -0.05], by: [-0.03, 0, -0.14] }],
  },
  'side-lying-leg-drop': {
    view: 'front',
    end: posed(ON_LEFT_SIDE, {
      left: { hip: [45, 0], knee: 70, ankle: -15 },
      right: { hip: [-14, -16], knee: 0, ankle: 0 },
      armRight: reach([0.25, 0.03, -0.2]),
    }),
    start: posed(ON_LEFT_SIDE, {
      left: { hip: [45, 0], knee: 70, ankle: -15 },
      right: { hip: [-14, 12], knee: 0, ankle: 0 },
      armRight: reach([0.25, 0.03, -0.2]),
    }),
    arrows: [{ at: 'ankleR', off: [0, 0.13, 0], by: [0, -0.1, 0] }],
  },
  'side-lying-knee-opener': {
    view: 'front',
    end: posed(ON_LEFT_SIDE, {
      height: 0.19,
      left: { hip: [48, 0], knee: 85, ankle: 0 },
      right: { foot: [0.04, 0.116, 0.36], knee: [0.5, 1, -0.3], ankle: 0 },
      armRight: reach([0.25, 0.03, -0.2]),
    }),
    start: posed(ON_LEFT_SIDE, {
      height: 0.19,
      left: { hip: [48, 0], knee: 85, ankle: 0 },
      right: { hip: [48, 0], knee: 85, ankle: 0 },
      armRight: reach([0.25, 0.03, -0.2]),
    }),
    arrows: [{ at: 'kneeR', off: [0, 0.05, 0.01], by: [0, 0.11, 0] }],
  },
  'outer-thigh-roll': {
    view: 'front-high',
    end: posed(STANDING, {
      pelvis: [0, 83],
      height: 0.235,
      spine: [0, -22],
      neck: [0, -18],
      right: { hip: [0, 7], knee: 0, ankle: 0 },
      left: { foot: [0.2, 0, -0.14], knee: [0.5, 1, 0] },
      armRight: reach([0.19, 0.02, 0.34], { elbow: [-0.1, -1, 0] }),
      armLeft: reach('hipL', { off: [0.02, 0.05, 0.01], elbow: [-0.3, 1, 0.3] }),
    }),
    things: [{ kind: 'round', at: [0, 0.05, -0.1], radius: 0.05, half: 0.2, along: true }],
    arrows: [
      { at: [0.1, 0.02, -0.3], by: [0, 0, -0.12] },
      { at: [0.14, 0.02, -0.02], by: [0, 0, 0.12] },
    ],
  },
};

/** The kneeling leg of hands and knees when the seat rocks back. */
function kneeLegBack(hip: number): Posture['left'] {
  return { hip: [hip, 0], knee: hip + 8, ankle: -62 };
}
