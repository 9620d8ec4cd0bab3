import { bodyRegionName } from '../anatomy/body-region.js';
import { muscleGroupName, type MuscleGroupId } from '../anatomy/muscle-group.js';
import type { Caution, CautionId } from '../screening/cautions.js';
import type { CautionEffect } from '../screening/effect.js';
import type { Urgency } from '../screening/rules.js';
import { demandWords, positionWords, techniqueOff } from './demand.js';
import { lowerFirst } from './list.js';

interface CautionText {
  /** As a heading. */
  readonly title: string;
  /** In "Not for: …", where it does not block everything anyway. */
  readonly who?: string;
  /** What to do besides what is off, for the coach. */
  readonly advice?: string;
  readonly why: string;
  /** What changes, for the client; a refer says whom to see. */
  readonly client?: string;
}

/** What a caution says besides its effect. Clinical consensus as the trade teaches it; common practice, no source. */
const TEXTS: Readonly<Record<CautionId, CautionText>> = {
  heart: { title: 'Heart, breath or a weak vessel', why: 'Effort may be unsafe before a doctor has looked at it.' },
  faints: {
    title: 'Fainting or dizziness',
    why: 'A cause has to be known before the head goes low or holds get long.',
  },
  pressure: {
    title: 'High blood pressure',
    who: 'high blood pressure',
    advice: 'Breathe through every hold; get up slowly.',
    why: 'Strong pushing, breath-holding and a low head drive the pressure up.',
    client:
      'Because of your blood pressure we leave out hard pushing and head-down positions. Keep breathing in every stretch, and get up slowly.',
  },
  clot: {
    title: 'A clot',
    why: 'See a doctor today. If your chest hurts or you are short of breath, call an ambulance.',
  },
  thinners: {
    title: 'Blood thinners or varicose veins',
    who: 'blood thinners or varicose veins',
    advice: 'Large new bruises: stop.',
    why: 'Pressure on vessels bruises easily and may do harm.',
    client: 'Because of your blood vessels we leave out the roller and the ball.',
  },
  claudication: {
    title: 'Calf pain on walking',
    why: 'The vessels of the leg may be narrow; a doctor looks at them first.',
  },
  surgery: { title: 'Operation or broken bone', why: 'Healing sets the limits; whoever treats it knows them.' },
  accident: { title: 'Fall, accident or blow', why: 'What still hurts after it has to be looked at first.' },
  'hip-replacement': {
    title: 'Artificial hip',
    who: 'an artificial hip',
    advice: 'Ask which way the operation went; not known counts as both.',
    why: 'These positions can lever the joint out, unless the surgeon has said otherwise.',
    client:
      'Because of your artificial hip we leave out the positions it must not go to, and stretch gently around it.',
  },
  'joint-replacement': {
    title: 'Artificial joint',
    who: 'an artificial joint',
    why: 'The joint has its own end; it is not stretched further.',
    client: 'Because of your artificial joint we stretch gently around it and leave out weights there.',
  },
  'fused-spine': {
    title: 'Fused spine',
    who: 'a fused spine or metal in it',
    why: 'The neighbours of what is fused take all the movement.',
    client: 'Because of your back we leave out bending and turning it far.',
  },
  'narrow-canal': {
    title: 'Narrow canal or slipped vertebra',
    who: 'a narrow spinal canal or a slipped vertebra',
    why: 'Bending back narrows the canal.',
    client: 'Because of your back we leave out bending backwards.',
  },
  bones: {
    title: 'Thin bones (osteoporosis)',
    who: 'thin bones (osteoporosis)',
    advice: 'Loading the legs and balance work are wanted.',
    why: 'Vertebrae break in loaded flexion (Sinaki & Mikkelsen 1984, from memory).',
    client: 'Because of your bones we leave out bending and turning your back far, and jumps.',
  },
  flare: {
    title: 'An inflamed joint',
    who: 'an inflamed joint',
    why: 'Stretching an inflamed joint keeps it going.',
    client: 'We leave out the inflamed joint until it has settled.',
  },
  'neck-arthritis': {
    title: 'Inflammatory arthritis of the neck',
    who: 'inflammatory arthritis of the neck',
    why: 'The uppermost joints may be loose.',
    client: 'Because of your neck we leave out neck stretches.',
  },
  'loose-neck': {
    title: 'Down syndrome or a loose neck',
    who: 'Down syndrome or a loose neck',
    why: 'The uppermost joints may be loose.',
    client: 'Because of your neck we leave out neck stretches.',
  },
  'hand-arthritis': {
    title: 'Arthritis of the hands',
    who: 'arthritis of the hands',
    advice: 'A loop round the forearm or the foot, or a door frame, can stand in for the hands.',
    why: 'Grip and pressure irritate the small joints.',
    client: 'Because of your hands we leave out gripping and leaning on them.',
  },
  tear: {
    title: 'A torn muscle or tendon',
    who: 'a fresh tear',
    why: 'A fresh scar tears again.',
    client: 'We leave out the torn muscle until it has healed.',
  },
  tendon: {
    title: 'A painful tendon attachment',
    who: 'a painful tendon attachment',
    why: 'Stretch presses the tendon against the bone and keeps it sore.',
    client: 'Because of your tendon we leave out what pulls it over the bone.',
  },
  'hip-pinch': {
    title: 'A hip that pinches',
    who: 'a hip that pinches in front',
    why: 'Bone meets bone there: more stretch does not help.',
    client: 'Because your hip pinches we leave out bending it deep and across.',
  },
  'loose-joints': {
    title: 'Loose joints',
    who: 'loose joints',
    advice: 'Favour activation and control in mid-range; no rising long holds.',
    why: 'These joints need control, not more range.',
    client: 'Because your joints bend far we stretch gently and briefly, without weights, and work on control.',
  },
  dislocated: {
    title: 'A joint that comes out',
    who: 'a joint that comes out',
    why: 'The positions in which it comes out are not stretched into.',
    client: 'Because your joint slips we leave out the positions in which it could come out.',
  },
  disc: {
    title: 'Disc trouble',
    who: 'a disc problem in the lower back',
    advice: 'Not in the first hours of the day; stop when symptoms go down the leg.',
    why: 'Loaded flexion presses on the disc.',
    client: 'Because of your back we leave out deep forward bends. Stop if you feel anything down your leg.',
  },
  'leg-pain': {
    title: 'Leg pain below the knee',
    who: 'pain from the back to below the knee',
    why: 'A nerve may be pressed; it has to be looked at first.',
    client: 'Because of your leg pain we leave out rounding your back. Stop if it spreads.',
  },
  numbness: {
    title: 'Numbness or tingling',
    who: 'new numbness or tingling',
    why: 'A nerve may be in trouble; it has to be looked at first.',
    client: 'We leave out nerve exercises. Stop if the numbness or tingling spreads.',
  },
  weakness: {
    title: 'New weakness',
    who: 'new weakness of an arm or a leg',
    why: 'A nerve or the brain may be in trouble.',
    client: 'Because of the weakness we leave out weights.',
  },
  'neck-signs': {
    title: 'Warning signs of the neck',
    who: 'neck trouble with dizziness, double vision, trouble speaking or swallowing, sudden falls or a numb face',
    why: 'If any of this is happening now, call an ambulance. If it has passed, see a doctor today.',
    client: 'We leave out neck stretches.',
  },
  saddle: { title: 'Bladder, bowel or saddle numbness', why: 'Nerves of the lower spine may be pressed.' },
  feeling: {
    title: 'Little feeling',
    who: 'little feeling there',
    advice: 'Go by the look of the position, not by the pull; shoes on; look at the skin afterwards.',
    why: 'It is easy to overdo what you can’t feel.',
    client: 'Because you feel less there, we stretch gently. Go by how it looks, not by the pull.',
  },
  brain: {
    title: 'Stroke, Parkinson’s, MS or fits',
    who: 'a stroke, Parkinson’s, MS or fits',
    why: 'Who treats it says what is safe.',
    client: 'We leave out standing on one leg without a hold.',
  },
  vertigo: {
    title: 'Vertigo on turning the head',
    who: 'vertigo on turning the head',
    why: 'Turning or tipping the head sets it off.',
    client: 'Because of the spinning we leave out tipping, rolling and far turning of your head.',
  },
  balance: {
    title: 'Falls',
    who: 'falls or an unsteady stance',
    advice: 'Standing only with a fixed hold.',
    why: 'A fall does more harm than a stretch does good.',
    client: 'Because of your balance we leave out standing on one leg without a hold. Always hold on when you stand.',
  },
  eyes: {
    title: 'Eyes',
    who: 'glaucoma or an eye operation',
    why: 'The pressure in the eye rises (Jasien et al. 2015, from memory).',
    client: 'Because of your eyes we leave out hard pushing and positions with the head low.',
  },
  unexplained: { title: 'Weight loss or night pain', why: 'A serious cause has to be ruled out.' },
  cancer: {
    title: 'Cancer, now or before',
    why: 'Bones, skin and vessels may need care that only your doctor knows of.',
  },
  pregnancy: {
    title: 'Pregnancy',
    who: 'pregnancy',
    advice: 'Favour lying on the side and half-sitting; nothing forced.',
    why: 'Ligaments are soft; lying on the back presses on a large vessel after the first months.',
    client:
      'Because you are pregnant we stretch gently, without weights, and leave out what presses or twists your belly.',
  },
  birth: {
    title: 'A recent birth',
    who: 'a birth in the last half year',
    why: 'Belly wall and pelvis need time.',
    client: 'Because of the birth we stretch gently, without weights or hard pushing, and spare your belly and pelvis.',
  },
  hernia: {
    title: 'Hernia or belly operation',
    who: 'a hernia or an operation on the belly',
    why: 'Straining presses on the weak place.',
    client: 'Because of your belly we leave out straining and bending back.',
  },
  device: {
    title: 'Pacemaker, port or breast operation',
    who: 'a pacemaker, port or breast operation in the last eight weeks',
    why: 'What was put in has to grow fast.',
    client: 'Because of the operation we leave out lifting that arm high or far out.',
  },
  diabetes: {
    title: 'Diabetes',
    advice: 'Ask about the sugar before the session; look after the feet.',
    why: 'Low sugar feels like tiredness, and feet feel less.',
    client: 'Check your sugar before a session, and look at your feet afterwards.',
  },
  medicines: {
    title: 'Medicines that weaken tendons',
    who: 'medicines that weaken tendons',
    advice: 'Very gradual; moving stretches small.',
    why: 'Tendons tear more easily for months.',
    client: 'Because of your medicine we stretch gently, without weights, and go up slowly.',
  },
  painkillers: {
    title: 'Strong pain medicine',
    advice: 'Sensation is no guide: go by the position.',
    why: 'It hides what the body says.',
    client: 'Your medicine can hide pain. Stay well within your range.',
  },
  floor: {
    title: 'No floor',
    advice: 'A firm bed stands in for the floor.',
    why: 'Getting up is not safe.',
    client: 'We leave out everything on the floor.',
  },
  kneeling: {
    title: 'No kneeling',
    why: 'Kneeling is hard or unsafe.',
    client: 'We leave out everything on the knees.',
  },
  wrists: {
    title: 'No leaning on the hands',
    advice: 'Forms on the forearms stay.',
    why: 'The wrists can’t take weight at the moment.',
    client: 'We leave out leaning on the hands.',
  },
  'under-18': {
    title: 'Under 18',
    advice: 'Holds of 20-30 s. Pain at a tendon’s root: rest that muscle group.',
    why: 'Growth spurts make tendons and their roots sensitive.',
    client: 'A parent or guardian has to say yes first. Your coach will ask them.',
  },
  'over-65': {
    title: '65 or older',
    advice: 'Holds of 30-60 s; get up in two steps; a fixed hold when standing on one leg.',
    why: 'Longer holds work better with age (Garber et al. 2011, from memory); vessels of the neck are stiffer.',
    client: 'Longer holds, no bending your neck back, and always something to hold on to.',
  },
  'nerve-glides': {
    title: 'Nerve glides',
    why: 'Off until the coach records that they are qualified: moving an irritated nerve wrongly keeps it irritated.',
    client: 'We leave out nerve exercises.',
  },
  'hand-on-head': {
    title: 'No hand on the head',
    why: 'Off until the coach allows it for this client: a hand adds weight that the neck can’t refuse.',
    client: 'We leave out stretches with a hand on the head.',
  },
};

/** Before the planning of somebody under 18. */
const GUARDIAN_FIRST = 'Planning waits for the guardian’s consent, recorded with its date.';

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

/** Name of a caution, with the regions it is about and their sides: "An inflamed joint: left knee". */
export function cautionTitle({ id, regions, sides }: Pick<Caution, 'id' | 'regions' | 'sides'>): string {
  const where = regions
    .map((r) => [sides?.[r], lowerFirst(bodyRegionName(r))].filter((w) => w !== undefined).join(' '))
    .join(', ');
  return where ? `${TEXTS[id].title}: ${where}` : TEXTS[id].title;
}

/** "No rolling." for what an effect takes away, sentence by sentence; empty for nothing. */
function effectWords(e: CautionEffect): string[] {
  const out: string[] = [];
  const off = [
    ...e.excludedDemands.map(demandWords),
    ...e.excludedPositions.map(positionWords),
    ...e.excludedTechniques.map(techniqueOff),
  ];
  if (off.length > 0) out.push(`Off: ${off.join(', ')}.`);
  if (e.excludedGroups.length > 0) out.push(`${groupList(e.excludedGroups)}: no work.`);
  for (const { groups, techniques, demands } of e.groupLimits) {
    const there = [...techniques.map(techniqueOff), ...demands.map(demandWords)].join(', ');
    if (groups.length > 0 && there) out.push(`${groupList(groups)}: no ${there}.`);
  }
  if (e.gentleGroups.length > 0) out.push(`${groupList(e.gentleGroups)}: sensation 4 at most.`);
  if (e.sensationMax !== null) out.push(`Sensation ${e.sensationMax} at most.`);
  if (e.holdMax !== null) out.push(`Holds of ${e.holdMax} s at most.`);
  if (e.effortMax !== null) out.push(`Pushes of ${e.effortMax}% at most.`);
  if (e.difficultyMax !== null) out.push('Nothing advanced.');
  return out;
}

function groupList(groups: readonly MuscleGroupId[]): string {
  return groups.map((g, i) => (i === 0 ? muscleGroupName(g) : lowerFirst(muscleGroupName(g)))).join(', ');
}

type Said = Pick<Caution, 'id' | 'outcome' | 'urgency' | 'effect'>;

/** What a caution changes, for the coach: whom to see first, what is off, and what to do besides. */
export function cautionChanges({ id, outcome, urgency, effect }: Said): string {
  const first =
    outcome !== 'refer' ? [] : id === 'under-18' ? [GUARDIAN_FIRST] : [COACH_REFERS[urgency ?? 'before planning']];
  const { advice } = TEXTS[id];
  return [...first, ...effectWords(effect), ...(advice ? [advice] : [])].join(' ');
}

/** Why it does. */
export function cautionWhy({ id }: Pick<Caution, 'id'>): string {
  return TEXTS[id].why;
}

/** What a caution changes, for the client. */
export function cautionForClient({ id, outcome, urgency }: Pick<Caution, 'id' | 'outcome' | 'urgency'>): string {
  if (id === 'under-18' && outcome !== 'refer')
    return 'Because you are still growing we keep holds short and leave out weights.';
  if (outcome === 'refer' && id !== 'under-18') return CLIENT_REFERRED[urgency ?? 'before planning'];
  return TEXTS[id].client ?? '';
}

/** Who has the condition, as it stands in "Not for: …"; null for one that blocks everything or says nothing of exercises. */
export function conditionName(id: CautionId): string | null {
  return TEXTS[id].who ?? null;
}
