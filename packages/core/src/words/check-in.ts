import type { ObstacleId } from '../review/check-in.js';

const OBSTACLE_WORDS: Readonly<Record<ObstacleId, string>> = {
  time: 'No time',
  place: 'No good place',
  things: 'Something is missing, like a strap or a mat',
  tired: 'Too tired',
  unpleasant: 'It feels unpleasant',
  how: 'Not sure how to do it',
  forgot: 'I forget',
};

/** What is in the way, as a client says it. */
export function obstacleWords(id: ObstacleId): string {
  return OBSTACLE_WORDS[id];
}
