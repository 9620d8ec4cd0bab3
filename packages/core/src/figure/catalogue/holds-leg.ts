import type { Figure } from '../figure.js';
import type { Arm } from '../posture.js';
import { CROOK, onFoot, posed, reach, SITTING, STANDING, STOOL, SUPINE } from './poses.js';

const onWall = (forward: number, up: number): { armLeft: Arm; armRight: Arm } => ({
  armLeft: reach([forward, up, -0.12], { points: [0.25, 1, 0] }),
  armRight: reach([forward, up, 0.12], { points: [0.25, 1, 0] }),
});
/** Both hands at a strap in front of the chest, sitting. */
const AT_STRAP: { armLeft: Arm; armRight: Arm } = {
  armLeft: reach([0.2, 0.38, -0.02], { elbow: [-0.4, -1, -0.5] }),
  armRight: reach([0.2, 0.38, 0.06], { elbow: [-0.4, -1, 0.5] }),
};
const BED = { kind: 'box', at: [0.26, 0, 0.12], size: [1.0, 0.225, 0.34], soft: true } as const;

/** Figures of further holds of foot and thigh: on a chair, a bed, in a doorway. */
export const LEG_HOLD_FIGURES: Readonly<Record<string, Figure>> = {
  'towel-toe-pull': {
    view: 'side',
    end: posed(SITTING, {
      left: onFoot(0.2, -0.1),
      right: { foot: [0.428, 0.004, 0.1], ankle: 6, toes: 42 },
      ...AT_STRAP,
    }),
    things: [STOOL, { kind: 'strap', through: ['handR', 'toeR'] }],
    arrows: [{ at: 'toeR', off: [0.01, 0.05, 0], by: [-0.09, 0.05, 0] }],
    ground: ['heelR'],
  },
  'chair-strap-calf': {
    view: 'side',
    end: posed(SITTING, {
      pelvis: [16],
      left: onFoot(0.2, -0.1),
      right: { foot: [0.428, 0.004, 0.1], ankle: 16 },
      armLeft: reach([0.26, 0.34, -0.02], { elbow: [-0.4, -1, -0.5] }),
      armRight: reach([0.26, 0.34, 0.06], { elbow: [-0.4, -1, 0.5] }),
    }),
    things: [STOOL, { kind: 'strap', through: ['handR', 'ballR'] }],
    arrows: [{ at: 'toeR', off: [0.0, 0.05, 0], by: [-0.1, 0.03, 0] }],
    ground: ['heelR'],
  },
  'foot-under-chair': {
    view: 'side',
    end: posed(SITTING, {
      pelvis: [8],
      forward: 0.04,
      left: onFoot(0.3, -0.1),
      right: { foot: [0.05, 0.052, 0.1], ankle: -64, knee: [1, 0.2, 0] },
    }),
    things: [STOOL],
    arrows: [{ at: 'ankleR', off: [0.05, 0.05, 0], by: [0.05, -0.08, 0] }],
  },
  'doorway-hamstring': {
    view: 'side',
    end: posed(SUPINE, { right: { hip: [80, 0], knee: 2, ankle: 0 } }),
    things: [{ kind: 'box', at: [0.155, 0, 0.1], size: [0.05, 0.86, 0.06] }],
    arrows: [{ at: 'pelvis', off: [-0.1, 0.1, 0], by: [0.12, 0, 0] }],
    ground: ['heelL'],
  },
  'bed-long-leg-sit': {
    view: 'side',
    end: posed(SITTING, {
      pelvis: [22],
      spine: [4],
      right: { hip: [112, 2], knee: 0, ankle: 0 },
      left: { foot: [0.2, 0, -0.2], knee: [1, 0, -0.4] },
      armLeft: reach([0.2, 0.26, -0.04]),
      armRight: reach([0.24, 0.26, 0.2]),
    }),
    things: [BED],
    arrows: [{ at: 'neck', off: [0.13, 0.12, 0], by: [0.1, -0.07, 0] }],
    ground: ['heelL'],
  },
  'half-seat-quadriceps': {
    view: 'side',
    end: posed(SITTING, {
      left: onFoot(0.25, -0.1),
      right: { hip: [26, 3], knee: 112, ankle: -62 },
      armLeft: reach('kneeL', { off: [-0.06, 0.05, 0] }),
      armRight: reach('hipR', { off: [0.04, 0.06, 0.05], elbow: [-1, -0.2, 0.5] }),
    }),
    things: [{ kind: 'chair', at: [-0.02, 0.225, -0.1] }],
    arrows: [{ at: 'kneeR', off: [0.06, 0.04, 0], by: [-0.02, -0.09, 0] }],
  },
  'foot-on-seat-quadriceps': {
    view: 'side',
    end: posed(STANDING, {
      height: 0.5,
      left: onFoot(0.02, -0.08),
      right: { hip: [-10, 3], knee: 84, ankle: -58 },
      ...onWall(0.3, 0.82),
    }),
    things: [
      { kind: 'wall', forward: 0.32 },
      { kind: 'chair', at: [-0.36, 0.222, 0.06] },
    ],
    arrows: [{ at: 'kneeR', off: [0.05, 0.02, 0], by: [-0.02, -0.11, 0] }],
    ground: ['heelL', 'toeL'],
  },
  'fold-hands-on-blocks': {
    view: 'side',
    end: posed(STANDING, {
      pelvis: [78],
      height: 0.52,
      forward: -0.08,
      neck: [-6],
      left: onFoot(0, -0.08),
      right: onFoot(0, 0.08),
      armLeft: reach([0.22, 0.22, -0.12], { elbow: [0, 0.3, -1] }),
      armRight: reach([0.22, 0.22, 0.12], { elbow: [0, 0.3, 1] }),
    }),
    things: [{ kind: 'box', at: [0.23, 0, 0], size: [0.1, 0.2, 0.32] }],
    arrows: [{ at: 'pelvis', off: [-0.07, 0.05, 0], by: [-0.07, 0.1, 0] }],
    ground: ['heelR', 'heelL'],
  },
  'rope-leg-raise': {
    view: 'side',
    end: posed(CROOK, {
      right: { hip: [84, 0], knee: 3, ankle: 4 },
      armLeft: reach([-0.1, 0.3, -0.05], { elbow: [0.2, -1, -0.8] }),
      armRight: reach([-0.1, 0.3, 0.05], { elbow: [0.2, -1, 0.8] }),
    }),
    start: posed(CROOK, {
      right: { hip: [30, 0], knee: 3, ankle: 4 },
      armLeft: reach([0.0, 0.22, -0.05], { elbow: [0.2, -1, -0.8] }),
      armRight: reach([0.0, 0.22, 0.05], { elbow: [0.2, -1, 0.8] }),
    }),
    things: [{ kind: 'strap', through: ['handR', 'ballR'] }],
    arrows: [{ at: 'heelR', off: [0.1, -0.04, 0], by: [-0.08, 0.09, 0] }],
  },
  'heel-forward-hinge': {
    view: 'side',
    end: posed(STANDING, {
      pelvis: [44],
      height: 0.45,
      neck: [-12],
      left: onFoot(0.02, -0.08),
      right: { foot: [0.264, 0.004, 0.08], ankle: 4 },
      armLeft: reach('kneeL', { off: [-0.06, 0.06, 0], elbow: [0, -0.6, -1] }),
      armRight: reach('kneeL', { off: [-0.06, 0.06, 0.05], elbow: [0, -0.6, 1] }),
    }),
    arrows: [{ at: 'neck', off: [0.17, 0.13, 0], by: [0.09, -0.07, 0] }],
    ground: ['heelL', 'heelR'],
  },
};
