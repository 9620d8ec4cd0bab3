/** Version of the text that a client agrees to. A change of {@link consentText} in what it says raises it. */
export const CONSENT_VERSION = 1;

/** Who agrees: the client, or under 18 a guardian. */
export const CONSENTERS = ['client', 'guardian'] as const;
export type Consenter = (typeof CONSENTERS)[number];

/** From this age on clients agree for themselves. Common practice; the law of the place may say another. */
export const OWN_CONSENT_AGE = 18;

/** Who has to agree for a client of an age in years. */
export function consenterAt(age: number): Consenter {
  return age < OWN_CONSENT_AGE ? 'guardian' : 'client';
}

/**
 * True for a consent that goes for new answers: by the text of today and by who agrees at that age. What was agreed to before keeps the
 * answers of then; it is asked anew before the next ones.
 */
export function consentCounts(given: { readonly version: number; readonly by: Consenter }, age: number): boolean {
  return given.version === CONSENT_VERSION && given.by === consenterAt(age);
}

/** What is agreed to, version {@link CONSENT_VERSION}. @param studio its name */
export function consentText(studio: string): readonly string[] {
  return [
    `${studio} keeps my answers about my health, to plan stretching that is safe for me. Only the coaches of ${studio} see them.`,
    'I can take this back at any time. Then the answers are erased, and no block can be planned until I agree again.',
    'I can have a single answer erased for good, and I can ask for a copy of all that is kept about me.',
  ];
}
