const RULES = new Intl.PluralRules('en');

/** "1 week", "3 weeks": the number with its noun, by the plural rules of English. */
export function counted(n: number, one: string, other = `${one}s`): string {
  return `${n} ${RULES.select(n) === 'one' ? one : other}`;
}

/** First letter large. */
export function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

const AND = new Intl.ListFormat('en', { style: 'long', type: 'conjunction' });

/** "hold and sets", "hold, sets and days". */
export function joined(items: readonly string[]): string {
  return AND.format(items).replace(/, and /, ' and ');
}
