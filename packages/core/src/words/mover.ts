import type { Mover, Turn } from '../catalogue/rom-test.js';

const MOVER: Readonly<Record<Mover, string>> = {
  active: 'the client moves',
  weight: 'its own weight moves it',
  tester: 'the tester moves it',
};

/** What moves the joint in a test; empty where it was never said. */
export function moverWords(moved: Mover | undefined): string {
  return moved === undefined ? '' : MOVER[moved];
}

const TURN: Readonly<Record<Turn, string>> = { in: 'turned in', out: 'turned out' };

/** Which way a limb is turned in a test or stretch. */
export function turnWords(turn: Turn): string {
  return TURN[turn];
}
