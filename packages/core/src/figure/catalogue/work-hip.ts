import type { Figure } from '../figure.js';
import type { Arm } from '../posture.js';
import { CROOK, LONG_SITTING, onFoot, posed, reach, SITTING, STANDING, STOOL, SUPINE } from './poses.js';

const ON_SEAT: { armLeft: Arm; armRight: Arm } = {
  armLeft: reach([0.02, 0.26, -0.19], { elbow: [-1, 0, -0.4] }),
  armRight: reach([0.02, 0.26, 0.19], { elbow: [-1, 0, 0.4] }),
};
const AT_KNEE: { armLeft: Arm; armRight: Arm } = {
  armLeft: reach('kneeL', { off: [0.03, 0.05, 0], elbow: [0, 0, -1] }),
  armRight: reach('kneeL', { off: [0.02, 0.05, 0.04], elbow: [0, 0, 1] }),
};
const CHAIR_AHEAD = { kind: 'chair', at: [0.38, 0.24, 0], back: true } as const;
const ON_CHAIR_BACK: { armLeft: Arm; armRight: Arm } = {
  armLeft: reach([0.26, 0.56, -0.11], { elbow: [-0.4, -1, -0.6] }),
  armRight: reach([0.26, 0.56, 0.11], { elbow: [-0.4, -1, 0.6] }),
};
const HUGGED = { hip: [118, 4], knee: 132, ankle: -10 } as const;

/** Figures of hip exercises that work: activations, slow lowerings and presses. */
export const HIP_WORK_FIGURES: Readonly<Record<string, Figure>> = {
  'edge-leg-lowering': {
    view: 'side',
    end: posed(SUPINE, {
      height: 0.372,
      left: HUGGED,
      right: { hip: [-16, 3], knee: 50, ankle: -10 },
      ...AT_KNEE,
    }),
    start: posed(SUPINE, { height: 0.372, left: HUGGED, right: { hip: [96, 3], knee: 92, ankle: -10 }, ...AT_KNEE }),
    things: [{ kind: 'box', at: [-0.24, 0, 0], size: [0.56, 0.31, 0.4] }],
    arrows: [{ at: 'kneeR', off: [0.05, 0.1, 0], by: [0.02, -0.12, 0] }],
  },
  'chair-knee-lift': {
    view: 'side',
    end: posed(SITTING, { right: { hip: [106, 3], knee: 98, ankle: -4 }, ...ON_SEAT }),
    start: posed(SITTING, ON_SEAT),
    things: [STOOL],
    arrows: [{ at: 'kneeR', off: [0.07, -0.05, 0], by: [0, 0.11, 0] }],
    ground: ['heelL'],
  },
  'cushion-squeeze': {
    view: 'quarter',
    end: posed(CROOK, {
      left: { foot: [0.27, 0, -0.07], knee: [0.2, 1, 0] },
      right: { foot: [0.27, 0, 0.07], knee: [0.2, 1, 0] },
    }),
    things: [{ kind: 'box', at: [0.14, 0.25, 0], size: [0.1, 0.1, 0.08], soft: true }],
    arrows: [
      { at: 'kneeR', off: [0, 0.06, 0.1], by: [0, 0, -0.08] },
      { at: 'kneeL', off: [0, 0.06, -0.1], by: [0, 0, 0.08] },
    ],
    ground: ['heelR', 'heelL'],
  },
  'sliding-side-lunge': {
    view: 'back',
    end: posed(STANDING, {
      pelvis: [22],
      height: 0.35,
      left: { foot: [0, 0, -0.18], knee: [1, 0, -0.5], turnOut: 14 },
      right: { foot: [0, 0, 0.47], turnOut: 4 },
      ...ON_CHAIR_BACK,
    }),
    start: posed(STANDING, {
      pelvis: [8],
      height: 0.51,
      left: onFoot(0, -0.14),
      right: onFoot(0, 0.1),
      ...ON_CHAIR_BACK,
    }),
    things: [CHAIR_AHEAD, { kind: 'box', at: [0.03, -0.008, 0.47], size: [0.2, 0.008, 0.13], soft: true }],
    arrows: [{ at: 'ankleR', off: [0, 0.09, 0.0], by: [0, 0, 0.12] }],
    ground: ['heelR', 'heelL'],
  },
  'slow-step-down': {
    view: 'side',
    end: posed(STANDING, {
      pelvis: [34],
      height: 0.46,
      forward: -0.05,
      right: { foot: [0, 0.1, 0.09] },
      left: { foot: [0.14, 0.004, -0.09], ankle: 'flat' },
      armRight: reach([0.3, 0.72, 0.18]),
    }),
    start: posed(STANDING, {
      height: 0.628,
      right: { foot: [0, 0.1, 0.09] },
      left: { foot: [0.12, 0.12, -0.09], ankle: 0 },
      armRight: reach([0.28, 0.8, 0.18]),
    }),
    things: [
      { kind: 'box', at: [0, 0, 0.09], size: [0.24, 0.1, 0.26] },
      { kind: 'box', at: [0.31, 0, 0.18], size: [0.03, 0.8, 0.03] },
    ],
    arrows: [{ at: 'heelL', off: [0.1, 0.12, 0], by: [0, -0.11, 0] }],
    ground: ['heelL'],
  },
  'front-shin-press': {
    view: 'front-high',
    end: posed(LONG_SITTING, {
      height: 0.075,
      pelvis: [16],
      right: { foot: [0.21, 0.01, -0.12], knee: [0.6, 0.05, 1], ankle: -10 },
      left: { foot: [-0.16, 0.005, -0.34], knee: [0.35, 0.05, -1], ankle: -30 },
      armLeft: reach([0.14, 0.02, -0.26]),
      armRight: reach([0.1, 0.02, 0.28]),
    }),
    things: [{ kind: 'box', at: [-0.02, 0, 0.1], size: [0.14, 0.02, 0.16], soft: true }],
    arrows: [
      { at: 'kneeR', off: [0.06, 0.12, 0.02], by: [0, -0.1, 0] },
      { at: 'ankleR', off: [0.06, 0.14, -0.06], by: [0, -0.1, 0] },
    ],
  },
  'chair-foot-swings': {
    view: 'front',
    end: posed(SITTING, { right: { hip: [93, 4, -28], knee: 86, ankle: 0 }, ...ON_SEAT }),
    start: posed(SITTING, { right: { hip: [93, 4, 18], knee: 86, ankle: 0 }, ...ON_SEAT }),
    things: [STOOL],
    arrows: [{ at: 'ankleR', off: [0, 0.05, 0.04], by: [0, 0.01, 0.11] }],
    ground: ['heelL'],
  },
  'slow-hip-lowering': {
    view: 'back',
    end: posed(STANDING, {
      pelvis: [0, -9],
      height: 0.62,
      spine: [0, 9],
      right: { foot: [0, 0.1, 0.09] },
      left: { hip: [0, 4], knee: 0, ankle: 0 },
      armRight: reach([0.12, 0.78, 0.3], { elbow: [-1, -0.4, 0.4] }),
    }),
    start: posed(STANDING, {
      pelvis: [0, 5],
      height: 0.626,
      spine: [0, -5],
      right: { foot: [0, 0.1, 0.09] },
      left: { hip: [0, 4], knee: 0, ankle: 0 },
      armRight: reach([0.12, 0.78, 0.3], { elbow: [-1, -0.4, 0.4] }),
    }),
    things: [
      { kind: 'box', at: [0.02, 0, 0.16], size: [0.26, 0.1, 0.24] },
      { kind: 'box', at: [0.12, 0, 0.31], size: [0.03, 0.8, 0.03] },
    ],
    arrows: [{ at: 'hipL', off: [0, 0.06, -0.08], by: [0, -0.12, 0] }],
  },
  'standing-side-leg-lift': {
    view: 'back',
    end: posed(STANDING, {
      left: onFoot(0, -0.06),
      height: 0.528,
      right: { hip: [-8, 26], knee: 0, ankle: 0 },
      ...ON_CHAIR_BACK,
    }),
    start: posed(STANDING, { left: onFoot(0, -0.06), right: onFoot(0, 0.08), height: 0.528, ...ON_CHAIR_BACK }),
    things: [CHAIR_AHEAD],
    arrows: [{ at: 'ankleR', off: [0, 0.04, 0.05], by: [0, 0.04, 0.11] }],
    ground: ['heelL'],
  },
};
