import { isLoaded, TECHNIQUES } from '../../technique/catalogue.js';
import { groupDoses } from '../../dose/shares.js';
import { FLATTENING_WEEKLY_SECONDS, sideWeeklyDose } from '../../dose/dose.js';
import { LOADED_GAP_DAYS, LOADED_SESSIONS } from '../../styles/style.js';
import { excludes } from '../../screening/limits.js';
import { sessionSeconds, type TimedItem } from '../../session/session-seconds.js';
import { BLOCK_BOUNDS } from '../bounds.js';
import { EXPERIENCES } from '../limits.js';
import type { BlockInput, BlockPlan } from '../plan.js';
import { firstWeekday } from '../day-plan/week-days.js';
import { easierWeeksOf, retestWeeks } from '../weeks.js';
import type { Fix, Violation, ViolationFact } from './violation.js';

/** The items of a lane's cell, for timing. */
export type ItemsOf = (lane: number, week: number) => readonly TimedItem[];

/** Longest stretch of weeks without an easier one. Common practice, no source. */
const MOST_BUILD_WEEKS = 6;

function unlockLast(plan: BlockPlan, week: number, lanes: readonly number[]): Fix | null {
  const lane = [...lanes].reverse().find((i) => plan.lanes[i]!.weeks[week - 1]!.locked);
  return lane === undefined ? null : { kind: 'unlock', lane, week, group: plan.lanes[lane]!.group };
}

/** Minutes and number of lanes of every session (rule 10). */
export function checkTime(input: BlockInput, plan: BlockPlan, itemsOf: ItemsOf): Violation[] {
  const out: Violation[] = [];
  const most = input.lanesPerSession ?? BLOCK_BOUNDS.lanesPerSession.default;
  const budget = input.client.minutesPerSession === undefined ? null : input.client.minutesPerSession * 60;
  for (let week = 1; week <= input.weeks; week++) {
    const cells = plan.lanes.map((l, lane) => ({ days: l.weeks[week - 1]!.days, items: itemsOf(lane, week) }));
    const days = new Set(cells.flatMap((c) => c.days));
    let longest = 0;
    let lanesThere: readonly number[] = [];
    let crowd: readonly number[] = [];
    for (const day of days) {
      const lanes = cells.flatMap((c, i) => (c.days.includes(day) ? [i] : []));
      const seconds = sessionSeconds(
        lanes.flatMap((i) => cells[i]!.items),
        input.client.timings,
      );
      if (seconds > longest) {
        longest = seconds;
        lanesThere = lanes;
      }
      if (lanes.length > crowd.length) crowd = lanes;
    }
    if (budget !== null && longest > budget)
      out.push({
        rule: 'time',
        lane: null,
        week,
        severity: 'warning',
        fact: { code: 'session-too-long', args: { seconds: longest, budget } },
        fix: unlockLast(plan, week, lanesThere),
      });
    if (crowd.length > most)
      out.push({
        rule: 'time',
        lane: null,
        week,
        severity: 'warning',
        fact: { code: 'too-many-lanes', args: { lanes: crowd.length, most } },
        fix: unlockLast(plan, week, crowd),
      });
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
      if (w.kind !== 'rest' && w.prescription.sessionsPerWeek > offsets.length)
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
      last = offsets.at(-1) ?? null;
    }
  });
  return out;
}

/** Retests and easier weeks of the block as a whole (rules 3 and 4). */
export function checkCalendar(input: BlockInput, plan: BlockPlan): Violation[] {
  const out: Violation[] = [];
  const easier = easierWeeksOf(input);
  for (const week of retestWeeks(input.weeks, easier))
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
      const e = l.exercises?.[technique];
      if (!e || !used.has(technique)) return [];
      const args = { exercise: e.name };
      if (cautions && excludes(cautions, { ...e, technique }))
        return [at('stop', { code: 'exercise-ruled-out', args })];
      return e.difficulty > hardest ? [at('warning', { code: 'above-experience', args })] : [];
    });
  });
}

/** Weekly amount of each group with what other lanes' stretches add (domain 2.4); said once a group, in the first week it happens. */
export function checkWeeklyDose(input: BlockInput, plan: BlockPlan): Violation[] {
  const said = new Set<string>();
  const out: Violation[] = [];
  for (let week = 1; week <= input.weeks; week++) {
    const doses = weeklyGroupDoses(input, plan, week);
    plan.lanes.forEach((l, lane) => {
      const dose = doses.get(l.group);
      const most = dose ? Math.max(dose.left, dose.right) : 0;
      if (most <= FLATTENING_WEEKLY_SECONDS || said.has(l.group)) return;
      said.add(l.group);
      out.push({
        rule: 'weekly-dose',
        lane,
        week,
        severity: 'warning',
        fact: { code: 'above-weekly-dose', args: { seconds: most, most: FLATTENING_WEEKLY_SECONDS } },
        fix: null,
      });
    });
  }
  return out;
}

/** Planned weekly seconds of every group by side, shares of other lanes' stretches and the tighter side's extra included. */
export function weeklyGroupDoses(
  input: Pick<BlockInput, 'lanes'>,
  plan: BlockPlan,
  week: number,
): ReturnType<typeof groupDoses> {
  return groupDoses(
    plan.lanes.flatMap((l, i) => {
      const cell = l.weeks[week - 1]!;
      if (cell.kind === 'rest') return [];
      const exercise = input.lanes[i]!.exercises?.[cell.prescription.technique] ?? { primary: l.group, secondary: [] };
      return [
        {
          exercise,
          left: sideWeeklyDose(cell.prescription, 'left'),
          right: sideWeeklyDose(cell.prescription, 'right'),
        },
      ];
    }),
  );
}
