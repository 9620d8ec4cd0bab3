import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { exerciseById, EXERCISES } from '../catalogue/exercises.js';
import { techniquesOf } from '../catalogue/forms.js';
import { runs } from '../testing/runs.js';
import { briskTimings, DEFAULT_TIMINGS } from '../technique/timings.js';
import { choicesFor, itemsTaken } from './choice.js';
import { firstBout } from './first-item.js';
import type { Part } from '../technique/part.js';
import type { SessionItem } from './item.js';
import { PLAYER_START, resume, tick } from './player.js';
import { buildTimeline } from './timeline.js';

/** One way to do an exercise, as it first stands. */
const anyPart = (exerciseId: string): fc.Arbitrary<Part> =>
  fc.constantFrom(...techniquesOf(exerciseById(exerciseId))).map((technique): Part => {
    const { technique: _t, sets: _s, sensation: _x, ...amount } = firstBout(exerciseById(exerciseId), technique);
    return { ...amount, technique };
  });

/** An item with parts, links, in turn, a middle, or a choice: whatever a coach can set. */
const anyItem: fc.Arbitrary<SessionItem> = fc.constantFrom(...EXERCISES).chain((e) =>
  fc
    .record({
      first: anyPart(e.id),
      then: fc.array(anyPart(e.id), { maxLength: 2 }),
      sets: fc.integer({ min: 1, max: 3 }),
      firstSide: fc.constantFrom('left' as const, 'right' as const),
      link: fc.constantFrom(undefined, undefined, 'chain' as const, 'flow' as const),
      alternating: fc.boolean(),
      middle: fc.boolean(),
      choice: fc.option(fc.nat(), { nil: undefined }),
    })
    .map(({ first, then, sets, firstSide, link, alternating, middle, choice }): SessionItem => {
      const item: SessionItem = {
        ...first,
        ...{ exerciseId: e.id, sets, firstSide, sensation: 4 },
        ...(then.length > 0 && { then }),
        ...(link && { link }),
        ...(alternating && e.sides === 'each' && { sidePattern: 'alternating' as const }),
        ...(middle && e.sides === 'each' && { middle: true as const }),
      };
      const offered = choicesFor(item, EXERCISES, null, exerciseById);
      return choice === undefined || offered.length === 0
        ? item
        : { ...item, choice: offered[choice % offered.length]!.id };
    }),
);

const anySession = fc.record({
  items: fc.array(anyItem, { minLength: 1, maxLength: 7 }),
  rounds: fc.integer({ min: 1, max: 4 }),
  alreadyWarm: fc.boolean(),
  brisk: fc.boolean(),
  breath: fc.integer({ min: 3, max: 12 }),
  takes: fc.boolean(),
});

describe('whole sessions of any kind', () => {
  it('have no gaps, give both sides the same, log each bout once, and are as long as what they are made of', () => {
    fc.assert(
      fc.property(anySession, ({ items: listed, rounds, alreadyWarm, brisk, breath, takes }) => {
        const taken = Object.fromEntries(listed.map((i, place) => [place, takes ? (i.choice ?? '') : '']));
        const items = itemsTaken(listed, taken, exerciseById);
        const timings = { ...(brisk ? briskTimings(DEFAULT_TIMINGS) : DEFAULT_TIMINGS), breath };
        const { cues, totalSeconds } = buildTimeline(items, { rounds, alreadyWarm }, timings);
        let at = 0;
        const bouts = new Set<string>();
        const done = new Map<string, number>();
        const fetched: string[] = [];
        for (const c of cues) {
          expect(c.start).toBe(at);
          expect(Number.isInteger(c.seconds) && c.seconds > 0).toBe(true);
          at += c.seconds;
          if (c.says.code === 'fetch') fetched.push(...c.says.args.props);
          if (c.ends) {
            const key = `${c.item} ${c.side} ${c.bout}`;
            expect(bouts.has(key)).toBe(false);
            bouts.add(key);
          }
          for (const side of c.side === null && c.alternatesFrom !== null ? ['left', 'right'] : [c.side]) {
            const key = `${c.item} ${side}`;
            done.set(key, (done.get(key) ?? 0) + c.counts);
          }
        }
        expect(at).toBe(totalSeconds);
        // A thing is fetched once, and everything that is needed is.
        const needed = new Set(items.flatMap((i) => exerciseById(i.exerciseId).props));
        expect(new Set(fetched)).toEqual(needed);
        const events = cues
          .filter((c) => c.says.code === 'fetch')
          .map((c) => (c.says.code === 'fetch' ? c.says.args.props : []));
        for (const [i, props] of events.entries())
          expect(props.some((p) => !events.slice(0, i).flat().includes(p))).toBe(true);
        const warmUp = cues.filter((c) => c.kind === 'warm-up').reduce((sum, c) => sum + c.seconds, 0);
        // Easy movement that it begins with counts towards the warm-up: made for it, or moved with hardly a pull.
        const easy = items.map((item) => {
          const exercise = exerciseById(item.exerciseId);
          const ways = [item, ...(item.then ?? [])].map((p) => p.technique ?? item.technique ?? exercise.technique);
          return ways.every((w) => w === 'moving stretch') && (exercise.warmUp === true || item.sensation < 3);
        });
        const lead = [...easy, false].indexOf(false);
        const begun = cues.filter((c) => c.round === 1 && c.item !== null && c.item < lead);
        const warmed = begun.reduce((sum, c) => sum + c.seconds, 0);
        const work = totalSeconds - warmUp;
        const most = alreadyWarm ? 0 : Math.min(300, work / 4, (work - 480) / 2) - warmed;
        expect(warmUp).toBe(Math.max(0, Math.floor(most / 10) * 10));
        items.forEach((item, place) => {
          if (exerciseById(item.exerciseId).sides !== 'each') return;
          expect(done.get(`${place} left`)).toBe(done.get(`${place} right`));
          // Once every round: in the middle it is one set of one side's.
          if (item.middle) expect(done.get(`${place} null`)! * item.sets).toBe(done.get(`${place} left`));
        });
        for (const place of items.keys()) expect(cues.some((c) => c.item === place && c.ends)).toBe(true);
        // Run from beginning to end it logs what was planned of each side, and no more.
        if (cues.some((c) => c.kind === 'check')) return;
        const timeline = { cues, totalSeconds, byKind: buildTimeline(items, { rounds, alreadyWarm }, timings).byKind };
        const { ended } = tick(resume(PLAYER_START, timeline), timeline, totalSeconds * 1000);
        const planned = [...done.values()].reduce((sum, s) => sum + s, 0);
        expect(ended.reduce((sum, s) => sum + s.doneSeconds, 0)).toBeLessThanOrEqual(planned);
        expect(new Set(ended.map((s) => `${s.item} ${s.side} ${s.set}`)).size).toBe(ended.length);
      }),
      runs(150),
    );
  });
});
