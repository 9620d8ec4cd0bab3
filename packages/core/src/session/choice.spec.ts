import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { boundsOf } from '../catalogue/amount.js';
import { exerciseById, EXERCISES } from '../catalogue/exercises.js';
import { techniquesOf } from '../catalogue/forms.js';
import { placeOfKind } from '../screening/place.js';
import { runs } from '../testing/runs.js';
import { amountOf } from '../technique/prescription.js';
import { choiceLine, choiceWords } from '../words/choice.js';
import { itemWords } from '../words/item.js';
import { choicesFor, chosenItem, itemDone, itemsTaken } from './choice.js';
import { firstBout, firstItem } from './first-item.js';
import { boutOf, type SessionItem } from './item.js';
import { atItem, PLAYER_START, resume, tick } from './player.js';
import { buildTimeline } from './timeline.js';

const offered = (item: SessionItem) => choicesFor(item, EXERCISES, null, exerciseById);

/** Every exercise, each way it can be done. */
const everyItem: readonly SessionItem[] = EXERCISES.flatMap((e) =>
  techniquesOf(e).map((technique): SessionItem => {
    const { technique: _, ...bout } = firstBout(e, technique);
    return { ...firstItem(e), ...bout, sets: 2, ...(technique === e.technique ? {} : { technique }) };
  }),
);

describe('a choice on the spot', () => {
  it('can be anything of the group, moved or held, and the clock follows each', () => {
    let choices = 0;
    const wrong: string[] = [];
    for (const item of everyItem) {
      const alone = buildTimeline([item], {}).totalSeconds;
      for (const e of offered(item)) {
        choices++;
        const taken = chosenItem({ ...item, choice: e.id }, exerciseById);
        const technique = taken.technique ?? e.technique;
        const { min, max } = technique === e.technique ? boundsOf(e) : { min: 1, max: Infinity };
        const amount = amountOf(boutOf(taken, e));
        const sided = buildTimeline([taken], {}).cues.some((c) => c.side !== null || c.alternatesFrom !== null);
        const right =
          taken.exerciseId === e.id &&
          taken.choice === undefined &&
          techniquesOf(e).includes(technique) &&
          taken.sets === 2 &&
          amount >= min &&
          amount <= max &&
          sided === (e.sides === 'each') &&
          // What is planned does not change by what could be chosen.
          buildTimeline([{ ...item, choice: e.id }], {}).totalSeconds === alone;
        if (!right) wrong.push(`${item.exerciseId} ${item.technique ?? ''} or ${e.id}`);
      }
    }
    expect(wrong).toEqual([]);
    expect(choices).toBeGreaterThan(800);
  });

  it('is first the same one the other way, then the neighbours on the ladder', () => {
    const item = firstItem(exerciseById('supine-hands-hamstring'));
    const [first, second] = offered(item);
    expect(first!.id).toBe('supine-hands-hamstring');
    const own = exerciseById(item.exerciseId);
    expect([own.easierForm, own.harderForm]).toContain(second!.id);
    expect(choicesFor(item, EXERCISES, placeOfKind('chair'), exerciseById).every((e) => e.position !== 'supine')).toBe(
      true,
    );
  });

  it('keeps the numbers of what is done the same way, and begins anew what is not', () => {
    const hold: SessionItem = {
      ...firstItem(exerciseById('supine-strap-hamstring')),
      sets: 3,
      holdSeconds: 45,
      sensation: 6,
    };
    expect(chosenItem({ ...hold, choice: 'heel-on-chair-hamstring' }, exerciseById)).toEqual({
      ...hold,
      exerciseId: 'heel-on-chair-hamstring',
    });
    // Move through begins with six repetitions (domain 2.5).
    const moved = chosenItem({ ...hold, technique: undefined, choice: 'supine-strap-hamstring' }, exerciseById);
    expect(moved).toMatchObject({
      exerciseId: 'supine-strap-hamstring',
      technique: 'contract-relax',
      sets: 3,
      sensation: 6,
    });
    const sided = firstItem(exerciseById('bound-soles-sit'));
    const { exerciseId } = chosenItem({ ...sided, choice: 'side-lunge' }, exerciseById);
    expect(exerciseId).toBe('side-lunge');
  });

  it('is taken where the log or the client says so, and nowhere else', () => {
    const item: SessionItem = { ...firstItem(exerciseById('bound-soles-sit')), choice: 'side-lunge' };
    expect(itemDone(item, 'side-lunge', exerciseById).exerciseId).toBe('side-lunge');
    expect(itemDone(item, 'frog', exerciseById)).toBe(item);
    expect(itemDone(item, null, exerciseById)).toBe(item);
    const [a, b] = itemsTaken([item, item], { 1: 'side-lunge' }, exerciseById);
    expect([a!.exerciseId, b!.exerciseId]).toEqual(['bound-soles-sit', 'side-lunge']);
    expect(choiceWords(item, exerciseById)).toBe(`${exerciseById('side-lunge').name} (moving stretch)`);
    expect(choiceWords({ ...item, choice: 'bound-soles-sit' }, exerciseById)).toMatch(/^the same as /);
    expect(choiceWords(firstItem(exerciseById('frog')), exerciseById)).toBe('');
    const ladder: SessionItem = {
      ...firstItem(exerciseById('frog')),
      sets: 2,
      holdSeconds: 30,
      choice: 'bound-soles-sit',
    };
    const name = exerciseById('bound-soles-sit').name;
    expect(choiceLine(ladder, exerciseById, itemWords)).toBe(`Or: ${name}: Hold 30 s, 2 times`);
    expect(choiceLine(firstItem(exerciseById('frog')), exerciseById, itemWords)).toBe('');
  });
});

describe('the clock at a choice', () => {
  it('goes on at the start of the item, whatever was chosen and whether there is a warm-up or not', () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom(...everyItem), { minLength: 1, maxLength: 5 }),
        fc.nat(),
        fc.nat(),
        fc.integer({ min: 1, max: 3 }),
        (items, at, which, rounds) => {
          const place = at % items.length;
          const choices = offered(items[place]!);
          fc.pre(choices.length > 0);
          const choice = choices[which % choices.length]!.id;
          const list = items.map((i, n) => (n === place ? { ...i, choice } : i));
          const [before, after] = [list, itemsTaken(list, { [place]: choice }, exerciseById)].map((l) =>
            buildTimeline(l, { rounds }),
          );
          // Straight to the item, in the middle of getting into place.
          const start = before!.cues.findIndex((c) => c.item === place);
          const there = resume({ ...PLAYER_START, cue: start, elapsedMs: 500 }, before!);
          const now = atItem(there, before!, after!, place);
          expect(now).toMatchObject({ elapsedMs: 0, running: true, earlierMs: [] });
          expect(after!.cues[now.cue]!.item).toBe(place);
          expect(after!.cues.slice(0, now.cue).some((c) => c.item === place)).toBe(false);
          // And from there everything that follows is done to the end.
          const left = after!.cues.slice(now.cue).filter((c) => c.kind !== 'check');
          if (left.length === after!.cues.length - now.cue) {
            const { ended } = tick(now, after!, left.reduce((sum, c) => sum + c.seconds, 0) * 1000);
            const mine = ended.filter((s) => s.item === place).map((s) => s.doneSeconds);
            const planned = left.filter((c) => c.item === place && c.ends).length;
            expect(mine.length).toBeGreaterThanOrEqual(planned);
          }
        },
      ),
      runs(60),
    );
  });
});
