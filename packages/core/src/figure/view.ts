import type { Place } from './posture.js';

/** From where a figure is seen: from its right, front, back, above (either way up), or between right and front, a little from above. */
export const VIEWS = ['side', 'front', 'back', 'top', 'top-turned', 'quarter'] as const;
export type FigureView = (typeof VIEWS)[number];

/** A point of a drawing: to the right, down (as in SVG), and towards the viewer. Body height = 100. */
export interface Seen {
  readonly x: number;
  readonly y: number;
  readonly near: number;
}

const YAW = (38 * Math.PI) / 180;
const PITCH = (14 * Math.PI) / 180;
/** Body height in the units of a drawing. */
export const SCALE = 100;

/** A place as it is seen, without perspective. */
export function seen([forward, up, right]: Place, view: FigureView): Seen {
  const at = (x: number, y: number, near: number): Seen => ({ x: x * SCALE, y: -y * SCALE, near: near * SCALE });
  switch (view) {
    case 'side':
      return at(forward, up, right);
    case 'front':
      return at(-right, up, forward);
    case 'back':
      return at(right, up, -forward);
    case 'top':
      return at(forward, -right, up);
    case 'top-turned':
      return at(-forward, right, up);
    case 'quarter': {
      const x = Math.cos(YAW) * forward - Math.sin(YAW) * right;
      const near = Math.sin(YAW) * forward + Math.cos(YAW) * right;
      return at(x, Math.cos(PITCH) * up - Math.sin(PITCH) * near, Math.cos(PITCH) * near + Math.sin(PITCH) * up);
    }
  }
}
