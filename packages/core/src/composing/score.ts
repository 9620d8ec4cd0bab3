import type { Candidate } from './candidates.js';
import { realSession, type Chosen } from './real-session.js';
import type { ComposeRequest } from './request.js';
import { shortfallScale } from './shortfall-scale.js';
import { wayOf, type Way } from './ways.js';

/** What a session with these exercises is worth by the objectives, in their order; its position changes are those of its best order. */
export function scoreOf(
  request: ComposeRequest,
  candidates: readonly Candidate[],
  picks: readonly Chosen[],
): readonly number[] {
  const scale = shortfallScale(request, candidates);
  const ways = request.needs.map((_, k) =>
    wayOf(
      k,
      picks.filter((p) => p.candidate.need === k),
      request,
      scale,
    ),
  );
  const sum = (what: (w: Way) => number): number => ways.reduce((n, w) => n + what(w), 0);
  const positions = realSession(request, picks).items.map(
    (i) => picks.find((p) => p.candidate.exercise.id === i.exerciseId)!.candidate.exercise.position,
  );
  const changes = positions.filter((p, i) => p !== positions[i - 1]).length;
  return [sum((w) => w.floors), sum((w) => w.missing) * scale.percent, sum((w) => w.exercises), changes];
}

/** Whether one score comes before another: the first objective that differs decides. */
export function isBetter(a: readonly number[], b: readonly number[]): boolean {
  const at = a.findIndex((x, i) => Math.abs(x - b[i]!) > 1e-6);
  return at >= 0 && a[at]! < b[at]!;
}
