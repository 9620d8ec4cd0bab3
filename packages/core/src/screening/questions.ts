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
  {
    id: 'heart',
    group: HEART,
    text: 'Do you have a heart problem, or chest pain or breathlessness when you are active?',
  },
  { id: 'faints', group: HEART, text: 'Have you fainted, or had dizzy spells lately?' },
  { id: 'pressure', group: HEART, text: 'Do you have high blood pressure?' },
  {
    id: 'clot',
    group: HEART,
    text: 'Have you had a blood clot in the last six months, or is one calf swollen, hot and painful?',
  },
  { id: 'thinners', group: HEART, text: 'Do you take blood thinners, or have bad varicose veins?' },
  { id: 'surgery', group: BONES, text: 'Have you had an operation or a broken bone in the last six months?' },
  { id: 'hip-replacement', group: BONES, text: 'Do you have an artificial hip?' },
  { id: 'joint-replacement', group: BONES, text: 'Do you have another artificial joint?', regions: true },
  {
    id: 'bones',
    group: BONES,
    text: 'Do you have brittle bones (osteoporosis), or did a small fall ever break a bone?',
  },
  {
    id: 'flare',
    group: BONES,
    text: 'Is a joint inflamed now: hot, swollen, stiff in the morning?',
    regions: true,
  },
  { id: 'neck-arthritis', group: BONES, text: 'Do you have inflammatory arthritis that has reached your neck?' },
  { id: 'hand-arthritis', group: BONES, text: 'Do you have arthritis in your hands?' },
  { id: 'tear', group: BONES, text: 'Have you torn a muscle or tendon in the last three months?', regions: true },
  { id: 'loose-joints', group: BONES, text: 'Do your joints bend unusually far, or has one ever come out of place?' },
  { id: 'disc', group: BONES, text: 'Have you been told you have a disc problem in your lower back?' },
  { id: 'leg-pain', group: BONES, text: 'Do you have leg pain that goes below the knee?' },
  { id: 'numbness', group: NERVES, text: 'Do you have numbness or tingling that is new or spreading?' },
  {
    id: 'neck-signs',
    group: NERVES,
    text: 'Do you have neck trouble with dizziness, double vision, trouble speaking or swallowing, sudden falls, a numb face or an unsteady walk?',
  },
  { id: 'saddle', group: NERVES, text: 'Have you lost bladder or bowel control, or are you numb between the legs?' },
  { id: 'feeling', group: NERVES, text: 'Have you had less feeling in your hands or feet for a long time?' },
  { id: 'balance', group: NERVES, text: 'Have you fallen in the last year, or do you feel unsteady?' },
  { id: 'eyes', group: NERVES, text: 'Do you have glaucoma, or have you had an eye operation lately?' },
  { id: 'unexplained', group: GENERAL, text: 'Have you lost weight without a reason, or does pain wake you at night?' },
  { id: 'pregnancy', group: GENERAL, text: 'Are you pregnant, or have you given birth in the last six months?' },
  {
    id: 'medicines',
    group: GENERAL,
    text: 'Do you take long-term steroids, or in the last months a fluoroquinolone antibiotic such as ciprofloxacin?',
  },
  { id: 'unwell', group: GENERAL, text: 'Are you fasting or ill at the moment?' },
  { id: 'floor', group: ABLE, text: 'Is it hard or unsafe for you to get down to the floor and up again?' },
  { id: 'kneeling', group: ABLE, text: 'Is it hard or unsafe for you to kneel?' },
  { id: 'wrists', group: ABLE, text: 'Is it hard or unsafe for you to lean on your hands?' },
] as const satisfies readonly QuestionData[];

export type QuestionId = (typeof QUESTIONS)[number]['id'];
export const QUESTION_IDS: readonly QuestionId[] = QUESTIONS.map((q) => q.id);

/** A question by its id. */
export function questionById(id: QuestionId): QuestionData & { readonly id: QuestionId } {
  return QUESTIONS.find((q) => q.id === id)!;
}
