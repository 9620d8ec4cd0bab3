import { muscleGroupName, type MuscleGroupId } from '../anatomy/muscle-group.js';
import { propName } from '../catalogue/props.js';
import type { SessionClash } from '../composing/clash.js';
import type { Composition } from '../composing/compose.js';
import type { NeedShortfall } from '../composing/explain.js';
import type {
  AlternativeFact,
  ClashFact,
  FitFact,
  GroupAmount,
  ObjectionFact,
  ReasonFact,
  SessionWarningFact,
  ShortfallFact,
  WayOutFact,
} from '../composing/facts.js';
import type { FitProposal } from '../composing/fit.js';
import { STATIC_BEFORE_TRAINING, type PurposeId } from '../session/purpose.js';
import { formatDate } from '../schedule/plain-date.js';
import type { SpacingFact } from '../session/spacing.js';
import { cautionTitle } from './caution.js';
import { formatClock } from './duration.js';
import { lowerFirst, runningList } from './list.js';
import { counted, joined } from './plural.js';

const groupName = (g: MuscleGroupId): string => lowerFirst(muscleGroupName(g));
const quoted = (names: readonly string[]): string => joined(names.map((n) => `“${n}”`));

function amount({ amount: n, unit }: Pick<GroupAmount, 'amount' | 'unit'>): string {
  if (unit === 'seconds') return `${n} s`;
  return unit === 'breaths' ? counted(n, 'breath') : counted(n, 'rep');
}

/** Name and effect of a purpose. The effect is empty where it changes nothing. */
const PURPOSE_WORDS: Readonly<Record<PurposeId, { readonly name: string; readonly text: string }>> = {
  own: { name: 'Stand-alone session', text: '' },
  'after training': {
    name: 'After training',
    text: 'No warm-up: the body is warm. What was trained counts twice (common practice, no source).',
  },
  'before training': {
    name: 'Before training',
    text: `Nothing loaded, and no group is held for more than ${STATIC_BEFORE_TRAINING} s: longer holds cost strength for a while (Behm 2016, from memory).`,
  },
  'on waking': {
    name: 'On waking',
    text: 'In the first hour or two after waking the back is not bent to its end and nothing is loaded: the discs hold more water then (Snook 1998, from memory).',
  },
  'short break': {
    name: 'Short break',
    text: 'One region of the body, so that there is little to change (common practice, no source).',
  },
  evening: {
    name: 'In the evening',
    text: 'Only what calms: holds, contract-relax, rolling and breathing (common practice, no source).',
  },
};

/** Name of a purpose, for screens. */
export function purposeName(id: PurposeId): string {
  return PURPOSE_WORDS[id].name;
}

/** What a purpose changes and why, for coach and client; empty for nothing. */
export function purposeWords(id: PurposeId): string {
  return PURPOSE_WORDS[id].text;
}

function oneReason(f: ReasonFact): string {
  switch (f.code) {
    case 'covers': {
      const names = runningList(f.args.parts.map((p) => `${groupName(p.group)} ${amount(p)}`));
      return `Covers ${names}${f.args.parts.length > 1 ? ' in one position' : ''}.`;
    }
    case 'tighter-side':
      return `An extra set on the ${f.args.side}, the tighter side.`;
    case 'chosen-by-coach':
      return 'Your choice.';
    case 'known':
      return 'The client knows it.';
    case 'sets-fixed':
      return `You fixed ${counted(f.args.sets, 'set')}.`;
  }
}

/** Why an exercise was taken. */
export function reasonsWords(facts: readonly ReasonFact[]): string {
  return facts.map(oneReason).join(' ');
}

/** Why an exercise may not be chosen: a clause. */
export function objectionWords(f: ObjectionFact): string {
  switch (f.code) {
    case 'caution':
      return cautionTitle(f.args.caution);
    case 'on-hold':
      return 'on hold after a stop sign';
    case 'left-out-by-coach':
      return 'you left it out';
    case 'technique-not-here':
      return `no ${f.args.technique} in this kind of session`;
    case 'spine-after-waking':
      return 'bends or loads the back soon after waking';
    case 'position':
      return `${f.args.position} isn’t possible here`;
    case 'needs':
      return `needs ${joined(f.args.props.map((p) => lowerFirst(propName(p))))}`;
    case 'only-by-hand':
      return 'loads a bent spine: only when you choose it yourself';
    case 'above-experience':
      return 'too difficult for the client’s experience';
  }
}

function shortfallReason(f: ShortfallFact): string {
  switch (f.code) {
    case 'none-allowed': {
      const because = [...new Set(f.args.because.map(objectionWords))];
      return because.length > 0
        ? `no exercise is allowed: ${runningList(because.slice(0, 3))}`
        : 'the library has no exercise for it';
    }
    case 'not-longer':
      return 'this exercise doesn’t suit longer holds';
    case 'another-region':
      return 'it is in another region of the body';
    case 'own-choices':
      return 'your own choices leave no room for more';
    case 'held-before-training':
      return `no group is held for more than ${f.args.most} s before training`;
    case 'group-cap':
      return `with secondary work this group already has its ${f.args.most} s`;
    case 'minutes':
      return `${formatClock(f.args.seconds)} more would fit it`;
  }
}

/** What a need did not get, and why. */
export function shortfallWords(s: NeedShortfall): string {
  const what = amount({ amount: s.missing, unit: s.unit });
  return `${muscleGroupName(s.group)} ${what} short (${s.technique}): ${shortfallReason(s.why)}.`;
}

function clashReason(f: ClashFact): string {
  switch (f.code) {
    case 'cannot-be-in': {
      const why = f.args.because ? objectionWords(f.args.because) : 'it serves nothing that this session should do';
      return `“${f.args.exercise}” can’t be included: ${why}.`;
    }
    case 'not-together':
      return 'What you chose and fixed can’t be done together, however long the session: two exercises claim the same sets, or they are in different regions.';
    case 'too-long-by-some':
      return 'What you chose and fixed takes longer than the minutes; by how much was not found out in reasonable time.';
    case 'not-settled':
      return 'No session with all that you chose and fixed was found within the minutes; whether there is one was not found out in reasonable time. Give it more minutes, or let one of them change.';
    case 'too-long':
      return `What you chose and fixed takes ${formatClock(f.args.seconds)} with its warm-up; there are ${formatClock(f.args.budget)}, ${formatClock(f.args.work)} of them for work.`;
  }
}

/** What of the coach's choices cannot be met. */
export function clashWords(c: Pick<SessionClash, 'why'>): string {
  return c.why.map(clashReason).join(' ');
}

/** A way out of a clash, as an instruction. */
export function wayOutWords(f: WayOutFact): string {
  return f.code === 'remove' ? `Remove ${quoted(f.args.exercises)}.` : `Give it ${formatClock(f.args.seconds)} more.`;
}

/** Whether anything better fits, as far as it is known. */
export function proofWords({ proven, settled }: Pick<Composition, 'proven' | 'settled'>): string {
  const open = settled.find((s) => !s.proven);
  if (proven || !open) return 'Nothing better fits these minutes (proven).';
  const by = open.value - open.bound;
  switch (open.name) {
    case 'floors':
      return `The best that was found. Of what the week still needs, at most ${counted(Math.ceil(by - 1e-6), 'set')} more could fit.`;
    case 'shortfall':
      return `The best that was found. At most ${Math.ceil((100 * by) / open.value - 1e-6)}% of the missing work could still fit.`;
    case 'exercises':
      return 'No more work fits (proven). Fewer exercises, or more that the client knows, may be possible.';
    case 'positions':
      return `No more work fits, and with no fewer exercises (proven). At most ${counted(Math.ceil(by - 1e-6), 'position change')} could be saved.`;
  }
}

function fitChange(f: FitFact): string {
  switch (f.code) {
    case 'no-extra':
      return 'Leave out the tighter side’s extra.';
    case 'shorter-holds':
    case 'longer-holds': {
      const longer = f.code === 'longer-holds';
      const each = f.args.holds.map((h) => `${h.exercise} ${longer ? '+' : '−'}${h.seconds} s`);
      return `${longer ? 'Longer' : 'Shorter'} holds: ${each.join(', ')}.`;
    }
    case 'fewer-sets':
      return `Fewer sets: ${f.args.sets.map((s) => `${s.exercise} ${s.from} → ${counted(s.to, 'set')}`).join(', ')}.`;
    case 'leave-out':
      return `Leave out ${f.args.exercise}.`;
    case 'one-more-set':
      return `One more set: ${f.args.exercise}.`;
  }
}

/** A way to bring a session to its minutes, with the length it comes to. */
export function fitWords(p: Pick<FitProposal, 'change' | 'totalSeconds' | 'budgetSeconds'>): string {
  return `${fitChange(p.change)} ${formatClock(p.totalSeconds)} of ${formatClock(p.budgetSeconds)}.`;
}

/** What would break when a session lies on a day. */
export function spacingWords(f: SpacingFact): string {
  const date = formatDate(f.args.date, 'EEE d MMM');
  return f.code === 'loaded-too-close'
    ? `Less than 48 h from the loaded ${groupName(f.args.group)} on ${date}.`
    : `Less than 24 h before the retest on ${date}, so its results could not be compared.`;
}

/** What the order or the day of a session goes against. */
export function sessionWarningWords(f: SessionWarningFact): string {
  switch (f.code) {
    case 'held-before-training':
      return `${muscleGroupName(f.args.group)} is held for ${f.args.seconds} s before training: above ${f.args.most} s strength drops for a while (Behm 2016, from memory).`;
    case 'neck-after-loaded':
      return 'The neck comes right after loaded work: put an easy stretch between them.';
    case 'out-of-order':
      return `${f.args.technique} after ${f.args.before}. Put moving and loaded work before holds.`;
    default:
      return spacingWords(f);
  }
}

function alternativePart(f: AlternativeFact): string {
  switch (f.code) {
    case 'same-dose':
      return 'same dose';
    case 'less-dose':
      return `${f.args.seconds} s less per side: it doesn’t suit longer holds`;
    case 'position':
      return f.args.same ? `also ${f.args.position}` : f.args.position;
    case 'needs':
      return `needs ${joined(f.args.props.map((p) => lowerFirst(propName(p))))}, which the client hasn’t got`;
    case 'easier':
      return 'easier';
    case 'harder':
      return 'harder';
    case 'also-stretches':
      return `also stretches the ${joined(f.args.groups.map(groupName))}`;
  }
}

/** What another exercise gives and costs. */
export function alternativeWords(facts: readonly AlternativeFact[]): string {
  return facts.map(alternativePart).join(' · ');
}
