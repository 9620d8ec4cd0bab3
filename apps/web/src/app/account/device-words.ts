const BROWSERS: readonly (readonly [RegExp, string])[] = [
  [/Edg\//, 'Edge'],
  [/Firefox\//, 'Firefox'],
  [/Chrome\//, 'Chrome'],
  [/Safari\//, 'Safari'],
];
const SYSTEMS: readonly (readonly [RegExp, string])[] = [
  [/iPhone/, 'iPhone'],
  [/iPad/, 'iPad'],
  [/Android/, 'Android'],
  [/Windows/, 'Windows'],
  [/Mac OS X/, 'Mac'],
  [/Linux/, 'Linux'],
];

/** What a browser says of itself, shortened to what a person calls it. */
export function deviceWords(agent: string): string {
  const of = (list: typeof BROWSERS) => list.find(([mark]) => mark.test(agent))?.[1];
  const words = [of(BROWSERS), of(SYSTEMS)].filter((w) => w !== undefined);
  return words.length > 0 ? words.join(' on ') : 'Unknown browser';
}
