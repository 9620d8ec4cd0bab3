import { otherSide, type Side } from '../anatomy/side.js';
import { beatSeconds, countedMs } from '../technique/beats.js';
import { isWork, type Cue } from './cue.js';
import type { Timeline } from './timeline.js';

/** Where a running session stands. A value; every function below returns a new one. */
export interface PlayerState {
  /** Place of the running cue; equal to the number of cues when finished. */
  readonly cue: number;
  /** Milliseconds spent in it. */
  readonly elapsedMs: number;
  readonly running: boolean;
  /** Milliseconds added to the running cue by the client. */
  readonly addedMs: number;
  /** Milliseconds that count from each earlier cue of the same bout, in order: the stages of a staged hold. */
  readonly earlierMs: readonly number[];
  /** Pieces the running bout is held in: one more for every pause in the middle of it. */
  readonly pieces: number;
  /** Places of the checks that the client has answered: what comes after one is reached only through it. */
  readonly checks: readonly number[];
}

/** A bout that ended: what was held, to be logged. */
export interface SetDone {
  readonly item: number;
  readonly side: Side | null;
  /** 1-based bout on this side; the cycles of contract-relax are bouts. */
  readonly set: number;
  /** Seconds that count: time under stretch, or working seconds where nothing is stretched. */
  readonly plannedSeconds: number;
  /** Whole seconds of those that were done; less than planned when it was left early, more when it was made longer. */
  readonly doneSeconds: number;
  /** Pieces it was held in. */
  readonly pieces: number;
  /** Whole repetitions or breaths done; null where none are counted. */
  readonly reps: number | null;
}

export interface PlayerStep {
  readonly state: PlayerState;
  /** Bouts that ended in this step, in order. */
  readonly ended: readonly SetDone[];
}

export const PLAYER_START: PlayerState = {
  cue: 0,
  elapsedMs: 0,
  running: false,
  addedMs: 0,
  earlierMs: [],
  pieces: 1,
  checks: [],
};

/** Seconds that are counted aloud at the end of a hold. */
export const LAST_SECONDS = 5;
/** Largest gap between two ticks that still counts, milliseconds: a longer one means the device slept, so nobody was counting. */
export const LONGEST_TICK_MS = 2000;
/** Seconds that one touch adds to a running cue. */
export const EXTEND_SECONDS = 10;
/** Most seconds that may be added to one cue. Common practice, no source: longer is a change of plan. */
export const MOST_ADDED_SECONDS = 60;

export function isFinished(state: PlayerState, timeline: Timeline): boolean {
  return state.cue >= timeline.cues.length;
}

/** Length of the running cue, with what was added. */
function lengthMs(state: PlayerState, timeline: Timeline): number {
  return timeline.cues[state.cue]!.seconds * 1000 + state.addedMs;
}

function at(from: PlayerState, cue: number, timeline: Timeline, running: boolean, elapsedMs = 0): PlayerState {
  return { ...PLAYER_START, checks: from.checks, cue, elapsedMs, running: running && cue < timeline.cues.length };
}

/** Where a jump leads: to the check of the side, as long as the client has not answered it. */
function behindCheck(from: PlayerState, cue: number, timeline: Timeline): number {
  const to = timeline.cues[cue];
  if (!to || to.item === null) return cue;
  const check = timeline.cues.findIndex(
    (c, i) => i < cue && c.kind === 'check' && c.item === to.item && c.side === to.side && c.round === to.round,
  );
  return check === -1 || from.checks.includes(check) ? cue : check;
}

/**
 * To the start of an item whose cues have changed, as when the client chooses what to do there; checks that were answered before it stay so.
 * @param before the timeline that the state stands in
 * @param after the one that it goes on in: the same up to the item, but for the warm-up, which may have gone or come
 */
export function atItem(state: PlayerState, before: Timeline, after: Timeline, item: number): PlayerState {
  const first = (t: Timeline): number => t.cues.findIndex((c) => c.item === item);
  const shift = first(after) - first(before);
  const checks = state.checks.filter((c) => c < first(before)).map((c) => c + shift);
  return at({ ...state, checks }, first(after), after, state.running);
}

/** Seconds that a bout is planned for: those of all its cues. */
function planned(timeline: Timeline, cue: Cue): number {
  return timeline.cues
    .filter((c) => c.item === cue.item && c.side === cue.side && c.bout === cue.bout)
    .reduce((sum, c) => sum + c.counts, 0);
}

interface SideDone {
  readonly side: Side | null;
  readonly ms: number;
  readonly reps: number | null;
}

/** What of each side counts after some time in a cue; a side that was not come to yet has nothing. */
function doneBySide(cue: Cue, ms: number): SideDone[] {
  const one = beatSeconds(cue.beats) * 1000;
  if (one === 0) return [{ side: cue.side, ms, reps: null }];
  const whole = Math.floor(ms / one);
  if (!cue.alternatesFrom) return [{ side: cue.side, ms: countedMs(cue.beats, ms), reps: whole }];
  const part = countedMs(cue.beats, ms % one);
  const of = (side: Side, reps: number, running: boolean): SideDone => ({
    side,
    ms: countedMs(cue.beats, reps * one) + (running ? part : 0),
    reps,
  });
  return [
    of(cue.alternatesFrom, Math.ceil(whole / 2), whole % 2 === 0),
    of(otherSide(cue.alternatesFrom), Math.floor(whole / 2), whole % 2 === 1),
  ];
}

function bout(timeline: Timeline, state: PlayerState, elapsedMs: number): SetDone[] {
  const cue = timeline.cues[state.cue];
  if (!cue || cue.bout === null || cue.item === null) return [];
  const { item, bout: set } = cue;
  const plannedSeconds = planned(timeline, cue);
  return doneBySide(cue, elapsedMs).map(({ side, ms, reps }) => ({
    item,
    side,
    set,
    plannedSeconds,
    doneSeconds: Math.floor((ms + carriedMs(state)) / 1000 + 1e-9),
    pieces: state.pieces,
    reps,
  }));
}

/** What goes along into the next cue when it belongs to the same bout. */
function carry(state: PlayerState, timeline: Timeline, elapsedMs: number): Pick<PlayerState, 'earlierMs' | 'pieces'> {
  const cue = timeline.cues[state.cue];
  if (!cue || cue.bout === null || cue.ends) return { earlierMs: [], pieces: 1 };
  return { earlierMs: [...state.earlierMs, countedMs(cue.beats, elapsedMs)], pieces: state.pieces };
}

/** Milliseconds that count from earlier cues of the running bout. */
function carriedMs({ earlierMs }: PlayerState): number {
  return earlierMs.reduce((sum, ms) => sum + ms, 0);
}

/** How many cues of its bout come before a cue. */
function cuesBefore(timeline: Timeline, cue: number): number {
  const of = timeline.cues[cue];
  const same = (c: Cue | undefined): boolean =>
    !!of && !!c && of.bout !== null && c.bout === of.bout && c.item === of.item && c.side === of.side;
  let n = 0;
  while (same(timeline.cues[cue - n - 1])) n++;
  return n;
}

/**
 * Lets time pass. A paused player does not move. Several short cues may end in one step; the rest of the time goes into the next. A check
 * waits at its end: nobody goes on before the client has said that nothing hurts.
 * @param ms milliseconds from a monotonic clock since the last tick
 */
export function tick(state: PlayerState, timeline: Timeline, ms: number): PlayerStep {
  if (!state.running || ms <= 0) return { state, ended: [] };
  let now: PlayerState = { ...state, elapsedMs: state.elapsedMs + ms };
  const ended: SetDone[] = [];
  while (now.cue < timeline.cues.length && now.elapsedMs >= lengthMs(now, timeline)) {
    const length = lengthMs(now, timeline);
    const cue = timeline.cues[now.cue]!;
    if (cue.kind === 'check') return { state: { ...now, elapsedMs: length, running: false }, ended };
    if (cue.ends) ended.push(...bout(timeline, now, length));
    now = { ...at(now, now.cue + 1, timeline, true, now.elapsedMs - length), ...carry(now, timeline, length) };
  }
  return { state: isFinished(now, timeline) ? { ...now, elapsedMs: 0, running: false } : now, ended };
}

/** True while the player waits at the end of a check for the client's answer. */
export function isSafetyCheck(state: PlayerState, timeline: Timeline): boolean {
  const cue = timeline.cues[state.cue];
  return cue?.kind === 'check' && state.elapsedMs >= lengthMs(state, timeline);
}

/** The client said that nothing hurts: on to the next stage. */
export function passSafetyCheck(state: PlayerState, timeline: Timeline): PlayerState {
  if (!isSafetyCheck(state, timeline)) return state;
  const answered = { ...state, checks: [...state.checks, state.cue] };
  return { ...at(answered, state.cue + 1, timeline, true), ...carry(state, timeline, state.elapsedMs) };
}

/**
 * Leaves the running cue. A hold that is left early counts the seconds held; one not begun counts nothing. A check is not passed by leaving it:
 * without the client's answer the exercise is left out.
 */
export function skip(state: PlayerState, timeline: Timeline): PlayerStep {
  const cue = timeline.cues[state.cue];
  if (!cue) return { state, ended: [] };
  if (cue.kind === 'check') return skipItem(state, timeline);
  const held = state.elapsedMs + carriedMs(state) >= 1000;
  const ended = held && cue.ends ? bout(timeline, state, state.elapsedMs) : [];
  return {
    state: { ...at(state, state.cue + 1, timeline, state.running), ...carry(state, timeline, state.elapsedMs) },
    ended,
  };
}

/** Leaves the rest of the running exercise, as after a stop sign. A hold that was running counts the seconds held. */
export function skipItem(state: PlayerState, timeline: Timeline): PlayerStep {
  const running = timeline.cues[state.cue];
  if (!running || running.item === null) return skip(state, timeline);
  const ended = state.elapsedMs + carriedMs(state) >= 1000 ? bout(timeline, state, state.elapsedMs) : [];
  let cue = state.cue;
  while (cue < timeline.cues.length && timeline.cues[cue]!.item === running.item) cue++;
  return { state: at(state, cue, timeline, state.running), ended };
}

/** Ends the whole session here, as after a stop sign. What was held counts. */
export function endAll(state: PlayerState, timeline: Timeline): PlayerStep {
  const cue = timeline.cues[state.cue];
  const held = cue && state.elapsedMs + carriedMs(state) >= 1000;
  return {
    state: at(state, timeline.cues.length, timeline, false),
    ended: held ? bout(timeline, state, state.elapsedMs) : [],
  };
}

/**
 * To the start of the running cue, or of the one before when it has only just begun. Inside a bout of several cues what was done before in it
 * still counts; a bout that had ended is begun again from its start. A repeated hold replaces its earlier log. Where the side has a check that
 * was not answered, to that.
 */
export function back(state: PlayerState, timeline: Timeline): PlayerState {
  const justBegun = state.elapsedMs < 1500;
  const cue = behindCheck(state, justBegun ? Math.max(0, state.cue - 1) : state.cue, timeline);
  const before = cuesBefore(timeline, cue);
  const inside = cue >= state.cue - cuesBefore(timeline, state.cue);
  if (!inside) return at(state, cue - before, timeline, state.running);
  return { ...at(state, cue, timeline, state.running), earlierMs: state.earlierMs.slice(0, before) };
}

/** To the first set of the running side: it is done again, and its logs replace the earlier ones. */
export function redoSide(state: PlayerState, timeline: Timeline): PlayerState {
  const running = timeline.cues[Math.min(state.cue, timeline.cues.length - 1)];
  if (!running || running.item === null) return back(state, timeline);
  const same = (c: Cue | undefined): boolean =>
    c !== undefined && c.item === running.item && c.round === running.round && c.side === running.side;
  let cue = Math.min(state.cue, timeline.cues.length - 1);
  while (same(timeline.cues[cue - 1])) cue--;
  // Getting into position is not part of the side.
  while (same(timeline.cues[cue + 1]) && timeline.cues[cue]!.set === null) cue++;
  return at(state, behindCheck(state, cue, timeline), timeline, state.running);
}

/** Makes the running hold, rest or other cue longer. Repetitions are not: half a repetition is none. */
export function extend(state: PlayerState, timeline: Timeline): PlayerState {
  const cue = timeline.cues[state.cue];
  if (!cue || cue.beats.length > 0) return state;
  return { ...state, addedMs: Math.min(MOST_ADDED_SECONDS, state.addedMs / 1000 + EXTEND_SECONDS) * 1000 };
}

/** Lets the clock run. In the middle of a hold this begins another piece of it. */
export function resume(state: PlayerState, timeline: Timeline): PlayerState {
  const cue = timeline.cues[state.cue];
  if (state.running || !cue) return state;
  const inside = isWork(cue) && state.elapsedMs >= 1000;
  return { ...state, running: true, pieces: inside ? state.pieces + 1 : state.pieces };
}

/** Stops the clock. */
export function pause(state: PlayerState): PlayerState {
  return { ...state, running: false };
}

/** Whole seconds left in the running cue, counted as people count: a 30 s hold begins with 30 and ends after 1. */
export function secondsLeft(state: PlayerState, timeline: Timeline): number {
  const cue = timeline.cues[state.cue];
  return cue ? Math.max(0, Math.ceil((lengthMs(state, timeline) - state.elapsedMs) / 1000 - 1e-9)) : 0;
}

/** Whole seconds left in the session. */
export function sessionSecondsLeft(state: PlayerState, timeline: Timeline): number {
  const cue = timeline.cues[state.cue];
  return cue ? timeline.totalSeconds - cue.start + state.addedMs / 1000 - Math.floor(state.elapsedMs / 1000) : 0;
}

/** True in the last seconds of work. */
export function isLastSeconds(state: PlayerState, timeline: Timeline): boolean {
  const cue = timeline.cues[state.cue];
  return cue !== undefined && isWork(cue) && secondsLeft(state, timeline) <= LAST_SECONDS;
}
