/** Groups of questions, in the order in which they are asked. */
export const QUESTION_GROUPS = [
  'Heart, blood and breath',
  'Bones, joints and muscles',
  'Nerves, head and balance',
  'In general',
  'What the body can do now',
] as const;
export type QuestionGroup = (typeof QUESTION_GROUPS)[number];

/** What a yes has to be told apart by. "Not known" is always one of the ways; without an answer the strictest counts. */
export interface QuestionDetail {
  readonly ask: string;
  /** More than one may be true. */
  readonly many?: true;
  /** `said`: how it is said of somebody, where the answer alone says nothing ("not under control"). */
  readonly options: readonly { readonly id: string; readonly text: string; readonly said?: string }[];
}

interface QuestionData {
  readonly id: string;
  readonly group: QuestionGroup;
  readonly text: string;
  /** A yes needs the regions it is about. */
  readonly regions?: true;
  /** A yes needs one of these, or several. */
  readonly detail?: QuestionDetail;
  /** A yes is better with a day; without it the strictest counts. */
  readonly date?: string;
  /** Months after which the answer is asked for again; as usual where left out. Common practice, no source. */
  readonly months?: number;
}

const [HEART, BONES, NERVES, GENERAL, ABLE] = QUESTION_GROUPS;
const NOT_KNOWN = { id: 'unknown', text: 'Not known' } as const;

/**
 * Questions before planning, each answered yes or no. Topics of general pre-exercise screens (common practice, no source), in our own words;
 * only what changes the plan is asked. A yes is always the answer that limits.
 */
export const QUESTIONS = [
  {
    id: 'heart',
    group: HEART,
    text: 'Do you have a heart problem or a known weak blood vessel (aneurysm), or chest pain or breathlessness when you are active or at rest?',
  },
  { id: 'faints', group: HEART, text: 'Have you fainted, or had dizzy spells lately?' },
  {
    id: 'pressure',
    group: HEART,
    text: 'Do you have high blood pressure?',
    detail: {
      ask: 'Is it under control?',
      options: [
        { id: 'controlled', text: 'Yes, with medicine or without', said: 'under control' },
        { id: 'not-controlled', text: 'No', said: 'not under control' },
        NOT_KNOWN,
      ],
    },
  },
  {
    id: 'clot',
    group: HEART,
    text: 'Have you had a blood clot in the last six months, or is one calf swollen, hot and painful?',
    months: 6,
  },
  { id: 'thinners', group: HEART, text: 'Do you take blood thinners, or have bad varicose veins?' },
  { id: 'claudication', group: HEART, text: 'Do your calves hurt when you walk, and stop hurting when you rest?' },
  {
    id: 'surgery',
    group: BONES,
    text: 'Have you had an operation or a broken bone in the last six months?',
    months: 6,
  },
  {
    id: 'accident',
    group: BONES,
    text: 'Have you had a fall, an accident or a blow in the last six weeks that still hurts?',
    months: 2,
  },
  {
    id: 'hip-replacement',
    group: BONES,
    text: 'Do you have an artificial hip?',
    detail: {
      ask: 'Was the operation from the front or from behind?',
      options: [{ id: 'front', text: 'From the front' }, { id: 'back', text: 'From behind or the side' }, NOT_KNOWN],
    },
  },
  { id: 'joint-replacement', group: BONES, text: 'Do you have another artificial joint?', regions: true },
  {
    id: 'fused-spine',
    group: BONES,
    text: 'Has part of your spine been fused, or is there metal in it?',
  },
  {
    id: 'narrow-canal',
    group: BONES,
    text: 'Have you been told you have a narrow spinal canal or a slipped vertebra?',
  },
  {
    id: 'bones',
    group: BONES,
    text: 'Do you have thin bones (osteoporosis), or did a small fall ever break a bone?',
  },
  {
    id: 'flare',
    group: BONES,
    text: 'Is a joint inflamed now: hot, swollen, stiff in the morning?',
    regions: true,
    months: 3,
  },
  { id: 'neck-arthritis', group: BONES, text: 'Do you have inflammatory arthritis that has reached your neck?' },
  {
    id: 'loose-neck',
    group: BONES,
    text: 'Do you have Down syndrome, or have you been told that the top of your neck is loose?',
  },
  { id: 'hand-arthritis', group: BONES, text: 'Do you have arthritis in your hands?' },
  {
    id: 'tear',
    group: BONES,
    text: 'Have you torn a muscle or tendon in the last three months?',
    regions: true,
    months: 3,
  },
  {
    id: 'tendon',
    group: BONES,
    text: 'Does it hurt where a tendon meets the bone?',
    detail: {
      ask: 'Where?',
      many: true,
      options: [
        { id: 'sit-bone', text: 'Under the buttock, at the sit bone' },
        { id: 'outer-hip', text: 'On the outside of the hip, also at night' },
        { id: 'heel', text: 'At the heel' },
        { id: 'knee', text: 'Below the kneecap or at the bump on the shin' },
        { id: 'elsewhere', text: 'Somewhere else' },
      ],
    },
  },
  { id: 'hip-pinch', group: BONES, text: 'Does your hip pinch at the front when you bend it far?' },
  { id: 'loose-joints', group: BONES, text: 'Do your joints bend unusually far?' },
  {
    id: 'dislocated',
    group: BONES,
    text: 'Has a joint ever come out of place, or does one slip?',
    regions: true,
  },
  { id: 'disc', group: BONES, text: 'Have you been told you have a disc problem in your lower back?' },
  {
    id: 'leg-pain',
    group: BONES,
    text: 'Do you have pain that runs from the back or the buttock to below the knee?',
  },
  { id: 'numbness', group: NERVES, text: 'Do you have numbness or tingling that is new or spreading?' },
  { id: 'weakness', group: NERVES, text: 'Is an arm or a leg weak, and is that new or getting worse?' },
  {
    id: 'neck-signs',
    group: NERVES,
    text: 'Do you have neck trouble with dizziness, double vision, trouble speaking or swallowing, sudden falls, a numb face or an unsteady walk, or a sudden headache or neck pain unlike any before?',
  },
  {
    id: 'saddle',
    group: NERVES,
    text: 'Have you lost control of your bladder or bowel, can you not pass water or not feel it, are you numb between the legs, or are both legs weak or painful?',
  },
  {
    id: 'feeling',
    group: NERVES,
    text: 'Have you had less feeling in your hands or feet for a long time?',
    detail: {
      ask: 'Where?',
      many: true,
      options: [
        { id: 'hands', text: 'Hands' },
        { id: 'feet', text: 'Feet' },
      ],
    },
  },
  { id: 'brain', group: NERVES, text: 'Have you had a stroke, Parkinson’s, multiple sclerosis or fits?' },
  {
    id: 'vertigo',
    group: NERVES,
    text: 'Does the room spin when you turn or tip your head?',
    detail: {
      ask: 'Is that new?',
      options: [
        { id: 'new', text: 'Yes', said: 'new' },
        { id: 'known', text: 'No, a doctor has looked at it', said: 'seen by a doctor' },
        NOT_KNOWN,
      ],
    },
  },
  {
    id: 'balance',
    group: NERVES,
    text: 'Have you fallen in the last year, or do you feel unsteady?',
    detail: {
      ask: 'What was it?',
      options: [
        { id: 'unsteady', text: 'Unsteady, no fall' },
        { id: 'one-fall', text: 'One fall without an injury' },
        { id: 'falls', text: 'Two falls or more, or one with an injury' },
        NOT_KNOWN,
      ],
    },
  },
  {
    id: 'eyes',
    group: NERVES,
    text: 'Do you have glaucoma, or have you had an eye operation or trouble with the retina?',
    detail: {
      ask: 'Was there an operation, or anything new, in the last three months?',
      options: [
        { id: 'recent', text: 'Yes', said: 'new in the last three months' },
        { id: 'settled', text: 'No', said: 'settled' },
        NOT_KNOWN,
      ],
    },
  },
  {
    id: 'unexplained',
    group: GENERAL,
    text: 'Have you lost weight without a reason, or do you have pain at night that no position eases?',
  },
  { id: 'cancer', group: GENERAL, text: 'Do you have cancer, or have you had it?' },
  {
    id: 'pregnancy',
    group: GENERAL,
    text: 'Are you pregnant?',
    detail: {
      ask: 'Is any of this so?',
      many: true,
      options: [
        { id: 'warning', text: 'Bleeding, contractions, waters, or high blood pressure' },
        { id: 'pelvis', text: 'Pain at the pubic bone or the pelvis' },
        { id: 'none', text: 'None of these' },
      ],
    },
    date: 'When is the baby due?',
  },
  {
    id: 'birth',
    group: GENERAL,
    text: 'Have you given birth in the last six months?',
    detail: {
      ask: 'How?',
      options: [{ id: 'caesarean', text: 'By caesarean' }, { id: 'other', text: 'Not by caesarean' }, NOT_KNOWN],
    },
    date: 'When?',
    months: 6,
  },
  {
    id: 'hernia',
    group: GENERAL,
    text: 'Do you have a hernia, or have you had an operation on your belly?',
    detail: {
      ask: 'Is it new, or was the operation in the last six months?',
      options: [
        { id: 'new', text: 'Yes', said: 'new in the last six months' },
        { id: 'old', text: 'No', said: 'older' },
        NOT_KNOWN,
      ],
    },
  },
  {
    id: 'device',
    group: GENERAL,
    text: 'Have you had a pacemaker, a port or a breast operation in the last eight weeks?',
    months: 2,
  },
  { id: 'diabetes', group: GENERAL, text: 'Do you have diabetes?' },
  {
    id: 'medicines',
    group: GENERAL,
    text: 'Do you take long-term steroids, or in the last months a fluoroquinolone antibiotic such as ciprofloxacin?',
  },
  { id: 'painkillers', group: GENERAL, text: 'Do you take strong pain medicine or anything that makes you drowsy?' },
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
