import type { PurposeId } from './purpose.js';

/** How a session is gone through. */
export interface SessionSettings {
  readonly purpose: PurposeId;
  /** No warm-up. */
  readonly alreadyWarm: boolean;
  /** How often its list is gone through, 1 to 4. */
  readonly rounds: number;
  /** True where that is the most: after each round the client says whether it felt easy, and is done when it did. Left out for not so. */
  readonly untilEasy?: boolean;
  /** Minutes for this session alone; null for the client's own. */
  readonly minutes: number | null;
}

/** The settings of what has more than these. */
export function settingsOf({ purpose, alreadyWarm, rounds, untilEasy, minutes }: SessionSettings): SessionSettings {
  return { purpose, alreadyWarm, rounds, minutes, ...(untilEasy && rounds > 1 && { untilEasy }) };
}

/** True when two are gone through alike. */
export function sameSettings(a: SessionSettings, b: SessionSettings): boolean {
  const [x, y] = [settingsOf(a), settingsOf(b)];
  return (Object.keys({ ...x, ...y }) as (keyof SessionSettings)[]).every((k) => x[k] === y[k]);
}

/** True when a session of rounds until it feels easy stands between two rounds: then it asks. */
export function asksEasy(settings: Pick<SessionSettings, 'untilEasy'>, before: number, now: number): boolean {
  return settings.untilEasy === true && now > before;
}
