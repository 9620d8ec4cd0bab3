import type { PurposeId } from './purpose.js';

/** How a session is gone through. */
export interface SessionSettings {
  readonly purpose: PurposeId;
  /** No warm-up. */
  readonly alreadyWarm: boolean;
  /** How often its list is gone through, 1 to 4. */
  readonly rounds: number;
  /** Minutes for this session alone; null for the client's own. */
  readonly minutes: number | null;
}

/** The settings of what has more than these. */
export function settingsOf({ purpose, alreadyWarm, rounds, minutes }: SessionSettings): SessionSettings {
  return { purpose, alreadyWarm, rounds, minutes };
}

/** True when two are gone through alike. */
export function sameSettings(a: SessionSettings, b: SessionSettings): boolean {
  const [x, y] = [settingsOf(a), settingsOf(b)];
  return (Object.keys({ ...x, ...y }) as (keyof SessionSettings)[]).every((k) => x[k] === y[k]);
}
