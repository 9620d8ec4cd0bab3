import type { PointInSpace } from './posture.js';

/**
 * From where a figure is seen: from its right or left, front, back, above (either way up), between right (left) and front, a little from
 * above, or from the front or back and well above: for legs that lie apart or cross.
 */
export const VIEWS = [
  'side',
  'side-left',
  'front',
  'back',
  'top',
  'top-turned',
  'quarter',
  'quarter-left',
  'front-high',
  'back-high',
] as const;
export type FigureView = (typeof VIEWS)[number];

/** A point of a drawing: to the right, down (as in SVG), and towards the viewer. Body height = 100. */
export interface Seen {
  readonly x: number;
  readonly y: number;
  readonly near: number;
}

const YAW = (38 * Math.PI) / 180;
const PITCH = (14 * Math.PI) / 180;
/** How far above the front or the back a high view is. */
const HIGH = (36 * Math.PI) / 180;
/** Body height in the units of a drawing. */
export const SCALE = 100;

/** The view of the other side that shows a mirrored body as the mirror of the first picture. */
export function otherView(view: FigureView): FigureView {
  if (view === 'side' || view === 'quarter') return `${view}-left`;
  return view === 'side-left' ? 'side' : view === 'quarter-left' ? 'quarter' : view;
}

/** A place as it is seen, without perspective. */
export function seen([forward, up, right]: PointInSpace, view: FigureView): Seen {
  const at = (x: number, y: number, near: number): Seen => ({ x: x * SCALE, y: -y * SCALE, near: near * SCALE });
  switch (view) {
    case 'side':
      return at(forward, up, right);
    case 'side-left':
      return at(-forward, up, -right);
    case 'front':
      return at(-right, up, forward);
    case 'back':
      return at(right, up, -forward);
    case 'top':
      return at(forward, -right, up);
    case 'top-turned':
      return at(-forward, right, up);
    case 'front-high':
    case 'back-high': {
      const ahead = view === 'front-high' ? forward : -forward;
      const across = view === 'front-high' ? -right : right;
      return at(across, Math.cos(HIGH) * up - Math.sin(HIGH) * ahead, Math.cos(HIGH) * ahead + Math.sin(HIGH) * up);
    }
    case 'quarter-left': {
      const other = seen([forward, up, -right], 'quarter');
      return { ...other, x: -other.x };
    }
    case 'quarter': {
      const x = Math.cos(YAW) * forward - Math.sin(YAW) * right;
      const near = Math.sin(YAW) * forward + Math.cos(YAW) * right;
      return at(x, Math.cos(PITCH) * up - Math.sin(PITCH) * near, Math.cos(PITCH) * near + Math.sin(PITCH) * up);
    }
  }
}
