import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { EXERCISES } from '../catalogue/exercises.js';
import type { SessionItem } from './item.js';
import {
  back,
  passSafetyCheck,
  endAll,
  extend,
  isSafetyCheck,
  isFinished,
  MOST_ADDED_SECONDS,
  pause,
  PLAYER_START,
  redoSide,
  resume,
  secondsLeft,
  sessionSecondsLeft,
  skip,
  skipItem,
  tick,
  type PlayerState,
  type SetDone,
} from './player.js';
import { buildTimeline, plannedSeconds } from './timeline.js';
import { runs } from '../testing/runs.js';

const item = (exerciseId: string, over: Partial<SessionItem> = {}): SessionItem => ({
  exerciseId,
  sets: 2,
  holdSeconds: 30,
  sensation: 5,
  firstSide: 'left',
  ...over,
});
const warm = { alreadyWarm: true };
const plain = buildTimeline([item('bent-knee-wall-calf'), item('supine-strap-hamstring', { sets: 1 })], warm);
const firstHold = plain.cues.findIndex((c) => c.kind === 'hold');
const at = (cue: number, elapsedMs = 0): PlayerState => ({ ...PLAYER_START, cue, elapsedMs, running: true });

describe('a longer hold', () => {
  it('runs ten seconds more and is logged with them', () => {
    let s = extend(at(firstHold, 25_000), plain);
    expect(secondsLeft(s, plain)).toBe(15);
    expect(sessionSecondsLeft(s, plain)).toBe(plain.totalSeconds - plain.cues[firstHold]!.start - 25 + 10);
    const r = tick(s, plain, 15_000);
    expect(r.ended).toMatchObject([{ plannedSeconds: 30, doneSeconds: 40 }]);
    expect(r.state).toMatchObject({ cue: firstHold + 1, elapsedMs: 0, addedMs: 0 });
    for (let i = 0; i < 20; i++) s = extend(s, plain);
    expect(s.addedMs).toBe(MOST_ADDED_SECONDS * 1000);
  });

  it('is not for repetitions', () => {
    const march = buildTimeline([item('march-on-the-spot', { reps: 6, holdSeconds: 2 })], warm);
    const s = at(march.cues.findIndex((c) => c.beats.length > 0));
    expect(extend(s, march)).toBe(s);
  });
});

describe('a hold in pieces', () => {
  it('adds up, and says in how many', () => {
    let s = tick(at(firstHold), plain, 12_000).state;
    s = pause(s);
    expect(tick(s, plain, 60_000).state.elapsedMs).toBe(12_000);
    s = tick(resume(s, plain), plain, 10_000).state;
    s = resume(pause(s), plain);
    expect(tick(s, plain, 8000).ended).toEqual([
      { item: 0, side: 'left', set: 1, plannedSeconds: 30, doneSeconds: 30, pieces: 3, reps: null },
    ]);
  });

  it('counts no piece for a pause before it begins', () => {
    const s = resume(pause(at(firstHold, 200)), plain);
    expect(skip(tick(s, plain, 5000).state, plain).ended).toMatchObject([{ doneSeconds: 5, pieces: 1 }]);
  });
});

describe('a side done again', () => {
  it('begins at its first set, already in position', () => {
    const second = plain.cues.findIndex((c) => c.kind === 'hold' && c.side === 'left' && c.set === 2);
    const s = redoSide(at(second, 9000), plain);
    expect(plain.cues[s.cue]).toMatchObject({ kind: 'entry', side: 'left', set: 1 });
    const right = plain.cues.findIndex((c) => c.kind === 'exit' && c.side === 'right' && c.set === 2);
    expect(plain.cues[redoSide(at(right), plain).cue]).toMatchObject({ kind: 'entry', side: 'right', set: 1, item: 0 });
  });
});

describe('a check without hands', () => {
  const neck = EXERCISES.find((e) => e.check !== null)!;
  const t = buildTimeline([item(neck.id, { sets: 1, holdSeconds: 30 })], warm);
  const check = t.cues.findIndex((c) => c.kind === 'check');

  it('waits at its end until the client answers, however long, and is no stretch', () => {
    const r = tick(at(check), t, 60_000);
    expect(r.ended).toEqual([]);
    expect(isSafetyCheck(r.state, t)).toBe(true);
    expect(r.state.running).toBe(false);
    const on = passSafetyCheck(r.state, t);
    expect(on).toMatchObject({ cue: check + 1, elapsedMs: 0, running: true, earlierMs: [] });
    expect(tick(on, t, 30_000).ended).toEqual([
      { item: 0, side: 'left', set: 1, plannedSeconds: 30, doneSeconds: 30, pieces: 1, reps: null },
    ]);
  });

  it('ends the exercise when the answer is no, with nothing logged', () => {
    const { state } = tick(at(check), t, 10_000);
    const r = skipItem(state, t);
    expect(r.ended).toEqual([]);
    expect(isFinished(r.state, t)).toBe(true);
    expect(passSafetyCheck(at(check, 2000), t)).toEqual(at(check, 2000));
  });

  // Whatever is pressed, in whatever order: a hold of the side is reached only through its answered check.
  it('is never passed by Skip, Back, redo, +10 s or time', () => {
    const press = fc.constantFrom<(s: PlayerState) => PlayerState>(
      (s) => skip(s, t).state,
      (s) => back(s, t),
      (s) => redoSide(s, t),
      (s) => extend(s, t),
      (s) => resume(s, t),
      (s) => pause(s),
      (s) => tick(resume(s, t), t, 1900).state,
      (s) => tick(resume(s, t), t, 60_000).state,
    );
    fc.assert(
      fc.property(fc.array(press, { maxLength: 40 }), (presses) => {
        let state: PlayerState = PLAYER_START;
        for (const p of presses) {
          state = p(state);
          expect(t.cues[state.cue]?.kind).not.toBe('hold');
        }
      }),
    );
  });
});

// Issue "Safe hands", checks: whatever is pressed in whatever order, seconds that are logged were spent running.
describe('any presses', () => {
  it('log no more than the time in which it ran, of any bout', () => {
    const type = fc.constantFrom('tick', 'pause', 'resume', 'skip', 'back', 'redo', 'longer', 'leave');
    fc.assert(
      fc.property(fc.array(fc.tuple(type, fc.integer({ min: 1, max: 2000 })), { maxLength: 120 }), (presses) => {
        let state: PlayerState = resume(PLAYER_START, plain);
        let ran = 0;
        const sums = new Map<string, number>();
        for (const [what, ms] of presses) {
          const before = state;
          const step = (r: { readonly state: PlayerState; readonly ended: readonly SetDone[] }) => {
            state = r.state;
            // What is redone counts again: the newest log of a bout replaces the one before.
            for (const e of r.ended) sums.set(`${e.item} ${e.side} ${e.set}`, e.doneSeconds);
          };
          if (what === 'tick') {
            step(tick(state, plain, ms));
            if (before.running) ran += ms;
            else expect(state).toEqual(before);
          } else if (what === 'skip') step(skip(state, plain));
          else if (what === 'leave') step(skipItem(state, plain));
          else if (what === 'pause') state = pause(state);
          else if (what === 'resume') state = resume(state, plain);
          else if (what === 'back') state = back(state, plain);
          else if (what === 'redo') state = redoSide(state, plain);
          else state = extend(state, plain);
        }
        const logged = [...sums.values()].reduce((a, b) => a + b, 0);
        expect(logged).toBeLessThanOrEqual(ran / 1000 + 1e-9);
      }),
      runs(300),
    );
  });
});

describe('the end of the whole session', () => {
  it('keeps what was held and leaves nothing to run', () => {
    const r = endAll(at(firstHold, 7300), plain);
    expect(r.ended).toMatchObject([{ doneSeconds: 7 }]);
    expect(isFinished(r.state, plain)).toBe(true);
    expect(endAll(r.state, plain).ended).toEqual([]);
  });
});

describe('sides in turn', () => {
  // 4 repetitions a side of 2 out + 2 stay + 1 back: only the stay counts. After 23 s: left 1, right 1, left 2, right 2, and 3 s into left 3.
  it('log what each had', () => {
    const t = buildTimeline([item('march-on-the-spot', { sets: 1, reps: 4, holdSeconds: 2 })], warm);
    const reps = t.cues.findIndex((c) => c.alternatesFrom !== null && c.ends);
    const done = skip(at(reps, 23_000), t).ended;
    expect(done.map((d) => [d.side, d.plannedSeconds, d.doneSeconds, d.reps])).toEqual([
      ['left', 8, 5, 2],
      ['right', 8, 4, 2],
    ]);
  });
});

describe('any run, however it is cut and paused', () => {
  it('logs exactly what was planned of each side when nothing is left out', () => {
    const items = [
      item('bent-knee-wall-calf', { bonus: { side: 'right', sets: 1, more: 0 } }),
      item('march-on-the-spot', { reps: 5, holdSeconds: 2 }),
      item('supine-strap-hamstring', {
        technique: 'contract-relax',
        cycles: 2,
        pushSeconds: 6,
        effort: 20,
        holdSeconds: 15,
      }),
    ];
    const t = buildTimeline(items, { ...warm, rounds: 2 });
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 1, max: 2000 }), fc.boolean()), { minLength: 30, maxLength: 60 }),
        (steps) => {
          let s: PlayerState = { ...PLAYER_START, running: true };
          const ended: SetDone[] = [];
          let counted = 0;
          for (let i = 0; !isFinished(s, t); i++) {
            const [ms, stops] = steps[i % steps.length]!;
            if (stops) s = resume(tick(pause(s), t, 5000).state, t);
            const r = tick(s, t, ms);
            counted += ms;
            ended.push(...r.ended);
            s = r.state;
          }
          // Nothing is counted while it is paused: the clock that ran is the length of the session.
          expect(counted).toBeGreaterThanOrEqual(t.totalSeconds * 1000);
          expect(counted - 2000).toBeLessThan(t.totalSeconds * 1000);
          for (const [i] of items.entries())
            for (const side of ['left', 'right'] as const)
              expect(
                ended.filter((e) => e.item === i && e.side === side).reduce((sum, e) => sum + e.doneSeconds, 0),
              ).toBe(plannedSeconds(t, i, side));
        },
      ),
      runs(30),
    );
  });
});

describe('back inside a bout of several cues', () => {
  const staged = EXERCISES.find((e) => e.stages.length > 1)!;
  const t = buildTimeline([item(staged.id, { sets: 1, holdSeconds: 30 })], warm);
  const first = t.cues.findIndex((c) => c.says.code === 'stage');

  it('keeps what was done before in it: all of a hold counts, not what came after the press', () => {
    // All of the first half, four seconds of the second, back to its start, then on to the end.
    const answered = { ...at(first), checks: [t.cues.findIndex((c) => c.kind === 'check')] };
    const begun = tick(answered, t, 19_000).state;
    expect(begun).toMatchObject({ cue: first + 1, elapsedMs: 4000 });
    const again = back(begun, t);
    expect(again).toMatchObject({ cue: first + 1, elapsedMs: 0 });
    expect(tick(again, t, 15_000).ended.map((s) => s.doneSeconds)).toEqual([30]);
  });

  it('loses nothing and counts nothing twice, whatever is pressed', () => {
    const bouts = buildTimeline([item(staged.id, { sets: 2, holdSeconds: 30 })], warm);
    const event = fc.oneof(
      { weight: 8, arbitrary: fc.integer({ min: 100, max: 15_000 }).map((ms) => ({ kind: 'time' as const, ms })) },
      ...(['back', 'skip', 'pause'] as const).map((kind) => ({ weight: 1, arbitrary: fc.constant({ kind, ms: 0 }) })),
    );
    let whole = 0;
    fc.assert(
      fc.property(fc.array(event, { minLength: 20, maxLength: 60 }), (events) => {
        let state: PlayerState = { ...PLAYER_START, running: true };
        // What was last held in each cue, by hand: a cue that is begun again forgets its own and what comes after it in its bout.
        const held = new Map<number, number>();
        const boutOf = (cue: number): string =>
          `${bouts.cues[cue]?.bout} ${bouts.cues[cue]?.side} ${bouts.cues[cue]?.item}`;
        for (const e of events) {
          let left = e.kind === 'time' ? e.ms : 0;
          if (e.kind === 'back') state = back(state, bouts);
          if (e.kind === 'pause') state = resume(pause(state), bouts);
          state = passSafetyCheck(state, bouts);
          for (const cue of [...held.keys()]) if (cue > state.cue) held.delete(cue);
          held.set(state.cue, state.elapsedMs);
          if (e.kind === 'skip') {
            const before = state;
            const r = skip(state, bouts);
            for (const s of r.ended) {
              const mine = [...held].filter(([cue]) => boutOf(cue) === boutOf(before.cue) && cue <= before.cue);
              expect(s.doneSeconds).toBe(Math.floor(mine.reduce((sum, [, ms]) => sum + ms, 0) / 1000 + 1e-9));
            }
            state = r.state;
          }
          while (left > 0 && state.running && !isFinished(state, bouts)) {
            const cue = state.cue;
            const step = Math.min(left, bouts.cues[cue]!.seconds * 1000 - state.elapsedMs);
            held.set(cue, state.elapsedMs + step);
            const r = tick(state, bouts, step);
            for (const s of r.ended) {
              const mine = [...held].filter(([c]) => boutOf(c) === boutOf(cue) && c <= cue);
              whole += Number(mine.length > 1);
              expect(s.doneSeconds).toBe(Math.floor(mine.reduce((sum, [, ms]) => sum + ms, 0) / 1000 + 1e-9));
            }
            state = r.state;
            left -= step;
            if (step === 0) break;
          }
        }
      }),
      runs(200),
    );
    expect(whole).toBeGreaterThan(20);
  });
});
