import type { Figure } from '../figure.js';
import { CHAIR, posed, reach, SITTING, STANDING, STOOL, SUPINE, onFoot } from './poses.js';

const FOREARM_TABLE = { kind: 'table', at: [0.14, 0.395, 0.1], length: 0.26 } as const;
const onTable = (wrist: number) => ({ shoulder: [38, 4] as const, elbow: 52, wrist });
const BED = { kind: 'box', at: [-0.1, 0, -0.12], size: [1.16, 0.2, 0.5], soft: true } as const;

/** Figures of further arm exercises. */
export const ARM_HOLD_AND_WORK_FIGURES: Readonly<Record<string, Figure>> = {
  'table-arm-behind': {
    view: 'side',
    end: posed(SITTING, {
      spine: [-4],
      armRight: reach([-0.385, 0.47, 0.14], { elbow: [0, -1, 0.2] }),
    }),
    things: [STOOL, { kind: 'table', at: [-0.42, 0.43, 0.1], length: 0.34 }],
    arrows: [{ at: 'chest', off: [0.1, 0.02, 0], by: [0.03, 0.11, 0] }],
    ground: ['heelR', 'heelL'],
  },
  'arm-over-bed-edge': {
    view: 'top',
    end: posed(SUPINE, { height: 0.262, armRight: { shoulder: [-6, 80], elbow: 2 } }),
    things: [BED],
  },
  'slow-elbow-straightening': {
    view: 'side',
    end: posed(SITTING, { pelvis: [-12], armRight: { shoulder: [-22, 10], elbow: 4 } }),
    start: posed(SITTING, { pelvis: [-12], armRight: { shoulder: [-22, 10], elbow: 118 } }),
    things: [CHAIR, { kind: 'weight', at: 'handR' }],
    arrows: [{ at: 'handR', off: [0.1, 0.1, 0], by: [0, -0.12, 0] }],
    ground: ['heelR', 'heelL'],
  },
  'band-curl': {
    view: 'side',
    end: posed(SITTING, { armRight: { shoulder: [8, 8], elbow: 118 } }),
    start: posed(SITTING, { armRight: { shoulder: [8, 8], elbow: 40 } }),
    things: [STOOL, { kind: 'strap', through: ['handR', 'ballR'] }],
    arrows: [{ at: 'handR', off: [0.08, -0.08, 0], by: [-0.02, 0.12, 0] }],
    ground: ['heelR', 'heelL'],
  },
  'strap-behind-head': {
    view: 'back',
    end: posed(SITTING, {
      armRight: reach('neck', { off: [-0.08, -0.02, 0.03], elbow: [0.1, 1, 0.25] }),
      armLeft: reach([-0.1, 0.36, 0.01], { elbow: [-0.2, -0.2, -1] }),
    }),
    things: [STOOL, { kind: 'strap', through: ['handR', 'handL'] }],
    arrows: [{ at: 'handL', off: [-0.02, -0.03, 0.06], by: [0, -0.11, 0] }],
    ground: ['heelR', 'heelL'],
  },
  'overhead-elbow-lowering': {
    view: 'side',
    end: posed(SITTING, {
      armLeft: reach('head', { off: [-0.13, 0.02, -0.02], elbow: [0.5, 1, -0.3] }),
      armRight: reach('head', { off: [-0.13, 0.02, 0.02], elbow: [0.5, 1, 0.3] }),
    }),
    start: posed(SITTING, {
      armLeft: { shoulder: [172, -4], elbow: 8 },
      armRight: { shoulder: [172, -4], elbow: 8 },
    }),
    things: [STOOL, { kind: 'weight', at: 'handR' }],
    arrows: [{ at: 'handR', off: [-0.07, 0.1, 0], by: [0, -0.11, 0] }],
    ground: ['heelR', 'heelL'],
  },
  'table-press': {
    view: 'side',
    end: posed(STANDING, {
      pelvis: [8],
      armLeft: reach([0.23, 0.5, -0.13], { elbow: [-1, -0.2, -0.3] }),
      armRight: reach([0.23, 0.5, 0.13], { elbow: [-1, -0.2, 0.3] }),
    }),
    start: posed(STANDING, {
      pelvis: [16],
      height: 0.51,
      left: onFoot(0, -0.08),
      right: onFoot(0, 0.08),
      armLeft: reach([0.23, 0.5, -0.13], { elbow: [-1, -0.2, -0.3] }),
      armRight: reach([0.23, 0.5, 0.13], { elbow: [-1, -0.2, 0.3] }),
    }),
    things: [{ kind: 'table', at: [0.36, 0.47, 0], length: 0.4 }],
    arrows: [{ at: 'handR', off: [0.02, 0.14, 0], by: [0, -0.1, 0] }],
    ground: ['heelR', 'heelL'],
  },
  'palms-on-table-lean': {
    view: 'side',
    end: posed(STANDING, {
      pelvis: [18],
      height: 0.52,
      left: onFoot(-0.06, -0.08),
      right: onFoot(-0.06, 0.08),
      armLeft: reach([0.2, 0.475, -0.13], { elbow: [-1, 0, -0.1], points: [1, -0.06, 0] }),
      armRight: reach([0.2, 0.475, 0.13], { elbow: [-1, 0, 0.1], points: [1, -0.06, 0] }),
    }),
    things: [{ kind: 'table', at: [0.32, 0.45, 0], length: 0.4 }],
    arrows: [{ at: 'shoulderR', off: [0.08, 0.02, 0], by: [0.1, -0.03, 0] }],
    ground: ['heelR', 'heelL'],
  },
  'palm-up-wrist-lowering': {
    view: 'side',
    end: posed(SITTING, { armRight: onTable(-52) }),
    start: posed(SITTING, { armRight: onTable(20) }),
    things: [STOOL, FOREARM_TABLE, { kind: 'weight', at: 'handR' }],
    arrows: [{ at: 'handR', off: [0.08, 0.08, 0], by: [0, -0.11, 0] }],
    ground: ['heelR', 'heelL'],
  },
  'palm-down-wrist-lowering': {
    view: 'side',
    end: posed(SITTING, { armRight: onTable(-52) }),
    start: posed(SITTING, { armRight: onTable(30) }),
    things: [STOOL, FOREARM_TABLE, { kind: 'weight', at: 'handR' }],
    arrows: [{ at: 'handR', off: [0.08, 0.08, 0], by: [0, -0.11, 0] }],
    ground: ['heelR', 'heelL'],
  },
  'soft-ball-squeeze': {
    view: 'side',
    end: posed(SITTING, { armRight: { shoulder: [20, 6], elbow: 76 } }),
    things: [STOOL, { kind: 'round', at: 'handR', off: [0.01, 0.01, 0], radius: 0.03, half: 0.03 }],
    ground: ['heelR', 'heelL'],
  },
  'forearm-on-ball': {
    view: 'side',
    end: posed(SITTING, {
      armRight: { shoulder: [48, 4], elbow: 44 },
      armLeft: reach('wristR', { off: [-0.05, 0.035, 0], elbow: [0.3, 0, -1] }),
    }),
    start: posed(SITTING, {
      armRight: { shoulder: [40, 4], elbow: 52 },
      armLeft: reach('wristR', { off: [-0.05, 0.035, 0], elbow: [0.3, 0, -1] }),
    }),
    things: [
      STOOL,
      { kind: 'table', at: [0.3, 0.38, 0.1], length: 0.44 },
      { kind: 'round', at: [0.2, 0.405, 0.13], radius: 0.025, half: 0.025 },
    ],
    arrows: [{ at: 'handR', off: [0.0, 0.07, 0], by: [0.11, 0, 0] }],
    ground: ['heelR', 'heelL'],
  },
  'finger-fan': {
    view: 'side',
    end: posed(SITTING, { armLeft: onTable(38), armRight: onTable(38) }),
    start: posed(SITTING, { armLeft: onTable(0), armRight: onTable(0) }),
    things: [STOOL, FOREARM_TABLE],
    arrows: [{ at: 'handR', off: [0.09, -0.04, 0], by: [0, 0.11, 0] }],
    ground: ['heelR', 'heelL'],
  },
  'ball-on-forearm': {
    view: 'side',
    end: posed(SITTING, {
      armRight: onTable(0),
      armLeft: reach('wristR', { off: [-0.04, 0.07, 0], elbow: [0.2, 0.3, -1] }),
    }),
    start: posed(SITTING, {
      armRight: onTable(0),
      armLeft: reach('wristR', { off: [-0.09, 0.07, 0], elbow: [0.2, 0.3, -1] }),
    }),
    things: [
      STOOL,
      { kind: 'table', at: [0.24, 0.395, 0.1], length: 0.4 },
      { kind: 'round', at: 'wristR', off: [-0.05, 0.045, 0], radius: 0.024, half: 0.024 },
    ],
    arrows: [{ at: 'wristR', off: [-0.04, 0.14, 0], by: [0.11, 0, 0] }],
    ground: ['heelR', 'heelL'],
  },
  'wrist-circles': {
    view: 'front',
    end: posed(SITTING, {
      armLeft: { shoulder: [10, 10, 20], elbow: 96, wrist: 24 },
      armRight: { shoulder: [10, 10, 20], elbow: 96, wrist: 24 },
    }),
    start: posed(SITTING, {
      armLeft: { shoulder: [10, 10, -4], elbow: 96, wrist: -24 },
      armRight: { shoulder: [10, 10, -4], elbow: 96, wrist: -24 },
    }),
    things: [STOOL],
    arrows: [
      { at: 'handR', off: [0, 0.04, 0.04], by: [0, 0.02, 0.09] },
      { at: 'handL', off: [0, 0.04, -0.04], by: [0, 0.02, -0.09] },
    ],
    ground: ['heelR', 'heelL'],
  },
};
