import type { Figure } from '../figure.js';
import { posed, reach, SITTING, STANDING, STOOL } from './poses.js';

/** Figures of breathing. */
export const BREATHING_FIGURES: Readonly<Record<string, Figure>> = {
  'sitting-long-breath': {
    view: 'side',
    end: posed(SITTING, {
      armLeft: reach('waist', { off: [0.08, -0.02, -0.03], elbow: [-0.3, -0.6, -1] }),
      armRight: reach('waist', { off: [0.08, -0.02, 0.03], elbow: [-0.3, -0.6, 1] }),
    }),
    things: [STOOL],
    arrows: [{ at: 'head', off: [0.09, -0.03, 0], by: [0.13, -0.02, 0] }],
    ground: ['heelR', 'heelL'],
  },
  'table-back-breathing': {
    view: 'side',
    end: posed(SITTING, {
      pelvis: [26],
      spine: [40],
      neck: [4],
      armLeft: reach([0.5, 0.395, 0.03], { elbow: [0.2, 0, -1] }),
      armRight: reach([0.5, 0.395, -0.03], { elbow: [0.2, 0, 1] }),
    }),
    things: [STOOL, { kind: 'table', at: [0.52, 0.36, 0], length: 0.44 }],
    arrows: [{ at: 'chest', off: [-0.06, 0.08, 0], by: [-0.06, 0.1, 0] }],
    ground: ['heelR', 'heelL'],
  },
  'rising-arms-breath': {
    view: 'front',
    end: posed(STANDING, { armLeft: { shoulder: [4, 140], elbow: 8 }, armRight: { shoulder: [4, 140], elbow: 8 } }),
    start: STANDING,
    arrows: [
      { at: 'handR', off: [0, -0.14, 0.04], by: [0, 0.11, 0.03] },
      { at: 'handL', off: [0, -0.14, -0.04], by: [0, 0.11, -0.03] },
    ],
    ground: ['heelR', 'heelL'],
  },
};
