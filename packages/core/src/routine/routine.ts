import type { SessionItem } from '../session/item.js';
import type { SessionSettings } from '../session/settings.js';

/** Bounds of a routine. */
export const ROUTINE_BOUNDS = { name: 80, note: 500, items: 40 } as const;

/** A saved list of exercises without a date: what a coach does again and again, in their own order. */
export interface RoutineDefinition extends SessionSettings {
  readonly name: string;
  /** What it is for, in the coach's words. */
  readonly note: string;
  readonly items: readonly SessionItem[];
}
