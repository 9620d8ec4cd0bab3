/** What a symptom ends: the whole session, its exercise, or nothing. */
type Ends = 'session' | 'exercise' | null;

/**
 * What a client may feel besides the stretch, emergencies first. What ends the session holds all sessions until the coach records who cleared
 * it; what ends the exercise holds the exercise (domain 2.8). A cramp is neither.
 */
export const SYMPTOMS = [
  { id: 'chest', name: 'Chest pain or short of breath', ends: 'session', emergency: true },
  {
    id: 'sudden-weakness',
    name: 'Sudden weakness, trouble speaking or swallowing, or a numb face',
    ends: 'session',
    emergency: true,
  },
  { id: 'sudden-headache', name: 'A sudden strong headache or neck pain', ends: 'session', emergency: true },
  { id: 'saddle', name: 'Numb between the legs, or no control of bladder or bowel', ends: 'session', emergency: true },
  { id: 'dizziness', name: 'Dizziness, faintness or trouble seeing', ends: 'session', emergency: false },
  { id: 'leg-spread', name: 'Pain or tingling that spreads down the leg', ends: 'session', emergency: false },
  { id: 'numbness', name: 'Numbness or tingling', ends: 'exercise', emergency: false },
  { id: 'sharp-pain', name: 'Sharp or shooting pain', ends: 'exercise', emergency: false },
  { id: 'pinching', name: 'Pinching or pressure in a joint', ends: 'exercise', emergency: false },
  { id: 'instability', name: 'A joint giving way', ends: 'exercise', emergency: false },
  { id: 'pop', name: 'A pop or a sudden give', ends: 'exercise', emergency: false },
  { id: 'bruise', name: 'A new bruise', ends: 'exercise', emergency: false },
  { id: 'cramp', name: 'A cramp', ends: null, emergency: false },
  { id: 'too-strong', name: 'Too strong, not pain', ends: null, emergency: false },
  { id: 'other', name: 'Something else', ends: null, emergency: false },
] as const satisfies readonly { id: string; name: string; ends: Ends; emergency: boolean }[];

export type SymptomId = (typeof SYMPTOMS)[number]['id'];

const of = (id: SymptomId) => SYMPTOMS.find((s) => s.id === id);

/** True for a symptom after which an exercise, or everything, waits until a coach clears it. */
export function isStopSign(id: SymptomId): boolean {
  return (of(id)?.ends ?? null) !== null;
}

/** True for a symptom that ends the session, and holds all sessions until it is cleared. */
export function endsSession(id: SymptomId): boolean {
  return of(id)?.ends === 'session';
}

/** True for a symptom with which an ambulance is called. */
export function isEmergency(id: SymptomId): boolean {
  return of(id)?.emergency ?? false;
}

/** True for what is looked into afterwards. "Too strong" and a cramp end an exercise too, but are no symptoms. */
export function isNotedSymptom(id: SymptomId): boolean {
  return isStopSign(id) || id === 'other';
}

/** The name of a symptom, for screens. */
export function symptomName(id: SymptomId): string {
  return of(id)?.name ?? id;
}

/** Stop signs, shown wherever an exercise, load or test is prescribed. Never behind a setting. */
export const STOP_SIGNS: readonly string[] = [
  ...SYMPTOMS.filter((s) => s.ends === 'exercise'),
  ...SYMPTOMS.filter((s) => s.ends === 'session' && !s.emergency),
].map((s) => s.name);

/** Signs with which nobody waits for a coach. */
export const EMERGENCY_SIGNS: readonly string[] = SYMPTOMS.filter((s) => s.emergency).map((s) => s.name);

export const STOP_ADVICE =
  'Stop. Come out of the stretch slowly. Dizzy? Sit or lie down. Leave this stretch out until your coach has looked at it. If it doesn’t go away or comes back, see a doctor or physiotherapist.';

export const EMERGENCY_ADVICE = 'Call an ambulance now. Do not wait for your coach. Sit or lie down, and do not go on.';

/** What to do with a cramp: it is no stop sign. */
export const CRAMP_ADVICE =
  'Come out of the stretch, shake or walk it off, and wait until it has gone. Then go on, lighter.';

/** How strong a stretch may feel, in the client's words. */
export const SENSATION_ADVICE = 'Feel a clear pull, but be able to talk. A little shaking is fine. Pain is not.';

/** What Yandle is, said to the client. */
export const CLIENT_DUTY_OF_CARE =
  'Yandle helps you and your coach plan stretching. It can’t tell what is wrong with your body. If you are worried, ask a doctor or physiotherapist.';

export const DUTY_OF_CARE =
  'Yandle is a planning and record tool for fitness coaches, not medical advice. Local rules on scope of practice apply; if in doubt, refer to a doctor or physiotherapist.';

/** What a sensation number means (domain 2.1). */
export function sensationWords(sensation: number): string {
  if (sensation <= 0) return 'nothing';
  if (sensation <= 3) return 'light pull';
  if (sensation <= 6) return 'clear stretch, can talk';
  if (sensation <= 7) return 'too strong to talk easily';
  return 'pain';
}
