import type { Figure } from '../figure.js';
import { mirrored, type Posture } from '../posture.js';
import {
  ALL_FOURS,
  BENT_SITTING,
  CROOK,
  KNEEL,
  onFoot,
  ON_LEFT_SIDE,
  posed,
  PRONE,
  reach,
  SITTING,
  STANDING,
  STOOL,
} from './poses.js';

const ON_RIGHT_SIDE: Posture = mirrored(
  posed(ON_LEFT_SIDE, { left: { hip: [55, 0], knee: 70, ankle: -10 }, right: { hip: [55, 0], knee: 70, ankle: -10 } }),
);
const TWO_FISTS = (forward: number, up: number, half: number): Pick<Posture, 'armLeft' | 'armRight'> => ({
  armLeft: reach([forward, up, -half], { elbow: [-0.2, -1, -0.4] }),
  armRight: reach([forward, up, half], { elbow: [-0.2, -1, 0.4] }),
});

/** Figures of shoulder and arm. */
export const SHOULDER_FIGURES: Readonly<Record<string, Figure>> = {
  'doorway-pectorals': {
    view: 'quarter',
    end: posed(STANDING, {
      pelvis: [0, 0, -22],
      height: 0.515,
      left: onFoot(0.14, -0.1),
      right: onFoot(-0.08, 0.08),
      armRight: reach([-0.04, 0.96, 0.25], { elbow: [-0.1, -1, 1], points: [0, 1, 0.05] }),
    }),
    things: [{ kind: 'box', at: [-0.08, 0, 0.31], size: [0.06, 1.08, 0.06] }],
    arrows: [{ at: 'chest', off: [0.12, 0.06, -0.06], by: [0.1, 0, -0.09] }],
    ground: ['heelL', 'toeL'],
  },
  'lying-open-arms': {
    view: 'top',
    end: posed(CROOK, { armLeft: { shoulder: [0, 84], elbow: 4 }, armRight: { shoulder: [0, 84], elbow: 4 } }),
  },
  'prone-chest-roll': {
    view: 'top',
    end: posed(PRONE, {
      pelvis: [90, 0, -46],
      spine: [0, 0, -12],
      neck: [0, 0, 24],
      height: 0.145,
      left: { hip: [-8, 24], knee: 78, ankle: -20 },
      armRight: reach([0.29, 0.03, 0.47], { elbow: [-1, 0, 0] }),
      armLeft: reach([0.22, 0.03, -0.16], { elbow: [-0.5, 1, -0.6] }),
    }),
    arrows: [{ at: 'waist', off: [-0.06, 0, -0.22], by: [0, 0, 0.12] }],
  },
  'clasped-hands-behind': {
    view: 'side',
    end: posed(STANDING, {
      spine: [-8],
      armLeft: reach([-0.29, 0.56, -0.01], { elbow: [-0.3, -0.3, -1] }),
      armRight: reach([-0.29, 0.56, 0.01], { elbow: [-0.3, -0.3, 1] }),
    }),
    arrows: [{ at: 'handR', off: [-0.04, 0.03, 0], by: [-0.03, 0.12, 0] }],
  },
  'seated-lean-back-hands': {
    view: 'side',
    end: posed(BENT_SITTING, {
      pelvis: [-14],
      spine: [-16],
      left: onFoot(0.34, -0.09, { knee: [0.2, 1, 0] }),
      right: onFoot(0.34, 0.09, { knee: [0.2, 1, 0] }),
      armLeft: reach([-0.33, 0.02, -0.14], { points: [-1, -0.1, 0] }),
      armRight: reach([-0.33, 0.02, 0.14], { points: [-1, -0.1, 0] }),
    }),
    arrows: [
      { at: 'pelvis', off: [0.02, 0.1, 0], by: [0.12, 0, 0] },
      { at: 'chest', off: [0.09, 0.04, 0], by: [0.04, 0.11, 0] },
    ],
  },
  'arm-circles': {
    view: 'side',
    end: posed(STANDING, { armLeft: { shoulder: [150, 10], elbow: 5 }, armRight: { shoulder: [150, 10], elbow: 5 } }),
    start: posed(STANDING, { armLeft: { shoulder: [20, 10], elbow: 5 }, armRight: { shoulder: [20, 10], elbow: 5 } }),
    arrows: [{ at: 'handR', off: [-0.03, 0.05, 0], by: [-0.12, 0.01, 0] }],
  },
  'stick-pass-over': {
    view: 'front',
    end: posed(STANDING, { ...TWO_FISTS(0, 1.1, 0.36) }),
    start: posed(STANDING, { ...TWO_FISTS(0.1, 0.49, 0.28) }),
    things: [{ kind: 'stick', through: ['handL', 'handR'], longer: 0.08 }],
    arrows: [{ at: 'handR', off: [0, -0.14, 0.12], by: [0, 0.13, 0] }],
  },
  'arm-across': {
    view: 'front',
    end: posed(STANDING, {
      armRight: reach([0.24, 0.79, -0.2], { elbow: [0.6, -1, 0.4] }),
      armLeft: reach('elbowR', { off: [0.04, 0.02, -0.04], elbow: [0.4, -1, -0.3] }),
    }),
    arrows: [{ at: 'elbowR', off: [0, 0.1, -0.02], by: [0, 0, -0.12] }],
  },
  'lying-arm-across': {
    view: 'top-turned',
    end: posed(ON_RIGHT_SIDE, {
      armRight: { shoulder: [92, -10], elbow: 4 },
      armLeft: reach('elbowR', { off: [0.06, 0.06, 0], elbow: [0.3, 1, 0] }),
    }),
    arrows: [{ at: 'elbowR', off: [0.02, 0, 0.1], by: [-0.1, 0, 0.04] }],
  },
  'band-pull-apart': {
    view: 'front',
    end: posed(STANDING, { ...TWO_FISTS(0.16, 0.8, 0.43) }),
    start: posed(STANDING, { ...TWO_FISTS(0.36, 0.8, 0.12) }),
    things: [{ kind: 'strap', through: ['handL', 'handR'] }],
    arrows: [
      { at: 'handR', off: [0, 0.06, 0], by: [0, 0, 0.11] },
      { at: 'handL', off: [0, 0.06, 0], by: [0, 0, -0.11] },
    ],
  },
  'side-lying-inward-turn': {
    view: 'top-turned',
    end: posed(ON_RIGHT_SIDE, {
      armRight: { shoulder: [88, 0, -138], elbow: 90 },
      armLeft: reach('wristR', { off: [0.02, 0.04, 0], elbow: [0.3, 1, 0] }),
    }),
    start: posed(ON_RIGHT_SIDE, {
      armRight: { shoulder: [88, 0, -96], elbow: 90 },
      armLeft: reach('wristR', { off: [0.02, 0.04, 0], elbow: [0.3, 1, 0] }),
    }),
    arrows: [{ at: 'handR', off: [0.06, 0, 0.02], by: [0, 0, -0.12] }],
  },
  'hand-on-hip-elbow-forward': {
    view: 'front',
    end: posed(STANDING, {
      armRight: reach('hipR', { off: [-0.02, 0.06, 0.05], elbow: [0.55, 0, 1] }),
      armLeft: reach('elbowR', { off: [0.05, 0.01, -0.02], elbow: [0.4, -1, -0.6] }),
    }),
    arrows: [{ at: 'elbowR', off: [0.02, 0.08, 0], by: [0.08, -0.05, -0.06] }],
  },
  'lying-raised-arms-turn': {
    view: 'top',
    end: posed(CROOK, {
      armLeft: { shoulder: [0, 88, 84], elbow: 90 },
      armRight: { shoulder: [0, 88, 84], elbow: 90 },
    }),
    start: posed(CROOK, {
      armLeft: { shoulder: [0, 88, 30], elbow: 90 },
      armRight: { shoulder: [0, 88, 30], elbow: 90 },
    }),
  },
  'doorway-outward-turn': {
    view: 'front',
    end: posed(STANDING, {
      pelvis: [0, 0, -14],
      left: onFoot(0.1, -0.1),
      right: onFoot(-0.04, 0.08),
      height: 0.524,
      armRight: { shoulder: [0, 3, 66], elbow: 90 },
    }),
    things: [{ kind: 'wall', right: 0.345 }],
    arrows: [{ at: 'chest', off: [0.12, 0.02, 0.02], by: [0, 0, -0.13] }],
  },
  'stick-outward-turn': {
    view: 'top',
    end: posed(CROOK, { armRight: { shoulder: [0, 6, 54], elbow: 90 }, armLeft: { shoulder: [6, 4, -38], elbow: 86 } }),
    start: posed(CROOK, { armRight: { shoulder: [0, 6, 4], elbow: 90 }, armLeft: { shoulder: [0, 6, 4], elbow: 90 } }),
    things: [{ kind: 'stick', through: ['handL', 'handR'], longer: 0.05 }],
    arrows: [{ at: 'handR', off: [-0.06, 0, 0.02], by: [0, 0, 0.12] }],
  },
  'strap-behind-back': {
    view: 'back',
    end: posed(STANDING, {
      armLeft: reach([-0.1, 0.86, -0.03], { elbow: [0.1, 1, -0.4] }),
      armRight: reach([-0.1, 0.64, 0.02], { elbow: [-0.3, -0.4, 1] }),
    }),
    things: [{ kind: 'strap', through: ['handL', 'handR'] }],
    arrows: [{ at: 'handR', off: [-0.05, -0.02, 0.07], by: [0, 0.11, 0] }],
  },
  'chair-elbow-kneel': {
    view: 'side',
    end: posed(ALL_FOURS, {
      pelvis: [88],
      height: KNEEL,
      spine: [-12],
      neck: [8],
      left: { hip: [88, 0], knee: 90, ankle: -62 },
      right: { hip: [88, 0], knee: 90, ankle: -62 },
      armLeft: { shoulder: [160, 2], elbow: 96 },
      armRight: { shoulder: [160, 2], elbow: 96 },
    }),
    things: [{ kind: 'chair', at: [0.53, 0.262, 0] }],
    arrows: [{ at: 'chest', off: [0, -0.1, 0], by: [0, -0.09, 0] }],
  },
  'table-hinge-lats': {
    view: 'side',
    end: posed(STANDING, {
      pelvis: [86],
      height: 0.525,
      neck: [4],
      left: onFoot(0.02, -0.08),
      right: onFoot(0.02, 0.08),
      armLeft: reach([0.66, 0.5, -0.13], { elbow: [0, -1, -0.3] }),
      armRight: reach([0.66, 0.5, 0.13], { elbow: [0, -1, 0.3] }),
    }),
    things: [{ kind: 'table', at: [0.82, 0.47, 0], length: 0.46 }],
    arrows: [{ at: 'chest', off: [0.04, -0.1, 0], by: [0, -0.1, 0] }],
    ground: ['heelR', 'heelL'],
  },
  'chair-slide-forward': {
    view: 'side',
    end: posed(SITTING, {
      pelvis: [44],
      spine: [14],
      neck: [-4],
      left: onFoot(0.22, -0.1),
      right: onFoot(0.22, 0.1),
      armLeft: reach([0.62, 0.46, -0.13], { elbow: [0, -1, -0.4] }),
      armRight: reach([0.62, 0.46, 0.13], { elbow: [0, -1, 0.4] }),
    }),
    things: [STOOL, { kind: 'table', at: [0.64, 0.43, 0], length: 0.5 }],
    arrows: [{ at: 'handR', off: [0, 0.06, 0], by: [0.12, 0, 0] }],
  },
  'wall-arm-behind': {
    view: 'quarter',
    end: posed(STANDING, {
      pelvis: [0, 0, -20],
      left: onFoot(0.1, -0.1),
      right: onFoot(-0.02, 0.08),
      height: 0.528,
      armRight: reach([-0.26, 0.76, 0.33], { elbow: [0, -1, 0.4] }),
    }),
    things: [{ kind: 'box', at: [-0.24, 0, 0.37], size: [0.5, 1.05, 0.04] }],
    arrows: [{ at: 'chest', off: [0.12, 0.06, -0.06], by: [0.08, 0, -0.11] }],
  },
  'overhead-triceps': {
    view: 'front',
    end: posed(SITTING, {
      armRight: reach('neck', { off: [-0.08, -0.04, 0.02], elbow: [0.1, 1, 0.25] }),
      armLeft: reach('elbowR', { off: [0, 0.02, 0], elbow: [0, 0.6, -1] }),
    }),
    things: [STOOL],
    arrows: [{ at: 'elbowR', off: [0, 0.05, 0.02], by: [0, 0.04, -0.11] }],
  },
  'wall-elbow-slide': {
    view: 'side',
    end: posed(STANDING, {
      pelvis: [12],
      height: 0.527,
      left: onFoot(0, -0.08),
      right: onFoot(-0.04, 0.08),
      armRight: reach('neck', { off: [-0.06, 0.0, 0.05], elbow: [1.2, 0.9, 0.1] }),
    }),
    things: [{ kind: 'wall', forward: 0.235 }],
    arrows: [{ at: 'chest', off: [0.03, 0.0, 0.1], by: [0.09, -0.04, 0] }],
  },
  'palm-out-wrist-pull': {
    view: 'side',
    end: posed(SITTING, {
      armRight: { shoulder: [78, -24], elbow: 6, wrist: 76 },
      armLeft: reach('handR', { off: [0.03, 0.03, 0], elbow: [0, -1, -0.6] }),
    }),
    things: [STOOL],
    arrows: [{ at: 'handR', off: [0.08, 0.06, 0], by: [-0.1, 0.02, 0] }],
  },
  'palms-together-low': {
    view: 'front',
    end: posed(STANDING, {
      armLeft: reach([0.15, 0.72, -0.012], { elbow: [0, -0.2, -1], points: [0.25, 1, 0] }),
      armRight: reach([0.15, 0.72, 0.012], { elbow: [0, -0.2, 1], points: [0.25, 1, 0] }),
    }),
    arrows: [{ at: 'handR', off: [0, -0.14, 0], by: [0, -0.11, 0] }],
  },
  'fours-fingers-forward': {
    view: 'side',
    end: posed(ALL_FOURS, {
      forward: 0.08,
      pelvis: [80],
      height: 0.275,
      left: { hip: [62, 0], knee: 72, ankle: -62 },
      right: { hip: [62, 0], knee: 72, ankle: -62 },
      armLeft: reach([0.287, 0.018, -0.13], { points: [1, -0.1, 0], elbow: [-1, 0.1, 0] }),
      armRight: reach([0.287, 0.018, 0.13], { points: [1, -0.1, 0], elbow: [-1, 0.1, 0] }),
    }),
    arrows: [{ at: 'shoulderR', off: [0.08, 0.12, 0], by: [0.12, 0, 0] }],
  },
  'back-of-hand-pull': {
    view: 'side',
    end: posed(SITTING, {
      armRight: { shoulder: [78, -24], elbow: 6, wrist: -74 },
      armLeft: reach('handR', { off: [0.03, -0.02, 0], elbow: [0, -1, -0.6] }),
    }),
    things: [STOOL],
    arrows: [{ at: 'handR', off: [0.08, -0.04, 0], by: [-0.1, -0.02, 0] }],
  },
  'fist-turn-in': {
    view: 'side',
    end: posed(STANDING, { armRight: { shoulder: [-26, 8], elbow: 0, wrist: 62 } }),
    arrows: [{ at: 'wristR', off: [-0.05, 0, 0], by: [-0.11, 0.03, 0] }],
  },
  'fours-backs-of-hands': {
    view: 'side',
    end: posed(ALL_FOURS, {
      armLeft: reach([0.232, 0.018, -0.13], { points: [-1, -0.12, 0], elbow: [-1, 0.1, 0] }),
      armRight: reach([0.232, 0.018, 0.13], { points: [-1, -0.12, 0], elbow: [-1, 0.1, 0] }),
    }),
    arrows: [{ at: 'pelvis', off: [0.05, 0.12, 0], by: [-0.12, 0, 0] }],
  },
};
