import type { Figure } from '../figure.js';
import type { Arm, Posture } from '../posture.js';
import { CROOK, onFoot, ON_LEFT_SIDE, posed, reach, STANDING } from './poses.js';

const FISTS = (turn: number): { armLeft: Arm; armRight: Arm } => ({
  armLeft: { shoulder: [0, 6, turn], elbow: 90 },
  armRight: { shoulder: [0, 6, turn], elbow: 90 },
});
const OVER_CHEST: { armLeft: Arm; armRight: Arm } = {
  armLeft: { shoulder: [90, -6], elbow: 12 },
  armRight: { shoulder: [90, -6], elbow: 12 },
};
/** On the left side, both knees bent. */
const KNEES_BENT: Posture = posed(ON_LEFT_SIDE, {
  left: { hip: [60, 0], knee: 80, ankle: -15 },
  right: { hip: [60, 0], knee: 80, ankle: -15 },
});

/** Figures of shoulder exercises that work: activations and slow lowerings. */
export const SHOULDER_WORK_FIGURES: Readonly<Record<string, Figure>> = {
  'lying-overhead-lowering': {
    view: 'side',
    end: posed(CROOK, {
      armLeft: reach([-0.6, 0.1, -0.03], { elbow: [0, 0.4, -1] }),
      armRight: reach([-0.6, 0.1, 0.03], { elbow: [0, 0.4, 1] }),
    }),
    start: posed(CROOK, OVER_CHEST),
    things: [{ kind: 'weight', at: 'handR' }],
    arrows: [{ at: 'handR', off: [0.1, 0.16, 0], by: [-0.1, -0.06, 0] }],
    ground: ['heelR', 'heelL'],
  },
  'band-pull-down': {
    view: 'front',
    end: posed(STANDING, {
      armLeft: reach([0.1, 0.86, -0.26], { elbow: [0, -1, -0.7] }),
      armRight: reach([0.1, 0.86, 0.26], { elbow: [0, -1, 0.7] }),
    }),
    start: posed(STANDING, {
      armLeft: reach([0.1, 1.1, -0.2], { elbow: [0, -0.4, -1] }),
      armRight: reach([0.1, 1.1, 0.2], { elbow: [0, -0.4, 1] }),
    }),
    things: [{ kind: 'strap', through: ['handL', [0.3, 1.26, 0], 'handR'] }],
    arrows: [
      { at: 'handR', off: [0, 0.02, 0.06], by: [0, -0.12, 0] },
      { at: 'handL', off: [0, 0.02, -0.06], by: [0, -0.12, 0] },
    ],
    ground: ['heelR', 'heelL'],
  },
  'lying-open-arm-lowering': {
    view: 'top',
    end: posed(CROOK, {
      armLeft: { shoulder: [4, 82], elbow: 28 },
      armRight: { shoulder: [4, 82], elbow: 28 },
    }),
    start: posed(CROOK, OVER_CHEST),
    things: [
      { kind: 'weight', at: 'handR' },
      { kind: 'weight', at: 'handL' },
    ],
    arrows: [
      { at: 'handR', off: [0.09, 0, -0.12], by: [0, 0, 0.11] },
      { at: 'handL', off: [0.09, 0, 0.12], by: [0, 0, -0.11] },
    ],
    ground: ['heelR', 'heelL'],
  },
  'wall-press-away': {
    view: 'side',
    end: posed(STANDING, {
      pelvis: [12],
      spine: [6],
      height: 0.52,
      left: onFoot(-0.1, -0.08),
      right: onFoot(-0.1, 0.08),
      armLeft: reach([0.38, 0.78, -0.14], { elbow: [-0.2, -1, -0.3], points: [0.25, 1, 0] }),
      armRight: reach([0.38, 0.78, 0.14], { elbow: [-0.2, -1, 0.3], points: [0.25, 1, 0] }),
    }),
    start: posed(STANDING, {
      pelvis: [22],
      height: 0.5,
      forward: 0.06,
      left: onFoot(-0.1, -0.08),
      right: onFoot(-0.1, 0.08),
      armLeft: reach([0.38, 0.78, -0.14], { elbow: [-0.6, -1, -0.6], points: [0.25, 1, 0] }),
      armRight: reach([0.38, 0.78, 0.14], { elbow: [-0.6, -1, 0.6], points: [0.25, 1, 0] }),
    }),
    things: [{ kind: 'wall', forward: 0.4 }],
    arrows: [{ at: 'chest', off: [-0.1, 0.05, 0], by: [-0.11, 0.01, 0] }],
    ground: ['heelR', 'heelL'],
  },
  'stick-lift-behind': {
    view: 'side',
    end: posed(STANDING, {
      spine: [-4],
      armLeft: { shoulder: [-36, 4], elbow: 2 },
      armRight: { shoulder: [-36, 4], elbow: 2 },
    }),
    start: posed(STANDING, {
      armLeft: { shoulder: [-12, 4], elbow: 4 },
      armRight: { shoulder: [-12, 4], elbow: 4 },
    }),
    things: [{ kind: 'stick', through: ['handL', 'handR'], longer: 0.1 }],
    arrows: [{ at: 'handR', off: [0.02, -0.07, 0], by: [-0.1, 0.06, 0] }],
    ground: ['heelR', 'heelL'],
  },
  'side-lying-across-lowering': {
    view: 'top',
    end: posed(KNEES_BENT, {
      armRight: { shoulder: [88, 6], elbow: 6 },
    }),
    start: posed(KNEES_BENT, {
      armRight: { shoulder: [10, 84], elbow: 6 },
    }),
    things: [{ kind: 'weight', at: 'handR' }],
    arrows: [{ at: 'handR', off: [-0.12, 0, -0.07], by: [0.1, 0, 0] }],
  },
  'band-outward-turn': {
    view: 'front',
    end: posed(STANDING, FISTS(52)),
    start: posed(STANDING, FISTS(-6)),
    things: [{ kind: 'strap', through: ['handL', 'handR'] }],
    arrows: [
      { at: 'handR', off: [0, 0.06, 0], by: [0, 0, 0.1] },
      { at: 'handL', off: [0, 0.06, 0], by: [0, 0, -0.1] },
    ],
    ground: ['heelR', 'heelL'],
  },
  'side-lying-inward-lowering': {
    view: 'front',
    end: posed(KNEES_BENT, {
      armRight: { shoulder: [4, 4, -48], elbow: 90 },
    }),
    start: posed(KNEES_BENT, {
      armRight: { shoulder: [4, 4, 34], elbow: 90 },
    }),
    things: [{ kind: 'weight', at: 'handR' }],
    arrows: [{ at: 'handR', off: [0.04, 0.13, 0.05], by: [0, -0.11, 0] }],
  },
};
