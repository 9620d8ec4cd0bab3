import {
  type PictureWay,
  CoreError,
  errorWords,
  pictureAngle,
  type PicturePoint,
  type PictureReading,
  roundTo,
} from '@yandle/core';

/** Points of a picture that a coach sets. The first three make the angle, the last two the horizon. */
export const POINT_NAMES = ['fixed arm', 'joint', 'moving arm', 'horizon left', 'horizon right'] as const;
export type PointIndex = 0 | 1 | 2 | 3 | 4;
export type Points = readonly [PicturePoint, PicturePoint, PicturePoint, PicturePoint, PicturePoint];

/** What is seen of a picture: a window in its pixels. */
export interface Window {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** Points of a new picture: an open angle in its middle, the horizon near its foot. */
export function startPoints(width: number, height: number): Points {
  const at = (x: number, y: number): PicturePoint => ({ x: Math.round(width * x), y: Math.round(height * y) });
  return [at(0.3, 0.5), at(0.5, 0.5), at(0.62, 0.3), at(0.15, 0.9), at(0.85, 0.9)];
}

/** A point moved and kept inside the picture. */
export function moved(points: Points, i: PointIndex, to: PicturePoint, width: number, height: number): Points {
  const inside = { x: Math.min(width, Math.max(0, to.x)), y: Math.min(height, Math.max(0, to.y)) };
  const next: [...Points] = [...points];
  next[i] = inside;
  return next;
}

/** Zooms about a point that stays where it is on the screen; never beyond the picture. `by` > 1 comes nearer. */
export function zoomed(w: Window, about: PicturePoint, by: number, width: number, height: number): Window {
  const scale = Math.min(1, Math.max(1 / 12, w.width / width / by));
  const next = { width: width * scale, height: height * scale };
  const x = about.x - ((about.x - w.x) / w.width) * next.width;
  const y = about.y - ((about.y - w.y) / w.height) * next.height;
  return {
    ...next,
    x: Math.min(width - next.width, Math.max(0, x)),
    y: Math.min(height - next.height, Math.max(0, y)),
  };
}

/** The angle in tenths, or what is wrong with the points. */
export function angleOf(
  points: Points,
  reading: PictureReading,
  horizon: boolean,
  way: PictureWay = 'either',
): { angle: number } | { error: string } {
  try {
    const [fixed, joint, moving, left, right] = points;
    const angle = pictureAngle(fixed, joint, moving, reading, horizon ? [left, right] : null, way);
    return { angle: roundTo(angle, 1) };
  } catch (err) {
    return { error: err instanceof CoreError ? errorWords(err) : 'The points make no angle.' };
  }
}
