import { muscleGroupName } from '../anatomy/muscle-group.js';
import type { CutFact, LeftOutFact, LimitFact, StepArgs, TechniqueBar, WeekFact } from '../planning/facts.js';
import type { PlannedLane, PlannedWeek } from '../planning/plan.js';
import type { Assistance, Variable } from '../technique/prescription.js';
import { amountVariable } from '../technique/prescription.js';
import { percentOf } from '../math/rounding.js';
import { formatClock } from './duration.js';
import { barsWords } from './place.js';
import { capital, counted, joined } from './plural.js';
import { ASSISTANCE_WORDS, loadWords, VARIABLE_NAME } from './prescription.js';
import { amountWords, holdName } from './technique.js';

/** A variable in the words of its technique: the hold of contract-relax is its stretch. */
function nameOf({ variable, technique }: StepArgs): string {
  return variable === 'holdSeconds' ? holdName(technique) : VARIABLE_NAME[variable];
}

const UNIT: Readonly<Partial<Record<Variable, string>>> = { holdSeconds: ' s', effort: '%' };

function stepWords(a: StepArgs): string {
  const unit = a.loadUnit ?? 'kg';
  const load = (n: number): string => loadWords({ load: n, loadUnit: unit }) || 'none';
  const change =
    a.variable === 'assistance'
      ? `${ASSISTANCE_WORDS[a.from as Assistance]} → ${ASSISTANCE_WORDS[a.to as Assistance]}`
      : a.variable === 'load'
        ? `load ${load(a.from)} → ${load(a.to)}`
        : `${nameOf(a)} ${a.from} → ${a.to}${UNIT[a.variable] ?? ''}`;
  const waited = a.waited === undefined ? '' : `, +${a.waited}%: nothing smaller fitted for two weeks`;
  if (a.restart) {
    const again = `${change}, with ${amountWords(a.technique, a.restart.amount)} again`;
    return a.restart.percent === null
      ? again
      : `${again}: a plate is ${a.restart.percent}% more, a smaller plate would help`;
  }
  if (!a.resplit) return `${change}${waited}`;
  const amount = amountVariable(a.technique);
  const { from, to, also } = a.resplit;
  const parts = [
    ...(from === to ? [] : [`${VARIABLE_NAME[amount]} ${from} → ${to}${UNIT[amount] ?? ''}`]),
    ...(also ? [`${VARIABLE_NAME[also.variable]} ${also.from} → ${also.to}`] : []),
  ];
  return `${change}, ${joined(parts)} to keep the weekly increase${waited}`;
}

/** What a session is short of. */
function shortWords(short: number | null | undefined): string {
  return short === null || short === undefined || short === 0 ? '' : ` A session is ${formatClock(short)} short.`;
}

/** What could not be served, and why. */
export function cutWords(f: CutFact): string {
  if (f.words !== undefined) return f.words;
  switch (f.code) {
    case 'said':
      return f.words;
    case 'gap-between-loaded':
      return `${f.args.sessions} of ${f.args.wanted} sessions: loaded sessions need 48 h between them.`;
    case 'lanes-per-session':
      return `${f.args.sessions} of ${f.args.wanted} sessions: a session holds at most ${f.args.most} lanes.`;
    case 'fewer-sets':
      return `${f.args.from} → ${counted(f.args.to, 'set')} to fit ${f.args.minutes} min.${shortWords(f.args.short)}`;
    case 'fewer-sessions':
      return `${f.args.from} → ${counted(f.args.to, 'session')} to fit ${f.args.minutes} min.${shortWords(f.args.short)}`;
    case 'smaller-bouts':
      return `Each bout ${f.args.from} → ${f.args.to} to fit ${f.args.minutes} min.${shortWords(f.args.short)}`;
    case 'no-room-for-lane':
      return `Not done this week: the minutes go to the lanes above.${shortWords(f.args.short)}`;
    case 'no-step':
      return `Increase postponed: no minutes left this week.${shortWords(f.args.short)}`;
    case 'nowhere':
      return `Not planned: ${barsWords(f.args.missing) || 'no day plan is for this group'}.`;
    case 'bound-struck':
      return 'The days of this week were not searched to the end; a fuller week may exist.';
    case 'no-extra':
      return 'No extra for the tighter side: no minutes left.';
    case 'step-postponed':
      return 'Increase postponed: no minutes left this week.';
  }
}

/** One reason of a cell; a step is counted behind it. */
function reasonWords(f: WeekFact, step: string): string {
  if (f.words !== undefined) return f.words;
  switch (f.code) {
    case 'style-starts':
      return `${f.args.style} starts here${step}.`;
    case 'starts-at-dose':
      return `${f.args.style}: starts from the client’s current ${f.args.seconds} s a week${step}.`;
    case 'step':
      return `${capital(stepWords(f.args))}${step}.`;
    case 'all-at-limit':
      return 'No change: everything is at its limit.';
    case 'no-smaller-step':
      return 'No change: no smaller step is left.';
    case 'style-dose':
      return `No change: ${f.args.style} stays within ${f.args.doseMax} s a week.`;
    case 'above-increase':
      return `No change: the smallest step is +${f.args.percent}%, above the ${f.args.allowed}% weekly increase.`;
    case 'phase-continues':
      return `${f.args.style} from here, at the step nearest to the dose before${step}.`;
    case 'phase-starts':
      return `${f.args.style}: ${f.args.technique} from here, at its start${step}.`;
    case 'kept':
      return `Reached: kept with ${f.args.style} at about ${f.args.percent}% of the dose before${step}.`;
    case 'easier':
      return f.args.smaller === false
        ? 'Easier week: nothing smaller exists, so only the sensation is one lower.'
        : `Easier week: ${f.args.percent}% of the last full week. Sensation one lower.`;
    case 'back-after':
      return f.args.back !== undefined && f.args.back > 1
        ? `Week ${f.args.back} of coming back after ${counted(f.args.weeks, 'week')} off: ${f.args.percent}% of the earlier dose.`
        : `Back after ${counted(f.args.weeks, 'week')} off: ${f.args.percent}% of the earlier dose (common practice, no source).`;
    case 'begins-again':
      return `Begins again after ${counted(f.args.weeks, 'week')} off, at ${f.args.percent}% of the earlier dose. Ask why, and retest (common practice, no source).`;
    case 'back-to-step':
      return `Back towards its step after a week that was cut: ${f.args.from} → ${f.args.to} s a week, at most +${f.args.most}%.`;
    case 'fewer-days':
      return `${f.args.sessions} of ${counted(f.args.wanted, 'session')}, because the client is away. No increase this week.`;
    case 'back-in-limits':
      return 'Brought back within this client’s limits; it continues from here.';
    case 'set-by-coach':
      return 'Set by the coach; the plan continues from here.';
    case 'repeats':
      return 'Reviewed: the step is repeated.';
    case 'not-started':
      return 'The lane has not started.';
    case 'over':
      return 'The lane is over.';
    case 'missed':
      return 'Missed: nothing was done this week.';
    case 'away':
      return 'Away: no day for sessions is left this week.';
    case 'no-room':
      return 'No room this week.';
    case 'eased':
      if (f.args.why === 'review')
        return f.args.to < f.args.from
          ? `Reviewed: ${f.args.steps === 1 ? 'a step' : 'two steps'} back, from ${f.args.from} to ${f.args.to} s a week.`
          : 'Reviewed: no step up. It is at its first step.';
      return f.args.to < f.args.from
        ? `Very sore: ${f.args.steps === 1 ? 'a step' : 'two steps'} back, from ${f.args.from} to ${f.args.to} s a week (common practice, no source).`
        : 'Very sore: no step up. It is at its first step (common practice, no source).';
    case 'unchanged':
      return 'As planned: nothing is turned up after a week that lost some of its sessions.';
    case 'step-waits':
      return 'No change.';
    default:
      return cutWords(f);
  }
}

/** Why a cell is as it is: as it was published, else from its facts. */
export function weekWords(week: PlannedWeek, lane: Pick<PlannedLane, 'weeks'>): string {
  if (week.said !== undefined) return week.said;
  const last = Math.max(1, ...lane.weeks.map((w) => w.step));
  return week.reasons.map((r) => reasonWords(r, ` (step ${week.step} of ${last})`)).join(' ');
}

/** What narrows a lane. */
export function limitWords(f: LimitFact): string {
  if (f.words !== undefined) return f.words;
  switch (f.code) {
    case 'said':
      return f.words;
    case 'age-65':
      return '65 or older: holds of 30-60 s from the start (Garber et al. 2011, from memory).';
    case 'age-65-longest':
      return '65 or older: holds of 60 s at most (Garber et al. 2011, from memory).';
    case 'under-18':
      return 'Under 18: holds of 20-30 s (common practice, no source).';
    case 'beginner-sets':
      return `Beginner: at most ${f.args.sets} sets (common practice, no source).`;
    case 'training-days':
      return `At most ${counted(f.args.days, 'session')} a week: the days of its day plans.`;
    case 'loaded-sessions':
      return `At most ${counted(f.args.days, 'loaded session')} a week.`;
    case 'loaded-days':
      return `The days leave room for ${counted(f.args.days, 'loaded session')} 48 h apart, so the lane has no more.`;
    case 'beginner-sensation':
      return `Beginner: sensation at most ${f.args.sensation} (common practice, no source).`;
    case 'caution-sensation':
      return `An intake caution: sensation at most ${f.args.sensation}.`;
    case 'hypermobile-sensation':
      return `Hypermobile joints: sensation at most ${f.args.sensation}, no forcing of end range.`;
    case 'gentle-group':
      return `Go easy on this group: sensation at most ${f.args.sensation}.`;
    case 'caution-hold':
      return `An intake caution: holds of at most ${f.args.seconds} s.`;
    case 'hypermobile-hold':
      return `Hypermobile joints: holds of at most ${f.args.seconds} s, control rather than range.`;
    case 'caution-effort':
      return `An intake caution: pushes of at most ${f.args.effort}%; breathe out.`;
    case 'load-by-hand':
      return 'The spine is bent under it, so load is added by the coach’s own hand only.';
    case 'exercise-range':
      return `${f.args.exercise} is made for ${f.args.min} to ${amountWords(f.args.technique, f.args.max)}.`;
  }
}

/** Where a starting dose comes from: the block before, less what the weeks off took. Seconds per side. */
export function startingDoseWords(d: {
  readonly before: number;
  readonly seconds: number;
  readonly weeksOff: number;
}): string {
  return d.weeksOff === 0
    ? `${d.before} s per side in the last full week of the block before`
    : `${d.before} s per side in the block before, less ${percentOf(d.before - d.seconds, d.before)}% for ${counted(d.weeksOff, 'week')} off`;
}

/** Why a client may not do a technique. */
export function barWords(bar: TechniqueBar): string {
  switch (bar.code) {
    case 'not-qualified':
      return 'Nerve glides are off for this client.';
    case 'loaded-under-18':
      return 'Under 18: no loaded end range.';
    case 'loaded-hypermobile':
      return 'Hypermobile joints: no loaded end range; mid-range control instead.';
    case 'caution':
      return `An intake caution rules out ${bar.args.technique}.`;
  }
}

/** What cautions or the library took out of a lane. */
export function leftOutWords(f: LeftOutFact): string {
  if (f.words !== undefined) return f.words;
  if (f.code === 'said') return f.words;
  if (f.code === 'not-in-day-plan')
    return `${muscleGroupName(f.args.group)}, ${f.args.technique}: not in “${f.args.dayPlan}”: ${barsWords(f.args.missing)}.`;
  const { group, technique, bar, instead, missing } = f.args;
  const why = bar
    ? barWords(bar)
    : missing
      ? `${barsWords(missing)}.`
      : 'the library has no such exercise for this client.';
  return `${muscleGroupName(group)}, ${technique}: ${why}${instead ? ` ${instead} instead.` : ''}`;
}
