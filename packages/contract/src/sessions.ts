import type { SessionItem, Side, SymptomId } from '@yandle/core';

/** `planned`: nothing logged. `started`: a run exists and is not finished. `done`: a run was finished. */
export type SessionStatus = 'planned' | 'started' | 'done';

export interface SessionSummary {
  readonly id: string;
  readonly clientId: string;
  readonly blockId: string;
  readonly date: string;
  /** The day the plan gave it; differs from `date` when the coach moved it. */
  readonly plannedDate: string;
  readonly week: number;
  readonly status: SessionStatus;
  readonly totalSeconds: number;
  readonly exerciseIds: readonly string[];
}

/** A session with the snapshot it was published with. */
export interface Session extends SessionSummary {
  readonly clientName: string;
  readonly minutesBudget: number;
  readonly items: readonly SessionItem[];
  readonly run: Run | null;
  /** Red symptoms of this client on an exercise of this session that no coach has cleared. */
  readonly openSymptoms: readonly SymptomReport[];
}

export interface StartRunBody {
  readonly id: string;
  /** Instant, `2026-03-09T08:12:00.000Z`. */
  readonly startedAt: string;
}

/** One bout as it was done. A redone bout names the one it replaces. */
export interface SetLogBody {
  /** Place of the item in the session, from 0. */
  readonly item: number;
  readonly side: Side | null;
  readonly set: number;
  readonly plannedSeconds: number;
  readonly doneSeconds: number;
  readonly replaces: string | null;
}

export interface SetLog extends SetLogBody {
  readonly id: string;
  readonly replacedBy: string | null;
}

export interface SymptomBody {
  readonly item: number;
  readonly side: Side | null;
  readonly symptom: SymptomId;
}

export interface FinishRunBody {
  readonly endedAt: string;
  /** 0-10; null = not said. */
  readonly sensation: number | null;
  readonly note: string;
}

export interface Run {
  readonly id: string;
  readonly sessionId: string;
  readonly startedAt: string;
  readonly endedAt: string | null;
  readonly sensation: number | null;
  readonly note: string;
  readonly sets: readonly SetLog[];
}

export interface SymptomReport {
  readonly id: string;
  readonly clientId: string;
  readonly clientName: string;
  readonly sessionId: string;
  readonly exerciseId: string;
  readonly side: Side | null;
  readonly symptom: SymptomId;
  readonly date: string;
  readonly clearedAt: string | null;
}

export interface ClearSymptomBody {
  /** What was found or who agreed. */
  readonly note: string;
}
