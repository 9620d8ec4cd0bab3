import type { BodyPoint, PointInSpace } from './posture.js';

/** A thing in a drawing, in the same world as the body. */
export type Thing =
  /** A wall across the way forward, at a distance; or beside the body. */
  | { readonly kind: 'wall'; readonly forward?: number; readonly right?: number }
  /** A solid with level sides: step, block, bench, bed, cushion. */
  | {
      readonly kind: 'box';
      readonly at: PointInSpace;
      /** Length forward, height, breadth; `at` is the middle of its bottom. */
      readonly size: PointInSpace;
      readonly soft?: boolean;
    }
  /** A seat on four legs, with a back behind it when `back` is set. `at` is the middle of the seat's top. */
  | { readonly kind: 'chair'; readonly at: PointInSpace; readonly back?: boolean; readonly turned?: boolean }
  | { readonly kind: 'table'; readonly at: PointInSpace; readonly length?: number }
  /** A roller across the way forward, or `along` it; a ball where it is as broad as high. `at` is its middle. */
  | {
      readonly kind: 'round';
      readonly at: PointInSpace | BodyPoint;
      readonly off?: PointInSpace;
      readonly radius: number;
      readonly half: number;
      readonly along?: boolean;
    }
  /** Something long that hands and feet hold: strap, band, rope. */
  | { readonly kind: 'strap'; readonly through: readonly (BodyPoint | PointInSpace)[] }
  /** A stick through two points, longer than between them. */
  | {
      readonly kind: 'stick';
      readonly through: readonly [BodyPoint | PointInSpace, BodyPoint | PointInSpace];
      readonly longer?: number;
    }
  | { readonly kind: 'weight'; readonly at: BodyPoint; readonly off?: PointInSpace };

/** An arrow beside the body: where it starts, and how far it goes. */
export interface Arrow {
  readonly at: BodyPoint | PointInSpace;
  readonly off?: PointInSpace;
  readonly by: PointInSpace;
}

const mirroredPoint = (at: BodyPoint | PointInSpace, other: (p: BodyPoint) => BodyPoint): BodyPoint | PointInSpace =>
  typeof at === 'string' ? other(at) : [at[0], at[1], -at[2]];
const mirroredOff = <T extends { readonly off?: PointInSpace }>(x: T) =>
  x.off ? { off: [x.off[0], x.off[1], -x.off[2]] as PointInSpace } : {};

/** A thing on the other side. */
export function mirroredThing(t: Thing, other: (p: BodyPoint) => BodyPoint): Thing {
  switch (t.kind) {
    case 'wall':
      return t.right === undefined ? t : { ...t, right: -t.right };
    case 'box':
    case 'chair':
    case 'table':
      return { ...t, at: [t.at[0], t.at[1], -t.at[2]] };
    case 'round':
      return { ...t, at: mirroredPoint(t.at, other), ...mirroredOff(t) };
    case 'weight':
      return { ...t, at: other(t.at), ...mirroredOff(t) };
    case 'strap':
      return { ...t, through: t.through.map((p) => mirroredPoint(p, other)) };
    case 'stick':
      return { ...t, through: [mirroredPoint(t.through[0], other), mirroredPoint(t.through[1], other)] };
  }
}

/** An arrow on the other side. */
export function mirroredArrow(a: Arrow, other: (p: BodyPoint) => BodyPoint): Arrow {
  return { ...a, at: mirroredPoint(a.at, other), ...mirroredOff(a), by: [a.by[0], a.by[1], -a.by[2]] };
}
