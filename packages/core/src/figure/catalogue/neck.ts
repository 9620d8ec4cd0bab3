import type { Figure } from '../figure.js';
import { CROOK, posed, reach, SITTING, STANDING, STOOL, SUPINE } from './poses.js';

const UNDER_SEAT = reach([0, 0.27, 0.2], { elbow: [-0.2, 0, 1] });

/** Figures of the neck. */
export const NECK_FIGURES: Readonly<Record<string, Figure>> = {
  'seated-ear-to-shoulder': {
    view: 'front',
    end: posed(SITTING, {
      neck: [0, -34],
      armRight: UNDER_SEAT,
    }),
    things: [STOOL],
    arrows: [{ at: 'shoulderR', off: [0, 0.06, 0.05], by: [0, -0.1, 0] }],
  },
  'ear-to-shoulder-hand': {
    view: 'front',
    end: posed(SITTING, {
      neck: [0, -34],
      armRight: UNDER_SEAT,
      armLeft: reach('head', { off: [0.01, 0.07, 0.04], elbow: [0, 0.5, -1] }),
    }),
    things: [STOOL],
    arrows: [{ at: 'shoulderR', off: [0, 0.06, 0.05], by: [0, -0.1, 0] }],
  },
  'lying-hand-tucked-trapezius': {
    view: 'top',
    end: posed(SUPINE, {
      neck: [0, -30, 18],
      armRight: reach('hipR', { off: [0.02, -0.05, -0.01], elbow: [-0.4, 0, 1] }),
      blades: { right: [-0.01] },
    }),
    arrows: [{ at: 'head', off: [-0.02, 0, -0.08], by: [0.05, 0, -0.07] }],
  },
  'nose-to-armpit': {
    view: 'front',
    end: posed(SITTING, {
      neck: [34, -14, -38],
      armRight: UNDER_SEAT,
    }),
    things: [STOOL],
    arrows: [{ at: 'head', off: [0.1, -0.06, -0.1], by: [0, -0.1, -0.06] }],
  },
  'nose-to-armpit-hand': {
    view: 'front',
    end: posed(SITTING, {
      neck: [34, -14, -38],
      armRight: UNDER_SEAT,
      armLeft: reach('head', { off: [-0.02, 0.07, 0.0], elbow: [0, 0.5, -1] }),
    }),
    things: [STOOL],
    arrows: [{ at: 'head', off: [0.1, -0.06, -0.1], by: [0, -0.1, -0.06] }],
  },
  'standing-shoulder-drop': {
    view: 'back',
    end: posed(STANDING, {
      neck: [0, -30],
      armRight: reach([-0.1, 0.5, -0.04], { elbow: [-0.2, 0, 1] }),
      armLeft: reach('wristR', { off: [-0.02, 0, -0.01], elbow: [-0.3, 0, -1] }),
    }),
    arrows: [{ at: 'wristR', off: [-0.05, -0.05, 0], by: [0, -0.07, -0.09] }],
  },
  'lying-head-roll': {
    view: 'top',
    end: posed(SUPINE, { neck: [0, -30] }),
    arrows: [
      { at: 'head', off: [-0.02, 0, -0.08], by: [0.05, 0, -0.07] },
      { at: 'handR', off: [0.03, 0, 0.05], by: [0.12, 0, 0] },
    ],
  },
  'seated-side-neck': {
    view: 'front',
    end: posed(SITTING, {
      neck: [0, -32],
      armLeft: reach('shoulderR', { off: [0.05, 0.0, -0.06], elbow: [0.3, -1, -0.4] }),
      armRight: reach('shoulderR', { off: [0.05, -0.03, -0.05], elbow: [0.3, -1, 0.8] }),
    }),
    things: [STOOL],
    arrows: [{ at: 'crown', off: [0, 0.03, 0.03], by: [0, -0.02, -0.12] }],
  },
  'seated-neck-turns': {
    view: 'front',
    end: posed(SITTING, { neck: [0, 0, 58] }),
    start: posed(SITTING, { neck: [0, 0, -58] }),
    things: [STOOL],
    arrows: [{ at: 'crown', off: [0, 0.05, -0.06], by: [0, 0, 0.13] }],
  },
  'seated-chin-nod': {
    view: 'side',
    end: posed(SITTING, {
      spine: [6],
      neck: [48],
    }),
    things: [STOOL],
    arrows: [{ at: 'head', off: [0.05, 0.12, 0], by: [0.08, -0.09, 0] }],
  },
  'nod-hands': {
    view: 'side',
    end: posed(SITTING, {
      spine: [6],
      neck: [48],
      armLeft: reach('head', { off: [-0.055, 0.03, -0.03], elbow: [1, -0.2, -0.5] }),
      armRight: reach('head', { off: [-0.055, 0.03, 0.03], elbow: [1, -0.2, 0.5] }),
    }),
    things: [STOOL],
    arrows: [{ at: 'head', off: [0.05, 0.12, 0], by: [0.08, -0.09, 0] }],
  },
  'lying-chin-tuck': {
    view: 'side',
    end: posed(CROOK, { neck: [10] }),
    things: [{ kind: 'box', at: [-0.42, 0, 0], size: [0.16, 0.02, 0.26], soft: true }],
    arrows: [{ at: 'head', off: [-0.02, 0.1, 0], by: [0.1, 0, 0] }],
  },
  'lying-neck-front': {
    view: 'side',
    end: posed(CROOK, { height: 0.066, pelvis: [-76], spine: [-14], neck: [-26] }),
    things: [{ kind: 'box', at: [-0.22, 0, 0], size: [0.16, 0.06, 0.3], soft: true }],
    arrows: [{ at: 'head', off: [-0.02, 0.1, 0], by: [-0.1, -0.01, 0] }],
  },
  'collar-bone-chin-lift': {
    view: 'side',
    end: posed(SITTING, {
      neck: [-44],
      armLeft: reach('neck', { off: [0.05, -0.04, -0.03], elbow: [0.4, -1, -0.4] }),
      armRight: reach('neck', { off: [0.05, -0.04, 0.03], elbow: [0.4, -1, 0.4] }),
    }),
    things: [STOOL],
    arrows: [{ at: 'head', off: [0.07, 0.08, 0], by: [-0.06, 0.09, 0] }],
  },
  'slanted-chin-lift': {
    view: 'front',
    end: posed(SITTING, {
      neck: [-22, -28, 10],
      armLeft: reach('neck', { off: [0.05, -0.075, 0.07], elbow: [0.4, -1, -0.4], points: [0, -0.1, 1] }),
    }),
    things: [STOOL],
    arrows: [{ at: 'crown', off: [0, 0.04, 0.03], by: [0, 0.01, -0.12] }],
  },
};
