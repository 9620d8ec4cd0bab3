import type { StudioTimings } from '@yandle/core';

/** What each timing is called. */
export const TIMING_WORDS: Readonly<Record<keyof StudioTimings, string>> = {
  newPosition: 'Change to a new position',
  samePosition: 'Set up in the same position',
  prop: 'Fetch or fix equipment',
  entry: 'Ease into the stretch',
  exit: 'Come out slowly',
  sideSwitch: 'Change sides',
  rest: 'Rest between sets',
  loadedRest: 'Rest between loaded sets',
  letGo: 'Let go after a push',
  return: 'Return of a loaded rep',
  repetition: 'One rep, there and back',
};
