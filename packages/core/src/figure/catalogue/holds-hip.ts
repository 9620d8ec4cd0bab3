import type { Figure } from '../figure.js';
import { CHAIR, FLOOR_SEAT, onFoot, ON_LEFT_SIDE, posed, reach, SITTING, STANDING, STOOL, SUPINE } from './poses.js';

/** Figures of further holds of the hip: on a chair, standing, on a bed. */
export const HIP_HOLD_FIGURES: Readonly<Record<string, Figure>> = {
  'half-seat-hip-flexor': {
    view: 'side',
    end: posed(SITTING, {
      left: onFoot(0.25, -0.1),
      right: onFoot(-0.33, 0.1, { onToes: true }),
      armLeft: reach('kneeL', { off: [-0.06, 0.05, 0] }),
      armRight: reach('hipR', { off: [0.02, 0.08, 0.05], elbow: [-1, -0.2, 0.4] }),
    }),
    things: [{ kind: 'chair', at: [0.02, 0.225, -0.1] }],
    arrows: [{ at: 'hipR', off: [0.09, 0.06, 0], by: [0.11, 0.01, 0] }],
    ground: ['ballR', 'heelL'],
  },
  'side-foot-on-step': {
    view: 'front',
    end: posed(STANDING, {
      height: 0.45,
      left: onFoot(0, -0.08),
      right: { foot: [0, 0.07, 0.442], turnOut: 0 },
      armLeft: reach([0.02, 0.8, -0.33], { points: [0.1, 1, 0], elbow: [0, -1, 0] }),
      armRight: reach('hipR', { off: [0.03, 0.07, 0.05], elbow: [0, 0, 1] }),
    }),
    things: [
      { kind: 'box', at: [0.02, 0, 0.45], size: [0.3, 0.07, 0.2] },
      { kind: 'wall', right: -0.35 },
    ],
    arrows: [{ at: 'hipL', off: [0.06, 0.06, -0.1], by: [0, -0.11, 0] }],
    ground: ['heelL'],
  },
  'wide-knee-chair-lean': {
    view: 'front',
    end: posed(SITTING, {
      pelvis: [30],
      spine: [4],
      left: { foot: [0.2, 0, -0.28], knee: [1, 0.3, -0.9], turnOut: 34 },
      right: { foot: [0.2, 0, 0.28], knee: [1, 0.3, 0.9], turnOut: 34 },
      armLeft: reach('ankleL', { off: [0.03, 0.1, 0.07], elbow: [0.3, 0.2, -1] }),
      armRight: reach('ankleR', { off: [0.03, 0.1, -0.07], elbow: [0.3, 0.2, 1] }),
    }),
    things: [STOOL],
    arrows: [
      { at: 'kneeR', off: [0, 0.07, 0.0], by: [0, 0, 0.11] },
      { at: 'kneeL', off: [0, 0.07, 0.0], by: [0, 0, -0.11] },
    ],
    ground: ['heelR', 'heelL'],
  },
  'lying-soles-together': {
    view: 'top',
    end: posed(SUPINE, {
      height: FLOOR_SEAT,
      left: { foot: [0.27, 0.012, -0.025], knee: [0.1, 0.3, -1], turnOut: 0 },
      right: { foot: [0.27, 0.012, 0.025], knee: [0.1, 0.3, 1], turnOut: 0 },
      armLeft: { shoulder: [-6, 40], elbow: 10 },
      armRight: { shoulder: [-6, 40], elbow: 10 },
    }),
    things: [
      { kind: 'box', at: [0.14, 0, -0.25], size: [0.18, 0.06, 0.14], soft: true },
      { kind: 'box', at: [0.14, 0, 0.25], size: [0.18, 0.06, 0.14], soft: true },
    ],
    arrows: [
      { at: 'kneeR', off: [0.07, 0, -0.02], by: [0, 0, 0.11] },
      { at: 'kneeL', off: [0.07, 0, 0.02], by: [0, 0, -0.11] },
    ],
  },
  'chair-knee-hug': {
    view: 'side',
    end: posed(SITTING, {
      right: { hip: [116, 2], knee: 116, ankle: -10 },
      armLeft: reach('kneeR', { off: [0.02, -0.06, -0.05], elbow: [-0.3, -1, -0.6] }),
      armRight: reach('kneeR', { off: [0.02, -0.06, 0.02], elbow: [-0.3, -1, 0.6] }),
    }),
    things: [CHAIR],
    arrows: [{ at: 'kneeR', off: [0.1, 0.02, 0], by: [-0.09, 0.05, 0] }],
    ground: ['heelL'],
  },
  'foot-on-chair-lean': {
    view: 'side',
    end: posed(STANDING, {
      pelvis: [46],
      height: 0.525,
      neck: [-10],
      left: onFoot(0, -0.08),
      right: { foot: [0.27, 0.24, 0.09] },
      armLeft: reach([0.5, 0.5, -0.08], { elbow: [0, -1, -0.4] }),
      armRight: reach([0.5, 0.5, 0.1], { elbow: [0, -1, 0.4] }),
    }),
    things: [{ kind: 'chair', at: [0.37, 0.24, 0.05], back: true, turned: true }],
    arrows: [{ at: 'neck', off: [0.02, 0.2, 0], by: [0.11, -0.06, 0] }],
    ground: ['heelL', 'toeL'],
  },
  'side-lying-knee-draw': {
    view: 'top',
    end: posed(ON_LEFT_SIDE, {
      left: { hip: [10, 0], knee: 12, ankle: -15 },
      right: { hip: [116, 0], knee: 112, ankle: -10 },
      armLeft: { shoulder: [110, 0], elbow: 60 },
      armRight: reach('kneeR', { off: [0.02, 0.04, 0], elbow: [0.2, 1, 0] }),
    }),
    arrows: [{ at: 'kneeR', off: [0.05, 0, -0.1], by: [-0.03, 0, 0.11] }],
  },
  'shin-on-table': {
    view: 'quarter',
    end: posed(STANDING, {
      pelvis: [34],
      height: 0.525,
      spine: [4],
      neck: [-8],
      left: onFoot(-0.02, -0.08),
      right: { foot: [0.22, 0.425, -0.12], knee: [0.5, 0.15, 1], ankle: 0 },
      armLeft: reach([0.34, 0.45, -0.24], { elbow: [0, -0.4, -1] }),
      armRight: reach([0.24, 0.45, 0.26], { elbow: [0, -0.4, 1] }),
    }),
    things: [{ kind: 'table', at: [0.36, 0.425, 0], length: 0.56 }],
    arrows: [{ at: 'head', off: [0.04, 0.12, 0], by: [0.14, -0.06, 0] }],
    ground: ['heelL'],
  },
  'crossed-thigh-turn': {
    view: 'front',
    end: posed(SITTING, {
      spine: [0, 0, 24],
      neck: [0, 0, 10],
      left: onFoot(0.245, -0.06),
      right: { hip: [104, -18], knee: 82, ankle: -24 },
      armLeft: reach('kneeR', { off: [-0.01, 0.05, 0.03] }),
      armRight: reach([-0.1, 0.26, 0.2], { elbow: [-0.3, 0, 1] }),
    }),
    things: [STOOL],
    arrows: [{ at: 'kneeR', off: [0.02, 0.09, 0.07], by: [0, 0, -0.12] }],
    ground: ['heelL'],
  },
};
