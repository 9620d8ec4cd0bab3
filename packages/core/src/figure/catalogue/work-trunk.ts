import type { Figure } from '../figure.js';
import { mirrored, type Posture } from '../posture.js';
import { ON_LEFT_SIDE, posed, reach, SITTING, STANDING, SUPINE } from './poses.js';

/** On the right side, the left one up. */
const ON_RIGHT: Posture = mirrored(ON_LEFT_SIDE);

/** Figures of trunk exercises that work: activations and slow lowerings. */
export const TRUNK_WORK_FIGURES: Readonly<Record<string, Figure>> = {
  'lying-heel-taps': {
    view: 'side',
    end: posed(SUPINE, {
      left: { hip: [90, 4], knee: 90, ankle: 0 },
      right: { foot: [0.26, 0.002, 0.1], knee: [0.2, 1, 0], ankle: 4 },
    }),
    start: posed(SUPINE, { left: { hip: [90, 4], knee: 90, ankle: 0 }, right: { hip: [90, 4], knee: 90, ankle: 0 } }),
    arrows: [{ at: 'ankleR', off: [0.06, 0.12, 0], by: [0, -0.11, 0] }],
  },
  'kneeling-roller-reach': {
    view: 'side',
    end: posed(SITTING, {
      pelvis: [60],
      height: 0.254,
      left: { hip: [30, 2], knee: 60, ankle: -62 },
      right: { hip: [30, 2], knee: 60, ankle: -62 },
      armLeft: reach([0.5, 0.13, -0.1], { elbow: [0.3, -1, 0] }),
      armRight: reach([0.5, 0.13, 0.1], { elbow: [0.3, -1, 0] }),
    }),
    start: posed(SITTING, {
      pelvis: [54],
      height: 0.283,
      forward: -0.1,
      left: { hip: [64, 2], knee: 100, ankle: -62 },
      right: { hip: [64, 2], knee: 100, ankle: -62 },
      armLeft: reach([0.28, 0.13, -0.1], { elbow: [0.3, -1, 0] }),
      armRight: reach([0.28, 0.13, 0.1], { elbow: [0.3, -1, 0] }),
    }),
    things: [{ kind: 'round', at: [0.44, 0.05, 0], radius: 0.05, half: 0.2 }],
    arrows: [{ at: 'handR', off: [0.05, 0.04, 0], by: [0.11, 0, 0] }],
    ground: ['kneeR', 'kneeL'],
  },
  'weighted-side-bend': {
    view: 'front',
    end: posed(STANDING, {
      spine: [0, -34],
      neck: [0, -4],
      armLeft: reach('kneeL', { off: [0.02, 0.1, -0.07] }),
      armRight: reach('hipR', { off: [0.02, 0.08, 0.04], elbow: [0, 0.2, 1] }),
    }),
    start: posed(STANDING, { armRight: reach('hipR', { off: [0.02, 0.08, 0.04], elbow: [0, 0.2, 1] }) }),
    things: [{ kind: 'weight', at: 'handL' }],
    arrows: [{ at: 'head', off: [0, 0.1, 0.0], by: [0, -0.03, -0.12] }],
    ground: ['heelR', 'heelL'],
  },
  'side-prop-knees': {
    view: 'front',
    end: posed(ON_RIGHT, {
      pelvis: [0, 77],
      height: 0.205,
      spine: [0, -13],
      neck: [0, -4],
      left: { hip: [8, 0], knee: 80, ankle: -62 },
      right: { hip: [8, 0], knee: 80, ankle: -62 },
      armRight: reach([0.14, 0.02, 0.3], { elbow: [-0.3, -1, 0] }),
      armLeft: { shoulder: [6, 4], elbow: 10 },
    }),
    start: posed(ON_RIGHT, {
      pelvis: [0, 88],
      height: 0.135,
      spine: [0, -24],
      neck: [0, -4],
      left: { hip: [8, 0], knee: 80, ankle: -62 },
      right: { hip: [8, 0], knee: 80, ankle: -62 },
      armRight: reach([0.16, 0.03, 0.32], { elbow: [-0.2, 0, 1] }),
      armLeft: { shoulder: [6, 4], elbow: 10 },
    }),
    arrows: [{ at: 'hipL', off: [0, 0.07, 0], by: [0, 0.12, 0] }],
  },
  'band-turn-return': {
    view: 'front',
    end: posed(STANDING, {
      spine: [0, 0, 40],
      armLeft: reach([0.24, 0.7, 0.14], { elbow: [0, -1, -0.4] }),
      armRight: reach([0.22, 0.7, 0.18], { elbow: [-0.3, -1, 0.5] }),
    }),
    start: posed(STANDING, {
      spine: [0, 0, -40],
      armLeft: reach([0.24, 0.7, -0.14], { elbow: [-0.3, -1, -0.5] }),
      armRight: reach([0.24, 0.7, -0.12], { elbow: [0, -1, 0.4] }),
    }),
    things: [
      { kind: 'box', at: [0.1, 0, 0.58], size: [0.06, 1.0, 0.05] },
      { kind: 'strap', through: ['handR', [0.1, 0.72, 0.56]] },
    ],
    arrows: [{ at: 'handR', off: [0.02, 0.09, -0.1], by: [0, 0, 0.12] }],
    ground: ['heelR', 'heelL'],
  },
  'side-lying-hand-float': {
    view: 'top',
    end: posed(ON_LEFT_SIDE, {
      spine: [0, 0, 52],
      neck: [0, 0, 40],
      left: { hip: [82, 0], knee: 88, ankle: -10 },
      right: { hip: [82, 0], knee: 88, ankle: -10 },
      armLeft: reach([0.34, 0.06, -0.29], { elbow: [0, 1, 0] }),
      armRight: { shoulder: [0, 88], elbow: 6 },
    }),
  },
};
