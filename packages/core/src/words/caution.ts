import { bodyRegionName } from '../anatomy/body-region.js';
import type { Caution, CautionId } from '../screening/cautions.js';
import { lowerFirst } from './list.js';

interface CautionText {
  readonly title: string;
  /** What changes, for the coach; a refer that says nothing of its own says whom to see. */
  readonly changes?: string;
  readonly why: string;
  /** What changes, for the client; a refer says whom to see. */
  readonly client?: string;
}

/** What a caution says. Clinical consensus as the trade teaches it; common practice, no source. */
const TEXTS: Readonly<Record<CautionId, CautionText>> = {
  heart: { title: 'Heart or breath', why: 'Effort may be unsafe before a doctor has looked at it.' },
  faints: {
    title: 'Fainting or dizziness',
    why: 'A cause has to be known before the head goes low or holds get long.',
  },
  pressure: {
    title: 'High blood pressure',
    changes:
      'No pushing against resistance and no loaded holds; nothing with the head low; breathe through every hold.',
    why: 'Strong pushing and breath-holding drive the pressure up.',
    client:
      'Because of your blood pressure we leave out hard pushing, weights and head-down positions. Keep breathing in every stretch.',
  },
  clot: {
    title: 'A clot',
    why: 'See a doctor today. If your chest hurts or you are short of breath, call an ambulance.',
  },
  thinners: {
    title: 'Blood thinners or varicose veins',
    changes: 'No rolling.',
    why: 'Pressure on vessels bruises easily and may do harm.',
    client: 'Because of your blood vessels we leave out the roller and the ball.',
  },
  surgery: { title: 'Operation or broken bone', why: 'Healing sets the limits; whoever treats it knows them.' },
  'hip-replacement': {
    title: 'Artificial hip',
    changes:
      'Don’t bend the hip past 90°, above all with the knee crossing over or turned in. Sensation 4 at most at the hip.',
    why: 'These positions can lever the joint out, unless the surgeon has said otherwise.',
    client: 'Because of your artificial hip we leave out deep hip bends, and stretch gently around it.',
  },
  'joint-replacement': {
    title: 'Artificial joint',
    changes: 'Sensation at most 4 around it; no loaded end range.',
    why: 'The joint has its own end; it is not stretched further.',
    client: 'Because of your artificial joint we stretch gently around it and leave out weights.',
  },
  bones: {
    title: 'Brittle bones',
    changes: 'No bending forward of the spine to its end or under load; no impact.',
    why: 'Vertebrae break in loaded flexion (Sinaki & Mikkelsen 1984, from memory).',
    client: 'Because of your bones we leave out deep forward bends, jumps and bends with weights.',
  },
  flare: {
    title: 'An inflamed joint',
    changes: 'No stretching here until it has settled.',
    why: 'Stretching an inflamed joint keeps it going.',
    client: 'We leave out the inflamed joint until it has settled.',
  },
  'neck-arthritis': {
    title: 'Inflammatory arthritis of the neck',
    changes: 'No end range of the neck.',
    why: 'The uppermost joints may be loose.',
    client: 'Because of your neck we leave out moving it as far as it goes.',
  },
  'hand-arthritis': {
    title: 'Arthritis of the hands',
    changes: 'No gripping and no leaning on bent fingers or wrists.',
    why: 'Grip and pressure irritate the small joints.',
    client: 'Because of your hands we leave out gripping and leaning on them.',
  },
  tear: {
    title: 'A torn muscle',
    changes: 'The region rests until it has healed.',
    why: 'A fresh scar tears again.',
    client: 'We leave out the torn muscle until it has healed.',
  },
  'loose-joints': {
    title: 'Loose joints',
    changes: 'Sensation at most 4, no loaded end range; favour activation and control in mid-range.',
    why: 'These joints need control, not more range.',
    client: 'Because your joints bend far we stretch gently, without weights, and work on control.',
  },
  disc: {
    title: 'Disc trouble',
    changes: 'No bending forward under load or to the end; stop when symptoms go down the leg.',
    why: 'Loaded flexion presses on the disc.',
    client: 'Because of your back we leave out deep forward bends. Stop if you feel anything down your leg.',
  },
  'leg-pain': { title: 'Leg pain below the knee', why: 'A nerve may be pressed; it has to be looked at first.' },
  numbness: { title: 'Numbness or tingling', why: 'A nerve may be in trouble; it has to be looked at first.' },
  'neck-signs': {
    title: 'Warning signs of the neck',
    why: 'If any of this is happening now, call an ambulance. If it has passed, see a doctor today.',
  },
  saddle: { title: 'Bladder, bowel or saddle numbness', why: 'Nerves of the lower spine may be pressed.' },
  feeling: {
    title: 'Little feeling',
    changes: 'Sensation at most 4; go by the look of the position, not by the pull.',
    why: 'It is easy to overdo what you can’t feel.',
    client: 'Because you feel less there, we stretch gently. Go by how it looks, not by the pull.',
  },
  balance: {
    title: 'Falls',
    changes: 'Nothing on one leg without support.',
    why: 'A fall does more harm than a stretch does good.',
    client: 'Because of your balance we leave out standing on one leg without support.',
  },
  eyes: {
    title: 'Eyes',
    changes: 'Nothing with the head low.',
    why: 'The pressure in the eye rises.',
    client: 'Because of your eyes we leave out positions with the head low.',
  },
  unexplained: { title: 'Weight loss or night pain', why: 'A serious cause has to be ruled out.' },
  pregnancy: {
    title: 'Pregnancy or a recent birth',
    changes: 'Sensation at most 4, nothing forced or loaded at end range, nothing lying on the back or the belly.',
    why: 'Ligaments are soft; lying on the back presses on a large vessel after the first months.',
    client:
      'Because of the pregnancy or birth we stretch gently, without weights, and not lying on your back or belly.',
  },
  medicines: {
    title: 'Medicines that weaken tendons',
    changes: 'Very gradual: sensation at most 4, nothing loaded.',
    why: 'Tendons tear more easily for months.',
    client: 'Because of your medicine we stretch gently, without weights, and go up slowly.',
  },
  unwell: {
    title: 'Fasting or ill',
    changes: 'Shorter and easier sessions for now; none with fever.',
    why: 'Your body is busy getting well.',
    client: 'Shorter and easier sessions for now; none while you have a fever.',
  },
  floor: {
    title: 'No floor',
    changes: 'Standing and sitting only; a bed or a bench may stand in for the floor.',
    why: 'Getting up is not safe.',
    client: 'We leave out everything on the floor.',
  },
  kneeling: {
    title: 'No kneeling',
    changes: 'Nothing on the knees.',
    why: 'Kneeling is not possible now.',
    client: 'We leave out everything on the knees.',
  },
  wrists: {
    title: 'No leaning on the hands',
    changes: 'Nothing on the hands.',
    why: 'The wrists can’t take weight at the moment.',
    client: 'We leave out leaning on the hands.',
  },
  'under-18': {
    title: 'Under 18',
    changes:
      'Planning waits for the guardian’s consent, recorded with date; holds of 20-30 s, nothing loaded at end range.',
    why: 'Growth spurts make tendons and their roots sensitive.',
    client: 'A parent or guardian has to say yes first. Your coach will ask them.',
  },
  'over-65': {
    title: '65 or older',
    changes: 'Holds of 30-60 s; the neck is not bent back and turned at once.',
    why: 'Longer holds work better with age (Garber et al. 2011, from memory); vessels of the neck are stiffer.',
    client: 'Longer holds, and no bending your neck back and turning it at once.',
  },
  'nerve-glides': {
    title: 'Nerve glides',
    changes: 'Off, unless the coach records that they are qualified.',
    why: 'Moving an irritated nerve wrongly keeps it irritated.',
    client: 'We leave out nerve exercises.',
  },
};

type Urgency = NonNullable<Caution['urgency']>;

/** Whom the coach sends the client to, and when. */
const COACH_REFERS: Readonly<Record<Urgency, string>> = {
  emergency: 'Call an ambulance or go to a hospital now. No stretching.',
  today: 'See a doctor today. Planning is blocked until a doctor or physiotherapist has agreed.',
  urgent: 'See a doctor within days. Planning is blocked until a doctor or physiotherapist has agreed.',
  'before planning': 'Planning is blocked until a doctor or physiotherapist has agreed.',
};

/** What a client reads who has to see somebody before planning. */
export const SEE_SOMEONE =
  'Please see a doctor or physiotherapist before you start. Your coach will plan your stretches once they say it is safe.';
const CLIENT_REFERRED: Readonly<Record<Urgency, string>> = {
  emergency: 'Call an ambulance or go to a hospital now. No stretching.',
  today:
    'Please see a doctor today. If you have chest pain, trouble breathing or speaking, or weakness on one side, call an ambulance now.',
  urgent: SEE_SOMEONE,
  'before planning': SEE_SOMEONE,
};

/** Name of a caution, with the regions it is about: "An inflamed joint: knee". */
export function cautionTitle({ id, regions }: Pick<Caution, 'id' | 'regions'>): string {
  const where = regions.map((r) => lowerFirst(bodyRegionName(r))).join(', ');
  return where ? `${TEXTS[id].title}: ${where}` : TEXTS[id].title;
}

/** What a caution changes, for the coach. */
export function cautionChanges({ id, outcome, urgency }: Pick<Caution, 'id' | 'outcome' | 'urgency'>): string {
  if (id === 'under-18' && outcome !== 'refer') return 'Holds of 20-30 s, nothing loaded at end range.';
  return TEXTS[id].changes ?? COACH_REFERS[urgency ?? 'before planning'];
}

/** Why it does. */
export function cautionWhy({ id }: Pick<Caution, 'id'>): string {
  return TEXTS[id].why;
}

/** What a caution changes, for the client. */
export function cautionForClient({ id, outcome, urgency }: Pick<Caution, 'id' | 'outcome' | 'urgency'>): string {
  if (id === 'under-18' && outcome !== 'refer')
    return 'Because you are still growing we keep holds short and leave out weights.';
  return TEXTS[id].client ?? CLIENT_REFERRED[urgency ?? 'before planning'];
}
