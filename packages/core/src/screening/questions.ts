/** Groups of questions, in the order in which they are asked. */
export const QUESTION_GROUPS = [
  'Heart, blood and breath',
  'Bones, joints and muscles',
  'Nerves, head and balance',
  'In general',
  'What the body can do now',
] as const;
export type QuestionGroup = (typeof QUESTION_GROUPS)[number];

interface QuestionData {
  readonly id: string;
  readonly group: QuestionGroup;
  readonly text: string;
  /** A yes needs the regions it is about. */
  readonly regions?: true;
}

const [HEART, BONES, NERVES, GENERAL, ABLE] = QUESTION_GROUPS;

/**
 * Questions before planning, each answered yes or no. Topics of general pre-exercise screens (common practice), in our own words; only what
 * changes the plan is asked.
 */
export const QUESTIONS = [
  { id: 'heart', group: HEART, text: 'Heart trouble, or chest pain or short breath with effort?' },
  { id: 'faints', group: HEART, text: 'Fainting, or dizzy spells lately?' },
  { id: 'pressure', group: HEART, text: 'High blood pressure?' },
  {
    id: 'clot',
    group: HEART,
    text: 'A blood clot now or in the last half year, or one calf swollen, hot and painful?',
  },
  { id: 'thinners', group: HEART, text: 'Blood thinners, or marked varicose veins?' },
  { id: 'surgery', group: BONES, text: 'An operation or a broken bone in the last half year?' },
  { id: 'hip-replacement', group: BONES, text: 'An artificial hip?' },
  { id: 'joint-replacement', group: BONES, text: 'Another artificial joint?', regions: true },
  { id: 'bones', group: BONES, text: 'Brittle bones (osteoporosis), or a bone broken by a small fall?' },
  {
    id: 'flare',
    group: BONES,
    text: 'A joint that is inflamed now: hot, swollen, stiff in the morning?',
    regions: true,
  },
  { id: 'neck-arthritis', group: BONES, text: 'Inflammatory arthritis that has reached the neck?' },
  { id: 'hand-arthritis', group: BONES, text: 'Arthritis of the hands?' },
  { id: 'tear', group: BONES, text: 'A muscle or tendon torn in the last three months?', regions: true },
  { id: 'loose-joints', group: BONES, text: 'Joints that bend very far, or that come out?' },
  { id: 'disc', group: BONES, text: 'A known disc trouble of the low back?' },
  { id: 'leg-pain', group: BONES, text: 'Leg pain that goes below the knee?' },
  { id: 'numbness', group: NERVES, text: 'Numbness or tingling that is new or spreads?' },
  {
    id: 'neck-signs',
    group: NERVES,
    text: 'Neck trouble with dizziness, double vision, trouble speaking or swallowing, sudden falls, a numb face or an unsteady walk?',
  },
  { id: 'saddle', group: NERVES, text: 'Loss of bladder or bowel control, or numbness between the legs?' },
  { id: 'feeling', group: NERVES, text: 'Little feeling in hands or feet for a long time?' },
  { id: 'balance', group: NERVES, text: 'Falls in the last year, or unsure on the feet?' },
  { id: 'eyes', group: NERVES, text: 'Glaucoma, or an eye operation lately?' },
  { id: 'unexplained', group: GENERAL, text: 'Weight lost without a reason, or pain that wakes at night?' },
  { id: 'pregnancy', group: GENERAL, text: 'Pregnant, or a birth in the last half year?' },
  {
    id: 'medicines',
    group: GENERAL,
    text: 'Steroids for a long time, or an antibiotic of the fluoroquinolone kind in the last months?',
  },
  { id: 'unwell', group: GENERAL, text: 'Fasting, or ill these days?' },
  { id: 'floor', group: ABLE, text: 'Is getting down to the floor and up again not possible?' },
  { id: 'kneeling', group: ABLE, text: 'Is kneeling not possible?' },
  { id: 'wrists', group: ABLE, text: 'Is leaning on the hands not possible?' },
] as const satisfies readonly QuestionData[];

export type QuestionId = (typeof QUESTIONS)[number]['id'];
export const QUESTION_IDS: readonly QuestionId[] = QUESTIONS.map((q) => q.id);

/** A question by its id. */
export function questionById(id: QuestionId): QuestionData & { readonly id: QuestionId } {
  return QUESTIONS.find((q) => q.id === id)!;
}
