import type { Figure } from '../figure.js';
import { onFoot, posed, PRONE, reach, SITTING, STANDING, STOOL } from './poses.js';

/** Figures of rolling and pressing with a ball, a stick or a roller. */
export const RELEASE_FIGURES: Readonly<Record<string, Figure>> = {
  'stick-shin-roll': {
    view: 'quarter',
    end: posed(SITTING, {
      pelvis: [36],
      spine: [22],
      neck: [-4],
      right: { foot: [0.31, 0, 0.1] },
      armLeft: reach([0.33, 0.17, -0.02], { elbow: [-0.2, 0, -1] }),
      armRight: reach([0.33, 0.17, 0.22], { elbow: [-0.2, 0, 1] }),
    }),
    start: posed(SITTING, {
      pelvis: [26],
      spine: [12],
      right: { foot: [0.31, 0, 0.1] },
      armLeft: reach([0.32, 0.24, -0.02], { elbow: [-0.2, 0, -1] }),
      armRight: reach([0.32, 0.24, 0.22], { elbow: [-0.2, 0, 1] }),
    }),
    things: [STOOL, { kind: 'stick', through: ['handL', 'handR'], longer: 0.04 }],
    arrows: [{ at: 'kneeR', off: [0.12, -0.02, 0.04], by: [0.02, -0.12, 0] }],
  },
  'inner-thigh-roll': {
    view: 'top',
    end: posed(PRONE, {
      height: 0.13,
      pelvis: [86],
      spine: [-20],
      neck: [-10],
      right: { hip: [24, 74], knee: 84, ankle: -40 },
      armLeft: reach([0.4, 0.02, -0.13], { elbow: [-0.35, -1, 0] }),
      armRight: reach([0.4, 0.02, 0.13], { elbow: [-0.35, -1, 0] }),
    }),
    things: [{ kind: 'box', at: [0.05, 0, 0.25], size: [0.34, 0.09, 0.09] }],
    arrows: [{ at: [0.26, 0.1, 0.25], by: [0, 0, 0.12] }],
  },
  'wall-ball-buttock': {
    view: 'back',
    end: posed(STANDING, {
      height: 0.46,
      pelvis: [4, 3],
      left: onFoot(0.08, -0.14),
      right: onFoot(0.08, 0.03),
      armLeft: reach('hipL', { off: [0.03, 0.07, -0.05], elbow: [-0.3, 0, -1] }),
      armRight: reach('hipR', { off: [0.06, 0.09, 0.0], elbow: [0.6, -0.4, 1] }),
    }),
    start: posed(STANDING, {
      height: 0.51,
      pelvis: [4, 3],
      left: onFoot(0.08, -0.14),
      right: onFoot(0.08, 0.03),
      armLeft: reach('hipL', { off: [0.03, 0.07, -0.05], elbow: [-0.3, 0, -1] }),
      armRight: reach('hipR', { off: [0.06, 0.09, 0.0], elbow: [0.6, -0.4, 1] }),
    }),
    things: [
      { kind: 'wall', right: 0.22 },
      { kind: 'round', at: 'hipR', off: [-0.05, 0.03, 0.06], radius: 0.032, half: 0.032 },
    ],
    arrows: [{ at: 'hipL', off: [0, 0.06, -0.1], by: [0, -0.1, 0] }],
    ground: ['heelR', 'heelL'],
  },
  'wall-ball-outer-hip': {
    view: 'front',
    end: posed(STANDING, {
      height: 0.46,
      pelvis: [0, 3],
      left: onFoot(0.06, -0.14),
      right: onFoot(0.06, 0.03),
      armLeft: reach('hipL', { off: [0.03, 0.07, -0.05], elbow: [-0.3, 0, -1] }),
      armRight: reach([0.2, 0.74, 0.2], { elbow: [-0.4, -1, 0.3] }),
    }),
    start: posed(STANDING, {
      height: 0.51,
      pelvis: [0, 3],
      left: onFoot(0.06, -0.14),
      right: onFoot(0.06, 0.03),
      armLeft: reach('hipL', { off: [0.03, 0.07, -0.05], elbow: [-0.3, 0, -1] }),
      armRight: reach([0.2, 0.78, 0.2], { elbow: [-0.4, -1, 0.3] }),
    }),
    things: [
      { kind: 'wall', right: 0.22 },
      { kind: 'round', at: 'hipR', off: [0.02, 0.06, 0.08], radius: 0.032, half: 0.032 },
    ],
    arrows: [{ at: 'hipL', off: [0.06, 0.06, -0.1], by: [0, -0.1, 0] }],
    ground: ['heelR', 'heelL'],
  },
  'wall-ball-blade': {
    view: 'side',
    end: posed(STANDING, {
      height: 0.46,
      pelvis: [-4],
      left: onFoot(0.12, -0.09),
      right: onFoot(0.12, 0.09),
      armRight: reach('shoulderL', { off: [0.04, 0, 0], elbow: [1, -0.6, 0.3] }),
    }),
    start: posed(STANDING, {
      height: 0.515,
      pelvis: [-4],
      left: onFoot(0.12, -0.09),
      right: onFoot(0.12, 0.09),
      armRight: reach('shoulderL', { off: [0.04, 0, 0], elbow: [1, -0.6, 0.3] }),
    }),
    things: [
      { kind: 'wall', forward: -0.15 },
      { kind: 'round', at: 'chest', off: [-0.1, 0.05, 0.05], radius: 0.03, half: 0.03 },
    ],
    arrows: [{ at: 'hipR', off: [0.12, 0.06, 0], by: [0, -0.1, 0] }],
    ground: ['heelR', 'heelL'],
  },
  'wall-ball-chest': {
    view: 'side',
    end: posed(STANDING, { pelvis: [4], height: 0.525, left: onFoot(-0.03, -0.08), right: onFoot(-0.03, 0.08) }),
    things: [
      { kind: 'wall', forward: 0.145 },
      { kind: 'round', at: 'shoulderR', off: [0.075, -0.05, -0.05], radius: 0.03, half: 0.03 },
    ],
    ground: ['heelR', 'heelL'],
  },
  'wall-ball-shoulder': {
    view: 'side',
    end: posed(STANDING, {
      height: 0.48,
      pelvis: [-4, 0, 30],
      left: onFoot(0.12, -0.09),
      right: onFoot(0.12, 0.09),
      armRight: reach('shoulderL', { off: [0.06, 0, 0.02], elbow: [1, -0.3, 0.3] }),
    }),
    start: posed(STANDING, {
      height: 0.515,
      pelvis: [-4, 0, 30],
      left: onFoot(0.12, -0.09),
      right: onFoot(0.12, 0.09),
      armRight: reach('shoulderL', { off: [0.06, 0, 0.02], elbow: [1, -0.3, 0.3] }),
    }),
    things: [
      { kind: 'wall', forward: -0.19 },
      { kind: 'round', at: 'shoulderR', off: [-0.055, -0.03, 0.0], radius: 0.03, half: 0.03 },
    ],
    arrows: [{ at: 'hipR', off: [0.12, 0.06, 0], by: [0, -0.1, 0] }],
    ground: ['heelR', 'heelL'],
  },
};
