import type { Seen } from './view.js';

/** Numbers of a path: a tenth of a hundredth of body height is finer than any screen. */
export const short = (n: number): string => String(Math.round(n * 10) / 10);

/** A circle as a path. */
export function circle(c: Seen, r: number): string {
  return `M${short(c.x - r)} ${short(c.y)}a${short(r)} ${short(r)} 0 1 0 ${short(2 * r)} 0a${short(r)} ${short(r)} 0 1 0 ${short(-2 * r)} 0Z`;
}

/** Two circles and all between them: a limb with round ends that may taper. */
export function taper(a: Seen, ra: number, b: Seen, rb: number): string {
  const dx = b.x - a.x;
  const dy = b.y - a.y;
  const d = Math.hypot(dx, dy);
  if (d <= Math.abs(ra - rb) + 0.01) return ra >= rb ? circle(a, ra) : circle(b, rb);
  const way = Math.atan2(dy, dx);
  const open = Math.acos((ra - rb) / d);
  const on = (c: Seen, r: number, angle: number) =>
    `${short(c.x + r * Math.cos(angle))} ${short(c.y + r * Math.sin(angle))}`;
  const large = (angle: number) => (angle > Math.PI ? 1 : 0);
  return (
    `M${on(a, ra, way + open)}A${short(ra)} ${short(ra)} 0 ${large(2 * Math.PI - 2 * open)} 1 ${on(a, ra, way - open)}` +
    `L${on(b, rb, way - open)}A${short(rb)} ${short(rb)} 0 ${large(2 * open)} 1 ${on(b, rb, way + open)}Z`
  );
}

/** A closed polygon. */
export function polygon(points: readonly Seen[]): string {
  return `M${points.map((p) => `${short(p.x)} ${short(p.y)}`).join('L')}Z`;
}

/** An open line. */
export function line(points: readonly Seen[]): string {
  return `M${points.map((p) => `${short(p.x)} ${short(p.y)}`).join('L')}`;
}

/** The smallest convex polygon around points (Andrew 1979, monotone chain). */
export function hull(points: readonly Seen[]): Seen[] {
  const sorted = [...points].sort((a, b) => a.x - b.x || a.y - b.y);
  const turns = (o: Seen, a: Seen, b: Seen) => (a.x - o.x) * (b.y - o.y) - (a.y - o.y) * (b.x - o.x);
  const chain = (list: readonly Seen[]) => {
    const out: Seen[] = [];
    for (const p of list) {
      while (out.length >= 2 && turns(out[out.length - 2]!, out[out.length - 1]!, p) <= 0) out.pop();
      out.push(p);
    }
    return out.slice(0, -1);
  };
  return [...chain(sorted), ...chain(sorted.reverse())];
}
