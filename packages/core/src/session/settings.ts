import { isAsClient, type SessionPacing } from '../technique/pacing.js';
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
  /** Left out for the client's timings. */
  readonly pacing?: SessionPacing;
}

/** Settings as they may be kept: null for a pacing that there is not. */
type Kept = Omit<SessionSettings, 'pacing'> & { readonly pacing?: SessionPacing | null };

/** The settings of what has more than these. */
export function settingsOf(of: Kept): SessionSettings {
  const { purpose, alreadyWarm, rounds, untilEasy, minutes, pacing } = of;
  return {
    ...{ purpose, alreadyWarm, rounds, minutes },
    ...(untilEasy && rounds > 1 && { untilEasy }),
    ...(pacing && !isAsClient(pacing) && { pacing }),
  };
}

const AS_CLIENT: SessionPacing = { brisk: null, own: {} };

function samePacing(a = AS_CLIENT, b = AS_CLIENT): boolean {
  const keys = Object.keys({ ...a.own, ...b.own }) as (keyof SessionPacing['own'])[];
  return a.brisk === b.brisk && keys.every((k) => a.own[k] === b.own[k]);
}

/** True when two are gone through alike. */
export function sameSettings(a: Kept, b: Kept): boolean {
  const [x, y] = [settingsOf(a), settingsOf(b)];
  const alike = (Object.keys({ ...x, ...y }) as (keyof SessionSettings)[]).every(
    (k) => k === 'pacing' || x[k] === y[k],
  );
  return alike && samePacing(x.pacing, y.pacing);
}

/** True when a session of rounds until it feels easy stands between two rounds: then it asks. */
export function asksEasy(settings: Pick<SessionSettings, 'untilEasy'>, before: number, now: number): boolean {
  return settings.untilEasy === true && now > before;
}
