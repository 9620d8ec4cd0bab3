import { describe, expect, it } from 'vitest';
import { EXERCISES } from '../catalogue/exercises.js';
import type { Exercise } from '../catalogue/exercise.js';
import { FIGURES } from './catalogue/index.js';
import { angleBetween, inWorld } from './geometry.js';
import type { PointInSpace, Posture } from './posture.js';
import { jointAngles, pointsOf, resolve, type Skeleton } from './skeleton.js';

/** What a drawing shows, at its end and where it begins: angles in degrees, the larger of both moments. */
interface Shown {
  readonly moments: readonly { readonly skeleton: Skeleton; readonly posture: Posture }[];
}
const shownIn = (e: Exercise): Shown => {
  const { end, start } = FIGURES[e.figure!]!;
  return { moments: [end, ...(start ? [start] : [])].map((posture) => ({ posture, skeleton: resolve(posture) })) };
};
const anySide = (s: Shown, of: (a: ReturnType<typeof jointAngles>) => boolean): boolean =>
  s.moments.some(({ skeleton }) => (['left', 'right'] as const).some((side) => of(jointAngles(skeleton, side))));
const UP: PointInSpace = [0, 1, 0];
const trunkFromUp = (s: Skeleton): number => {
  const { pelvis, neck } = pointsOf(s);
  return angleBetween([neck[0] - pelvis[0], neck[1] - pelvis[1], neck[2] - pelvis[2]], UP);
};
const someTrunk = (s: Shown, of: (angle: number) => boolean): boolean =>
  s.moments.some(({ skeleton }) => of(trunkFromUp(skeleton)));
const turned = (s: Shown): number =>
  Math.max(
    ...s.moments.flatMap(({ posture: p }) => [
      Math.abs(p.spine?.[2] ?? 0),
      Math.abs(p.neck?.[2] ?? 0),
      Math.abs(p.pelvis?.[2] ?? 0),
    ]),
  );
const bentAside = (s: Shown): number =>
  Math.max(...s.moments.flatMap(({ posture: p }) => [Math.abs(p.spine?.[1] ?? 0), Math.abs(p.neck?.[1] ?? 0)]));
const front = (s: Skeleton): PointInSpace => inWorld(s.frames.pelvis, [1, 0, 0]);

/** A verb of the steps, and what the drawing then has to show. The words are the client's; the bounds are what an eye can see. */
const RULES: readonly { readonly says: RegExp; readonly shows: (s: Shown) => boolean }[] = [
  {
    says: /\bknees? (a little |soft|a bit )?bent|\bbend (the|one|your) (other |front |standing )?knees?|\bknees bend\b/i,
    shows: (s) => anySide(s, (a) => a.knee > 12),
  },
  {
    says: /\b(knee|knees|leg|legs) (straight|long)\b|\bstraight (knee|leg)s?\b/i,
    shows: (s) => anySide(s, (a) => a.knee < 22),
  },
  {
    says: /\belbows? (a little )?bent|\bbend the elbows?|\belbows bend\b/i,
    shows: (s) => anySide(s, (a) => a.elbow > 25),
  },
  { says: /\belbows? straight|\barms? (long|straight)\b/i, shows: (s) => anySide(s, (a) => a.elbow < 32) },
  { says: /\boverhead\b|\barms? (up )?to the ceiling|\breach up\b/i, shows: (s) => anySide(s, (a) => a.armRaise > 80) },
  { says: /\blie on your back\b/i, shows: (s) => s.moments.some(({ skeleton }) => front(skeleton)[1] > 0.4) },
  { says: /\blie on your side\b/i, shows: (s) => someTrunk(s, (t) => t > 50) },
  { says: /\b(stand|sit)( or (stand|sit))? tall\b/i, shows: (s) => someTrunk(s, (t) => t < 25) },
  {
    says: /\bhinge\b|\bfold (half way )?forward|\btip (further |a little )?(forward )?from the hips|\btip forward\b/i,
    shows: (s) => someTrunk(s, (t) => t > 9),
  },
  { says: /\bturn the (head|chest|nose)|\bturns? (it|the trunk)\b/i, shows: (s) => turned(s) >= 15 },
  { says: /\bsink to the other side\b|\bside-bend|\bup and over\b/i, shows: (s) => bentAside(s) >= 15 },
  {
    says: /\brise on (both feet|the toes)|\blift both heels\b|\brise onto the toes/i,
    shows: (s) =>
      s.moments.some(({ posture: p }) =>
        [p.left, p.right].some(
          (l) =>
            ('foot' in l && (l.onToes === true || (l.toes ?? 0) > 20)) ||
            ('ankle' in l && typeof l.ankle === 'number' && l.ankle < -20),
        ),
      ),
  },
  { says: /\bkneel\b|\bon hands and knees\b/i, shows: (s) => anySide(s, (a) => a.knee > 50) },
];

describe('the text and the drawing of an exercise', () => {
  it.each(EXERCISES.filter((e) => e.figure !== null).map((e) => [e.id, e] as const))('agree: %s', (_, e) => {
    const shown = shownIn(e);
    const steps = e.steps.join(' ');
    const wrong = RULES.filter((r) => r.says.test(steps) && !r.shows(shown)).map((r) => r.says.exec(steps)![0]);
    expect(wrong).toEqual([]);
  });

  it('is checked by a rule that some text asks for and some drawing would break', () => {
    for (const { says, shows } of RULES) {
      expect(
        EXERCISES.some((e) => says.test(e.steps.join(' '))),
        String(says),
      ).toBe(true);
      expect(
        EXERCISES.some((e) => !shows(shownIn(e))),
        String(says),
      ).toBe(true);
    }
  });

  // Which side: the drawing is of the right, so what is said of {side} has to be the right limb.
  it('mean the same side: the limb that is lifted, raised, straight or in the strap is the right one', () => {
    const checks: readonly { readonly says: RegExp; readonly right: (s: Skeleton) => boolean }[] = [
      {
        says: /the \{side\} (leg|knee) is (lifted|drawn up|raised)/,
        right: (s) => {
          const { kneeR, kneeL, ankleR, ankleL } = pointsOf(s);
          return kneeR[1] > kneeL[1] - 0.005 || ankleR[1] > ankleL[1] + 0.02;
        },
      },
      {
        says: /the \{side\} leg is straight|\{side\} leg is the front one/,
        right: (s) => jointAngles(s, 'right').knee < 25,
      },
      {
        says: /the \{side\} arm is overhead/,
        right: (s) => jointAngles(s, 'right').armRaise > jointAngles(s, 'left').armRaise,
      },
    ];
    let seen = 0;
    for (const e of EXERCISES.filter((x) => x.figure !== null && x.sides === 'each'))
      for (const c of checks)
        if (c.says.test(e.sideWords)) {
          seen++;
          expect(
            shownIn(e).moments.some((m) => c.right(m.skeleton)),
            `${e.id}: ${e.sideWords}`,
          ).toBe(true);
        }
    expect(seen).toBeGreaterThanOrEqual(20);
  });
});
