const RULES = new Intl.PluralRules('en');

/**
 * "1 week", "3 weeks": the number with its noun, by the plural rules of English.
 * @example counted(3, 'week') // '3 weeks'
 */
export function counted(n: number, one: string, other = `${one}s`): string {
  return `${n} ${RULES.select(n) === 'one' ? one : other}`;
}

/**
 * First letter large.
 * @example capital('hold') // 'Hold'
 */
export function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

const AND = new Intl.ListFormat('en', { style: 'long', type: 'conjunction' });

/**
 * "hold and sets", "hold, sets and days".
 * @example joined(['hold', 'sets', 'days']) // 'hold, sets and days'
 */
export function joined(items: readonly string[]): string {
  return AND.format(items).replace(/, and /, ' and ');
}
