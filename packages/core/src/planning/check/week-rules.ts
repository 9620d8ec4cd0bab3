import { isLoaded, TECHNIQUES } from '../../technique/catalogue.js';
import { LOADED_GAP_DAYS, LOADED_SESSIONS } from '../../styles/style.js';
import { excludes } from '../../screening/limits.js';
import type { TimedItem } from '../../session/session-seconds.js';
import { BLOCK_BOUNDS } from '../bounds.js';
import { EXPERIENCES } from '../limits.js';
import { warmUpSeconds } from '../../technique/timings.js';
import type { BlockInput, BlockPlan, PlannedWeek } from '../plan.js';
import { firstWeekday } from '../day-plan/slots.js';
import { rankIn, type PlacedDayPlan } from '../day-plan/day-plan.js';
import { USUAL_LENGTH, workOf } from '../plan-timing.js';
import { calendarOf } from '../absence/calendar.js';
import { easierWeeksOf } from '../weeks.js';
import type { Fix, Violation, ViolationFact } from './violation.js';

/** The items of a lane's cell with some sets in a day plan, for timing. */
export type ItemsOf = (lane: number, cell: PlannedWeek, dayPlan: number, sets: number) => readonly TimedItem[];

/** Longest stretch of weeks without an easier one. Common practice, no source. */
const MOST_BUILD_WEEKS = 6;

function unlockLast(plan: BlockPlan, week: number, lanes: readonly number[]): Fix | null {
  const lane = [...lanes].reverse().find((i) => plan.lanes[i]!.weeks[week - 1]!.locked);
  return lane === undefined ? null : { kind: 'unlock', lane, week, group: plan.lanes[lane]!.group };
}

/** Minutes and number of lanes of every session: only what is set by hand can pass them. */
export function checkTime(
  input: BlockInput,
  plan: BlockPlan,
  dayPlans: readonly PlacedDayPlan[],
  itemsOf: ItemsOf,
): Violation[] {
  const out: Violation[] = [];
  const most = input.lanesPerSession ?? BLOCK_BOUNDS.lanesPerSession.default;
  const length = input.length ?? USUAL_LENGTH;
  const at = (week: number, fact: ViolationFact, lanes: readonly number[]): void => {
    out.push({ rule: 'time', lane: null, week, severity: 'warning', fact, fix: unlockLast(plan, week, lanes) });
  };
  for (let week = 1; week <= input.weeks; week++) {
    const held = new Map<string, { readonly dayPlan: number; readonly lanes: [lane: number, sets: number][] }>();
    plan.lanes.forEach((l, lane) => {
      for (const s of l.weeks[week - 1]!.sessions) {
        const dayPlan = dayPlans.findIndex((p) => p.id === s.dayPlanId);
        if (dayPlan < 0) continue;
        const key = `${s.weekday} ${dayPlan}`;
        const session = held.get(key) ?? { dayPlan, lanes: [] };
        held.set(key, session);
        session.lanes.push([lane, s.sets]);
      }
    });
    let worst: {
      readonly over: number;
      readonly seconds: number;
      readonly dayPlan: number;
      readonly lanes: number[];
    } | null = null;
    let crowd: readonly number[] = [];
    for (const { dayPlan, lanes } of held.values()) {
      const p = dayPlans[dayPlan]!;
      if (p.minutes !== null) {
        const rank = ([i]: readonly [number, number]): number => rankIn(p, plan.lanes[i]!.group, i);
        lanes.sort((a, b) => rank(a) - rank(b));
        const items = lanes.flatMap(([i, sets]) => itemsOf(i, plan.lanes[i]!.weeks[week - 1]!, dayPlan, sets));
        const work = workOf(length, items, p, input.client.timings);
        const seconds = work + warmUpSeconds(work, p.warm);
        const over = seconds - p.minutes * 60;
        if (over > 0 && over > (worst?.over ?? 0)) worst = { over, seconds, dayPlan, lanes: lanes.map(([i]) => i) };
      }
      if (lanes.length > crowd.length) crowd = lanes.map(([i]) => i);
    }
    if (worst) {
      const budget = dayPlans[worst.dayPlan]!.minutes! * 60;
      at(week, { code: 'session-too-long', args: { seconds: worst.seconds, budget } }, worst.lanes);
    }
    if (crowd.length > most) at(week, { code: 'too-many-lanes', args: { lanes: crowd.length, most } }, crowd);
  }
  return out;
}

/** 48 h between loaded sessions of a group, three a week, and as many days as the cell asks for (rule 7). */
export function checkSpacing(input: BlockInput, plan: BlockPlan): Violation[] {
  const out: Violation[] = [];
  const first = firstWeekday(input);
  plan.lanes.forEach((l, lane) => {
    let last: number | null = null;
    for (const w of l.weeks) {
      const offsets = w.days.map((d) => (d - first + 7) % 7).sort((a, b) => a - b);
      const loaded = isLoaded(w.prescription.technique);
      const at = (fact: ViolationFact): void => {
        const fix: Fix | null = w.locked ? { kind: 'unlock', lane, week: w.week, group: null } : null;
        out.push({ rule: 'spacing', lane, week: w.week, severity: 'warning', fact, fix });
      };
      if (w.kind !== 'rest' && w.locked && w.prescription.sessionsPerWeek > offsets.length)
        at({
          code: 'days-too-few',
          args: { sessions: w.prescription.sessionsPerWeek, days: offsets.length, loaded },
        });
      if (loaded && offsets.length > LOADED_SESSIONS)
        at({ code: 'too-many-loaded', args: { sessions: offsets.length, most: LOADED_SESSIONS } });
      if (loaded && last !== null && offsets.length > 0 && offsets[0]! + 7 - last < LOADED_GAP_DAYS)
        at({ code: 'loaded-after-last-week' });
      if (loaded && offsets.some((o, i) => i > 0 && o - offsets[i - 1]! < LOADED_GAP_DAYS))
        at({ code: 'loaded-too-close' });
      last = loaded ? (offsets.at(-1) ?? null) : null;
    }
  });
  return out;
}

/** Retests and easier weeks of the block as a whole (rules 3 and 4). */
export function checkCalendar(input: BlockInput, plan: BlockPlan): Violation[] {
  const out: Violation[] = [];
  const easier = easierWeeksOf(input);
  for (const week of calendarOf(input).retests)
    if (!plan.retestWeeks.includes(week))
      out.push({
        rule: 'retest',
        lane: null,
        week,
        severity: 'warning',
        fact: { code: 'no-retest', args: { week } },
        fix: null,
      });
  const needs = plan.lanes.some((l) => l.weeks.some((w) => w.kind === 'easier')) || easier.length === 0;
  const stops = [0, ...easier, input.weeks + 1];
  for (let i = 1; i < stops.length && needs; i++) {
    const from = stops[i - 1]!;
    const run = stops[i]! - from - 1;
    // Weeks off rest as well as an easier week does.
    const off = (input.missedWeeks ?? []).some((w) => w > from && w < stops[i]!);
    if (run <= MOST_BUILD_WEEKS || off) continue;
    const week = from + Math.ceil(run / 2) + (run % 2 === 0 ? 1 : 0);
    out.push({
      rule: 'easier-week',
      lane: null,
      week,
      severity: 'warning',
      fact: { code: 'no-easier-week', args: { weeks: run, most: MOST_BUILD_WEEKS } },
      fix: {
        kind: 'easier-weeks',
        added: week,
        weeks: [...easier, week].sort((a, b) => a - b),
      },
    });
  }
  return out;
}

/** Exercises that a caution speaks against, and those harder than the client is used to: they stay until the coach decides (rule 9). */
export function checkExercises(input: BlockInput, plan: BlockPlan): Violation[] {
  const { cautions, experience } = input.client;
  const hardest = EXPERIENCES.indexOf(experience) + 1;
  return input.lanes.flatMap((l, lane) => {
    const used = new Set(
      plan.lanes[lane]!.weeks.filter((w) => w.kind !== 'rest').flatMap((w) =>
        [w.prescription, ...w.beforeAndAfter].map((b) => b.technique),
      ),
    );
    const at = (severity: Violation['severity'], fact: ViolationFact): Violation => ({
      rule: 'caution',
      lane,
      week: null,
      severity,
      fact,
      fix: null,
    });
    return TECHNIQUES.flatMap((technique): Violation[] => {
      if (!used.has(technique)) return [];
      return (l.exercises ?? [])
        .filter((c) => c.technique === technique)
        .flatMap(({ exercise: e }): Violation[] => {
          const args = { exercise: e.name };
          if (cautions && excludes(cautions, { ...e, technique }))
            return [at('stop', { code: 'exercise-ruled-out', args })];
          return e.difficulty > hardest ? [at('warning', { code: 'above-experience', args })] : [];
        });
    });
  });
}
