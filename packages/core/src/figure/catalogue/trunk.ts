import { mirroredFigure, type Figure } from '../figure.js';
import type { Arm, Posture } from '../posture.js';
import {
  ALL_FOURS,
  CHAIR,
  CROOK,
  FOLDED,
  onFoot,
  ON_LEFT_SIDE,
  posed,
  PRONE,
  reach,
  SITTING,
  STANDING,
  STOOL,
  SUPINE,
} from './poses.js';

/** A hand on the floor, where it stays while the back moves. */
const HAND = (right: number): Arm => reach([0.4, 0.018, right], { points: [1, -0.15, 0], elbow: [-1, 0, 0] });
const ROUND: Posture = posed(ALL_FOURS, {
  pelvis: [50],
  spine: [60],
  neck: [26],
  left: { hip: [50, 0], knee: 90, ankle: -62 },
  right: { hip: [50, 0], knee: 90, ankle: -62 },
  armLeft: HAND(-0.13),
  armRight: HAND(0.13),
});
const HOLLOW: Posture = posed(ALL_FOURS, {
  pelvis: [98],
  spine: [-40],
  neck: [-34],
  left: { hip: [98, 0], knee: 90, ankle: -62 },
  right: { hip: [98, 0], knee: 90, ankle: -62 },
  armLeft: HAND(-0.13),
  armRight: HAND(0.13),
});
const OPEN_ARMS: Pick<Posture, 'armLeft' | 'armRight'> = {
  armLeft: { shoulder: [0, 82], elbow: 8 },
  armRight: { shoulder: [0, 82], elbow: 8 },
};
const DRAWN_UP: Posture = posed(ON_LEFT_SIDE, {
  left: { hip: [82, 0], knee: 88, ankle: -10 },
  right: { hip: [82, 0], knee: 88, ankle: -10 },
  armLeft: reach([0.34, 0.06, -0.29], { elbow: [0, 1, 0] }),
});

/** Figures of back, belly and flanks. */
export const TRUNK_FIGURES: Readonly<Record<string, Figure>> = {
  'folded-kneel': {
    view: 'side',
    end: FOLDED,
    arrows: [{ at: 'handR', off: [0, 0.08, 0], by: [0.12, 0, 0] }],
    ground: ['kneeR'],
  },
  'double-knee-hug': {
    view: 'side',
    end: posed(SUPINE, {
      left: { hip: [124, 8], knee: 134, ankle: -10 },
      right: { hip: [124, 8], knee: 134, ankle: -10 },
      armLeft: reach('kneeL', { off: [0.04, 0.05, 0], elbow: [0.3, 0, -1] }),
      armRight: reach('kneeR', { off: [0.04, 0.05, 0], elbow: [0.3, 0, 1] }),
    }),
    arrows: [{ at: 'kneeR', off: [0.1, 0.06, 0], by: [-0.1, 0.01, 0] }],
  },
  'chair-fold': {
    view: 'side',
    end: posed(SITTING, {
      pelvis: [42],
      spine: [62],
      neck: [26],
      left: onFoot(0.24, -0.16),
      right: onFoot(0.24, 0.16),
      armLeft: reach([0.3, 0.06, -0.05]),
      armRight: reach([0.3, 0.06, 0.05]),
    }),
    things: [STOOL],
    arrows: [{ at: 'neck', off: [0.03, 0.18, 0], by: [0.11, -0.09, 0] }],
  },
  'cat-and-cow': {
    view: 'side',
    end: ROUND,
    start: HOLLOW,
    arrows: [{ at: 'chest', off: [0, 0.08, 0], by: [0, 0.11, 0] }],
  },
  'opposite-arm-and-leg': {
    view: 'side',
    end: posed(ALL_FOURS, { right: { hip: [-12, 0], knee: 2, ankle: -30 }, armLeft: { shoulder: [168, 4], elbow: 4 } }),
    start: ALL_FOURS,
    arrows: [{ at: 'ankleR', off: [0.02, 0.05, 0], by: [-0.11, 0.01, 0] }],
  },
  'forearm-plank': {
    view: 'side',
    end: posed(PRONE, {
      pelvis: [83],
      height: 0.17,
      left: { hip: [0, 4], knee: 0, ankle: 15 },
      right: { hip: [0, 4], knee: 0, ankle: 15 },
      armLeft: reach([0.47, 0.02, -0.13], { elbow: [-0.35, -1, 0] }),
      armRight: reach([0.47, 0.02, 0.13], { elbow: [-0.35, -1, 0] }),
      neck: [-6],
    }),
    start: posed(PRONE, {
      pelvis: [86],
      height: 0.064,
      spine: [-50],
      neck: [-10],
      armLeft: reach([0.41, 0.02, -0.13], { elbow: [-0.35, -1, 0] }),
      armRight: reach([0.41, 0.02, 0.13], { elbow: [-0.35, -1, 0] }),
    }),
    arrows: [{ at: 'pelvis', off: [-0.02, 0.06, 0], by: [0, 0.09, 0] }],
  },
  'forearm-prop': {
    view: 'side',
    end: posed(PRONE, {
      pelvis: [86],
      height: 0.064,
      spine: [-50],
      neck: [-10],
      armLeft: reach([0.41, 0.02, -0.13], { elbow: [-0.35, -1, 0] }),
      armRight: reach([0.41, 0.02, 0.13], { elbow: [-0.35, -1, 0] }),
    }),
    arrows: [{ at: 'chest', off: [-0.06, 0.1, 0], by: [0.03, 0.11, 0] }],
  },
  'press-up-on-hands': {
    view: 'side',
    end: posed(PRONE, {
      pelvis: [76],
      height: 0.075,
      spine: [-62],
      neck: [-8],
      left: { hip: [-12, 4], knee: 0, ankle: -60 },
      right: { hip: [-12, 4], knee: 0, ankle: -60 },
      armLeft: reach([0.27, 0.02, -0.15], { points: [1, -0.15, 0], elbow: [-1, 0, 0] }),
      armRight: reach([0.27, 0.02, 0.15], { points: [1, -0.15, 0], elbow: [-1, 0, 0] }),
    }),
    arrows: [{ at: 'neck', off: [0.1, -0.06, 0], by: [0.04, 0.12, 0] }],
  },
  'long-line-reach': {
    view: 'side',
    end: posed(SUPINE, {
      left: { hip: [0, 4], knee: 0, ankle: -40 },
      right: { hip: [0, 4], knee: 0, ankle: -40 },
      armLeft: { shoulder: [176, 4], elbow: 2 },
      armRight: { shoulder: [176, 4], elbow: 2 },
    }),
    arrows: [
      { at: 'handR', off: [-0.06, 0.09, 0], by: [-0.12, 0, 0] },
      { at: 'toeR', off: [-0.06, 0.09, 0], by: [0.12, 0, 0] },
    ],
  },
  'lower-rib-breathing': {
    view: 'side',
    end: posed(CROOK, {
      armLeft: reach('waist', { off: [-0.05, 0.07, -0.06], elbow: [0, -0.3, -1] }),
      armRight: reach('waist', { off: [-0.05, 0.07, 0.06], elbow: [0, -0.3, 1] }),
    }),
    arrows: [{ at: 'waist', off: [-0.05, 0.12, 0], by: [0, 0.09, 0] }],
  },
  'standing-side-bend': {
    view: 'front',
    end: posed(STANDING, {
      spine: [0, -38],
      neck: [0, -6],
      armRight: { shoulder: [0, 168], elbow: 8 },
      armLeft: reach('kneeL', { off: [0.03, 0.1, -0.05] }),
    }),
    arrows: [{ at: 'handR', off: [0, 0.06, 0.02], by: [0, 0.01, -0.13] }],
  },
  'seated-side-bend': {
    view: 'front',
    end: posed(SITTING, {
      spine: [0, -36],
      neck: [0, -6],
      armRight: { shoulder: [0, 166], elbow: 8 },
      armLeft: reach([0, 0.26, -0.2], { elbow: [-0.3, 0, -1] }),
    }),
    things: [STOOL],
    arrows: [{ at: 'handR', off: [0, 0.06, 0.02], by: [0, 0.01, -0.13] }],
  },
  'side-folded-kneel': {
    view: 'top',
    end: posed(FOLDED, {
      spine: [24, -30],
      armLeft: reach([0.51, 0.02, -0.36], { elbow: [0, 0.2, -1] }),
      armRight: reach([0.55, 0.02, -0.26], { elbow: [0, 0.2, 1] }),
    }),
    arrows: [{ at: 'handR', off: [0.06, 0, 0.02], by: [0.05, 0, -0.12] }],
  },
  'self-hug-round': {
    view: 'side',
    end: posed(SITTING, {
      pelvis: [-4],
      spine: [48],
      neck: [24],
      armRight: reach('shoulderL', { off: [0.02, -0.01, 0.0], elbow: [1, -0.3, 0.2] }),
      armLeft: reach('shoulderR', { off: [0.02, -0.01, 0.0], elbow: [1, -0.3, -0.2] }),
    }),
    things: [STOOL],
    arrows: [{ at: 'chest', off: [-0.08, 0.05, 0], by: [-0.1, 0.04, 0] }],
  },
  'clasp-and-reach': {
    view: 'side',
    end: posed(STANDING, {
      spine: [36],
      neck: [18],
      armLeft: reach([0.45, 0.69, -0.01], { elbow: [0, -0.4, -1] }),
      armRight: reach([0.45, 0.69, 0.01], { elbow: [0, -0.4, 1] }),
    }),
    arrows: [
      { at: 'handR', off: [0.05, 0, 0], by: [0.1, 0, 0] },
      { at: 'chest', off: [-0.08, 0.05, 0], by: [-0.1, 0.02, 0] },
    ],
  },
  'rounded-fours': { view: 'side', end: ROUND, arrows: [{ at: 'chest', off: [0, 0.08, 0], by: [0, 0.11, 0] }] },
  'roller-upper-back': {
    view: 'side',
    end: posed(CROOK, {
      pelvis: [-66],
      spine: [-50],
      neck: [18],
      armLeft: reach('head', { off: [-0.03, -0.04, -0.05], elbow: [-0.2, 1, -0.6] }),
      armRight: reach('head', { off: [-0.03, -0.04, 0.05], elbow: [-0.2, 1, 0.6] }),
    }),
    things: [{ kind: 'round', at: [-0.19, 0.046, 0], radius: 0.048, half: 0.2 }],
    arrows: [{ at: 'head', off: [-0.06, 0.1, 0], by: [-0.1, -0.06, 0] }],
  },
  'wall-slide': {
    view: 'front',
    end: posed(STANDING, {
      armLeft: reach([-0.02, 1.1, -0.26], { elbow: [0, -0.4, -1] }),
      armRight: reach([-0.02, 1.1, 0.26], { elbow: [0, -0.4, 1] }),
    }),
    start: posed(STANDING, {
      armLeft: reach([-0.02, 0.93, -0.3], { elbow: [0, -1, -1] }),
      armRight: reach([-0.02, 0.93, 0.3], { elbow: [0, -1, 1] }),
    }),
    things: [{ kind: 'wall', forward: -0.12 }],
    arrows: [
      { at: 'handR', off: [0, -0.05, 0.07], by: [0, 0.12, 0] },
      { at: 'handL', off: [0, -0.05, -0.07], by: [0, 0.12, 0] },
    ],
  },
  'side-lying-open-chest': {
    view: 'top',
    end: posed(DRAWN_UP, { spine: [0, 0, 52], neck: [0, 0, 40], armRight: { shoulder: [0, 88], elbow: 6 } }),
    start: posed(DRAWN_UP, { armRight: reach([0.33, 0.13, -0.29], { elbow: [0, 1, 0] }) }),
    arrows: [{ at: 'handR', off: [0.12, 0, -0.06], by: [-0.13, 0, 0] }],
  },
  'chair-twist': {
    view: 'quarter',
    end: posed(SITTING, {
      spine: [0, 0, 46],
      neck: [0, 0, 30],
      armLeft: reach('kneeR', { off: [-0.04, 0.05, -0.02] }),
      armRight: reach([-0.13, 0.42, 0.1], { elbow: [-0.3, -0.2, 1] }),
    }),
    things: [CHAIR],
    ground: ['heelR', 'heelL'],
  },
  // Named by the turn: turning to the right it is the left arm that goes through.
  'thread-through': mirroredFigure({
    view: 'front-high',
    end: posed(ALL_FOURS, {
      pelvis: [96],
      spine: [14, 6, -52],
      neck: [-4, 0, -20],
      armRight: reach([0.22, 0.03, -0.3], { elbow: [0.6, -0.4, 0.6] }),
      armLeft: reach([0.54, 0.018, -0.14], { points: [1, -0.15, 0], elbow: [0, 0.6, -1] }),
    }),
    arrows: [{ at: 'handR', off: [0, 0.06, -0.06], by: [0, 0, -0.12] }],
  }),
  'lying-twist': {
    view: 'top',
    end: posed(SUPINE, {
      pelvis: [-90, 0, -64],
      height: 0.155,
      spine: [0, 0, 62],
      neck: [0, 0, 40],
      left: { hip: [80, 0], knee: 85, ankle: -10 },
      right: { hip: [86, 0], knee: 80, ankle: -10 },
      ...OPEN_ARMS,
    }),
    arrows: [{ at: 'kneeR', off: [-0.06, 0, 0], by: [0, 0, -0.13] }],
  },
};
