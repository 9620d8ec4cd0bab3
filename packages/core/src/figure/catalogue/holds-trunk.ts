import type { Figure } from '../figure.js';
import { type Arm, type Posture } from '../posture.js';
import { CHAIR, CROOK, onFoot, ON_LEFT_SIDE, posed, reach, SITTING, STANDING, STOOL, SUPINE } from './poses.js';

/** Hands behind the head, elbows somewhat ahead. */
const CARRIED_HEAD: { armLeft: Arm; armRight: Arm } = {
  armLeft: reach('head', { off: [-0.05, -0.03, -0.04], elbow: [0.5, 0.5, -0.8] }),
  armRight: reach('head', { off: [-0.05, -0.03, 0.04], elbow: [0.5, 0.5, 0.8] }),
};
const POST = { kind: 'box', at: [0.4, 0, 0], size: [0.05, 1.0, 0.1] } as const;

const UNDER_WAIST = { kind: 'box', at: [0, 0, -0.14], size: [0.3, 0.1, 0.14], soft: true } as const;
/** On the left side over a cushion: the right flank is long. */
const OVER_CUSHION: Posture = posed(ON_LEFT_SIDE, {
  pelvis: [0, -77],
  height: 0.163,
  spine: [0, -28],
  neck: [0, 8],
  left: { hip: [24, -12], knee: 36, ankle: -15 },
  right: { hip: [-6, 0], knee: 6, ankle: -15 },
  armLeft: reach([0.24, 0.03, -0.4], { elbow: [1, 0.4, 0] }),
});

/** Figures of further trunk exercises: holds and easy moves. */
export const TRUNK_HOLD_FIGURES: Readonly<Record<string, Figure>> = {
  'standing-round-over-thighs': {
    view: 'side',
    end: posed(STANDING, {
      pelvis: [16],
      height: 0.465,
      spine: [58],
      neck: [12],
      left: onFoot(0.04, -0.1),
      right: onFoot(0.04, 0.1),
      armLeft: reach('kneeL', { off: [-0.03, 0.09, 0], elbow: [-0.3, -0.4, -1] }),
      armRight: reach('kneeR', { off: [-0.03, 0.09, 0], elbow: [-0.3, -0.4, 1] }),
    }),
    arrows: [{ at: 'waist', off: [-0.08, 0.03, 0], by: [-0.11, 0.03, 0] }],
    ground: ['heelR', 'heelL'],
  },
  'wall-roll-down': {
    view: 'side',
    end: posed(STANDING, {
      pelvis: [56],
      height: 0.49,
      spine: [72],
      neck: [24],
      left: onFoot(0.13, -0.09),
      right: onFoot(0.13, 0.09),
      armLeft: reach([0.3, 0.16, -0.12]),
      armRight: reach([0.3, 0.16, 0.12]),
    }),
    start: posed(STANDING, { height: 0.5, left: onFoot(0.13, -0.09), right: onFoot(0.13, 0.09) }),
    things: [{ kind: 'wall', forward: -0.075 }],
    arrows: [{ at: 'neck', off: [0.14, 0.08, 0], by: [0.02, -0.13, 0] }],
    ground: ['heelR', 'heelL'],
  },
  'lying-pelvic-tilts': {
    view: 'side',
    end: posed(CROOK, { pelvis: [-102], height: 0.068, spine: [14] }),
    start: posed(CROOK, { pelvis: [-82], spine: [-14], height: 0.066 }),
    arrows: [{ at: 'pelvis', off: [0.05, 0.12, 0], by: [-0.1, 0.02, 0] }],
    ground: ['heelR', 'heelL'],
  },
  'half-fold-push-up': {
    view: 'side',
    end: posed(SITTING, {
      pelvis: [46],
      spine: [44],
      neck: [10],
      left: onFoot(0.27, -0.14),
      right: onFoot(0.27, 0.14),
      armLeft: reach('kneeL', { off: [-0.08, -0.05, -0.01], elbow: [-0.3, -0.6, -1] }),
      armRight: reach('kneeR', { off: [-0.08, -0.05, 0.01], elbow: [-0.3, -0.6, 1] }),
    }),
    things: [STOOL],
    arrows: [{ at: 'chest', off: [-0.05, 0.09, 0], by: [-0.06, 0.1, 0] }],
    ground: ['heelR', 'heelL'],
  },
  'lying-calves-on-chair': {
    view: 'side',
    end: posed(SUPINE, {
      left: { hip: [90, 4], knee: 90, ankle: 0 },
      right: { hip: [90, 4], knee: 90, ankle: 0 },
    }),
    things: [{ kind: 'chair', at: [0.21, 0.268, 0] }],
    arrows: [{ at: 'waist', off: [0, 0.14, 0], by: [0, -0.08, 0] }],
  },
  'side-lying-curl': {
    view: 'top',
    end: posed(ON_LEFT_SIDE, {
      spine: [42],
      neck: [16],
      left: { hip: [118, 0], knee: 118, ankle: -10 },
      right: { hip: [118, 0], knee: 118, ankle: -10 },
      armLeft: reach('kneeL', { off: [0.03, 0.02, 0], elbow: [0.3, 0.6, 0] }),
      armRight: reach('kneeR', { off: [0.03, 0.02, 0], elbow: [0.3, 1, 0] }),
    }),
    arrows: [{ at: 'waist', off: [-0.09, 0, 0], by: [-0.1, 0, 0] }],
  },
  'wall-reach-up-back': {
    view: 'side',
    end: posed(STANDING, {
      spine: [-22],
      neck: [-4],
      armLeft: reach([-0.2, 1.11, -0.12], { elbow: [0.6, 0, -0.6], points: [-0.4, 1, 0] }),
      armRight: reach([-0.2, 1.11, 0.12], { elbow: [0.6, 0, 0.6], points: [-0.4, 1, 0] }),
    }),
    things: [{ kind: 'wall', forward: -0.26 }],
    arrows: [{ at: 'chest', off: [0.1, 0, 0], by: [0.02, 0.12, 0] }],
    ground: ['heelR', 'heelL'],
  },
  'chair-lean-back': {
    view: 'side',
    end: posed(SITTING, { pelvis: [-8], spine: [-48], neck: [16], ...CARRIED_HEAD }),
    things: [CHAIR],
    arrows: [{ at: 'head', off: [0.02, 0.13, 0], by: [-0.12, -0.02, 0] }],
    ground: ['heelR', 'heelL'],
  },
  'chair-back-chest-lift': {
    view: 'side',
    end: posed(SITTING, { pelvis: [-4], spine: [-26], neck: [6], ...CARRIED_HEAD }),
    start: posed(SITTING, { spine: [10], neck: [4], ...CARRIED_HEAD }),
    things: [CHAIR],
    arrows: [{ at: 'chest', off: [0.12, 0, 0], by: [0.02, 0.11, 0] }],
    ground: ['heelR', 'heelL'],
  },
  'side-lying-over-cushion': {
    view: 'front',
    end: posed(OVER_CUSHION, { armRight: { shoulder: [0, 158], elbow: 10 } }),
    things: [UNDER_WAIST],
    arrows: [{ at: 'handR', off: [0, 0.07, 0], by: [0, -0.02, -0.12] }],
  },
  'side-lying-rib-breathing': {
    view: 'front',
    end: posed(OVER_CUSHION, { armRight: reach('chest', { off: [0.08, 0.03, 0.03], elbow: [0.2, 1, 0.4] }) }),
    things: [UNDER_WAIST],
    arrows: [{ at: 'chest', off: [0, 0.1, -0.02], by: [0, 0.1, 0] }],
  },
  'door-frame-side-hang': {
    view: 'front',
    end: posed(STANDING, {
      pelvis: [0, -12],
      height: 0.495,
      spine: [0, -26],
      left: onFoot(0, -0.17),
      right: onFoot(0, -0.02),
      armLeft: reach([0.02, 0.72, -0.28], { elbow: [0, -1, 0] }),
      armRight: reach([0.02, 0.88, -0.26], { elbow: [0.4, 1, 0.4] }),
    }),
    things: [{ kind: 'box', at: [0, 0, -0.35], size: [0.06, 1.12, 0.1] }],
    arrows: [{ at: 'hipR', off: [0, 0.03, 0.07], by: [0, 0, 0.12] }],
    ground: ['heelL'],
  },
  'door-post-hang-back': {
    view: 'side',
    end: posed(STANDING, {
      pelvis: [30],
      height: 0.455,
      forward: -0.17,
      spine: [44],
      neck: [14],
      left: onFoot(-0.02, -0.09),
      right: onFoot(-0.02, 0.09),
      armLeft: reach([0.37, 0.66, -0.04], { elbow: [0, -0.4, -1] }),
      armRight: reach([0.37, 0.66, 0.04], { elbow: [0, -0.4, 1] }),
    }),
    things: [POST],
    arrows: [{ at: 'chest', off: [-0.08, 0.06, 0], by: [-0.1, 0.04, 0] }],
    ground: ['heelR', 'heelL'],
  },
  'lying-ceiling-reach': {
    view: 'side',
    end: posed(CROOK, {
      spine: [6],
      armLeft: { shoulder: [88, 0], elbow: 0 },
      armRight: { shoulder: [88, 0], elbow: 0 },
    }),
    arrows: [{ at: 'handR', off: [0.06, -0.08, 0], by: [0, 0.12, 0] }],
    ground: ['heelR', 'heelL'],
  },
  'standing-wall-turn': {
    view: 'front',
    end: posed(STANDING, {
      spine: [0, 0, 56],
      neck: [0, 0, 20],
      armLeft: reach([0.12, 0.74, 0.27], { elbow: [0.4, -1, 0], points: [0.1, 1, 0.3] }),
      armRight: reach([-0.14, 0.74, 0.27], { elbow: [-0.6, -1, 0], points: [-0.1, 1, 0.3] }),
    }),
    things: [{ kind: 'wall', right: 0.3 }],
    arrows: [{ at: 'chest', off: [0.12, 0.02, -0.08], by: [0, 0, 0.12] }],
    ground: ['heelR', 'heelL'],
  },
  'heel-sit-turn': {
    view: 'side',
    end: posed(SITTING, {
      height: 0.165,
      pelvis: [58],
      spine: [10, 0, 50],
      neck: [0, 0, 20],
      left: { hip: [126, 6], knee: 158, ankle: -64 },
      right: { hip: [126, 6], knee: 158, ankle: -64 },
      armLeft: reach([0.36, 0.03, -0.05], { elbow: [0.2, -1, -0.4] }),
      armRight: reach('neck', { off: [-0.05, 0.03, 0.03], elbow: [0, 1, 0.5] }),
    }),
    start: posed(SITTING, {
      height: 0.165,
      pelvis: [58],
      spine: [10, 0, -6],
      left: { hip: [126, 6], knee: 158, ankle: -64 },
      right: { hip: [126, 6], knee: 158, ankle: -64 },
      armLeft: reach([0.36, 0.03, -0.05], { elbow: [0.2, -1, -0.4] }),
      armRight: reach('neck', { off: [0.0, 0.05, 0.04], elbow: [0.4, -0.6, 1] }),
    }),
    arrows: [{ at: 'elbowR', off: [0.04, -0.02, 0.05], by: [0, 0.12, 0.02] }],
  },
};
