import type { Figure } from '../figure.js';
import type { Leg } from '../posture.js';
import { ALL_FOURS, CHAIR, CROOK, onFoot, posed, reach, SITTING, STANDING, STOOL, SUPINE } from './poses.js';

const BACK: Leg = { hip: [104, 0], knee: 112, ankle: -62 };
const onWall = {
  armLeft: reach([0.3, 0.8, -0.12], { points: [0.25, 1, 0] }),
  armRight: reach([0.3, 0.8, 0.12], { points: [0.25, 1, 0] }),
};

/** Figures of what only warms up. */
export const WARM_UP_FIGURES: Readonly<Record<string, Figure>> = {
  'chair-march': {
    view: 'side',
    end: posed(SITTING, {
      right: { hip: [108, 3], knee: 98, ankle: -4 },
      armLeft: { shoulder: [36, 6], elbow: 76 },
      armRight: { shoulder: [-26, 8], elbow: 70 },
    }),
    start: posed(SITTING, { armLeft: { shoulder: [0, 6], elbow: 70 }, armRight: { shoulder: [0, 6], elbow: 70 } }),
    things: [STOOL],
    arrows: [{ at: 'kneeR', off: [0.07, -0.05, 0], by: [0, 0.11, 0] }],
    ground: ['heelL'],
  },
  'heel-slides': {
    view: 'side',
    end: posed(SUPINE, { right: { foot: [0.22, 0, 0.1], knee: [0.2, 1, 0] } }),
    start: SUPINE,
    arrows: [{ at: 'heelR', off: [0.18, 0.1, 0], by: [-0.12, 0, 0] }],
  },
  'hip-circles-holding': {
    view: 'front',
    end: posed(STANDING, {
      right: { hip: [56, 44], knee: 80, ankle: -10 },
      armLeft: reach([0.06, 0.84, -0.3], { points: [0.1, 1, 0], elbow: [0, -1, 0] }),
    }),
    start: posed(STANDING, {
      right: { hip: [66, 0], knee: 80, ankle: -10 },
      armLeft: reach([0.06, 0.84, -0.3], { points: [0.1, 1, 0], elbow: [0, -1, 0] }),
    }),
    things: [{ kind: 'wall', right: -0.32 }],
    arrows: [{ at: 'kneeR', off: [0, 0.09, -0.1], by: [0, 0.02, 0.13] }],
    ground: ['heelL', 'toeL'],
  },
  'step-and-touch': {
    view: 'front',
    end: posed(STANDING, {
      height: 0.5,
      left: onFoot(0, -0.16),
      right: onFoot(0, 0.26),
      armLeft: { shoulder: [20, 20], elbow: 60 },
      armRight: { shoulder: [20, 20], elbow: 60 },
    }),
    start: posed(STANDING, { armLeft: { shoulder: [10, 10], elbow: 50 }, armRight: { shoulder: [10, 10], elbow: 50 } }),
    arrows: [{ at: 'ankleR', off: [0, 0.1, 0], by: [0, 0, 0.12] }],
    ground: ['heelR', 'heelL'],
  },
  'easy-sit-to-stand': {
    view: 'side',
    end: posed(STANDING, { forward: 0.22, height: 0.528, left: onFoot(0.22, -0.1), right: onFoot(0.22, 0.1) }),
    start: posed(SITTING, {
      pelvis: [30],
      left: onFoot(0.22, -0.1),
      right: onFoot(0.22, 0.1),
      armLeft: reach('kneeL', { off: [-0.06, 0.05, 0] }),
      armRight: reach('kneeR', { off: [-0.06, 0.05, 0] }),
    }),
    things: [CHAIR],
    arrows: [{ at: 'pelvis', off: [-0.14, 0, 0], by: [0.07, 0.11, 0] }],
    ground: ['heelR', 'heelL'],
  },
  'heel-toe-rocks': {
    view: 'side',
    end: posed(STANDING, {
      height: 0.566,
      left: onFoot(0.07, -0.08, { onToes: true }),
      right: onFoot(0.07, 0.08, { onToes: true }),
      ...onWall,
    }),
    start: posed(STANDING, {
      height: 0.525,
      left: { foot: [0, 0.004, -0.08], ankle: 22 },
      right: { foot: [0, 0.004, 0.08], ankle: 22 },
      ...onWall,
    }),
    things: [{ kind: 'wall', forward: 0.32 }],
    arrows: [{ at: 'heelR', off: [-0.05, -0.05, 0], by: [0, 0.11, 0] }],
    ground: ['ballR', 'ballL'],
  },
  'ankle-pumps': {
    view: 'side',
    end: posed(SUPINE, {
      left: { hip: [0, 4], knee: 0, ankle: 16 },
      right: { hip: [0, 4], knee: 0, ankle: 16 },
    }),
    start: posed(SUPINE, {
      left: { hip: [0, 4], knee: 0, ankle: -48 },
      right: { hip: [0, 4], knee: 0, ankle: -48 },
    }),
    arrows: [{ at: 'toeR', off: [0.08, 0.02, 0], by: [-0.1, 0.06, 0] }],
  },
  'arm-floats': {
    view: 'side',
    end: posed(CROOK, { armLeft: { shoulder: [136, 4], elbow: 6 }, armRight: { shoulder: [136, 4], elbow: 6 } }),
    start: posed(CROOK, { armLeft: { shoulder: [20, 4], elbow: 6 }, armRight: { shoulder: [20, 4], elbow: 6 } }),
    arrows: [{ at: 'handR', off: [0.12, 0.12, 0], by: [-0.12, 0.02, 0] }],
    ground: ['heelR', 'heelL'],
  },
  'fours-rock-back': {
    view: 'side',
    end: posed(ALL_FOURS, { forward: -0.1, height: 0.27, left: BACK, right: BACK }),
    start: ALL_FOURS,
    arrows: [{ at: 'pelvis', off: [-0.09, 0.04, 0], by: [-0.12, -0.02, 0] }],
  },
  'chair-pelvis-circles': {
    view: 'side',
    end: posed(SITTING, { pelvis: [12], spine: [-14] }),
    start: posed(SITTING, { pelvis: [-16], spine: [18] }),
    things: [STOOL],
    arrows: [{ at: 'pelvis', off: [-0.1, 0.05, 0], by: [0.04, 0.1, 0] }],
    ground: ['heelR', 'heelL'],
  },
  'open-and-hug': {
    view: 'front',
    end: posed(SITTING, {
      armLeft: { shoulder: [6, 72], elbow: 14 },
      armRight: { shoulder: [6, 72], elbow: 14 },
    }),
    start: posed(SITTING, {
      armRight: reach('shoulderL', { off: [0.03, -0.06, 0.02], elbow: [1, -0.6, 0.3] }),
      armLeft: reach('shoulderR', { off: [0.03, -0.06, -0.02], elbow: [1, -0.8, -0.3] }),
    }),
    things: [STOOL],
    arrows: [
      { at: 'handR', off: [0, 0.06, -0.06], by: [0, 0, 0.1] },
      { at: 'handL', off: [0, 0.06, 0.06], by: [0, 0, -0.1] },
    ],
    ground: ['heelR', 'heelL'],
  },
  'hanging-arm-pendulum': {
    view: 'side',
    end: posed(STANDING, {
      pelvis: [48],
      height: 0.505,
      neck: [-6],
      left: onFoot(0.1, -0.1),
      right: onFoot(-0.04, 0.09),
      armLeft: reach([0.42, 0.46, -0.14], { elbow: [0.4, -1, -0.4] }),
      armRight: reach([0.3, 0.36, 0.14], { elbow: [-1, 0, 0.3] }),
    }),
    start: posed(STANDING, {
      pelvis: [48],
      height: 0.505,
      neck: [-6],
      left: onFoot(0.1, -0.1),
      right: onFoot(-0.04, 0.09),
      armLeft: reach([0.42, 0.46, -0.14], { elbow: [0.4, -1, -0.4] }),
      armRight: reach([0.14, 0.36, 0.14], { elbow: [-1, 0, 0.3] }),
    }),
    things: [{ kind: 'table', at: [0.54, 0.43, -0.14], length: 0.34 }],
    arrows: [{ at: 'handR', off: [-0.04, -0.06, 0], by: [0.12, 0, 0] }],
    ground: ['heelL'],
  },
};
