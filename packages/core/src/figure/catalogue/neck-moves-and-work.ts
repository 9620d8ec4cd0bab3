import type { Figure } from '../figure.js';
import { CROOK, onFoot, posed, reach, SITTING, STANDING, STOOL, HANG } from './poses.js';

const FLAT = { kind: 'box', at: [-0.42, 0, 0], size: [0.16, 0.02, 0.26], soft: true } as const;
const HANGING = { armLeft: HANG, armRight: HANG };

/** Figures of further neck exercises. */
export const NECK_MOVES_AND_WORK_FIGURES: Readonly<Record<string, Figure>> = {
  'neck-side-directions': {
    view: 'front',
    end: posed(SITTING, { neck: [14, -30], ...HANGING }),
    start: posed(SITTING, { neck: [0, -30], ...HANGING }),
    things: [STOOL],
    arrows: [{ at: 'crown', off: [0, 0.03, 0.02], by: [0, -0.03, -0.11] }],
  },
  'wall-ball-blade-corner': {
    view: 'side',
    end: posed(STANDING, { height: 0.47, pelvis: [-4], left: onFoot(0.12, -0.09), right: onFoot(0.12, 0.09) }),
    start: posed(STANDING, { height: 0.515, pelvis: [-4], left: onFoot(0.12, -0.09), right: onFoot(0.12, 0.09) }),
    things: [
      { kind: 'wall', forward: -0.165 },
      { kind: 'round', at: 'neck', off: [-0.095, -0.02, 0.05], radius: 0.03, half: 0.03 },
    ],
    arrows: [{ at: 'hipR', off: [0.12, 0.06, 0], by: [0, -0.1, 0] }],
    ground: ['heelR', 'heelL'],
  },
  'shrug-slow-lowering': {
    view: 'front',
    start: posed(SITTING, { ...HANGING, blades: { left: [0.05], right: [0.05] } }),
    end: posed(SITTING, { ...HANGING, blades: { left: [-0.01], right: [-0.01] } }),
    things: [STOOL],
    arrows: [
      { at: 'shoulderR', off: [0, 0.11, 0.07], by: [0, -0.11, 0] },
      { at: 'shoulderL', off: [0, 0.11, -0.07], by: [0, -0.11, 0] },
    ],
  },
  'shoulder-rolls': {
    view: 'side',
    start: posed(SITTING, { ...HANGING, blades: { left: [0.045, 0.03], right: [0.045, 0.03] } }),
    end: posed(SITTING, { ...HANGING, blades: { left: [0, -0.04], right: [0, -0.04] } }),
    things: [STOOL],
    arrows: [{ at: 'shoulderR', off: [-0.05, 0.075, 0], by: [-0.035, -0.11, 0] }],
  },
  'neck-turn-hold': {
    view: 'front',
    end: posed(SITTING, { neck: [4, 0, 60] }),
    start: posed(SITTING, {}),
    things: [STOOL],
    arrows: [{ at: 'crown', off: [0, 0.05, -0.06], by: [0, 0, 0.13] }],
  },
  'collar-bone-turn': {
    view: 'front',
    end: posed(SITTING, {
      neck: [0, 0, 56],
      armRight: reach('neck', { off: [0.06, -0.03, 0.06], elbow: [0.2, -1, 0.8] }),
    }),
    start: posed(SITTING, { armRight: reach('neck', { off: [0.06, -0.03, 0.06], elbow: [0.2, -1, 0.8] }) }),
    things: [STOOL],
    arrows: [{ at: 'crown', off: [0, 0.05, -0.06], by: [0, 0, 0.13] }],
  },
  'lying-head-turns': {
    view: 'top',
    end: posed(CROOK, { neck: [0, 0, 54] }),
    start: posed(CROOK, { neck: [0, 0, -54] }),
    things: [FLAT],
    arrows: [{ at: 'crown', off: [-0.05, 0, -0.06], by: [0, 0, 0.12] }],
    ground: ['heelR', 'heelL'],
  },
  'lying-nod-lift': {
    view: 'side',
    end: posed(CROOK, { neck: [16] }),
    start: posed(CROOK, {}),
    arrows: [{ at: 'head', off: [-0.03, 0.1, 0], by: [0.1, 0.01, 0] }],
    ground: ['heelR', 'heelL'],
  },
  'chin-glides': {
    view: 'side',
    end: posed(SITTING, { spine: [-3], neck: [2] }),
    start: posed(SITTING, { spine: [6], neck: [14] }),
    things: [STOOL],
    arrows: [{ at: 'head', off: [0.2, 0, 0], by: [-0.12, 0, 0] }],
  },
  'head-press-cushion': {
    view: 'side',
    end: posed(CROOK, { neck: [6] }),
    things: [FLAT],
    arrows: [{ at: 'head', off: [0, 0.19, 0], by: [0, -0.11, 0] }],
    ground: ['heelR', 'heelL'],
  },
  'nod-directions': {
    view: 'front',
    end: posed(SITTING, { spine: [4], neck: [40, 0, -24] }),
    start: posed(SITTING, { spine: [4], neck: [44] }),
    things: [STOOL],
    arrows: [{ at: 'crown', off: [0, 0.05, 0.02], by: [0, 0, -0.12] }],
  },
};
