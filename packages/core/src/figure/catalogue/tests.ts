import type { Figure } from '../figure.js';
import type { Posture } from '../posture.js';
import type { Thing } from '../things.js';
import { ANKLE_FIGURES } from './ankle.js';
import {
  BENCH,
  CHAIR,
  CROOK,
  HEEL_SIT,
  LONG_SITTING,
  onFoot,
  posed,
  PRONE,
  reach,
  SITTING,
  STANDING,
  STOOL,
  SUPINE,
} from './poses.js';
import { TRUNK_HOLD_FIGURES } from './holds-trunk.js';
import { TRUNK_FIGURES } from './trunk.js';

const LUNGE: Figure = {
  view: 'side',
  end: posed(STANDING, {
    height: 0.44,
    pelvis: [6],
    left: onFoot(-0.31, -0.1, { onToes: true }),
    right: onFoot(0.1, 0.09),
    armLeft: reach([0.36, 0.72, -0.12], { points: [0.25, 1, 0] }),
    armRight: reach([0.36, 0.72, 0.12], { points: [0.25, 1, 0] }),
  }),
  things: [{ kind: 'wall', forward: 0.34 }],
  arrows: [{ at: 'kneeR', off: [-0.02, 0.07, 0], by: [0.1, -0.02, 0] }],
  ground: ['heelR', 'toeR'],
};
const TABLE: Thing = { kind: 'box', at: [-0.24, 0, 0], size: [0.58, BENCH + 0.01, 0.4] };
const THOMAS: Posture = posed(SUPINE, {
  height: BENCH + 0.072,
  left: { hip: [120, 4], knee: 132, ankle: -10 },
  right: { hip: [-12, 2], knee: 70, ankle: -10 },
  armLeft: reach('kneeL', { off: [0.03, 0.05, 0], elbow: [0, 0, -1] }),
  armRight: reach('kneeL', { off: [0.02, 0.05, 0.04], elbow: [0, 0, 1] }),
});
const OVER_EDGE: Thing = { kind: 'box', at: [-0.05, 0, 0], size: [0.98, 0.03, 0.4], soft: true };
const TALL: Posture = posed(SITTING, {});

/** Figures of the ROM tests, at the end of the motion. */
export const TEST_FIGURES: Readonly<Record<string, Figure>> = {
  'weight-bearing-lunge': LUNGE,
  'weight-bearing-lunge-angle': LUNGE,
  'straight-knee-dorsiflexion': {
    view: 'side',
    end: posed(SUPINE, {
      height: 0.095,
      right: { hip: [0, 3], knee: 0, ankle: 14 },
      left: { hip: [0, 3], knee: 0, ankle: -14 },
    }),
    things: [OVER_EDGE],
    arrows: [{ at: 'toeR', off: [0.03, 0.04, 0], by: [-0.1, 0.02, 0] }],
  },
  plantarflexion: {
    view: 'side',
    end: posed(SUPINE, {
      height: 0.095,
      right: { hip: [0, 3], knee: 0, ankle: -48 },
      left: { hip: [0, 3], knee: 0, ankle: 0 },
    }),
    things: [OVER_EDGE],
    arrows: [{ at: 'toeR', off: [0, 0.08, 0], by: [0.09, -0.06, 0] }],
  },
  'great-toe-extension': {
    view: 'side',
    end: posed(SITTING, {
      right: onFoot(0.245, 0.1, { toes: 62 }),
      armRight: reach('kneeR', { off: [-0.04, 0.05, 0] }),
    }),
    things: [STOOL],
    arrows: [{ at: 'toeR', off: [0.05, -0.02, 0], by: [0, 0.1, 0] }],
    ground: ['heelR', 'ballR'],
  },
  'active-knee-extension': {
    view: 'side',
    end: posed(SUPINE, { right: { hip: [90, 0], knee: 28, ankle: -5 } }),
    start: posed(SUPINE, { right: { hip: [90, 0], knee: 90, ankle: -5 } }),
    arrows: [{ at: 'ankleR', off: [0.08, 0, 0], by: [-0.03, 0.11, 0] }],
  },
  'straight-leg-raise': {
    view: 'side',
    end: posed(SUPINE, { right: { hip: [74, 0], knee: 0, ankle: -5 } }),
    start: SUPINE,
    arrows: [{ at: 'ankleR', off: [0.06, 0, 0], by: [-0.04, 0.11, 0] }],
  },
  'sit-and-reach': {
    view: 'side',
    end: posed(LONG_SITTING, {
      pelvis: [22],
      spine: [44],
      neck: [4],
      left: { hip: [112, 2], knee: 0, ankle: 0 },
      right: { hip: [112, 2], knee: 0, ankle: 0 },
      armLeft: reach([0.56, 0.22, -0.04], { elbow: [0, -0.3, -1] }),
      armRight: reach([0.56, 0.22, 0.04], { elbow: [0, -0.3, 1] }),
    }),
    things: [{ kind: 'box', at: [0.66, 0, 0], size: [0.22, 0.19, 0.3] }],
    arrows: [{ at: 'handR', off: [0.05, 0.03, 0], by: [0.11, 0, 0] }],
  },
  'chair-sit-and-reach': {
    view: 'side',
    end: posed(SITTING, {
      pelvis: [40],
      spine: [48],
      neck: [4],
      left: onFoot(0.2, -0.1),
      right: { foot: [0.428, 0.004, 0.1], ankle: 4 },
      armLeft: reach('ankleR', { off: [0.0, 0.06, -0.02] }),
      armRight: reach('ankleR', { off: [0.0, 0.06, 0.02] }),
    }),
    things: [CHAIR],
    arrows: [{ at: 'handR', off: [0.02, 0.14, 0], by: [0.09, -0.07, 0] }],
  },
  'finger-to-floor': {
    view: 'side',
    end: posed(STANDING, {
      pelvis: [68],
      spine: [72],
      neck: [10],
      height: 0.53,
      forward: -0.06,
      left: onFoot(0, -0.06),
      right: onFoot(0, 0.06),
      armLeft: reach([0.14, 0.12, -0.1]),
      armRight: reach([0.14, 0.12, 0.1]),
    }),
    arrows: [{ at: 'handR', off: [0.08, 0.02, 0], by: [0, -0.1, 0] }],
    ground: ['heelR', 'heelL'],
  },
  'thomas-hip': {
    view: 'side',
    end: THOMAS,
    things: [TABLE],
    arrows: [{ at: 'kneeR', off: [0.02, 0.08, 0], by: [0, -0.1, 0] }],
  },
  'thomas-knee': {
    view: 'side',
    end: THOMAS,
    things: [TABLE],
    arrows: [{ at: 'ankleR', off: [0.06, 0.04, 0], by: [-0.11, -0.01, 0] }],
  },
  'thomas-drift': {
    view: 'top',
    end: posed(THOMAS, { right: { hip: [-10, 16], knee: 70, ankle: -10 } }),
    things: [TABLE],
    arrows: [{ at: 'kneeR', off: [0, 0, 0.05], by: [0, 0, 0.11] }],
  },
  'prone-knee-bend': {
    view: 'side',
    end: posed(PRONE, { right: { hip: [0, 2], knee: 122, ankle: -20 } }),
    start: PRONE,
    arrows: [{ at: 'ankleR', off: [-0.04, 0.07, 0], by: [0.1, 0.02, 0] }],
  },
  'hip-abduction': {
    view: 'top',
    end: posed(SUPINE, { right: { hip: [0, 40], knee: 0, ankle: 0 } }),
    start: SUPINE,
    arrows: [{ at: 'ankleR', off: [0.05, 0, 0], by: [-0.05, 0, 0.11] }],
  },
  'bent-knee-fall-out': {
    view: 'top',
    end: posed(SUPINE, { height: 0.062, right: { foot: [0.22, 0, 0.02], knee: [0.3, 0.15, 1] } }),
    arrows: [{ at: 'kneeR', off: [0, 0, 0.06], by: [0, 0, 0.11] }],
  },
  'hip-internal-rotation': {
    view: 'quarter',
    end: posed(PRONE, { right: { hip: [0, 0, -36], knee: 90, ankle: 0 } }),
    arrows: [{ at: 'ankleR', off: [0, 0.02, 0.05], by: [0, -0.02, 0.13] }],
  },
  'hip-external-rotation': {
    view: 'quarter',
    end: posed(PRONE, { right: { hip: [0, 0, 34], knee: 90, ankle: 0 } }),
    arrows: [{ at: 'ankleR', off: [0, 0.02, -0.05], by: [0, -0.02, -0.13] }],
  },
  'hip-flexion': {
    view: 'side',
    end: posed(SUPINE, { right: { hip: [122, 2], knee: 130, ankle: -10 } }),
    start: SUPINE,
    arrows: [{ at: 'kneeR', off: [0.04, 0.06, 0], by: [-0.12, 0.0, 0] }],
  },
  'side-split-height': {
    view: 'front',
    end: posed(STANDING, {
      pelvis: [36],
      height: 0.24,
      left: { foot: [0.02, 0, -0.53], knee: [1, 0.4, 0] },
      right: { foot: [0.02, 0, 0.53], knee: [1, 0.4, 0] },
      neck: [-24],
      armLeft: reach([0.3, 0.1, -0.14]),
      armRight: reach([0.3, 0.1, 0.14]),
    }),
    things: [
      { kind: 'box', at: [0.3, 0, -0.14], size: [0.12, 0.09, 0.1] },
      { kind: 'box', at: [0.3, 0, 0.14], size: [0.12, 0.09, 0.1] },
    ],
    arrows: [{ at: [0, 0.16, 0], by: [0, -0.12, 0] }],
  },
  'side-bend-slide': {
    view: 'front',
    end: posed(STANDING, {
      spine: [0, 38],
      neck: [0, 6],
      armRight: { shoulder: [0, 26], elbow: 0 },
      armLeft: { shoulder: [0, 4], elbow: 4 },
    }),
    things: [{ kind: 'wall', forward: -0.12 }],
    arrows: [{ at: 'handR', off: [0, 0.02, 0.07], by: [0, -0.12, 0] }],
  },
  'seated-rotation': {
    view: 'quarter',
    end: posed(TALL, {
      spine: [0, 0, 46],
      neck: [0, 0, 10],
      armLeft: reach('shoulderR', { off: [0.06, -0.03, 0], elbow: [0.5, -1, -0.3] }),
      armRight: reach('shoulderL', { off: [0.06, -0.03, 0], elbow: [0.5, -1, 0.3] }),
    }),
    things: [STOOL],
    arrows: [{ at: 'shoulderL', off: [0.06, 0.1, 0], by: [0.02, 0, 0.13] }],
  },
  'lumbar-locked-rotation': {
    view: 'quarter',
    end: posed(HEEL_SIT, {
      pelvis: [64],
      left: { hip: [132, 6], knee: 158, ankle: -64 },
      right: { hip: [132, 6], knee: 158, ankle: -64 },
      spine: [2, 0, 44],
      neck: [0, 0, 20],
      armLeft: reach([0.46, 0.02, -0.16], { elbow: [-0.2, 0.1, -1] }),
      armRight: reach('neck', { off: [-0.01, 0.07, 0.03], elbow: [0, 1, 0.8] }),
    }),
    arrows: [{ at: 'elbowR', off: [0, 0.05, 0], by: [-0.03, 0.11, -0.02] }],
  },
  'shoulder-flexion': {
    view: 'side',
    end: posed(CROOK, { armRight: { shoulder: [168, 2], elbow: 2 } }),
    start: CROOK,
    arrows: [{ at: 'handR', off: [0.06, 0.07, 0], by: [-0.11, -0.02, 0] }],
  },
  'shoulder-external-rotation': {
    view: 'quarter',
    end: posed(CROOK, { armRight: { shoulder: [0, 88, 78], elbow: 90 } }),
    start: posed(CROOK, { armRight: { shoulder: [0, 88, 0], elbow: 90 } }),
    arrows: [{ at: 'handR', off: [0.02, 0.1, 0], by: [-0.1, -0.07, 0] }],
  },
  'shoulder-internal-rotation': {
    view: 'quarter',
    end: posed(CROOK, { armRight: { shoulder: [0, 88, -62], elbow: 90 } }),
    start: posed(CROOK, { armRight: { shoulder: [0, 88, 0], elbow: 90 } }),
    arrows: [{ at: 'handR', off: [-0.02, 0.1, 0], by: [0.1, -0.07, 0] }],
  },
  'shoulder-horizontal-abduction': {
    view: 'quarter',
    end: posed(CROOK, {
      height: BENCH + 0.072,
      left: { foot: [0.27, BENCH + 0.01, -0.1], knee: [0.2, 1, 0] },
      right: { foot: [0.27, BENCH + 0.01, 0.1], knee: [0.2, 1, 0] },
      armRight: { shoulder: [0, 86], elbow: 2 },
    }),
    things: [{ kind: 'box', at: [-0.08, BENCH - 0.06, -0.02], size: [0.98, 0.07, 0.34] }],
    arrows: [{ at: 'handR', off: [0, 0.02, 0.02], by: [0, -0.13, 0] }],
  },
  'back-scratch': {
    view: 'back',
    end: posed(STANDING, {
      armLeft: reach([-0.09, 0.68, 0.0], { elbow: [-0.3, -0.4, -1] }),
      armRight: reach([-0.09, 0.8, 0.01], { elbow: [0.1, 1, 0.4] }),
    }),
    arrows: [
      { at: 'handR', off: [-0.05, 0.1, 0.12], by: [0, -0.1, 0] },
      { at: 'handL', off: [-0.05, -0.1, -0.12], by: [0, 0.1, 0] },
    ],
  },
  'neck-rotation': {
    view: 'front',
    end: posed(TALL, { neck: [0, 0, 66] }),
    things: [CHAIR],
    arrows: [{ at: 'crown', off: [0, 0.05, -0.06], by: [0, 0, 0.13] }],
  },
  'neck-side-bend': {
    view: 'front',
    end: posed(TALL, { neck: [0, 40] }),
    things: [CHAIR],
    arrows: [{ at: 'crown', off: [0, 0.05, -0.1], by: [0, -0.01, 0.13] }],
  },
  'neck-flexion': {
    view: 'side',
    end: posed(TALL, { neck: [50] }),
    things: [CHAIR],
    arrows: [{ at: 'head', off: [0.05, 0.12, 0], by: [0.08, -0.09, 0] }],
  },
  'neck-extension': {
    view: 'side',
    end: posed(TALL, { neck: [-56] }),
    things: [CHAIR],
    arrows: [{ at: 'head', off: [-0.03, 0.12, 0], by: [-0.09, -0.07, 0] }],
  },
  'wrist-extension': {
    view: 'side',
    end: posed(TALL, { armRight: { shoulder: [34, 4], elbow: 56, wrist: 64 } }),
    things: [STOOL, { kind: 'table', at: [0.22, 0.39, 0.12], length: 0.26 }],
    arrows: [{ at: 'handR', off: [0.06, 0.02, 0], by: [-0.03, 0.11, 0] }],
  },
  'wrist-flexion': {
    view: 'side',
    end: posed(TALL, { armRight: { shoulder: [34, 4], elbow: 56, wrist: -68 } }),
    things: [STOOL, { kind: 'table', at: [0.22, 0.39, 0.12], length: 0.26 }],
    arrows: [{ at: 'handR', off: [0.06, -0.0, 0], by: [-0.03, -0.11, 0] }],
  },
  'straight-knee-lean': ANKLE_FIGURES['straight-knee-wall-calf']!,
  'sitting-hip-rotation-in': {
    view: 'front',
    end: posed(SITTING, {
      height: 0.4,
      right: { hip: [88, 0, -34], knee: 90, ankle: 0 },
      left: { hip: [88, 0], knee: 90, ankle: 0 },
    }),
    things: [{ kind: 'box', at: [-0.12, 0, 0], size: [0.3, 0.33, 0.4] }],
    arrows: [{ at: 'ankleR', off: [0, -0.02, 0.05], by: [0, 0.02, 0.12] }],
  },
  'sitting-hip-rotation-out': {
    view: 'front',
    end: posed(SITTING, {
      height: 0.4,
      right: { hip: [88, 0, 32], knee: 90, ankle: 0 },
      left: { hip: [88, 6], knee: 90, ankle: 0 },
    }),
    things: [{ kind: 'box', at: [-0.12, 0, 0], size: [0.3, 0.33, 0.4] }],
    arrows: [{ at: 'ankleR', off: [0, -0.02, -0.05], by: [0, 0.02, -0.12] }],
  },
  'prone-press-up-height': TRUNK_FIGURES['press-up-on-hands']!,
  'head-to-wall': {
    view: 'side',
    end: posed(STANDING, { neck: [6] }),
    things: [{ kind: 'wall', forward: -0.12 }],
    arrows: [{ at: 'head', off: [0.1, 0.02, 0], by: [-0.1, 0, 0] }],
  },
  'wall-arm-raise': {
    view: 'side',
    end: posed(STANDING, { armRight: { shoulder: [158, 4], elbow: 0 } }),
    start: posed(STANDING, { armRight: { shoulder: [30, 4], elbow: 0 } }),
    things: [{ kind: 'wall', forward: -0.12 }],
    arrows: [{ at: 'handR', off: [0.05, -0.04, 0], by: [-0.09, 0.06, 0] }],
  },
  'elbow-straightening-behind': {
    view: 'side',
    end: posed(STANDING, { armRight: { shoulder: [-46, 4], elbow: 14 } }),
    start: posed(STANDING, { armRight: { shoulder: [-46, 4], elbow: 80 } }),
    arrows: [{ at: 'handR', off: [0.02, 0.06, 0], by: [-0.1, 0.02, 0] }],
  },
  'hip-extension-prone': {
    view: 'side',
    end: posed(PRONE, { right: { hip: [-24, 3], knee: 0, ankle: -40 } }),
    start: PRONE,
    arrows: [{ at: 'ankleR', off: [-0.03, -0.08, 0], by: [0, 0.11, 0] }],
  },
  'hand-behind-back': {
    view: 'back',
    end: posed(STANDING, { armRight: reach([-0.09, 0.7, 0.01], { elbow: [-0.3, -0.4, 1], points: [0, 1, -0.3] }) }),
    start: posed(STANDING, { armRight: reach([-0.1, 0.56, 0.02], { elbow: [-0.3, 0, 1], points: [0, 1, -0.6] }) }),
    arrows: [{ at: 'handR', off: [-0.04, 0.06, 0], by: [0, 0.11, 0] }],
  },
  'thoracic-extension': { ...TRUNK_HOLD_FIGURES['chair-back-chest-lift']!, things: [STOOL] },
  'trunk-flexion-tape': {
    view: 'side',
    end: posed(STANDING, {
      pelvis: [44],
      height: 0.53,
      spine: [70],
      neck: [20],
      left: onFoot(0, -0.08),
      right: onFoot(0, 0.08),
      armLeft: reach([0.34, 0.24, -0.12]),
      armRight: reach([0.34, 0.24, 0.12]),
    }),
    start: STANDING,
    arrows: [{ at: 'neck', off: [0.14, 0.06, 0], by: [0.02, -0.13, 0] }],
    ground: ['heelR', 'heelL'],
  },
};
