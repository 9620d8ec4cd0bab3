/** Stop signs, shown wherever an exercise, load or test is prescribed. Never behind a setting. */
export const STOP_SIGNS: readonly string[] = [
  'Numbness or tingling',
  'Sharp or shooting pain',
  'Pinching or pressure in a joint',
  'Dizziness or trouble seeing',
  'A joint giving way',
];

export const STOP_ADVICE =
  'Stop. Come out of the stretch slowly. Dizzy? Sit or lie down. Leave this stretch out until your coach has looked at it. If it doesn’t go away or comes back, see a doctor or physiotherapist.';

/** How strong a stretch may feel, in the client's words. */
export const SENSATION_ADVICE = 'Feel a clear pull, but be able to talk. A little shaking is fine. Pain is not.';

/** What Yandle is, said to the client. */
export const CLIENT_DUTY_OF_CARE =
  'Yandle helps you and your coach plan stretching. It can’t tell what is wrong with your body. If you are worried, ask a doctor or physiotherapist.';

export const DUTY_OF_CARE =
  'Yandle is a planning and record tool for fitness coaches, not medical advice. Local rules on scope of practice apply; if in doubt, refer to a doctor or physiotherapist.';

/** What a symptom is, and whether it ends the exercise at once. */
export const SYMPTOMS = [
  { id: 'numbness', name: 'Numbness or tingling', stopSign: true },
  { id: 'sharp-pain', name: 'Sharp or shooting pain', stopSign: true },
  { id: 'pinching', name: 'Pinching or pressure in a joint', stopSign: true },
  { id: 'dizziness', name: 'Dizziness or trouble seeing', stopSign: true },
  { id: 'instability', name: 'A joint giving way', stopSign: true },
  { id: 'too-strong', name: 'Too strong, not pain', stopSign: false },
  { id: 'other', name: 'Something else', stopSign: false },
] as const;

export type SymptomId = (typeof SYMPTOMS)[number]['id'];

/** True for a symptom that pauses the exercise until a coach clears it. */
export function isStopSign(id: SymptomId): boolean {
  return SYMPTOMS.some((s) => s.id === id && s.stopSign);
}

/** True for what is looked into afterwards. "Too strong" ends an exercise too, but is no symptom. */
export function isNotedSymptom(id: SymptomId): boolean {
  return isStopSign(id) || id === 'other';
}

/** The name of a symptom, for screens. */
export function symptomName(id: SymptomId): string {
  return SYMPTOMS.find((s) => s.id === id)?.name ?? id;
}

/** What a sensation number means (domain 2.1). */
export function sensationWords(sensation: number): string {
  if (sensation <= 0) return 'nothing';
  if (sensation <= 3) return 'light pull';
  if (sensation <= 6) return 'clear stretch, can talk';
  if (sensation <= 7) return 'too strong to talk easily';
  return 'pain';
}
