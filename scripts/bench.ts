import { mkdirSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { cpus } from 'node:os';
import { fileURLToPath } from 'node:url';
import { gzipSync } from 'node:zlib';
import { plannerRows } from './bench-planner';
import { serverRows, type Row } from './bench-server';
import loadHighs from 'highs';
import {
  bestOrder,
  buildTimeline,
  compose,
  DEFAULT_TIMINGS,
  exerciseIndex,
  EXERCISES,
  findExercises,
  highsSolver,
  NOTHING_ON_HOLD,
  POSITIONS,
  type ComposeRequest,
  type Exercise,
  type ItemPlace,
  type MuscleGroupId,
  type SessionItem,
} from '@yandle/core';

const ROOT = fileURLToPath(new URL('..', import.meta.url));

/** Initial JS of a bare Angular application of the same version: router, HttpClient, CDK Dialog, Tailwind; gzip −9, bytes. */
const BARE_ANGULAR = 87_676;

/** Median and 95th percentile of repeated runs, milliseconds. */
function time(work: () => unknown, runs = 200): { median: number; p95: number } {
  for (let i = 0; i < Math.min(20, runs); i++) work();
  const ms = Array.from({ length: runs }, () => {
    const start = performance.now();
    work();
    return performance.now() - start;
  }).sort((a, b) => a - b);
  return { median: ms[Math.floor(runs / 2)]!, p95: ms[Math.floor(runs * 0.95)]! };
}

const items: SessionItem[] = Array.from({ length: 8 }, () => ({
  exerciseId: 'bent-knee-wall-calf',
  sets: 4,
  holdSeconds: 60,
  sensation: 5,
  firstSide: 'left',
}));

/** Twelve items of one phase in all positions: the most that are put in order exactly. */
const twelve: ItemPlace[] = Array.from({ length: 12 }, (_, i) => ({
  section: 3,
  from: POSITIONS[i % POSITIONS.length]!,
  to: POSITIONS[(i * 3) % POSITIONS.length]!,
  props: i % 2 ? ['strap'] : [],
  height: i,
}));

/** Scripts that index.html loads at once, with everything they import statically. */
function initialJs(): number {
  const web = `${ROOT}apps/web/dist/web/`;
  const html = readFileSync(`${web}index.html`, 'utf8');
  const wanted = new Set([...html.matchAll(/(?:src|href)="([^"]+\.js)"/g)].map((m) => m[1]!));
  for (const file of wanted)
    for (const m of readFileSync(web + file, 'utf8').matchAll(/(?:from|import)"\.\/([^"]+\.js)"/g)) wanted.add(m[1]!);
  const there = new Set(readdirSync(web));
  return [...wanted]
    .filter((f) => there.has(f))
    .reduce((sum, f) => sum + gzipSync(readFileSync(web + f), { level: 9 }).length, 0);
}

const b = time(() => buildTimeline(items));
/** Three holds of 45 s for each of some groups, the first weighing most. */
function composeRequest(groups: readonly MuscleGroupId[], budgetSeconds: number): ComposeRequest {
  return {
    needs: groups.map((group, i) => ({
      group,
      bout: { technique: 'static hold', sets: 3, holdSeconds: 45, sensation: 5 },
      firstSide: 'left',
      weight: groups.length - i,
      floorSets: 1,
    })),
    exercises: EXERCISES,
    cautions: [],
    place: null,
    experience: 'experienced',
    positions: POSITIONS,
    purpose: 'own',
    trained: [],
    budgetSeconds,
    alreadyWarm: false,
    keep: [],
    never: [],
    locks: [],
    onHold: NOTHING_ON_HOLD,
    known: [],
    caps: {},
    timings: DEFAULT_TIMINGS,
  };
}

/** A median over different budgets, so that no case is lucky; the composer's model proven to its end. */
function composing(lanes: number): { median: number; p95: number } {
  const groups = [
    'hamstrings',
    'adductors',
    'calf',
    'hip-flexors',
    'gluteals',
    'pectorals',
    'quadriceps',
    'lats',
  ] as const;
  let budget = 0;
  return time(() => {
    budget = (budget + 1) % 12;
    compose(composeRequest(groups.slice(0, lanes), 900 + budget * 60), highs);
  }, 24);
}
/** The library in several forms, until there are so many exercises. */
const manyExercises = (many: number): Exercise[] =>
  Array.from({ length: Math.ceil(many / EXERCISES.length) }, (_, form) =>
    EXERCISES.map((e, i) => ({ ...e, id: `${e.id} ${form}`, setupSeconds: e.setupSeconds + ((i + form) % 4) })),
  )
    .flat()
    .slice(0, many);

/** A key in the search of a library of 600: what is typed grows letter by letter. */
function finding(): { median: number; p95: number } {
  const index = exerciseIndex(manyExercises(600));
  const typed = ['between the shoulder blades', 'front of the thigh', 'chair strap hamstring', 'standing'];
  let key = 0;
  return time(() => {
    const words = typed[key % typed.length]!;
    findExercises(words.slice(0, 1 + (key++ % words.length)), index);
  });
}

/** Twenty needs from 625 exercises. */
function composingMuch(): { median: number; p95: number } {
  const many = manyExercises(625);
  const groups = [...new Set(EXERCISES.filter((e) => e.technique === 'static hold').map((e) => e.primary))].slice(
    0,
    20,
  );
  let budget = 0;
  return time(() => {
    budget = (budget + 1) % 3;
    compose({ ...composeRequest(groups, 600 + budget * 600), exercises: many }, highs);
  }, 6);
}
const highs = highsSolver(await loadHighs());
const five = composing(5);
const eight = composing(8);
const twenty = composingMuch();
const order = time(() => bestOrder(twelve));
const find = finding();
const js = initialJs();
const rows: Row[] = [
  ...plannerRows(time),
  ['timeline of 8 exercises × 4 sets × 2 sides (core)', `${b.median.toFixed(2)} ms median`, '–'],
  [
    'compose 5 lanes from all exercises (core, Node, warm)',
    `${five.median.toFixed(0)} ms median, ${five.p95.toFixed(0)} ms p95`,
    '≤ 400 ms median',
  ],
  [
    'compose 8 lanes from all exercises (core, Node, warm)',
    `${eight.median.toFixed(0)} ms median, ${eight.p95.toFixed(0)} ms p95`,
    '≤ 1 s median',
  ],
  [
    'compose 20 needs from 625 exercises (core, Node, warm)',
    `${twenty.median.toFixed(0)} ms median, ${twenty.p95.toFixed(0)} ms p95`,
    '≤ 3 s, with a true gap',
  ],
  [
    'a key in the search of 600 exercises (core)',
    `${find.median.toFixed(1)} ms median, ${find.p95.toFixed(1)} ms p95`,
    '≤ 50 ms',
  ],
  ['exact order of 12 items of one phase (core)', `${order.median.toFixed(2)} ms median`, '–'],
  ['initial JS, gzip −9', `${(js / 1000).toFixed(1)} kB = ${(js / BARE_ANGULAR).toFixed(2)} × bare Angular`, '≤ 1.8 ×'],
  ...(await serverRows()),
];
const text = `# Benchmarks

Taken by \`npm run bench\` on ${new Date().toISOString().slice(0, 10)}: ${cpus().length} × ${cpus()[0]?.model.trim()}, Node ${process.versions.node}.

| what | measured | bar |
| --- | --- | --- |
${rows.map((r) => `| ${r.join(' | ')} |`).join('\n')}
`;
mkdirSync(`${ROOT}docs`, { recursive: true });
writeFileSync(`${ROOT}docs/benchmarks.md`, text);
console.log(text);
