import { muscleGroupName } from '../anatomy/muscle-group.js';
import { FAVOURED_WEEKLY_SECONDS } from '../dose/dose.js';
import type { WantedFact } from '../measuring/findings/wanted.js';
import type { DayPlan } from '../planning/day-plan/day-plan.js';
import type { LeftGroup, Proposal, ProposedLane, StyleChoiceFact } from '../planning/proposal/proposal.js';
import type { ClientPlace } from '../screening/place.js';
import { WEEKDAYS } from '../schedule/weekday.js';
import { weekdaysOf } from '../planning/day-plan/day-plan.js';
import { counted, joined } from './plural.js';

function wantedWord(f: WantedFact): string {
  switch (f.code) {
    case 'short':
      return `${f.args.testName} is short${f.args.side === null ? '' : ` on the ${f.args.side}`}`;
    case 'tighter':
      return `the ${f.args.side} side is clearly tighter`;
    case 'complaint':
      return 'a complaint goes with it';
    case 'asked':
      return 'asked for';
    case 'by-hand':
      return 'chosen by you';
  }
}

const STYLE_WORDS: Readonly<Record<StyleChoiceFact['code'], string>> = {
  'plain-hold': 'holds, built up step by step',
  'very-mobile': 'very mobile, so control comes before length',
  'can-be-loaded': 'experienced, with something to load at hand',
  'nothing-short': 'nothing is short, so it is kept as it is',
  'room-for-upkeep': 'kept up for now; more would take minutes from another group',
};

/** Why a lane is proposed, and why in its style. */
export function proposedWords({ why, style }: Pick<ProposedLane, 'why' | 'style'>): string {
  return [...why.map(wantedWord), STYLE_WORDS[style.code]].join('; ');
}

const LEFT_WORDS: Readonly<Record<LeftGroup['code'], string>> = {
  impossible: 'no exercise is possible in these places with these cautions',
  'no-room': 'not even one short set twice a week fits',
  'short-alone': `stays below ${FAVOURED_WEEKLY_SECONDS} s a week in these weeks and days, even alone`,
  'takes-reach': `with it, one of the groups would stay below ${FAVOURED_WEEKLY_SECONDS} s a week`,
  'too-many': 'more groups than a block holds',
};

/** Why a wanted group is left out. */
export function leftWords({ group, code }: LeftGroup): string {
  return `${muscleGroupName(group)}: ${LEFT_WORDS[code]}.`;
}

export const PROPOSAL_TITLES: Readonly<Record<Proposal['id'], string>> = {
  reach: `Fewer groups, to ${FAVOURED_WEEKLY_SECONDS} s a week`,
  spread: 'More groups, some only kept up',
  between: 'With short sessions between',
};

/** What a proposal adds to the week: the sessions between, day by day; empty where it adds none. */
export function addedSessionsWords(
  { id, draft }: Pick<Proposal, 'id' | 'draft'>,
  places: readonly Pick<ClientPlace, 'id' | 'name'>[],
): string {
  const added = id === 'between' ? draft.dayPlans.at(-1) : undefined;
  if (!added) return '';
  const days = joined(WEEKDAYS.filter((d) => added.weekdays.includes(d.id)).map((d) => d.name));
  const place = places.length > 1 ? places.find((p) => p.id === added.placeId) : undefined;
  return `${added.minutes} min more on ${days}${place ? `, place: ${place.name}` : ''}. Ask whether these days suit.`;
}

/** Days and minutes of some day plans. @example daysAndMinutes([{ weekdays: [1, 3, 5], minutes: 20 }]) // '3 days of 20 min' */
export function daysAndMinutes(plans: readonly Pick<DayPlan, 'weekdays' | 'minutes'>[]): string {
  const days = counted(weekdaysOf(plans).length, 'day');
  const minutes = [...new Set(plans.map((p) => p.minutes))];
  if (minutes.length !== 1) return `${days} of ${joined(minutes.map((m) => (m === null ? 'no limit' : `${m} min`)))}`;
  return minutes[0] === null ? `${days} without a limit` : `${days} of ${minutes[0]} min`;
}

/**
 * What the days and minutes hold of the groups that findings hand over; empty where none of them is to be lengthened.
 * @param lengthen groups that are to be lengthened
 */
export function handOverLine(
  fewer: Pick<Proposal, 'reach' | 'draft'>,
  lengthen: readonly Proposal['lanes'][number]['group'][],
): string {
  if (lengthen.length === 0) return '';
  const there = fewer.reach.filter((r) => lengthen.includes(r.group) && r.kind === 'amount' && r.week !== null).length;
  const plans = daysAndMinutes(fewer.draft.dayPlans);
  const verb = weekdaysOf(fewer.draft.dayPlans).length === 1 ? 'brings' : 'bring';
  const all = lengthen.length;
  const what =
    all === 1
      ? there === 1
        ? 'this group'
        : 'this group not'
      : there === all
        ? `all ${all} groups`
        : `${there} of these ${all} groups`;
  const end = there < all && all > 1 && there > 0 ? ' Which should they be?' : '';
  return `${plans} ${verb} ${what} to ${FAVOURED_WEEKLY_SECONDS} s a week per side in ${counted(fewer.draft.weeks, 'week')}.${end}`;
}
