import type { Figure } from '../figure.js';
import { CROOK, onFoot, posed, reach, SITTING, STANDING, STOOL } from './poses.js';

/** Figures of further shoulder exercises: holds and easy moves. */
export const SHOULDER_HOLD_FIGURES: Readonly<Record<string, Figure>> = {
  'lying-one-arm-overhead': {
    view: 'side',
    end: posed(CROOK, { armRight: { shoulder: [166, 6], elbow: 6 } }),
    things: [{ kind: 'box', at: [-0.56, 0, 0.13], size: [0.2, 0.06, 0.14], soft: true }],
    arrows: [{ at: 'handR', off: [-0.02, 0.09, 0], by: [-0.1, -0.02, 0] }],
    ground: ['heelR', 'heelL'],
  },
  'table-hand-hips-side': {
    view: 'quarter',
    end: posed(STANDING, {
      pelvis: [72, 0, 0],
      height: 0.52,
      spine: [0, -14],
      neck: [-6],
      left: onFoot(0.02, -0.08),
      right: onFoot(0.02, 0.08),
      armRight: reach([0.67, 0.53, 0.1], { elbow: [0, -1, 0.4] }),
      armLeft: reach('kneeL', { off: [0.02, 0.1, -0.02] }),
    }),
    things: [{ kind: 'table', at: [0.76, 0.49, 0.05], length: 0.4 }],
    arrows: [{ at: 'pelvis', off: [-0.08, 0.08, 0.04], by: [-0.1, 0, 0.07] }],
    ground: ['heelR', 'heelL'],
  },
  'hands-behind-ears': {
    view: 'front',
    end: posed(SITTING, {
      armLeft: reach('head', { off: [-0.03, 0, -0.055], elbow: [-0.1, 0.1, -1] }),
      armRight: reach('head', { off: [-0.03, 0, 0.055], elbow: [-0.1, 0.1, 1] }),
    }),
    things: [STOOL],
    arrows: [
      { at: 'elbowR', off: [0, 0.05, 0], by: [-0.02, 0, 0.1] },
      { at: 'elbowL', off: [0, 0.05, 0], by: [-0.02, 0, -0.1] },
    ],
    ground: ['heelR', 'heelL'],
  },
  'wall-low-hand-chest': {
    view: 'quarter',
    end: posed(STANDING, {
      pelvis: [0, 0, -30],
      left: onFoot(0.1, -0.1),
      right: onFoot(-0.02, 0.08),
      height: 0.528,
      armRight: reach([-0.2, 0.64, 0.31], { elbow: [0, -1, 0.4] }),
    }),
    things: [{ kind: 'box', at: [-0.24, 0, 0.36], size: [0.5, 1.05, 0.04] }],
    arrows: [{ at: 'chest', off: [0.12, 0.06, -0.06], by: [0.06, 0, -0.12] }],
    ground: ['heelL'],
  },
  'hands-on-table-behind': {
    view: 'side',
    end: posed(STANDING, {
      height: 0.47,
      spine: [-6],
      left: onFoot(0.1, -0.09),
      right: onFoot(0.1, 0.09),
      armLeft: reach([-0.16, 0.52, -0.12], { elbow: [-1, 0.2, -0.2] }),
      armRight: reach([-0.16, 0.52, 0.12], { elbow: [-1, 0.2, 0.2] }),
    }),
    things: [{ kind: 'table', at: [-0.33, 0.49, 0], length: 0.38 }],
    arrows: [{ at: 'hipR', off: [0.1, 0.04, 0], by: [0, -0.1, 0] }],
    ground: ['heelR', 'heelL'],
  },
  'chair-hands-behind': {
    view: 'side',
    end: posed(SITTING, {
      spine: [-8],
      armLeft: reach([-0.18, 0.25, -0.13], { elbow: [-1, 0.2, -0.3] }),
      armRight: reach([-0.18, 0.25, 0.13], { elbow: [-1, 0.2, 0.3] }),
    }),
    things: [{ kind: 'chair', at: [-0.06, 0.225, 0] }],
    arrows: [{ at: 'chest', off: [0.1, 0.02, 0], by: [0.04, 0.11, 0] }],
    ground: ['heelR', 'heelL'],
  },
  'supine-arm-across': {
    view: 'top',
    end: posed(CROOK, {
      armRight: { shoulder: [88, -36], elbow: 6 },
      armLeft: reach('elbowR', { off: [0.05, 0.03, -0.02], elbow: [0.8, 0.2, -0.6] }),
    }),
    arrows: [{ at: 'elbowR', off: [-0.09, 0, 0.06], by: [0, 0, -0.12] }],
    ground: ['heelR', 'heelL'],
  },
  'table-forearm-lean': {
    view: 'quarter',
    end: posed(SITTING, {
      pelvis: [20],
      armRight: reach([0.36, 0.475, 0.3], { elbow: [-0.2, 0.2, 1] }),
      armLeft: reach('kneeL', { off: [-0.06, 0.05, 0] }),
    }),
    things: [STOOL, { kind: 'table', at: [0.26, 0.43, 0.42], length: 0.36 }],
    arrows: [{ at: 'chest', off: [0.12, 0.04, -0.06], by: [0.07, -0.08, 0] }],
    ground: ['heelR', 'heelL'],
  },
};
