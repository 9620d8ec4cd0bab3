import type { Side } from '../anatomy/side.js';
import { isWork } from './cue.js';
import type { Timeline } from './timeline.js';

/** Where a running session stands. A value; every function below returns a new one. */
export interface PlayerState {
  /** Place of the running cue; equal to the number of cues when finished. */
  readonly cue: number;
  /** Milliseconds spent in it. */
  readonly elapsedMs: number;
  readonly running: boolean;
}

/** A bout that ended: what was held, to be logged. */
export interface SetDone {
  readonly item: number;
  readonly side: Side | null;
  /** 1-based bout on this side; the cycles of contract-relax are bouts. */
  readonly set: number;
  /** Seconds that count: time under stretch, or working seconds where nothing is stretched. */
  readonly plannedSeconds: number;
  /** Whole seconds of those that were done; less than planned when it was left early. */
  readonly doneSeconds: number;
}

export interface PlayerStep {
  readonly state: PlayerState;
  /** Bouts that ended in this step, in order. */
  readonly ended: readonly SetDone[];
}

export const PLAYER_START: PlayerState = { cue: 0, elapsedMs: 0, running: false };

/** Seconds that are counted aloud at the end of a hold. */
export const LAST_SECONDS = 5;

/** Largest gap between two ticks that still counts, milliseconds: a longer one means the device slept, so nobody was counting. */
export const LONGEST_TICK_MS = 2000;

export function isFinished(state: PlayerState, timeline: Timeline): boolean {
  return state.cue >= timeline.cues.length;
}

function bout(timeline: Timeline, index: number, elapsedMs: number): SetDone[] {
  const cue = timeline.cues[index];
  if (!cue || cue.bout === null || cue.item === null) return [];
  // Of repetitions only a part of each second is stretch: the log is worth the same part of what was planned.
  const part = Math.min(1, Math.floor(elapsedMs / 1000) / cue.seconds);
  const doneSeconds = Math.floor(part * cue.counts + 1e-9);
  return [{ item: cue.item, side: cue.side, set: cue.bout, plannedSeconds: cue.counts, doneSeconds }];
}

/**
 * Lets time pass. A paused player does not move. Several short cues may end in one step; the rest of the time goes into the next.
 * @param ms milliseconds from a monotonic clock since the last tick
 */
export function tick(state: PlayerState, timeline: Timeline, ms: number): PlayerStep {
  if (!state.running || ms <= 0) return { state, ended: [] };
  let { cue, elapsedMs } = state;
  elapsedMs += ms;
  const ended: SetDone[] = [];
  while (cue < timeline.cues.length && elapsedMs >= timeline.cues[cue]!.seconds * 1000) {
    const length = timeline.cues[cue]!.seconds * 1000;
    ended.push(...bout(timeline, cue, length));
    elapsedMs -= length;
    cue++;
  }
  const finished = cue >= timeline.cues.length;
  return { state: { cue, elapsedMs: finished ? 0 : elapsedMs, running: !finished }, ended };
}

/** Leaves the running cue. A hold that is left early counts the seconds held; one not begun counts nothing. */
export function skip(state: PlayerState, timeline: Timeline): PlayerStep {
  if (isFinished(state, timeline)) return { state, ended: [] };
  const ended = state.elapsedMs >= 1000 ? bout(timeline, state.cue, state.elapsedMs) : [];
  const cue = state.cue + 1;
  return { state: { cue, elapsedMs: 0, running: state.running && cue < timeline.cues.length }, ended };
}

/** Leaves the rest of the running exercise, as after a stop sign. A hold that was running counts the seconds held. */
export function skipItem(state: PlayerState, timeline: Timeline): PlayerStep {
  const item = timeline.cues[state.cue]?.item;
  if (item === undefined || item === null) return skip(state, timeline);
  const { ended } = skip(state, timeline);
  let cue = state.cue;
  while (cue < timeline.cues.length && timeline.cues[cue]!.item === item) cue++;
  return { state: { cue, elapsedMs: 0, running: state.running && cue < timeline.cues.length }, ended };
}

/** To the start of the running cue, or of the one before when it has only just begun. A repeated hold replaces its earlier log. */
export function back(state: PlayerState): PlayerState {
  const justBegun = state.elapsedMs < 1500;
  return { ...state, cue: justBegun ? Math.max(0, state.cue - 1) : state.cue, elapsedMs: 0 };
}

/** Whole seconds left in the running cue, counted as people count: a 30 s hold begins with 30 and ends after 1. */
export function secondsLeft(state: PlayerState, timeline: Timeline): number {
  const cue = timeline.cues[state.cue];
  return cue ? Math.max(0, Math.ceil(cue.seconds - state.elapsedMs / 1000 - 1e-9)) : 0;
}

/** Whole seconds left in the session. */
export function sessionSecondsLeft(state: PlayerState, timeline: Timeline): number {
  const cue = timeline.cues[state.cue];
  return cue ? timeline.totalSeconds - cue.start - Math.floor(state.elapsedMs / 1000) : 0;
}

/** True in the last seconds of work. */
export function isLastSeconds(state: PlayerState, timeline: Timeline): boolean {
  const cue = timeline.cues[state.cue];
  return cue !== undefined && isWork(cue) && secondsLeft(state, timeline) <= LAST_SECONDS;
}
