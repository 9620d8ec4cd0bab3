/** What a movement asks of the body, beyond its position and technique; a caution may rule it out. */
export const EXERCISE_TAGS = [
  'spinal flexion',
  'loaded spine',
  'deep hip flexion',
  'one leg',
  'wrist load',
  'head down',
  'grip',
  'neck end range',
  'impact',
] as const;
export type ExerciseTag = (typeof EXERCISE_TAGS)[number];
