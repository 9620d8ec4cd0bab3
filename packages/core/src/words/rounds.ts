import type { SessionSettings } from '../session/settings.js';

/**
 * How often a list is gone through; empty for once.
 * @example roundsWords({ rounds: 4, untilEasy: true }) // 'up to 4 rounds, until it feels easy'
 */
export function roundsWords({ rounds, untilEasy }: Pick<SessionSettings, 'rounds' | 'untilEasy'>): string {
  if (rounds <= 1) return '';
  return untilEasy ? `up to ${rounds} rounds, until it feels easy` : `${rounds} rounds`;
}
