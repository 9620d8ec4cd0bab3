import type { Position } from '../catalogue/rom-test.js';
import type { SessionItem } from '../session/item.js';
import { orderItems } from '../session/order.js';
import { buildTimeline, type Timeline } from '../session/timeline.js';
import { offeredItem, type Candidate } from './candidates.js';
import { purposeRules } from '../session/purpose.js';
import type { ComposeRequest } from './request.js';

/** A candidate that was taken. */
export interface Chosen {
  readonly candidate: Candidate;
  /** Sets a side. */
  readonly sets: number;
  /** Extra sets of the tighter side. */
  readonly bonusSets: number;
}

/** A session put in order and timed. */
export interface RealSession {
  readonly items: readonly SessionItem[];
  readonly timeline: Timeline;
  /** Seconds without the warm-up. */
  readonly work: number;
}

/** Whether a session of this request begins warm. */
export function isWarm(request: Pick<ComposeRequest, 'alreadyWarm' | 'purpose'>): boolean {
  return request.alreadyWarm || purposeRules(request.purpose).warm;
}

/** What was taken, in the best order and timed to the second. */
export function realSession(request: ComposeRequest, picks: readonly Chosen[]): RealSession {
  const find = (id: string) => picks.find((p) => p.candidate.exercise.id === id)!.candidate.exercise;
  const items = orderItems(
    picks.map((p) => offeredItem(p.candidate, request.needs[p.candidate.need]!, p.sets, p.bonusSets)),
    find,
  );
  const timeline = buildTimeline(items, { alreadyWarm: isWarm(request) }, request.timings, find);
  return { items, timeline, work: timeline.totalSeconds - timeline.byKind['warm-up'] };
}

/**
 * Fewest position changes of phases in order, each with the positions it needs, getting into the first one counted.
 * @example fewestChanges([new Set(['standing', 'supine']), new Set(['supine'])]) // 2
 */
export function fewestChanges(phases: readonly ReadonlySet<Position>[]): number {
  // Fewest changes by the position that stands last.
  let ways = new Map<Position | null, number>([[null, 0]]);
  for (const phase of phases) {
    if (phase.size === 0) continue;
    const next = new Map<Position | null, number>();
    for (const [before, changes] of ways)
      for (const first of phase)
        for (const last of phase) {
          if (first === last && phase.size > 1) continue;
          const sum = changes + phase.size - (before === first ? 1 : 0);
          next.set(last, Math.min(sum, next.get(last) ?? Infinity));
        }
    ways = next;
  }
  return Math.min(...ways.values());
}

/**
 * Fewest times that something is fetched when each exercise's things are fetched at once and stay: the fewest of the sets that hold all.
 * @example fewestFetches([['strap'], ['strap', 'chair'], ['chair']]) // 1
 */
export function fewestFetches(kits: readonly (readonly string[])[]): number {
  const missing = (taken: ReadonlySet<string>): string | undefined => kits.flat().find((x) => !taken.has(x));
  const from = (taken: ReadonlySet<string>): number => {
    const wanted = missing(taken);
    if (wanted === undefined) return 0;
    const ways = kits.filter((k) => k.includes(wanted)).map((k) => from(new Set([...taken, ...k])));
    return 1 + Math.min(...ways);
  };
  return from(new Set());
}

/** Seconds of work as the model counts them from below; never more than the timeline's. */
export function workFromBelow(request: ComposeRequest, picks: readonly Chosen[]): number {
  const { timings } = request;
  const phases = [...new Set(picks.map((p) => p.candidate.phase))].sort((a, b) => a - b);
  const changes = fewestChanges(
    phases.map((f) => new Set(picks.filter((p) => p.candidate.phase === f).map((p) => p.candidate.exercise.position))),
  );
  const kits = [
    ...new Map(picks.map((p) => [[...p.candidate.exercise.props].sort().join(), p.candidate.exercise.props])).values(),
  ];
  const bouts = picks.reduce(
    (sum, { candidate: c, sets, bonusSets }) => sum + c.fixedSeconds + c.setSeconds * sets + c.bonusSeconds * bonusSets,
    0,
  );
  return bouts + changes * (timings.newPosition - timings.samePosition) + fewestFetches(kits) * timings.prop;
}
