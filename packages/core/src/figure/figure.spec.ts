import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { EXERCISES } from '../catalogue/exercises.js';
import { ROM_TESTS } from '../catalogue/tests.js';
import { FIGURES, figureGroups } from './catalogue/index.js';
import { draw } from './draw.js';
import { drawFigure, easedWay, mirroredFigure, skeletonBetween, type Figure } from './figure.js';
import { frameOf, inFrame, inWorld, twoBones } from './geometry.js';
import { impossible } from './joint-limits.js';
import { hull, taper } from './outline.js';
import { mirrored, otherPoint, type BodyPoint, type PointInSpace, type Posture } from './posture.js';
import { PROPORTIONS, TRUNK } from './proportions.js';
import { clearance, distance, jointAngles, lowest, pointsOf, resolve } from './skeleton.js';
import { seen, VIEWS } from './view.js';

const BONES: readonly (readonly [BodyPoint, BodyPoint, number])[] = (['L', 'R'] as const).flatMap((k) => [
  [`hip${k}`, `knee${k}`, PROPORTIONS.thigh] as const,
  [`knee${k}`, `ankle${k}`, PROPORTIONS.shank] as const,
  [`shoulder${k}`, `elbow${k}`, PROPORTIONS.upperArm] as const,
  [`elbow${k}`, `wrist${k}`, PROPORTIONS.forearm] as const,
]);
const ids = Object.keys(FIGURES);
/** Solid things that a body may lie, sit or stand on above the floor. */
const carried = (id: string) => (FIGURES[id]!.things ?? []).some((t) => t.kind === 'box' || t.kind === 'chair');

describe('figures', () => {
  it('are there for every exercise and every test, and for nothing else', () => {
    expect(new Set(ids)).toEqual(new Set([...EXERCISES, ...ROM_TESTS].map((x) => x.id)));
  });

  describe.each(ids)('%s', (id) => {
    const figure = FIGURES[id]!;
    const postures = [figure.end, ...(figure.start ? [figure.start] : [])];
    it('is a posture that a body can take', () => {
      for (const p of postures) expect(impossible(p, resolve(p))).toEqual([]);
    });
    it('has hands and feet where they should be, within 4 cm of a body of 170', () => {
      for (const p of postures) expect(resolve(p).missedBy).toBeLessThan(0.025);
    });
    it('stands, sits or lies on something', () => {
      for (const p of postures) {
        const low = lowest(pointsOf(resolve(p)));
        expect(low).toBeGreaterThan(-0.031);
        if (!carried(id)) expect(low).toBeLessThan(0.035);
      }
      const at = pointsOf(resolve(figure.end));
      for (const point of figure.ground ?? []) expect(Math.abs(clearance(at, point))).toBeLessThan(0.021);
    });
    it('is the mirror of its other side', () => {
      const here = pointsOf(resolve(figure.end));
      const there = pointsOf(resolve(mirrored(figure.end)));
      for (const point of Object.keys(here) as BodyPoint[]) {
        const [f, u, r] = here[point];
        const other = there[otherPoint(point)];
        for (const [a, b] of [
          [f, other[0]],
          [u, other[1]],
          [-r, other[2]],
        ] as const)
          expect(a).toBeCloseTo(b, 4);
      }
    });
    it('is drawn for the left as the mirror of its drawing for the right', () => {
      const { groups, both } = figureGroups(id);
      const right = drawFigure(figure, { side: 'right', groups, both }).box;
      const left = drawFigure(figure, { side: 'left', groups, both }).box;
      expect(left.width).toBeCloseTo(right.width, 3);
      expect(left.height).toBeCloseTo(right.height, 3);
      if (!figure.view.startsWith('top')) expect(left.x).toBeCloseTo(-(right.x + right.width), 3);
    });
    it('draws into its box, with paths an SVG can read', () => {
      for (const side of ['left', 'right'] as const) {
        const { groups, both } = figureGroups(id);
        const d = drawFigure(figure, { side, groups, both });
        expect(d.box.width).toBeGreaterThan(20);
        for (const s of d.shapes) expect(s.d).toMatch(/^M-?[\d.]+ -?[\d.]+[-\d. MLAaZhvq]+$/);
        expect(d.shapes.some((s) => s.role.startsWith('stretched'))).toBe(groups.length > 0);
      }
    });
  });
});

const angle = (min: number, max: number) => fc.integer({ min, max });
const anyPosture: fc.Arbitrary<Posture> = fc
  .record({
    lean: angle(-90, 90),
    bend: angle(-40, 60),
    hip: angle(-20, 110),
    out: angle(-20, 40),
    knee: angle(0, 130),
    arm: angle(-40, 170),
    elbow: angle(0, 130),
  })
  .map((x) => ({
    pelvis: [x.lean, 0, 0],
    spine: [x.bend, x.out / 2, x.out],
    left: { hip: [x.hip, x.out, x.out], knee: x.knee },
    right: { hip: [x.hip / 2, x.out / 2], knee: x.knee / 2, ankle: 'flat' },
    armLeft: { shoulder: [x.arm, x.out], elbow: x.elbow },
    armRight: { hand: [0.4, 0.6, 0.2] },
  }));

describe('the posture engine', () => {
  it('keeps the length of every bone (Drillis & Contini 1966), in any posture and between any two', () => {
    fc.assert(
      fc.property(anyPosture, anyPosture, fc.double({ min: 0, max: 1, noNaN: true }), (a, b, t) => {
        for (const s of [resolve(a), skeletonBetween(resolve(a), resolve(b), t)]) {
          const p = pointsOf(s);
          for (const [from, to, length] of BONES) expect(distance(p[from], p[to])).toBeCloseTo(length, 4);
          expect(distance(p.shoulderL, p.shoulderR)).toBeCloseTo(2 * PROPORTIONS.shoulderHalf, 4);
          expect(distance(p.pelvis, p.waist)).toBeCloseTo(TRUNK.pelvis, 4);
        }
      }),
    );
  });
  it('lets the body down until it touches the floor', () => {
    fc.assert(
      fc.property(anyPosture, (p) => {
        const armless: Posture = { ...p, armRight: { shoulder: [0], elbow: 0 } };
        expect(lowest(pointsOf(resolve(armless)))).toBeCloseTo(0, 5);
      }),
    );
  });
  it('stands as tall as a body is, joints where the book says', () => {
    const p = pointsOf(
      resolve({
        left: { hip: [0], knee: 0 },
        right: { hip: [0], knee: 0 },
        armLeft: { shoulder: [0], elbow: 0 },
        armRight: { shoulder: [0], elbow: 0 },
      }),
    );
    // Winter's table: hip 0.530, knee 0.285, ankle 0.039, shoulder 0.818 of standing height; the crown is the height itself.
    expect(p.pelvis[1]).toBeCloseTo(0.53, 3);
    expect(p.kneeL[1]).toBeCloseTo(0.285, 3);
    expect(p.ankleL[1]).toBeCloseTo(0.039, 4);
    expect(p.neck[1]).toBeCloseTo(0.818, 3);
    expect(p.crown[1]).toBeCloseTo(1, 3);
  });
  it('turns joints the way the trade names them: flexion forward, abduction out, rotation outwards', () => {
    const one = (over: Partial<Posture>) =>
      pointsOf(
        resolve({
          height: 0.53,
          left: { hip: [0], knee: 0 },
          right: { hip: [0], knee: 0 },
          armLeft: { shoulder: [0], elbow: 0 },
          armRight: { shoulder: [0], elbow: 0 },
          ...over,
        }),
      );
    expect(one({ right: { hip: [90], knee: 0 } }).kneeR[0]).toBeCloseTo(0.245);
    expect(one({ right: { hip: [0, 90], knee: 0 } }).kneeR[2]).toBeCloseTo(0.0955 + 0.245);
    expect(one({ left: { hip: [0, 90], knee: 0 } }).kneeL[2]).toBeCloseTo(-0.0955 - 0.245);
    expect(one({ right: { hip: [0], knee: 90 } }).ankleR[0]).toBeCloseTo(-0.246);
    expect(one({ armRight: { shoulder: [0, 0, 90], elbow: 90 } }).wristR[2]).toBeCloseTo(0.129 + 0.146);
    expect(one({ spine: [0, 0, 60] }).shoulderR[0]).toBeLessThan(-0.1);
    expect(one({ spine: [0, 40] }).head[2]).toBeGreaterThan(0.1);
    expect(one({ pelvis: [-90] }).head[0]).toBeLessThan(-0.3);
  });
  it('reaches with two bones where it can, and says by how much it misses where it cannot', () => {
    const coordinate = fc.double({ min: -0.5, max: 0.5, noNaN: true });
    const place: fc.Arbitrary<PointInSpace> = fc.tuple(coordinate, coordinate, coordinate);
    fc.assert(
      fc.property(place, place, place, (root, wish, pole) => {
        const { joint, end, missedBy } = twoBones(root, wish, 0.2, 0.15, pole);
        expect(distance(root, joint)).toBeCloseTo(0.2, 5);
        expect(distance(joint, end)).toBeCloseTo(0.15, 5);
        expect(distance(end, wish)).toBeCloseTo(missedBy, 5);
        if (distance(root, wish) < 0.34 && distance(root, wish) > 0.06) expect(missedBy).toBeLessThan(0.001);
      }),
    );
  });
  it('goes into a frame and back', () => {
    const f = frameOf([0.3, 0.8, 0.2], [1, 0, 0]);
    expect(distance(inWorld(f, inFrame(f, [0.1, 0.2, 0.3])), [0.1, 0.2, 0.3])).toBeLessThan(1e-6);
  });
  it('reads angles back, and finds what no body can do', () => {
    const p: Posture = {
      left: { hip: [80, 20], knee: 100 },
      right: { hip: [0], knee: 175 },
      armLeft: { shoulder: [90], elbow: 45 },
      armRight: { shoulder: [0], elbow: 0 },
      neck: [90],
    };
    const s = resolve(p);
    expect(jointAngles(s, 'left')).toMatchObject({ knee: expect.closeTo(100, 3), elbow: expect.closeTo(45, 3) });
    expect(impossible(p, s)).toEqual(['neck flexion 90°', 'right knee 175°']);
  });
  it('carries a shoulder and the arm below it by the blade, with the trunk, and not past what a body can', () => {
    const hanging: Posture = {
      left: { hip: [0], knee: 0 },
      right: { hip: [0], knee: 0 },
      armLeft: { shoulder: [0], elbow: 0 },
      armRight: { shoulder: [0], elbow: 0 },
    };
    const raised: Posture = { ...hanging, blades: { right: [0.05, 0.02] } };
    const rest = pointsOf(resolve(hanging));
    const up = pointsOf(resolve(raised));
    for (const point of ['shoulderR', 'elbowR', 'wristR'] as const) {
      expect(up[point][1] - rest[point][1]).toBeCloseTo(0.05, 6);
      expect(up[point][0] - rest[point][0]).toBeCloseTo(0.02, 6);
    }
    expect(up.shoulderL).toEqual(rest.shoulderL);
    expect(up.neck).toEqual(rest.neck);
    // Lying on the back, "up" is towards the head, which is backwards in the world.
    const lying = pointsOf(resolve({ ...raised, pelvis: [-90] }));
    const flat = pointsOf(resolve({ ...hanging, pelvis: [-90] }));
    expect(lying.shoulderR[0] - flat.shoulderR[0]).toBeCloseTo(-0.05, 6);
    const half = pointsOf(skeletonBetween(resolve(hanging), resolve(raised), 0.5));
    expect(half.shoulderR[1] - rest.shoulderR[1]).toBeCloseTo(0.025, 6);
    const other = pointsOf(resolve(mirrored(raised)));
    expect(other.shoulderL[1] - rest.shoulderL[1]).toBeCloseTo(0.05, 6);
    expect(impossible(raised, resolve(raised))).toEqual([]);
    const torn: Posture = { ...hanging, blades: { left: [0.2] } };
    expect(impossible(torn, resolve(torn))).toEqual(['left shoulder blade up 0.2']);
  });
  it('is seen from well above the front or the back with all lengths across true, and what is nearer lower down', () => {
    for (const view of ['front-high', 'back-high'] as const) {
      const way = view === 'front-high' ? 1 : -1;
      const at = seen([0, 0, 0], view);
      expect(seen([0, 0, 0.1], view).x - at.x).toBeCloseTo(-way * 10, 6);
      const ahead = seen([0.1, 0, 0], view);
      const above = seen([0, 0.1, 0], view);
      expect(way * (ahead.y - at.y)).toBeGreaterThan(0);
      expect(above.y).toBeLessThan(at.y);
      // A drawing without perspective: the three lengths of a step straight ahead and straight up are those of a turn.
      expect(Math.hypot(ahead.y - at.y, above.y - at.y)).toBeCloseTo(10, 6);
      expect(Math.hypot(ahead.y - at.y, ahead.near - at.near)).toBeCloseTo(10, 6);
    }
  });
  it('moves slowly at both ends of its way, there and back', () => {
    expect([0, 0.25, 0.5, 1].map((t) => Math.round(easedWay(t) * 100))).toEqual([0, 50, 100, 0]);
  });
  it('ends of a strap are in the hand that holds it', () => {
    const figure = FIGURES['supine-strap-hamstring']!;
    const d = draw(resolve(figure.end), { view: 'side', things: figure.things! });
    const hand = seen(pointsOf(resolve(figure.end)).handR, 'side');
    expect(d.shapes.find((s) => s.role === 'held')!.d).toContain(`M${Math.round(hand.x * 10) / 10} `);
  });
  it('shows the same body from every view, none of it lost', () => {
    const s = resolve(FIGURES['deep-squat-hold']!.end);
    for (const view of VIEWS) {
      const d = draw(s, { view, stretched: [{ group: 'soleus', side: 'right' }] });
      expect(d.shapes.filter((x) => x.role === 'near' || x.role === 'far').length).toBe(7);
    }
  });
  it('flips a figure twice to itself', () => {
    const drawn = (f: Figure) => JSON.stringify(drawFigure(f, { side: 'right', groups: [] }));
    for (const f of Object.values(FIGURES)) expect(drawn(mirroredFigure(mirroredFigure(f)))).toBe(drawn(f));
  });
});

describe('outlines', () => {
  const at = (x: number, y: number) => ({ x, y, near: 0 });
  it('a taper of one circle inside the other is the larger circle', () => {
    expect(taper(at(0, 0), 5, at(1, 0), 1)).toBe(taper(at(0, 0), 5, at(0, 0), 1));
    expect(taper(at(0, 0), 1, at(1, 0), 5)).toContain('a5 5');
  });
  it('a hull leaves out what lies inside', () => {
    expect(hull([at(0, 0), at(2, 0), at(2, 2), at(0, 2), at(1, 1)])).toHaveLength(4);
  });
});
