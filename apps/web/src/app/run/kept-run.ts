import type { SetLogBody } from '@yandle/contract';
import type { PlayerState, Wellness } from '@yandle/core';

/** A log as it went out, so that it can be put right. */
export interface SentLog {
  readonly id: string;
  readonly body: SetLogBody;
}

/** What is kept in the browser of a run, so that a reload goes on where it was. */
export interface KeptRun {
  readonly runId: string;
  readonly player: PlayerState;
  /** Newest log of each bout: a bout done again names the one it replaces. */
  readonly logged: Readonly<Record<string, SentLog>>;
  /** How the client felt before it; left out by an earlier version. */
  readonly wellness?: Wellness;
  /** Forms chosen on the spot, by place of the item. */
  readonly forms: Readonly<Record<number, string>>;
  /** Loads and help changed on the spot, by place of the item. */
  readonly used: Readonly<Record<number, UsedLoad>>;
}

/** What an item was loaded with in fact. */
export interface UsedLoad {
  readonly load: number | null;
  readonly assistance: 0 | 1 | 2 | null;
}

const keyOf = (sessionId: string): string => `yandle.run.${sessionId}`;

export function keepRun(sessionId: string, run: KeptRun): void {
  localStorage.setItem(keyOf(sessionId), JSON.stringify(run));
}

export function forgetRun(sessionId: string): void {
  localStorage.removeItem(keyOf(sessionId));
}

/** The run that was kept; null when there is none, or it was written by an earlier version. */
export function readRun(sessionId: string): KeptRun | null {
  try {
    const kept = JSON.parse(localStorage.getItem(keyOf(sessionId)) ?? 'null') as Partial<KeptRun> | null;
    return kept?.runId && kept.player?.pieces && kept.logged && kept.forms && kept.used ? (kept as KeptRun) : null;
  } catch {
    return null;
  }
}
