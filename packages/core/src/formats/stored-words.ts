import type { Demand } from '../catalogue/demand.js';

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
  test: {},
  about: { wishes: 'aims', space: 'place' },
} as const satisfies Readonly<Record<string, Readonly<Record<string, string>>>>;

/** Kinds of stored documents whose words have changed. */
export type StoredKind = keyof typeof KEYS;

/** Techniques that have another name now; in every kind of document, under the key `technique`. */
const TECHNIQUE_NAMES: Readonly<Record<string, string>> = { release: 'rolling' };

/** Tags that exercises of a coach's own had before demands. */
const DEMAND_OF_TAG: Readonly<Record<string, Demand>> = {
  'spinal flexion': 'spine-forward',
  'loaded spine': 'spine-loaded',
  'deep hip flexion': 'hip-past-90',
  'one leg': 'one-leg',
  'wrist load': 'wrists',
  'head down': 'head-low',
  grip: 'grip',
  'neck end range': 'neck-back',
  impact: 'impact',
};

type Doc = Readonly<Record<string, unknown>>;
const strings = (value: unknown): string[] =>
  Array.isArray(value) ? value.filter((v): v is string => typeof v === 'string') : [];

/** "Sitting" was one position: on a chair where one is spoken of, else the stricter, on the floor. */
const seated = (doc: Doc, spoken: readonly string[]): Doc =>
  doc['position'] !== 'sitting'
    ? doc
    : {
        ...doc,
        position: /chair|stool|bench|sofa/i.test(spoken.join(' ')) ? 'sitting on a chair' : 'sitting on the floor',
      };

/** Demands from the tags of before; what they leave open is for the coach to go through. */
function withDemands(doc: Doc): Doc {
  const placed = seated(doc, strings(doc['props']));
  if (!('tags' in placed)) return placed;
  const { tags, ...rest } = placed;
  const demands = strings(tags).flatMap((t) => DEMAND_OF_TAG[t] ?? []);
  return withCheck({ ...rest, demands, demandsKnown: false, bed: false });
}

interface StoredStage {
  readonly name: string;
  readonly share: number;
}

/** A first stage without hands was the check; the weight of the hand after it is left out, other directions share the hold. */
function withCheck(doc: Doc): Doc {
  const stages = (doc['stages'] ?? []) as readonly StoredStage[];
  const [first, ...rest] = stages;
  if (!first || !/without hands/i.test(first.name)) return { ...doc, check: null };
  const left = rest.filter((s) => !/hand/i.test(s.name));
  const whole = left.reduce((sum, s) => sum + s.share, 0);
  return { ...doc, check: first.name, stages: left.map((s) => ({ ...s, share: s.share / whole })) };
}

function withTags(doc: Doc): Doc {
  const { demands, demandsKnown: _, bed: __, check: ___, ...rest } = doc;
  const tagOf = inverted(DEMAND_OF_TAG);
  const tags = 'demands' in doc ? { tags: strings(demands).flatMap((d) => tagOf[d] ?? []) } : {};
  return { ...unseated(rest), ...tags };
}

const unseated = (doc: Doc): Doc =>
  String(doc['position']).startsWith('sitting on') ? { ...doc, position: 'sitting' } : doc;

/** An order of variables became an order of turns, each with the value at which it ends. */
function withTurns(doc: Doc): Doc {
  const phases = doc['phases'];
  if (!Array.isArray(phases)) return doc;
  const turn = (v: unknown): unknown => (typeof v === 'string' ? { variable: v, until: null } : v);
  return {
    ...doc,
    phases: phases.map((p: Doc) => (Array.isArray(p['order']) ? { ...p, order: p['order'].map(turn) } : p)),
  };
}

function withoutTurns(doc: Doc): Doc {
  const phases = doc['phases'];
  if (!Array.isArray(phases)) return doc;
  const name = (t: unknown): unknown => (typeof t === 'object' && t !== null ? (t as Doc)['variable'] : t);
  return {
    ...doc,
    phases: phases.map(({ experiencedOrder: _, ...p }: Doc) =>
      Array.isArray(p['order']) ? { ...p, order: [...new Set(p['order'].map(name))] } : p,
    ),
  };
}

type Change = (doc: Doc) => Doc;
/** What else changed in a kind of document, and the way back. */
const CHANGES: Readonly<Partial<Record<StoredKind, { readonly up: Change; readonly down: Change }>>> = {
  exercise: { up: withDemands, down: withTags },
  style: { up: withTurns, down: withoutTurns },
  test: {
    up: (doc) => seated(doc, [...strings(doc['steps']), ...strings(doc['landmarks']), ...strings(doc['instruments'])]),
    down: unseated,
  },
};

/** One document, or a list of them. */
function each(value: unknown, change: Change | undefined): unknown {
  if (!change) return value;
  if (Array.isArray(value)) return value.map((v: unknown) => each(v, change));
  return typeof value === 'object' && value !== null ? change(value as Doc) : value;
}

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
  return each(renamed(value, KEYS[kind], TECHNIQUE_NAMES), CHANGES[kind]?.up);
}

/** The way back, for a reader of the version before: `downgradeStored(kind, upgradeStored(kind, x))` is x. */
export function downgradeStored(kind: StoredKind, value: unknown): unknown {
  return renamed(each(value, CHANGES[kind]?.down), inverted(KEYS[kind]), inverted(TECHNIQUE_NAMES));
}

/** Version of the files of exercises, styles and templates that are written now. */
export const FILE_VERSION = 4 as const;

const FILES: Readonly<Record<string, readonly [list: string, kind: StoredKind]>> = {
  'yandle-exercises': ['exercises', 'exercise'],
  'yandle-styles': ['styles', 'style'],
  'yandle-templates': ['templates', 'template'],
};

/**
 * A file of exercises, styles or templates as the schema of today reads it. A file of a version before is brought up; anything else comes back as it
 * is, to be refused by the schema with its reason.
 */
export function upgradeFile(file: unknown): unknown {
  if (typeof file !== 'object' || file === null) return file;
  const { format, formatVersion } = file as { format?: unknown; formatVersion?: unknown };
  const found = typeof format === 'string' ? FILES[format] : undefined;
  if (!found || ![1, 2, 3].includes(formatVersion as number)) return file;
  const [list, kind] = found;
  const content = (file as Record<string, unknown>)[list];
  return { ...file, formatVersion: FILE_VERSION, [list]: upgradeStored(kind, content) };
}
