/**
 * Minutes and seconds as on a clock.
 * @example formatClock(1120) // '18:40'
 */
export function formatClock(seconds: number): string {
  const s = Math.max(0, Math.round(seconds));
  return `${Math.floor(s / 60)}:${String(s % 60).padStart(2, '0')}`;
}
