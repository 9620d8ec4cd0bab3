/**
 * Words that changed in what is stored: documents in the database, files that a studio exported, requests that wait in a browser. Each kind of
 * document with its old and new names. A file of format version 1 and a row of before have the old ones.
 */
const KEYS = {
  exercise: { level: 'difficulty' },
  style: { amountGrain: 'stepSize' },
  block: { baseline: 'startingDose' },
  template: { baseline: 'startingDose' },
  items: {},
  about: { wishes: 'aims', space: 'place' },
} as const satisfies Readonly<Record<string, Readonly<Record<string, string>>>>;

/** Kinds of stored documents whose words have changed. */
export type StoredKind = keyof typeof KEYS;

/** Techniques that have another name now; in every kind of document, under the key `technique`. */
const TECHNIQUE_NAMES: Readonly<Record<string, string>> = { release: 'rolling' };

function inverted(names: Readonly<Record<string, string>>): Record<string, string> {
  return Object.fromEntries(Object.entries(names).map(([a, b]) => [b, a]));
}

function renamed(
  value: unknown,
  keys: Readonly<Record<string, string>>,
  techniques: Readonly<Record<string, string>>,
): unknown {
  if (Array.isArray(value)) return value.map((v: unknown) => renamed(v, keys, techniques));
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, v]): [string, unknown] => [
      keys[key] ?? key,
      key === 'technique' && typeof v === 'string' ? (techniques[v] ?? v) : renamed(v, keys, techniques),
    ]),
  );
}

/**
 * A stored document with the names of today; one that has them already comes back alike. Whether it is sound is for its schema to say.
 * @example upgradeStored('exercise', { level: 2, technique: 'release' }) // { difficulty: 2, technique: 'rolling' }
 */
export function upgradeStored(kind: StoredKind, value: unknown): unknown {
  return renamed(value, KEYS[kind], TECHNIQUE_NAMES);
}

/** The way back, for a reader of the version before: `downgradeStored(kind, upgradeStored(kind, x))` is x. */
export function downgradeStored(kind: StoredKind, value: unknown): unknown {
  return renamed(value, inverted(KEYS[kind]), inverted(TECHNIQUE_NAMES));
}

/** Version of the files of exercises, styles and templates that are written now. */
export const FILE_VERSION = 2;

const FILES: Readonly<Record<string, readonly [list: string, kind: StoredKind]>> = {
  'yandle-exercises': ['exercises', 'exercise'],
  'yandle-styles': ['styles', 'style'],
  'yandle-templates': ['templates', 'template'],
};

/**
 * A file of exercises, styles or templates as the schema of today reads it. A file of version 1 is brought up; anything else comes back as it
 * is, to be refused by the schema with its reason.
 */
export function upgradeFile(file: unknown): unknown {
  if (typeof file !== 'object' || file === null) return file;
  const { format, formatVersion } = file as { format?: unknown; formatVersion?: unknown };
  const found = typeof format === 'string' ? FILES[format] : undefined;
  if (!found || formatVersion !== 1) return file;
  const [list, kind] = found;
  const content = (file as Record<string, unknown>)[list];
  return { ...file, formatVersion: FILE_VERSION, [list]: upgradeStored(kind, content) };
}
