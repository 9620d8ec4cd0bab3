import type { ExerciseTag } from '../catalogue/exercise-tag.js';
import { demanding, type Technique } from '../technique/catalogue.js';
import { BODY_REGIONS, type BodyRegionId } from '../anatomy/body-region.js';
import { MUSCLE_GROUPS, type MuscleGroupId } from '../anatomy/muscle-group.js';
import type { Position } from '../catalogue/rom-test.js';
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

export type CautionId = QuestionId | 'under-18' | 'over-65' | 'nerve-glides';

/** What follows from an answer or from the age; core/words says it. */
export interface Caution {
  readonly id: CautionId;
  readonly outcome: Outcome;
  /** How soon a professional is needed: at once, today, within days, or before planning. Null when none is. */
  readonly urgency: 'emergency' | 'today' | 'urgent' | 'before planning' | null;
  /** Regions that the answer is about; empty where none were asked for. */
  readonly regions: readonly BodyRegionId[];
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

interface Rule {
  readonly outcome: Outcome;
  readonly urgency: Caution['urgency'];
  readonly effect: CautionEffect;
}

const refer = (urgency: NonNullable<Caution['urgency']>, effect: Partial<CautionEffect> = {}): Rule => ({
  outcome: 'refer',
  urgency,
  effect: { ...NOTHING, ...effect },
});
const limit = (effect: Partial<CautionEffect>): Rule => ({
  outcome: 'limit',
  urgency: null,
  effect: { ...NOTHING, ...effect },
});

/** What follows from a yes (domain 2.9). Clinical consensus as the trade teaches it; common practice, no source. */
const RULES: Readonly<Record<QuestionId, Rule>> = {
  heart: refer('before planning'),
  faints: refer('before planning'),
  pressure: limit({ excludedTechniques: demanding('push', 'load'), excludedTags: ['head down'] }),
  clot: refer('today', { excludedTechniques: demanding('pressure') }),
  thinners: limit({ excludedTechniques: demanding('pressure') }),
  surgery: refer('before planning'),
  'hip-replacement': limit({
    excludedTags: ['deep hip flexion'],
    gentleGroups: ['gluteals', 'deep-hip-rotators', 'lateral-hip', 'hip-flexors', 'adductors'],
  }),
  'joint-replacement': limit({ excludedTechniques: demanding('load') }),
  bones: limit({
    excludedTags: ['spinal flexion', 'loaded spine', 'impact'],
    excludedTechniques: demanding('lowering'),
  }),
  flare: limit({}),
  'neck-arthritis': limit({ excludedTags: ['neck end range'], gentleGroups: NECK }),
  'hand-arthritis': limit({ excludedTags: ['grip', 'wrist load'] }),
  tear: limit({}),
  'loose-joints': limit({ sensationMax: 4, excludedTechniques: demanding('load') }),
  disc: limit({ excludedTags: ['spinal flexion', 'loaded spine'] }),
  'leg-pain': refer('before planning', {
    excludedTags: ['spinal flexion', 'loaded spine'],
    excludedTechniques: demanding('nerve'),
  }),
  numbness: refer('before planning', { excludedTechniques: demanding('nerve') }),
  'neck-signs': refer('today', { excludedGroups: NECK, excludedTags: ['neck end range'] }),
  saddle: refer('emergency', { excludedGroups: [...TRUNK, 'hamstrings'] }),
  feeling: limit({ sensationMax: 4 }),
  balance: limit({ excludedTags: ['one leg', 'impact'] }),
  eyes: limit({ excludedTags: ['head down'] }),
  unexplained: refer('urgent'),
  pregnancy: limit({
    sensationMax: 4,
    excludedTechniques: demanding('load'),
    excludedPositions: ['supine', 'prone'],
    excludedTags: ['impact'],
  }),
  medicines: limit({ sensationMax: 4, excludedTechniques: demanding('load') }),
  unwell: { outcome: 'note', urgency: null, effect: NOTHING },
  floor: limit({ excludedPositions: FLOOR }),
  kneeling: limit({ excludedPositions: ['kneeling', 'all fours'] }),
  wrists: limit({ excludedPositions: ['all fours'], excludedTags: ['wrist load'] }),
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
  const own: Partial<CautionEffect> =
    id === 'flare' || id === 'tear'
      ? { excludedGroups: groupsIn(regions) }
      : id === 'joint-replacement'
        ? { gentleGroups: groupsIn(regions) }
        : {};
  return { id, outcome: rule.outcome, urgency: rule.urgency, regions, effect: { ...rule.effect, ...own } };
}

const UNDER_18: Caution = {
  id: 'under-18',
  ...refer('before planning', { excludedTechniques: demanding('load') }),
  regions: [],
};
const OVER_65: Caution = { id: 'over-65', ...limit({ excludedTags: ['neck end range'] }), regions: [] };

/** Off until a coach has recorded that they are qualified (domain rule 2.6, 9). */
export const NERVE_GLIDES: Caution = {
  id: 'nerve-glides',
  ...limit({ excludedTechniques: demanding('nerve') }),
  regions: [],
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
