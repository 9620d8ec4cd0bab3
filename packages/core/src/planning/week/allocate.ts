import { subsets } from '../../math/subsets.js';
import { LOADED_GAP_DAYS } from '../../styles/style.js';
import { sessionSeconds, type TimedItem } from '../../session/session-seconds.js';
import type { Timings } from '../../technique/timings.js';

/** A lane that wants a place in a week. Days are counted from the first day of the week, 0-6. */
export interface LaneRequest {
  readonly sessions: number;
  readonly loaded: boolean;
  readonly items: readonly TimedItem[];
  /** Last day of the lane in the week before; null when it was not done. Loaded lanes keep 48 h from it. */
  readonly lastDay: number | null;
  /** A day order that the coach asked for is kept when set. */
  readonly fixed?: readonly number[];
}

export interface Allocation {
  /** Days of each request, in order; fewer than asked for where there was no room. */
  readonly days: readonly (readonly number[])[];
}

const choices = new Map<string, readonly (readonly number[])[]>();
function choicesOf(days: readonly number[], count: number): readonly (readonly number[])[] {
  const key = `${days.join()}|${count}`;
  let found = choices.get(key);
  if (!found) choices.set(key, (found = subsets(days, count)));
  return found;
}

function unevenness(days: readonly number[]): number {
  let sum = 0;
  for (let i = 0; i < days.length; i++) {
    const gap = i + 1 < days.length ? days[i + 1]! - days[i]! : 7 - days[i]! + days[0]!;
    sum += gap * gap;
  }
  return sum;
}

function keepsGap(days: readonly number[], lastDay: number | null): boolean {
  for (let i = 1; i < days.length; i++) if (days[i]! - days[i - 1]! < LOADED_GAP_DAYS) return false;
  return lastDay === null || days.length === 0 || 7 - lastDay + days[0]! >= LOADED_GAP_DAYS;
}

/**
 * Days of each lane in a week (domain rules 2.6, 7 and 10). Lanes come in order of importance; each takes the days that run least over the
 * budget, then the most even ones, then days that are visited anyway, then the earliest. Loaded lanes keep 48 h between their sessions.
 * A lane that finds no room gets fewer days. Exact over at most 35 choices a lane.
 * @param open days on which the client trains, 0-6 from the first day of the week, ascending
 * @param budgetSeconds seconds of one session; null for no budget
 */
export function allocate(
  requests: readonly LaneRequest[],
  open: readonly number[],
  budgetSeconds: number | null,
  lanesPerSession: number,
  timings?: Timings,
): Allocation {
  const held: TimedItem[][] = Array.from({ length: 7 }, () => []);
  const lanesOn = new Array<number>(7).fill(0);
  const now = new Array<number>(7).fill(0);
  const days = requests.map((w): readonly number[] => {
    const free = open.filter((d) => lanesOn[d]! < lanesPerSession);
    const excess = new Map(
      free.map((d) => {
        const over =
          budgetSeconds === null
            ? 0
            : Math.max(0, sessionSeconds([...held[d]!, ...w.items], timings) - Math.max(now[d]!, budgetSeconds));
        return [d, over];
      }),
    );
    let best: readonly number[] = [];
    for (let count = Math.min(w.sessions, free.length); count > 0 && best.length === 0; count--) {
      let score: [number, number, number] = [Infinity, Infinity, Infinity];
      for (const choice of choicesOf(free, count)) {
        if (w.loaded && !keepsGap(choice, w.lastDay)) continue;
        const s: [number, number, number] = [
          choice.reduce((sum, d) => sum + excess.get(d)!, 0),
          unevenness(choice),
          choice.filter((d) => lanesOn[d] === 0).length,
        ];
        if (s[0] < score[0] || (s[0] === score[0] && (s[1] < score[1] || (s[1] === score[1] && s[2] < score[2])))) {
          score = s;
          best = choice;
        }
      }
    }
    for (const d of best) {
      held[d] = [...held[d]!, ...w.items];
      lanesOn[d]!++;
      if (budgetSeconds !== null) now[d] = sessionSeconds(held[d], timings);
    }
    return best;
  });
  return { days };
}
