import {
  EXERCISE_TAGS,
  EXERCISES,
  FILE_VERSION,
  MUSCLE_GROUP_IDS,
  ORIGINS,
  POSITIONS,
  PROP_IDS,
  TECHNIQUES,
} from '@yandle/core';

const line = (maxLength: number) => ({ type: 'string', minLength: 1, maxLength, pattern: '\\S' });
const text = (maxLength: number) => ({ type: 'string', maxLength });
const lines = (maxItems: number, minItems = 1) => ({ type: 'array', items: line(300), minItems, maxItems });
const oneOf = (values: readonly unknown[]) => ({ enum: [...values] });
const some = (values: readonly unknown[], maxItems: number) => ({
  type: 'array',
  items: oneOf(values),
  uniqueItems: true,
  maxItems,
});
const CATALOGUE = EXERCISES.map((e) => e.id);

const EXERCISE = {
  type: 'object',
  additionalProperties: false,
  properties: {
    figure: { enum: [...CATALOGUE, null], description: 'Whose drawing is shown.' },
    name: line(120),
    aim: line(300),
    difficulty: oneOf([1, 2, 3]),
    primary: oneOf(MUSCLE_GROUP_IDS),
    secondary: some(MUSCLE_GROUP_IDS, 6),
    technique: oneOf(TECHNIQUES),
    position: oneOf(POSITIONS),
    tags: some(EXERCISE_TAGS, EXERCISE_TAGS.length),
    props: some(PROP_IDS, 6),
    optionalProps: some(PROP_IDS, 6),
    substitute: text(300),
    sides: oneOf(['each', 'both']),
    sideWords: text(300),
    sidePattern: oneOf(['side by side', 'alternating']),
    stages: {
      type: 'array',
      maxItems: 4,
      items: {
        type: 'object',
        additionalProperties: false,
        properties: { name: line(120), share: { type: 'number', exclusiveMinimum: 0, maximum: 1 } },
        required: ['name', 'share'],
      },
    },
    steps: lines(5),
    breath: line(300),
    endPoint: line(300),
    depthMeasure: text(300),
    felt: line(300),
    notFelt: line(300),
    faults: lines(8),
    amount: {
      type: 'object',
      additionalProperties: false,
      properties: {
        unit: oneOf(['seconds', 'repetitions', 'breaths']),
        min: { type: 'integer', minimum: 1, maximum: 600 },
        max: { type: 'integer', minimum: 1, maximum: 600 },
      },
      required: ['unit', 'min', 'max'],
    },
    load: oneOf(['none', 'body', 'weight', 'band']),
    easier: line(300),
    harder: line(300),
    easierForm: { enum: [...CATALOGUE, null] },
    harderForm: { enum: [...CATALOGUE, null] },
    setupSeconds: { type: 'integer', minimum: 0, maximum: 120 },
    cautions: lines(8),
    notFor: lines(8),
    origin: oneOf(ORIGINS),
  },
} as const;

/** The published schema of a file of own exercises (JSON Schema, draft 2020-12). Whoever writes such a file can check it with this. */
export const EXERCISE_FILE_SCHEMA = {
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  title: 'Exercises of a studio',
  type: 'object',
  additionalProperties: false,
  properties: {
    format: { const: 'yandle-exercises' },
    formatVersion: { const: FILE_VERSION },
    exercises: {
      type: 'array',
      minItems: 1,
      maxItems: 100,
      items: { ...EXERCISE, required: Object.keys(EXERCISE.properties) },
    },
  },
  required: ['format', 'formatVersion', 'exercises'],
} as const;
