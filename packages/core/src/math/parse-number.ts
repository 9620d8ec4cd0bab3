/**
 * A number as people type it: comma or point, hyphen or minus sign, spaces around it. Null for anything else, the empty text included.
 * @example parseNumber(' −7,5 ') // -7.5
 */
export function parseNumber(text: string): number | null {
  const typed = text.trim().replace(',', '.').replace('−', '-');
  return /^-?\d+(\.\d+)?$/.test(typed) ? Number(typed) : null;
}
