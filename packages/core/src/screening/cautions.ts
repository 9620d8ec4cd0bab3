import type { ExerciseTag } from '../catalogue/exercise-tag.js';
import { demanding, type Technique } from '../technique/catalogue.js';
import { BODY_REGIONS, bodyRegionName, type BodyRegionId } from '../anatomy/body-region.js';
import { MUSCLE_GROUPS, type MuscleGroupId } from '../anatomy/muscle-group.js';
import type { Position } from '../catalogue/rom-test.js';
import { lowerFirst } from '../words/list.js';
import { QUESTION_IDS, questionById, type QuestionId } from './questions.js';

/** Answers of one asking. A question without an entry has not been asked. */
export interface Answers {
  readonly yes: readonly QuestionId[];
  readonly no: readonly QuestionId[];
  /** Regions that a yes is about. */
  readonly regions: Readonly<Partial<Record<QuestionId, readonly BodyRegionId[]>>>;
}

/** `refer`: doctor or physiotherapist first; planning is blocked until cleared. `limit`: planning goes on within limits. `note`: a reminder. */
export type Outcome = 'refer' | 'limit' | 'note';

/** What a caution takes away. Empty lists take nothing. */
export interface CautionEffect {
  /** Groups that are not worked at all. */
  readonly excludedGroups: readonly MuscleGroupId[];
  /** Groups where sensation stays at 4 or below. */
  readonly gentleGroups: readonly MuscleGroupId[];
  readonly excludedTechniques: readonly Technique[];
  readonly excludedPositions: readonly Position[];
  readonly excludedTags: readonly ExerciseTag[];
  /** Highest sensation anywhere, 0-10; null for no limit of its own. */
  readonly sensationMax: number | null;
}

export interface Caution {
  readonly id: QuestionId | 'under-18' | 'over-65' | 'nerve-glides';
  readonly outcome: Outcome;
  /** How soon a professional is needed: at once, today, within days, or before planning. Null when none is. */
  readonly urgency: 'emergency' | 'today' | 'urgent' | 'before planning' | null;
  readonly title: string;
  /** What changes. */
  readonly changes: string;
  readonly why: string;
  readonly effect: CautionEffect;
}

const NOTHING: CautionEffect = {
  excludedGroups: [],
  gentleGroups: [],
  excludedTechniques: [],
  excludedPositions: [],
  excludedTags: [],
  sensationMax: null,
};
const groupsOf = (...regions: string[]): MuscleGroupId[] =>
  MUSCLE_GROUPS.filter((g) => regions.includes(g.region)).map((g) => g.id);
const NECK = groupsOf('neck');
const TRUNK = groupsOf('trunk');
const FLOOR: readonly Position[] = ['kneeling', 'all fours', 'supine', 'side-lying', 'prone'];

type Rule = Omit<Caution, 'id' | 'effect' | 'urgency'> & {
  readonly urgency?: Caution['urgency'];
  readonly effect?: Partial<CautionEffect>;
};

/** How soon, said before what follows. */
const SOON: Readonly<Record<NonNullable<Caution['urgency']>, string>> = {
  emergency: '',
  today: 'See a doctor today. ',
  urgent: 'See a doctor within days. ',
  'before planning': '',
};

const refer = (
  title: string,
  why: string,
  urgency: Caution['urgency'] = 'before planning',
  effect: Partial<CautionEffect> = {},
): Rule => ({
  outcome: 'refer',
  urgency,
  title,
  changes:
    urgency === 'emergency'
      ? 'Call an ambulance or go to a hospital now. No stretching.'
      : `${SOON[urgency ?? 'before planning']}Planning is blocked until a doctor or physiotherapist has agreed.`,
  why,
  effect,
});
const limit = (title: string, changes: string, why: string, effect: Partial<CautionEffect>): Rule => ({
  outcome: 'limit',
  title,
  changes,
  why,
  effect,
});

/** What follows from a yes (domain 2.9). Clinical consensus as the trade teaches it; common practice, no source. */
const RULES: Readonly<Record<QuestionId, Rule>> = {
  heart: refer('Heart or breath', 'Effort may be unsafe before a doctor has looked at it.'),
  faints: refer('Fainting or dizziness', 'A cause has to be known before the head goes low or holds get long.'),
  pressure: limit(
    'High blood pressure',
    'No pushing against resistance and no loaded holds; nothing with the head low; breathe through every hold.',
    'Strong pushing and breath-holding drive the pressure up.',
    { excludedTechniques: demanding('push', 'load'), excludedTags: ['head down'] },
  ),
  clot: refer(
    'A clot',
    'See a doctor today. If your chest hurts or you are short of breath, call an ambulance.',
    'today',
    {
      excludedTechniques: demanding('pressure'),
    },
  ),
  thinners: limit(
    'Blood thinners or varicose veins',
    'No rolling.',
    'Pressure on vessels bruises easily and may do harm.',
    { excludedTechniques: demanding('pressure') },
  ),
  surgery: refer('Operation or broken bone', 'Healing sets the limits; whoever treats it knows them.'),
  'hip-replacement': limit(
    'Artificial hip',
    'Don’t bend the hip past 90°, above all with the knee crossing over or turned in. Sensation 4 at most at the hip.',
    'These positions can lever the joint out, unless the surgeon has said otherwise.',
    {
      excludedTags: ['deep hip flexion'],
      gentleGroups: ['gluteals', 'deep-hip-rotators', 'lateral-hip', 'hip-flexors', 'adductors'],
    },
  ),
  'joint-replacement': limit(
    'Artificial joint',
    'Sensation at most 4 around it; no loaded end range.',
    'The joint has its own end; it is not stretched further.',
    { excludedTechniques: demanding('load') },
  ),
  bones: limit(
    'Brittle bones',
    'No bending forward of the spine to its end or under load; no impact.',
    'Vertebrae break in loaded flexion (Sinaki & Mikkelsen 1984, from memory).',
    { excludedTags: ['spinal flexion', 'loaded spine', 'impact'], excludedTechniques: demanding('lowering') },
  ),
  flare: limit(
    'An inflamed joint',
    'No stretching here until it has settled.',
    'Stretching an inflamed joint keeps it going.',
    {},
  ),
  'neck-arthritis': limit(
    'Inflammatory arthritis of the neck',
    'No end range of the neck.',
    'The uppermost joints may be loose.',
    { excludedTags: ['neck end range'], gentleGroups: NECK },
  ),
  'hand-arthritis': limit(
    'Arthritis of the hands',
    'No gripping and no leaning on bent fingers or wrists.',
    'Grip and pressure irritate the small joints.',
    { excludedTags: ['grip', 'wrist load'] },
  ),
  tear: limit('A torn muscle', 'The region rests until it has healed.', 'A fresh scar tears again.', {}),
  'loose-joints': limit(
    'Loose joints',
    'Sensation at most 4, no loaded end range; favour activation and control in mid-range.',
    'These joints need control, not more range.',
    { sensationMax: 4, excludedTechniques: demanding('load') },
  ),
  disc: limit(
    'Disc trouble',
    'No bending forward under load or to the end; stop when symptoms go down the leg.',
    'Loaded flexion presses on the disc.',
    { excludedTags: ['spinal flexion', 'loaded spine'] },
  ),
  'leg-pain': refer(
    'Leg pain below the knee',
    'A nerve may be pressed; it has to be looked at first.',
    'before planning',
    {
      excludedTags: ['spinal flexion', 'loaded spine'],
      excludedTechniques: demanding('nerve'),
    },
  ),
  numbness: refer(
    'Numbness or tingling',
    'A nerve may be in trouble; it has to be looked at first.',
    'before planning',
    {
      excludedTechniques: demanding('nerve'),
    },
  ),
  'neck-signs': refer(
    'Warning signs of the neck',
    'If any of this is happening now, call an ambulance. If it has passed, see a doctor today.',
    'today',
    {
      excludedGroups: NECK,
      excludedTags: ['neck end range'],
    },
  ),
  saddle: refer('Bladder, bowel or saddle numbness', 'Nerves of the lower spine may be pressed.', 'emergency', {
    excludedGroups: [...TRUNK, 'hamstrings'],
  }),
  feeling: limit(
    'Little feeling',
    'Sensation at most 4; go by the look of the position, not by the pull.',
    'It is easy to overdo what you can’t feel.',
    { sensationMax: 4 },
  ),
  balance: limit('Falls', 'Nothing on one leg without support.', 'A fall does more harm than a stretch does good.', {
    excludedTags: ['one leg', 'impact'],
  }),
  eyes: limit('Eyes', 'Nothing with the head low.', 'The pressure in the eye rises.', { excludedTags: ['head down'] }),
  unexplained: refer('Weight loss or night pain', 'A serious cause has to be ruled out.', 'urgent'),
  pregnancy: limit(
    'Pregnancy or a recent birth',
    'Sensation at most 4, nothing forced or loaded at end range, nothing lying on the back or the belly.',
    'Ligaments are soft; lying on the back presses on a large vessel after the first months.',
    {
      sensationMax: 4,
      excludedTechniques: demanding('load'),
      excludedPositions: ['supine', 'prone'],
      excludedTags: ['impact'],
    },
  ),
  medicines: limit(
    'Medicines that weaken tendons',
    'Very gradual: sensation at most 4, nothing loaded.',
    'Tendons tear more easily for months.',
    { sensationMax: 4, excludedTechniques: demanding('load') },
  ),
  unwell: {
    outcome: 'note',
    title: 'Fasting or ill',
    changes: 'Shorter and easier sessions for now; none with fever.',
    why: 'Your body is busy getting well.',
  },
  floor: limit(
    'No floor',
    'Standing and sitting only; a bed or a bench may stand in for the floor.',
    'Getting up is not safe.',
    {
      excludedPositions: FLOOR,
    },
  ),
  kneeling: limit('No kneeling', 'Nothing on the knees.', 'Kneeling is not possible now.', {
    excludedPositions: ['kneeling', 'all fours'],
  }),
  wrists: limit('No leaning on the hands', 'Nothing on the hands.', 'The wrists can’t take weight at the moment.', {
    excludedPositions: ['all fours'],
    excludedTags: ['wrist load'],
  }),
};

/** Groups of regions, each once, from the floor up. */
function groupsIn(regions: readonly BodyRegionId[]): MuscleGroupId[] {
  const wanted = new Set<MuscleGroupId>(
    BODY_REGIONS.filter((r) => regions.includes(r.id)).flatMap((r) => [...r.groups]),
  );
  return MUSCLE_GROUPS.map((g) => g.id).filter((g) => wanted.has(g));
}

function cautionOf(id: QuestionId, answers: Answers): Caution {
  const rule = RULES[id];
  const regions = answers.regions[id] ?? [];
  const where = regions.length > 0 ? `: ${regions.map((r) => lowerFirst(bodyRegionName(r))).join(', ')}` : '';
  const own: Partial<CautionEffect> =
    id === 'flare' || id === 'tear'
      ? { excludedGroups: groupsIn(regions) }
      : id === 'joint-replacement'
        ? { gentleGroups: groupsIn(regions) }
        : {};
  return {
    id,
    outcome: rule.outcome,
    urgency: rule.urgency ?? null,
    title: `${rule.title}${where}`,
    changes: rule.changes,
    why: rule.why,
    effect: { ...NOTHING, ...rule.effect, ...own },
  };
}

const UNDER_18: Caution = {
  id: 'under-18',
  outcome: 'refer',
  urgency: 'before planning',
  title: 'Under 18',
  changes:
    'Planning waits for the guardian’s consent, recorded with date; holds of 20-30 s, nothing loaded at end range.',
  why: 'Growth spurts make tendons and their roots sensitive.',
  effect: { ...NOTHING, excludedTechniques: demanding('load') },
};
const OVER_65: Caution = {
  id: 'over-65',
  outcome: 'limit',
  urgency: null,
  title: '65 or older',
  changes: 'Holds of 30-60 s; the neck is not bent back and turned at once.',
  why: 'Longer holds work better with age (Garber et al. 2011, from memory); vessels of the neck are stiffer.',
  effect: { ...NOTHING, excludedTags: ['neck end range'] },
};

/** Stands easy until a coach has recorded that they are qualified (domain rule 2.6, 9). */
export const NERVE_GLIDES: Caution = {
  id: 'nerve-glides',
  outcome: 'limit',
  urgency: null,
  title: 'Nerve glides',
  changes: 'Off, unless the coach records that they are qualified.',
  why: 'Moving an irritated nerve wrongly keeps it irritated.',
  effect: { ...NOTHING, excludedTechniques: demanding('nerve') },
};

/** Questions that have not been answered. */
export function openQuestions(answers: Answers): QuestionId[] {
  return QUESTION_IDS.filter((id) => !answers.yes.includes(id) && !answers.no.includes(id));
}

/** Questions whose yes still needs the regions it is about. */
export function missingRegions(answers: Answers): QuestionId[] {
  return answers.yes.filter((id) => questionById(id).regions && (answers.regions[id] ?? []).length === 0);
}

/**
 * Cautions that follow from the answers and the age, the gravest first. Deterministic; the same answers give the same list.
 * @param age whole years
 */
export function cautionsFor(answers: Answers, age: number): Caution[] {
  const grave: Readonly<Record<Outcome, number>> = { refer: 0, limit: 1, note: 2 };
  const soon = { emergency: 0, today: 1, urgent: 2, 'before planning': 3 };
  const all = QUESTION_IDS.filter((id) => answers.yes.includes(id)).map((id) => cautionOf(id, answers));
  if (age < 18) all.push(UNDER_18);
  if (age >= 65) all.push(OVER_65);
  const rank = (c: Caution) => grave[c.outcome] * 10 + (c.urgency ? soon[c.urgency] : 5);
  // Array.sort is stable: equal ones stay in the order of the questions.
  return all.sort((a, b) => rank(a) - rank(b));
}
