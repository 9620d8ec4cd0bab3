import { BODY_REGIONS, type BodyRegionId } from '../anatomy/body-region.js';
import { MUSCLE_GROUPS, type MuscleGroupId } from '../anatomy/muscle-group.js';
import type { Demand } from '../catalogue/demand.js';
import { daysBetween, type PlainDate } from '../schedule/plain-date.js';
import { demanding } from '../technique/catalogue.js';
import { isEmptyEffect, NO_EFFECT, strictest, type CautionEffect } from './effect.js';
import type { QuestionId } from './questions.js';

/** `refer`: doctor or physiotherapist first; planning is blocked until cleared. `limit`: planning goes on within limits. `note`: a reminder. */
export type Outcome = 'refer' | 'limit' | 'note';
/** How soon a professional is needed: at once, today, within days, or before planning. */
export type Urgency = 'emergency' | 'today' | 'urgent' | 'before planning';

/** What follows from a yes. */
export interface Rule {
  readonly outcome: Outcome;
  /** Null when nobody has to be seen. */
  readonly urgency: Urgency | null;
  readonly effect: CautionEffect;
}

/** What is known of a yes besides. */
export interface Given {
  readonly regions: readonly BodyRegionId[];
  /** Empty when it was not told apart: the strictest counts. */
  readonly details: readonly string[];
  readonly date: PlainDate | null;
  /** The day it is read on; null reads it as strictly as any day would. */
  readonly day: PlainDate | null;
}

const effectOf = (limits: Partial<CautionEffect>): CautionEffect => {
  const effect = { ...NO_EFFECT, ...limits };
  return { ...effect, onlyKnown: !isEmptyEffect(effect) };
};
const refer = (urgency: Urgency, effect: Partial<CautionEffect> = {}): Rule => ({
  outcome: 'refer',
  urgency,
  effect: effectOf(effect),
});
const limit = (effect: Partial<CautionEffect>): Rule => ({
  outcome: 'limit',
  urgency: null,
  effect: effectOf(effect),
});
const note: Rule = { outcome: 'note', urgency: null, effect: NO_EFFECT };
/** The same limits, but a professional first. */
const referred = (rule: Rule): Rule => ({ ...rule, outcome: 'refer', urgency: 'before planning' });

const groupsOf = (...regions: string[]): MuscleGroupId[] =>
  MUSCLE_GROUPS.filter((g) => regions.includes(g.region)).map((g) => g.id);
const NECK_GROUPS = groupsOf('neck');
const TRUNK = groupsOf('trunk');

/** Groups of regions, each once, from the floor up. */
function groupsIn(regions: readonly BodyRegionId[]): MuscleGroupId[] {
  const wanted = new Set<MuscleGroupId>(
    BODY_REGIONS.filter((r) => regions.includes(r.id)).flatMap((r) => [...r.groups]),
  );
  return MUSCLE_GROUPS.map((g) => g.id).filter((g) => wanted.has(g));
}

const HIP_FRONT: readonly Demand[] = ['hip-back'];
const HIP_BACK: readonly Demand[] = ['hip-past-90', 'hip-across'];
const SHOULDER_ENDS: readonly Demand[] = ['arm-behind', 'arm-out', 'arm-overhead'];
const KNEE_ENDS: readonly Demand[] = ['knee-bent', 'knee-twisted', 'kneeling'];

/** What a joint that is hurt, inflamed or artificial does not take, besides the stretch of its own muscles. */
const REGION_DEMANDS: Readonly<Partial<Record<BodyRegionId, readonly Demand[]>>> = {
  foot: ['toes-back', 'heel-low'],
  knee: KNEE_ENDS,
  groin: ['legs-wide'],
  hip: [...HIP_FRONT, ...HIP_BACK],
  'low-back': ['spine-forward', 'spine-back', 'spine-loaded'],
  belly: ['belly', 'spine-back'],
  'upper-back': ['spine-turned', 'spine-pressed'],
  chest: ['arm-out', 'spine-turned', 'spine-pressed'],
  shoulder: [...SHOULDER_ENDS, 'wrists'],
  arm: ['wrists'],
  hand: ['wrists', 'grip'],
  neck: ['neck-back', 'neck-hand', 'head-turned-lying'],
  head: ['head-low', 'neck-back', 'neck-hand', 'head-turned-lying'],
};
const demandsIn = (regions: readonly BodyRegionId[]): Demand[] => [
  ...new Set(regions.flatMap((r) => REGION_DEMANDS[r] ?? [])),
];

/** Techniques that load, where some groups are worked. */
const noLoadOn = (groups: readonly MuscleGroupId[]) => [{ groups, techniques: demanding('load'), demands: [] }];

const resting = ({ regions }: Given): Rule =>
  limit({ excludedGroups: groupsIn(regions), excludedDemands: demandsIn(regions) });

const TENDONS: Readonly<Record<string, Partial<CautionEffect>>> = {
  'sit-bone': { groupLimits: [{ groups: ['hamstrings'], techniques: demanding('load'), demands: ['hip-past-90'] }] },
  'outer-hip': { excludedDemands: ['hip-across'] },
  heel: { excludedDemands: ['heel-low'] },
  knee: {
    excludedDemands: ['kneeling'],
    groupLimits: [{ groups: ['quadriceps'], techniques: demanding('load'), demands: ['knee-bent'] }],
  },
  elsewhere: { excludedTechniques: demanding('load') },
};

const FEET: readonly MuscleGroupId[] = ['plantar-foot', 'calf', 'soleus', 'shin'];
const HANDS: readonly MuscleGroupId[] = ['forearm-flexors', 'forearm-extensors'];

function lessFeeling({ details }: Given): Rule {
  const at = (where: string) => details.length === 0 || details.includes(where);
  const groups = [...(at('feet') ? FEET : []), ...(at('hands') ? HANDS : [])];
  return limit({
    sensationMax: 4,
    excludedDemands: at('feet') ? ['one-leg'] : [],
    groupLimits: [{ groups, techniques: demanding('pressure'), demands: [] }],
  });
}

/** Full weeks of a pregnancy of forty on a day; null when it is not known. */
function weekOfPregnancy({ date, day }: Given): number | null {
  return date === null || day === null ? null : 40 - Math.ceil(daysBetween(day, date) / 7);
}

/** From this week nothing flat on the back or the belly. */
const SUPINE_UNTIL = 13;

function pregnant(given: Given): Rule {
  const week = weekOfPregnancy(given);
  const early = week !== null && week >= 0 && week < SUPINE_UNTIL;
  const pelvis = given.details.length === 0 || given.details.includes('pelvis');
  const effect: CautionEffect = {
    ...NO_EFFECT,
    sensationMax: 4,
    excludedTechniques: demanding('load'),
    excludedPositions: early ? [] : ['supine', 'prone'],
    excludedDemands: [
      ...(['spine-forward', 'spine-turned', 'belly', 'impact'] as const),
      ...(pelvis ? (['legs-wide', 'one-leg', 'one-leg-held'] as const) : []),
    ],
  };
  return given.details.includes('warning')
    ? { outcome: 'refer', urgency: 'today', effect }
    : { outcome: 'limit', urgency: null, effect };
}

/** Weeks after a caesarean in which nothing is done on the belly. */
const CAESAREAN_WEEKS = 8;

function afterBirth({ details, date, day }: Given): Rule {
  const caesarean = details.length === 0 || details.includes('caesarean') || details.includes('unknown');
  const healed = date !== null && day !== null && daysBetween(date, day) >= CAESAREAN_WEEKS * 7;
  return limit({
    sensationMax: 4,
    excludedTechniques: demanding('push', 'load'),
    excludedPositions: caesarean && !healed ? ['prone'] : [],
    excludedDemands: ['belly', 'legs-wide', 'impact'],
  });
}

/** A yes that one of these makes harmless is a limit; anything else, "not known" and no answer too, a refer. */
const unless =
  (harmless: readonly string[], rule: Rule) =>
  ({ details }: Given): Rule =>
    details.length > 0 && details.every((d) => harmless.includes(d)) ? rule : referred(rule);

const always = (rule: Rule) => (): Rule => rule;

/** The joints at the top of the neck may not hold: nothing at the neck, and nothing carried by or behind the head. */
const looseNeck = always(
  refer('before planning', { excludedGroups: NECK_GROUPS, excludedDemands: [...REGION_DEMANDS.neck!, 'head-carried'] }),
);

/** What follows from a yes (domain 2.9, docs/cautions.md). Clinical consensus as the trade teaches it; common practice, no source. */
export const RULES: Readonly<Record<QuestionId, (given: Given) => Rule>> = {
  heart: always(refer('before planning')),
  faints: always(refer('before planning')),
  pressure: ({ details }) =>
    details.includes('controlled')
      ? limit({ effortMax: 30, excludedDemands: ['head-low'] })
      : limit({ excludedTechniques: demanding('push', 'load'), excludedDemands: ['head-low'] }),
  clot: always(refer('today', { excludedTechniques: demanding('pressure') })),
  thinners: always(limit({ excludedTechniques: demanding('pressure') })),
  claudication: always(refer('urgent')),
  surgery: always(refer('before planning')),
  accident: always(refer('before planning')),
  'hip-replacement': ({ details }) =>
    limit({
      excludedDemands: details.includes('front')
        ? HIP_FRONT
        : details.includes('back')
          ? HIP_BACK
          : [...HIP_FRONT, ...HIP_BACK],
      gentleGroups: ['gluteals', 'deep-hip-rotators', 'lateral-hip', 'hip-flexors', 'adductors'],
    }),
  'joint-replacement': ({ regions }) =>
    limit({
      gentleGroups: groupsIn(regions),
      groupLimits: noLoadOn(groupsIn(regions)),
      excludedDemands: demandsIn(regions.filter((r) => r === 'knee' || r === 'shoulder' || r === 'hip')),
    }),
  'fused-spine': always(
    refer('before planning', { excludedDemands: ['spine-forward', 'spine-back', 'spine-turned', 'spine-loaded'] }),
  ),
  'narrow-canal': always(limit({ excludedDemands: ['spine-back', 'spine-loaded'] })),
  bones: always(
    limit({
      excludedDemands: ['spine-forward', 'spine-turned', 'spine-loaded', 'spine-pressed', 'neck-hand', 'impact'],
    }),
  ),
  flare: resting,
  'neck-arthritis': looseNeck,
  'loose-neck': looseNeck,
  'hand-arthritis': always(limit({ excludedDemands: ['grip', 'wrists'] })),
  tear: resting,
  tendon: ({ details }) => {
    const where = details.length === 0 ? Object.keys(TENDONS) : details;
    return limit(strictest(where.map((d) => ({ ...NO_EFFECT, ...TENDONS[d] }))));
  },
  'hip-pinch': always(limit({ excludedDemands: ['hip-pinched'] })),
  'loose-joints': always(limit({ sensationMax: 4, holdMax: 30, excludedTechniques: demanding('load') })),
  dislocated: ({ regions }) => {
    // Where it was not said which joint, the shoulder is the one that comes out most.
    const where: readonly BodyRegionId[] = regions.length > 0 ? regions : ['shoulder'];
    return limit({
      gentleGroups: groupsIn(where),
      groupLimits: noLoadOn(groupsIn(where)),
      excludedDemands: demandsIn(where).filter((d) => d !== 'wrists'),
    });
  },
  disc: always(limit({ excludedDemands: ['spine-forward', 'spine-loaded'] })),
  'leg-pain': always(
    refer('before planning', {
      excludedDemands: ['spine-forward', 'spine-loaded'],
      excludedTechniques: demanding('nerve'),
    }),
  ),
  numbness: always(refer('before planning', { excludedTechniques: demanding('nerve') })),
  weakness: always(refer('today', { excludedTechniques: demanding('nerve', 'load') })),
  'neck-signs': always(refer('today', { excludedGroups: NECK_GROUPS, excludedDemands: REGION_DEMANDS.neck })),
  saddle: always(refer('emergency', { excludedGroups: [...TRUNK, 'hamstrings'] })),
  feeling: lessFeeling,
  brain: always(refer('before planning', { excludedDemands: ['one-leg'] })),
  vertigo: unless(['known'], limit({ excludedDemands: ['head-low', 'neck-back', 'head-turned-lying', 'head-turned'] })),
  balance: unless(['unsteady', 'one-fall'], limit({ excludedDemands: ['one-leg', 'impact'] })),
  eyes: unless(['settled'], limit({ excludedDemands: ['head-low'], excludedTechniques: demanding('push') })),
  unexplained: always(refer('urgent')),
  cancer: always(refer('before planning')),
  pregnancy: pregnant,
  birth: afterBirth,
  hernia: unless(['old'], limit({ excludedDemands: ['belly', 'spine-back'], excludedTechniques: demanding('push') })),
  device: always(
    refer('before planning', {
      excludedDemands: ['arm-overhead', 'arm-out'],
      groupLimits: [{ groups: ['pectorals'], techniques: demanding('pressure'), demands: [] }],
    }),
  ),
  diabetes: always(note),
  medicines: always(limit({ sensationMax: 4, excludedTechniques: demanding('load'), excludedDemands: ['heel-low'] })),
  painkillers: always(note),
  floor: always(limit({ excludedDemands: ['floor'] })),
  kneeling: always(limit({ excludedDemands: ['kneeling'] })),
  wrists: always(limit({ excludedDemands: ['wrists'] })),
};

/** Growing: a guardian first, no load, no strong push, nothing advanced. */
export const UNDER_18_RULE = refer('before planning', {
  excludedTechniques: demanding('load'),
  effortMax: 20,
  difficultyMax: 2,
});
export const OVER_65_RULE = limit({ excludedDemands: ['neck-back', 'neck-hand'] });
