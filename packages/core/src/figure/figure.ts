import type { Side } from '../anatomy/side.js';
import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import { add, between, times } from './geometry.js';
import { draw, type Drawing } from './draw.js';
import { mirrored, otherPoint, type Blade, type BodyPoint, type PointInSpace, type Posture } from './posture.js';
import { resolve, SEGMENTS, type SegmentId, type Skeleton } from './skeleton.js';
import { mirroredArrow, mirroredThing, type Arrow, type Thing } from './things.js';
import { otherView, type FigureView } from './view.js';

/** A drawn exercise or test: where it ends and, when it moves, where it begins. Drawn for the right side. */
export interface Figure {
  readonly view: FigureView;
  readonly end: Posture;
  readonly start?: Posture;
  readonly things?: readonly Thing[];
  readonly arrows?: readonly Arrow[];
  /** Parts that must touch the floor at the end. */
  readonly ground?: readonly BodyPoint[];
}

/** A figure for the other side. */
export function mirroredFigure(f: Figure): Figure {
  return {
    ...f,
    view: otherView(f.view),
    end: mirrored(f.end),
    ...(f.start ? { start: mirrored(f.start) } : {}),
    ...(f.things ? { things: f.things.map((t) => mirroredThing(t, otherPoint)) } : {}),
    ...(f.arrows ? { arrows: f.arrows.map((a) => mirroredArrow(a, otherPoint)) } : {}),
    ...(f.ground ? { ground: f.ground.map(otherPoint) } : {}),
  };
}

/** A posture between two, `t` from 0 to 1; parts turn the shortest way. */
export function skeletonBetween(a: Skeleton, b: Skeleton, t: number): Skeleton {
  const frames = Object.fromEntries(
    (SEGMENTS as readonly SegmentId[]).map((id) => [id, between(a.frames[id], b.frames[id], t)]),
  );
  const mix = (x: number, y: number) => x * (1 - t) + y * t;
  const blade = (x: Blade, y: Blade): Blade => [mix(x[0], y[0]), mix(x[1] ?? 0, y[1] ?? 0)];
  const root: PointInSpace = add(times(a.root, 1 - t), times(b.root, t));
  return {
    root,
    frames: frames as Skeleton['frames'],
    missedBy: 0,
    toes: { L: mix(a.toes.L, b.toes.L), R: mix(a.toes.R, b.toes.R) },
    blades: { L: blade(a.blades.L, b.blades.L), R: blade(a.blades.R, b.blades.R) },
  };
}

/** How far along a motion of there and back is, 0 to 1: slow at both ends. */
export const easedWay = (phase: number): number => (1 - Math.cos(2 * Math.PI * phase)) / 2;

/**
 * Draws a figure at a moment of its motion.
 * @param side which side is stretched; figures with one form for both sides are the same either way
 * @param t 1 for the end posture, 0 for the start
 */
export function drawFigure(
  figure: Figure,
  options: {
    readonly side: Side;
    readonly groups: readonly MuscleGroupId[];
    readonly both?: boolean;
    readonly t?: number;
  },
): Drawing {
  const f = options.side === 'right' ? figure : mirroredFigure(figure);
  const end = resolve(f.end);
  const t = options.t ?? 1;
  const s = f.start && t < 1 ? skeletonBetween(resolve(f.start), end, t) : end;
  const sides: readonly Side[] = options.both ? ['left', 'right'] : [options.side];
  return draw(s, {
    view: f.view,
    things: f.things ?? [],
    arrows: t === 1 ? (f.arrows ?? []) : [],
    stretched: options.groups.flatMap((group) => sides.map((side) => ({ group, side }))),
  });
}
