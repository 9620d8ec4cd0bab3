/** Words a voice speaks in a second, and the breath between two sentences, seconds: unhurried speech of about 140 words a minute. Common practice, no source. */
const WORDS_A_SECOND = 2.3;
const PAUSE_SECONDS = 0.3;

/** Seconds it takes to say something aloud; 0 for nothing. A number counts as the words it is read as, roughly two. */
export function speechSeconds(text: string): number {
  const words = text.split(/\s+/).filter((w) => /[\p{L}\d]/u.test(w));
  const numbers = words.filter((w) => /\d/.test(w)).length;
  return words.length === 0 ? 0 : (words.length + numbers) / WORDS_A_SECOND + PAUSE_SECONDS;
}

/**
 * As much of a sentence as can be said in some seconds, cut where a clause ends; empty when not even its first clause fits.
 * @param seconds how long there is
 */
export function fittedTo(text: string, seconds: number): string {
  if (speechSeconds(text) <= seconds) return text;
  const ends = [...text.matchAll(/[;,.:](?=\s)/g)].map((m) => m.index).reverse();
  for (const end of ends) {
    const part = `${text.slice(0, end)}.`;
    if (speechSeconds(part) <= seconds) return part;
  }
  return '';
}
