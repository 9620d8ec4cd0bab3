import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { SessionItem } from './item.js';
import {
  back,
  isFinished,
  isLastSeconds,
  PLAYER_START,
  secondsLeft,
  sessionSecondsLeft,
  skip,
  skipItem,
  tick,
  type PlayerState,
  type SetDone,
} from './player.js';
import { buildTimeline } from './timeline.js';
import { runs } from '../testing/runs.js';

const items: SessionItem[] = [
  { exerciseId: 'bent-knee-wall-calf', sets: 2, holdSeconds: 30, sensation: 5, firstSide: 'left' },
  { exerciseId: 'supine-strap-hamstring', sets: 1, holdSeconds: 45, sensation: 5, firstSide: 'right' },
];
const timeline = buildTimeline(items, { alreadyWarm: true });
const firstHold = timeline.cues.findIndex((c) => c.kind === 'hold');
const at = (cue: number, elapsedMs = 0): PlayerState => ({ ...PLAYER_START, cue, elapsedMs, running: true });

describe('tick', () => {
  it('logs every bout once and ends at the length of the session, however the time is cut', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 7000 }), { minLength: 20, maxLength: 60 }), (steps) => {
        let state = { ...PLAYER_START, running: true };
        let passed = 0;
        const ended: SetDone[] = [];
        for (let i = 0; state.running; i++) {
          const ms = steps[i % steps.length]!;
          const r = tick(state, timeline, ms);
          passed += ms;
          ended.push(...r.ended);
          state = r.state;
        }
        expect(passed).toBeGreaterThanOrEqual(timeline.totalSeconds * 1000);
        expect(passed - 7000).toBeLessThan(timeline.totalSeconds * 1000);
        expect(isFinished(state, timeline)).toBe(true);
        expect(ended.map((e) => `${e.item}${e.side}${e.set}:${e.doneSeconds}`)).toEqual([
          '0left1:30',
          '0left2:30',
          '0right1:30',
          '0right2:30',
          '1right1:45',
          '1left1:45',
        ]);
      }),
      runs(40),
    );
  });

  it('never counts while paused, nor backwards', () => {
    const paused = { ...at(firstHold, 5000), running: false };
    expect(tick(paused, timeline, 10_000)).toEqual({ state: paused, ended: [] });
    expect(tick(at(firstHold, 5000), timeline, -100).state.elapsedMs).toBe(5000);
  });
});

describe('skip', () => {
  it('counts the whole seconds held so far', () => {
    expect(skip(at(firstHold, 12_900), timeline).ended).toEqual([
      { item: 0, side: 'left', set: 1, plannedSeconds: 30, doneSeconds: 12, pieces: 1, reps: null },
    ]);
  });
  it('logs nothing for a hold not begun or for another cue', () => {
    expect(skip(at(firstHold, 400), timeline).ended).toEqual([]);
    expect(skip(at(0, 9000), timeline).ended).toEqual([]);
  });
  it('stops at the end and stays there', () => {
    const last = timeline.cues.length - 1;
    const end = skip(at(last), timeline).state;
    expect(end).toEqual({ ...PLAYER_START, cue: last + 1 });
    expect(skip(end, timeline).state).toBe(end);
  });
});

describe('skipItem', () => {
  it('leaves the whole exercise and keeps what was held', () => {
    const { state, ended } = skipItem(at(firstHold, 8000), timeline);
    expect(timeline.cues[state.cue]).toMatchObject({ item: 1, kind: 'prop' });
    expect(ended).toEqual([
      { item: 0, side: 'left', set: 1, plannedSeconds: 30, doneSeconds: 8, pieces: 1, reps: null },
    ]);
  });
  it('ends the session after the last exercise', () => {
    const second = timeline.cues.findIndex((c) => c.item === 1);
    expect(isFinished(skipItem(at(second), timeline).state, timeline)).toBe(true);
  });
  it('skips the warm-up alone', () => {
    const warm = buildTimeline(items, { rounds: 4 });
    expect(warm.cues[0]!.kind).toBe('warm-up');
    expect(skipItem(at(0, 3000), warm).state.cue).toBe(1);
  });
});

describe('back', () => {
  it('goes to the start of the cue, or to the one before when it has just begun', () => {
    expect(back(at(4, 9000), timeline)).toMatchObject({ cue: 4, elapsedMs: 0 });
    expect(back(at(4, 500), timeline)).toMatchObject({ cue: 3, elapsedMs: 0 });
    expect(back(at(0, 500), timeline).cue).toBe(0);
  });
});

describe('what is shown', () => {
  it('counts down as people count: 30 at the start, 1 in the last second', () => {
    expect(secondsLeft(at(firstHold, 0), timeline)).toBe(30);
    expect(secondsLeft(at(firstHold, 1), timeline)).toBe(30);
    expect(secondsLeft(at(firstHold, 1000), timeline)).toBe(29);
    expect(secondsLeft(at(firstHold, 29_999), timeline)).toBe(1);
    expect(secondsLeft(at(999), timeline)).toBe(0);
  });
  it('marks the last five seconds of a hold and of nothing else', () => {
    expect(isLastSeconds(at(firstHold, 24_999), timeline)).toBe(false);
    expect(isLastSeconds(at(firstHold, 25_000), timeline)).toBe(true);
    expect(isLastSeconds(at(0, 18_000), timeline)).toBe(false);
  });
  it('knows what is left of the session', () => {
    expect(sessionSecondsLeft(at(0), timeline)).toBe(timeline.totalSeconds);
    expect(sessionSecondsLeft(at(firstHold, 4500), timeline)).toBe(
      timeline.totalSeconds - timeline.cues[firstHold]!.start - 4,
    );
    expect(sessionSecondsLeft(at(999), timeline)).toBe(0);
  });
});
