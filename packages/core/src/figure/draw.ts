import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import type { Side } from '../anatomy/side.js';
import { add, inWorld, minus, times, unit } from './geometry.js';
import { circle, hull, line, polygon, short, taper } from './outline.js';
import { type BodyPoint, type PointInSpace } from './posture.js';
import { RADIUS } from './proportions.js';
import { pointsOf, type Skeleton } from './skeleton.js';
import { stripOf } from './stretched.js';
import type { Arrow, Thing } from './things.js';
import { SCALE, seen, type FigureView, type Seen } from './view.js';

/** What a shape stands for; the style sheet gives it its colour. */
export type ShapeRole =
  | 'near'
  | 'far'
  | 'face'
  | 'stretched'
  | 'stretched-behind'
  | 'thing'
  | 'thing-soft'
  | 'held'
  | 'floor'
  | 'mat'
  | 'arrow';

/** One SVG path. Filled, but for lines, which have a width. */
export interface Shape {
  readonly role: ShapeRole;
  readonly d: string;
  readonly width?: number;
}

/** A drawing: shapes from back to front in a box (SVG viewBox); body height is 100. */
export interface Drawing {
  readonly shapes: readonly Shape[];
  readonly box: { readonly x: number; readonly y: number; readonly width: number; readonly height: number };
}

/** What is drawn around and on the body. */
export interface DrawOptions {
  readonly view: FigureView;
  readonly stretched?: readonly { readonly group: MuscleGroupId; readonly side: Side }[];
  readonly things?: readonly Thing[];
  readonly arrows?: readonly Arrow[];
}

interface Part {
  readonly shape: Shape;
  readonly near: number;
}

const r = (radius: number): number => radius * SCALE;

class Sheet {
  private readonly points: Seen[] = [];
  constructor(readonly view: FigureView) {}

  see(place: PointInSpace, radius = 0): Seen {
    const p = seen(place, this.view);
    this.points.push(
      { ...p, x: p.x - r(radius), y: p.y - r(radius) },
      { ...p, x: p.x + r(radius), y: p.y + r(radius) },
    );
    return p;
  }

  get bounds() {
    const xs = this.points.map((p) => p.x);
    const ys = this.points.map((p) => p.y);
    return { left: Math.min(...xs), right: Math.max(...xs), top: Math.min(...ys), bottom: Math.max(...ys) };
  }
}

/** Trunk as one outline: shoulders, waist and hips with round corners. */
function trunk(sheet: Sheet, s: Skeleton, p: Record<BodyPoint, PointInSpace>): Part {
  const see = (place: PointInSpace, radius: number) => sheet.see(place, radius);
  const half = 0.075;
  const wide = (at: PointInSpace, frame: 'lumbar' | 'thorax', k: number) =>
    add(at, inWorld(s.frames[frame], [0, 0, k]));
  const shoulders = [p.shoulderL, p.shoulderR].map((q) => see(add(q, inWorld(s.frames.thorax, [0, -0.02, 0])), 0.036));
  const ribs = [wide(p.chest, 'lumbar', -half), wide(p.chest, 'lumbar', half)].map((q) => see(q, 0.058));
  const waist = [wide(p.waist, 'lumbar', -0.056), wide(p.waist, 'lumbar', 0.056)].map((q) => see(q, 0.05));
  const hips = [p.hipL, p.hipR].map((q) => see(q, 0.055));
  const mid = (a: readonly Seen[]): Seen => ({
    x: (a[0]!.x + a[1]!.x) / 2,
    y: (a[0]!.y + a[1]!.y) / 2,
    near: (a[0]!.near + a[1]!.near) / 2,
  });
  const quad = (a: readonly Seen[], b: readonly Seen[]) => polygon(hull([...a, ...b]));
  const d = [
    taper(shoulders[0]!, r(0.036), shoulders[1]!, r(0.036)),
    taper(hips[0]!, r(0.055), hips[1]!, r(0.055)),
    ...[0, 1].flatMap((i) => [
      taper(shoulders[i]!, r(0.036), ribs[i]!, r(0.05)),
      taper(ribs[i]!, r(0.05), waist[i]!, r(0.044)),
      taper(waist[i]!, r(0.044), hips[i]!, r(0.055)),
    ]),
    taper(mid(shoulders), r(0.05), mid(ribs), r(0.06)),
    taper(mid(ribs), r(0.06), mid(waist), r(0.054)),
    taper(mid(waist), r(0.054), mid(hips), r(0.06)),
    quad(shoulders, ribs),
    quad(ribs, waist),
    quad(waist, hips),
  ].join('');
  return { shape: { role: 'near', d }, near: mid([mid(shoulders), mid(hips)]).near };
}

/** The limbs of the other side are paler where the sides lie behind one another. */
const isFar = (view: FigureView, side: 'L' | 'R', behind: boolean): boolean =>
  behind &&
  (view.startsWith('side') || (view === 'quarter' && side === 'L') || (view === 'quarter-left' && side === 'R'));

function limbs(sheet: Sheet, p: Record<BodyPoint, PointInSpace>, trunkNear: number): Part[] {
  const see = (place: PointInSpace, radius: number) => sheet.see(place, radius);
  const out: Part[] = [];
  for (const k of ['L', 'R'] as const) {
    const [hip, knee, ankle] = [see(p[`hip${k}`], 0.048), see(p[`knee${k}`], 0.034), see(p[`ankle${k}`], 0.024)];
    const up: PointInSpace = times(
      unit(minus(p[`ankle${k}`], add(p[`heel${k}`], times(minus(p[`ball${k}`], p[`heel${k}`]), 0.3)))),
      0.018,
    );
    const heel = see(add(p[`heel${k}`], up), 0.018);
    const ball = see(add(p[`ball${k}`], times(up, 0.8)), 0.015);
    const toe = see(add(p[`toe${k}`], times(up, 0.6)), 0.011);
    const [shoulder, elbow, wrist] = [
      see(p[`shoulder${k}`], 0.03),
      see(p[`elbow${k}`], 0.024),
      see(p[`wrist${k}`], 0.018),
    ];
    const tip = see(add(p[`wrist${k}`], times(minus(p[`hand${k}`], p[`wrist${k}`]), 1.55)), 0.014);
    const mean = (...list: Seen[]) => list.reduce((a, b) => a + b.near, 0) / list.length;
    const part = (d: string, near: number): Part => ({
      near,
      shape: {
        d,
        role: isFar(sheet.view, k, near < trunkNear - 3) ? 'far' : 'near',
      },
    });
    out.push(
      part(
        taper(hip, r(0.05), knee, r(0.035)) +
          taper(knee, r(0.035), ankle, r(0.024)) +
          taper(heel, r(0.02), ball, r(0.015)) +
          taper(ball, r(0.015), toe, r(0.011)) +
          taper(ankle, r(0.022), heel, r(0.02)),
        mean(hip, knee, ankle),
      ),
      part(
        taper(shoulder, r(0.032), elbow, r(0.025)) +
          taper(elbow, r(0.025), wrist, r(0.018)) +
          taper(wrist, r(0.019), tip, r(0.014)),
        mean(elbow, wrist),
      ),
    );
  }
  return out;
}

function headParts(sheet: Sheet, s: Skeleton, p: Record<BodyPoint, PointInSpace>): Part[] {
  const head = sheet.see(p.head, RADIUS.head);
  const neck = sheet.see(p.neck, RADIUS.neck);
  const nose = sheet.see(add(p.head, inWorld(s.frames.head, [RADIUS.head * 0.98, -0.006, 0])), 0.012);
  const ahead = Math.hypot(nose.x - head.x, nose.y - head.y);
  const facing = nose.near - head.near > 2.4;
  const bump = ahead > r(RADIUS.head) * 0.45 ? circle(nose, r(0.014)) : '';
  const parts: Part[] = [
    // Never over the face, also when the head leans back.
    { near: Math.min(neck.near, head.near), shape: { role: 'near', d: taper(neck, r(0.03), head, r(RADIUS.neck)) } },
    { near: head.near + 0.01, shape: { role: 'near', d: circle(head, r(RADIUS.head)) + (facing ? '' : bump) } },
  ];
  if (facing) {
    // Seen from the front: where the nose is says where the face looks.
    const at = { ...nose, x: head.x + (nose.x - head.x) * 0.75, y: head.y + (nose.y - head.y) * 0.75 };
    const up = inWorld(s.frames.head, [RADIUS.head * 0.7, 0.026, 0]);
    const bridge = sheet.see(add(p.head, up), 0);
    parts.push({ near: head.near + 0.02, shape: { role: 'face', d: line([bridge, at]), width: 1.6 } });
  }
  return parts;
}

function corners([f, u, g]: PointInSpace, [l, h, b]: PointInSpace): PointInSpace[] {
  return [-1, 1].flatMap((x) =>
    [0, 1].flatMap((y) => [-1, 1].map((z): PointInSpace => [f + (x * l) / 2, u + y * h, g + (z * b) / 2])),
  );
}

function thingParts(sheet: Sheet, t: Thing, p: Record<BodyPoint, PointInSpace>): Part[] {
  const placeOf = (at: BodyPoint | PointInSpace): PointInSpace => (typeof at === 'string' ? p[at] : at);
  const solid = (at: PointInSpace, size: PointInSpace, soft = false): Part => {
    const all = corners(at, size).map((c) => sheet.see(c));
    // From well above, height counts as nearness: what is tall would stand before the body that it is behind.
    const nearest = sheet.view.endsWith('-high') ? Math.min : Math.max;
    return {
      near: nearest(...all.map((c) => c.near)) - 40,
      shape: { role: soft ? 'thing-soft' : 'thing', d: polygon(hull(all)) },
    };
  };
  switch (t.kind) {
    case 'wall': {
      if (t.forward !== undefined)
        return [solid([t.forward + 0.02, 0, 0], [0.04, 1.06, /^(front|back)/.test(sheet.view) ? 0.9 : 0.5])];
      const at = t.right ?? 0;
      return [solid([0, 0, at + Math.sign(at) * 0.02], [0.5, 1.06, 0.04])];
    }
    case 'box':
      return [solid(t.at, t.size, t.soft)];
    case 'chair':
      return chairOf(t).map(([at, size]) => solid(at, size));
    case 'table': {
      const l = t.length ?? 0.5;
      const top = t.at[1];
      return [
        solid([t.at[0], top - 0.025, t.at[2]], [l, 0.025, 0.5]),
        ...[-1, 1].map((x) => solid([t.at[0] + x * (l / 2 - 0.03), 0, t.at[2]], [0.025, top - 0.02, 0.42])),
      ];
    }
    case 'round': {
      const c = add(placeOf(t.at), t.off ?? [0, 0, 0]);
      // As broad as it is high: a ball, round from everywhere.
      if (t.half === t.radius) {
        const at = sheet.see(c, t.radius);
        return [{ near: at.near + r(t.radius) - 40, shape: { role: 'thing', d: circle(at, r(t.radius)) } }];
      }
      const ring = [-1, 1]
        .flatMap((end) =>
          Array.from({ length: 20 }, (_, i): PointInSpace => {
            const a = (i * Math.PI) / 10;
            const [out, up, on] = [t.radius * Math.cos(a), t.radius * Math.sin(a), end * t.half];
            return add(c, t.along ? [on, up, out] : [out, up, on]);
          }),
        )
        .map((q) => sheet.see(q));
      return [{ near: Math.max(...ring.map((q) => q.near)) - 40, shape: { role: 'thing', d: polygon(hull(ring)) } }];
    }
    case 'weight': {
      const c = add(p[t.at], t.off ?? [0, 0, 0]);
      const all = corners(add(c, [0, -0.028, 0]), [0.085, 0.056, 0.056]).map((q) => sheet.see(q));
      return [{ near: 200, shape: { role: 'thing', d: polygon(hull(all)) } }];
    }
    case 'strap': {
      const all = t.through.map((q) => sheet.see(placeOf(q), 0.01));
      return [{ near: 201, shape: { role: 'held', d: line(all), width: 1.7 } }];
    }
    case 'stick': {
      const [a, b] = [placeOf(t.through[0]), placeOf(t.through[1])];
      const more = times(unit(minus(b, a)), t.longer ?? 0.12);
      return [
        {
          near: 201,
          shape: {
            role: 'held',
            d: line([sheet.see(minus(a, more), 0.01), sheet.see(add(b, more), 0.01)]),
            width: 2.2,
          },
        },
      ];
    }
  }
}

/** Boxes of a chair. Turned, its back is in front of the seat. */
function chairOf(t: Extract<Thing, { kind: 'chair' }>): [PointInSpace, PointInSpace][] {
  const [f, u, g] = t.at;
  const deep = 0.24;
  const way = t.turned ? 1 : -1;
  const legs = [-1, 1].flatMap((x) =>
    [-1, 1].map((z): [PointInSpace, PointInSpace] => [
      [f + x * (deep / 2 - 0.012), 0, g + z * 0.11],
      [0.022, u - 0.02, 0.022],
    ]),
  );
  return [
    [
      [f, u - 0.028, g],
      [deep, 0.028, 0.25],
    ],
    ...legs,
    ...(t.back
      ? [
          [
            [f + way * (deep / 2 - 0.01), u, g],
            [0.022, 0.27, 0.24],
          ] as [PointInSpace, PointInSpace],
        ]
      : []),
  ];
}

function arrowPart(sheet: Sheet, a: Arrow, p: Record<BodyPoint, PointInSpace>): Part {
  const start = add(typeof a.at === 'string' ? p[a.at] : a.at, a.off ?? [0, 0, 0]);
  const from = sheet.see(start, 0.02);
  const to = sheet.see(add(start, a.by), 0.02);
  const way = Math.atan2(to.y - from.y, to.x - from.x);
  const barb = (turn: number) =>
    `${short(to.x - 4.2 * Math.cos(way + turn))} ${short(to.y - 4.2 * Math.sin(way + turn))}`;
  return {
    near: 300,
    shape: {
      role: 'arrow',
      d: `${line([from, to])}M${barb(0.55)}L${short(to.x)} ${short(to.y)}L${barb(-0.55)}`,
      width: 1.7,
    },
  };
}

/** A mat seen from above, round at its corners: what lies on it lies on the floor. */
function mat(x: number, y: number, width: number, height: number): string {
  const c = 4;
  return (
    `M${short(x + c)} ${short(y)}h${short(width - 2 * c)}q${c} 0 ${c} ${c}v${short(height - 2 * c)}q0 ${c} ${-c} ${c}` +
    `h${short(-(width - 2 * c))}q${-c} 0 ${-c} ${-c}v${short(-(height - 2 * c))}q0 ${-c} ${c} ${-c}Z`
  );
}

/** Views in which the floor is a line. */
const onFloor = (view: FigureView): boolean => view.startsWith('side') || view === 'front' || view === 'back';

/** Draws a body with what it holds, what it stretches and where it moves. */
export function draw(s: Skeleton, options: DrawOptions): Drawing {
  const sheet = new Sheet(options.view);
  const p = pointsOf(s);
  const body = trunk(sheet, s, p);
  const parts: Part[] = [body, ...limbs(sheet, p, body.near), ...headParts(sheet, s, p)];
  for (const t of options.things ?? []) parts.push(...thingParts(sheet, t, p));
  for (const { group, side } of options.stretched ?? []) {
    const strip = stripOf(s, group, side);
    const at = strip.places.map((q) => sheet.see(q));
    const under = strip.core.map((q) => seen(q, options.view));
    // Behind the limb as it is seen: drawn, but as something that shines through.
    const behind = at.reduce((a, q, i) => a + q.near - under[i]!.near, 0) / at.length < -1.2;
    parts.push({
      near: 100 + (at[0]?.near ?? 0) / 100,
      shape: { role: behind ? 'stretched-behind' : 'stretched', d: line(at), width: strip.width },
    });
  }
  for (const a of options.arrows ?? []) parts.push(arrowPart(sheet, a, p));
  const { left, right, top, bottom } = sheet.bounds;
  const corner = (x: number, y: number): Seen => ({ x, y, near: 0 });
  const above = options.view === 'top' || options.view === 'top-turned';
  const floor: Shape[] = onFloor(options.view)
    ? [{ role: 'floor', d: line([corner(left - 4, 0.9), corner(right + 4, 0.9)]), width: 1.2 }]
    : above
      ? [{ role: 'mat', d: mat(left - 3, top - 3, right - left + 6, bottom - top + 6) }]
      : [];
  const shapes = [...floor, ...parts.sort((a, b) => a.near - b.near).map((q) => q.shape)];
  const base = !onFloor(options.view) ? bottom : Math.max(bottom, 1.5);
  return {
    shapes,
    box: { x: left - 4, y: top - 3, width: right - left + 8, height: base - top + 6 },
  };
}
