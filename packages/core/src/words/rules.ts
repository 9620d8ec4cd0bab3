import { muscleGroupName } from '../anatomy/muscle-group.js';
import type { BlockRuleId, Fix, OutOfBounds, ViolationFact } from '../planning/check/violation.js';
import { formatClock } from './duration.js';
import { barWords, limitWords } from './plan.js';
import { capital, counted, joined } from './plural.js';
import { prescriptionWords, VARIABLE_NAME } from './prescription.js';
import { amountWords } from './technique.js';

interface RuleWords {
  readonly name: string;
  readonly text: string;
}

/** The rules of a block, as the coach reads them (domain 2.6). */
export const BLOCK_RULE_WORDS: Readonly<Record<BlockRuleId, RuleWords>> = {
  'one-variable': { name: 'One change a week', text: 'Each lane changes one thing from week to week.' },
  ramp: {
    name: 'Weekly increase',
    text: 'The weekly dose rises by no more than the weekly increase, or by the smallest step below 180 s; a load by one plate or a tenth.',
  },
  return: {
    name: 'Return',
    text: 'After missed weeks the dose comes back lower, a fifth off for each week, half at most, and is back in three weeks.',
  },
  'easier-week': {
    name: 'Easier week',
    text: 'An easier week keeps 40 to 80% of the dose, and one comes at least every six weeks.',
  },
  retest: { name: 'Retest', text: 'Measured before week 1, in every easier week and in the last week.' },
  cap: { name: 'Limits', text: 'The strictest of style, client and caution counts.' },
  'tighter-side': {
    name: 'Tighter side',
    text: 'A clearly tighter side gets an extra set, until a retest shows the difference gone.',
  },
  spacing: { name: 'Spacing', text: 'Loaded sessions of a group lie 48 h apart, three a week at most.' },
  intensity: { name: 'Target sensation', text: 'No target is above 6 of 10, or above 4 where a caution says go easy.' },
  caution: { name: 'Cautions', text: 'What an intake caution rules out is not planned.' },
  time: {
    name: 'Minutes',
    text: 'Every session fits its minutes and holds no more lanes than can be done well.',
  },
};

/** Name of a rule, for screens. */
export function blockRuleName(id: BlockRuleId): string {
  return BLOCK_RULE_WORDS[id].name;
}

function boundWords({ what, value, most, least, technique }: OutOfBounds): string {
  const bound = most === null ? `at least ${least}` : `at most ${most}`;
  if (what === 'amount') return `${amountWords(technique, value)}, ${bound}`;
  if (what === 'sets') return `${counted(value, 'set')}, ${bound}`;
  if (what === 'sessionsPerWeek') return `${counted(value, 'session')}, ${bound}`;
  return `${VARIABLE_NAME[what]} ${value}, ${bound}`;
}

/** What is wrong, and against what. */
export function violationWords(f: ViolationFact): string {
  switch (f.code) {
    case 'rose-together': {
      const both = f.args.variables.length === 2 ? 'both ' : '';
      const names = capital(joined(f.args.variables.map((v) => VARIABLE_NAME[v])));
      return `${names} ${both}rose since week ${f.args.since}. Change one at a time, so you know what worked.`;
    }
    case 'return-too-high':
      return `${f.args.seconds} s after ${counted(f.args.weeks, 'week')} off; at most ${f.args.most} s, ${f.args.percent}% of week ${f.args.since}.`;
    case 'rose-too-much':
      return `${f.args.from} → ${f.args.to} s is ${f.args.percent}% more than week ${f.args.since}; the weekly increase allows ${f.args.allowed}%, ${f.args.most} s.`;
    case 'load-rose-too-much':
      return `The load rises from ${f.args.from} to ${f.args.to}; one plate or a tenth at a time is ${f.args.most}.`;
    case 'not-easier':
      return `${f.args.percent}% of week ${f.args.since}; an easier week keeps 40 to 80%.`;
    case 'out-of-bounds': {
      const why = f.args.by ? limitWords(f.args.by) : `Limit of ${f.args.style} for this client.`;
      return `${f.args.values.map(boundWords).join('; ')}. ${why}`;
    }
    case 'above-style-dose':
      return `${f.args.seconds} s a week; ${f.args.style} stays within ${f.args.doseMax} s.`;
    case 'too-strong': {
      const why = f.args.by ? limitWords(f.args.by) : 'If the client can’t talk easily, it is too strong.';
      return `Sensation ${f.args.sensation} of 10, at most ${f.args.most}. ${why}`;
    }
    case 'technique-barred':
      return barWords(f.args.bar);
    case 'not-the-tighter-side':
      return `The ${f.args.side} side gets an extra set, but it is not clearly tighter.`;
    case 'tighter-side-without-extra':
      return `The ${f.args.side} side is clearly tighter but gets no extra here.`;
    case 'session-too-long':
      return `The longest session lasts ${formatClock(f.args.seconds)}; the limit is ${formatClock(f.args.budget)}.`;
    case 'too-many-lanes':
      return `${counted(f.args.lanes, 'lane')} in one session, at most ${f.args.most}.`;
    case 'days-too-few':
      return `${counted(f.args.sessions, 'session')} planned, but only ${f.args.days} ${f.args.days === 1 ? 'fits' : 'fit'}${f.args.loaded ? ' with 48 h between them' : ''}.`;
    case 'too-many-loaded':
      return `${counted(f.args.sessions, 'loaded session')}, at most ${f.args.most}.`;
    case 'loaded-after-last-week':
      return 'Less than 48 h after the last loaded session of the week before.';
    case 'loaded-too-close':
      return 'Less than 48 h between two loaded sessions.';
    case 'no-retest':
      return `No retest in week ${f.args.week}: you can’t tell whether the weeks before worked.`;
    case 'no-easier-week':
      return `${counted(f.args.weeks, 'week')} without an easier one, at most ${f.args.most}.`;
    case 'exercise-ruled-out':
      return `An intake caution rules out ${f.args.exercise}. Choose another.`;
    case 'above-experience':
      return `${f.args.exercise} is harder than this client is used to. Keep it only if you have seen them do it well.`;
  }
}

/** What a fix does, on its button. */
export function fixWords(fix: Fix): string {
  switch (fix.kind) {
    case 'cell': {
      const { bonus, sensation } = fix.prescription;
      if (fix.what === 'sensation') return `Use sensation ${sensation}`;
      return fix.what === 'extra' && bonus
        ? `Add the extra on the ${bonus.side} side`
        : `Use ${prescriptionWords(fix.prescription)}`;
    }
    case 'unlock':
      return fix.group === null
        ? 'Set this week automatically'
        : `Set ${muscleGroupName(fix.group).toLowerCase()} in week ${fix.week} automatically`;
    case 'easier-weeks':
      return `Make week ${fix.added} easier`;
  }
}
