import { MUSCLE_GROUPS, muscleGroupName, type MuscleGroupId } from '../../anatomy/muscle-group.js';
import { STYLES } from '../../styles/index.js';
import { EXERCISES } from '../exercises.js';
import { propName, PROPS } from '../props.js';
import { clients, reachOf, whyNothing, type Reach } from './reach.fixture.js';
import { exercisesOfKind } from './holdings.js';
import { KINDS, WHY_NO_BED, WHY_NONE, type Kind } from './none.js';
import type { Exercise } from '../exercise.js';

const CLIENTS = 500;
const SHORT: Readonly<Record<string, string>> = {
  standing: 'st',
  'sitting on a chair': 'ch',
  'sitting on the floor': 'fl',
  kneeling: 'kn',
  'all fours': '4',
  supine: 'su',
  'side-lying': 'si',
  prone: 'pr',
};

function cell(group: MuscleGroupId, kind: Kind): string {
  const list = exercisesOfKind(group, kind);
  if (list.length === 0) return '–';
  const at = (e: Exercise) => [e.position, ...(e.alsoIn ?? [])].map((p) => SHORT[p]!);
  const places = [...new Set([...list.flatMap(at), ...(list.some((e) => e.bed) ? ['bed'] : [])])];
  const levels = [...new Set(list.map((e) => e.difficulty))].sort().join('');
  return `${list.length} (${places.join(' ')}; ${levels})`;
}

const row = (cells: readonly (string | number)[]): string => `| ${cells.join(' | ')} |`;
const table = (head: readonly string[], rows: readonly (readonly (string | number)[])[]): string[] => [
  row(head),
  row(head.map(() => '---')),
  ...rows.map(row),
];
const percent = (part: number, of: number): string => `${Math.round((100 * part) / of)} %`;

function reachRows() {
  const all = clients(CLIENTS);
  const of = (client: (typeof all)[number], group: MuscleGroupId, style: (typeof STYLES)[number]): Reach =>
    reachOf(style, group, client);
  const pairs = all.flatMap((client) => client.groups.map((group) => ({ client, group })));
  const styles = STYLES.map((style) => {
    const reached = pairs.map(({ client, group }) => of(client, group, style));
    const count = (r: Reach) => reached.filter((x) => x === r).length;
    return [
      style.name,
      percent(count('own way'), pairs.length),
      percent(count('held instead'), pairs.length),
      percent(count('nothing'), pairs.length),
    ];
  });
  const none = pairs.filter(({ client, group }) => of(client, group, STYLES[0]!) === 'nothing');
  const groups = MUSCLE_GROUPS.map(({ id }) => {
    const mine = pairs.filter((p) => p.group === id);
    const without = none.filter((p) => p.group === id);
    const why = (reason: string) => without.filter((p) => whyNothing(id, p.client) === reason).length;
    const reasons = (['cautions', 'the place', 'the level', 'together'] as const)
      .map((r) => ({ r, n: why(r) }))
      .filter(({ n }) => n > 0)
      .sort((a, b) => b.n - a.n)
      .map(({ r, n }) => `${r} ${n}`);
    return [muscleGroupName(id), mine.length, without.length, reasons.join(', ') || '–'];
  });
  return { styles, groups };
}

/** docs/library.md: what the library holds for each group, what it leaves out and why, and for whom it can be planned. */
export function libraryDocument(): string {
  const { styles, groups } = reachRows();
  const why = MUSCLE_GROUPS.flatMap(({ id }) =>
    KINDS.flatMap((kind) => {
      const words = WHY_NONE[id]?.[kind];
      return words && exercisesOfKind(id, kind).length === 0 ? [`- ${muscleGroupName(id)}, ${kind}: ${words}.`] : [];
    }),
  );
  const things = PROPS.map((p) => [propName(p.id), EXERCISES.filter((e) => e.props.includes(p.id)).length]);
  return [
    '# The library',
    '',
    `Written by \`npm run docs:library\`; a test keeps it. ${EXERCISES.length} exercises, texts and figures in our own words: common practice, no source,`,
    'unless one is named.',
    '',
    '## What there is for each group',
    '',
    'Number of exercises, where they are done (st standing, ch chair, fl sitting on the floor, kn kneeling, 4 hands and knees, su on the back, si on the',
    'side, pr on the belly, bed: a firm bed will do) and their levels. Contract-relax counts holds that something is pushed against; moving counts own',
    'movements, not holds that are moved through; activation counts those that use the new length of the group; loaded counts both ways.',
    '',
    ...table(
      ['group', ...KINDS],
      MUSCLE_GROUPS.map(({ id }) => [muscleGroupName(id), ...KINDS.map((k) => cell(id, k))]),
    ),
    '',
    '## What is left out on purpose',
    '',
    ...why,
    '',
    'Held on a firm bed is every group but these. Who can sit on the edge of the bed does them there: add sitting on a chair to the place.',
    '',
    ...MUSCLE_GROUPS.flatMap(({ id }) => {
      const words = WHY_NO_BED[id];
      return words === undefined ? [] : [`- ${muscleGroupName(id)}: ${words}.`];
    }),
    '',
    '## Things',
    '',
    ...table(['thing', 'exercises that need it'], things),
    '',
    '## For whom it can be planned',
    '',
    `${CLIENTS} invented clients of 18 to 85 years, at home, in bed, on a chair, in a gym or outdoors, with any things, at any level, with up to two`,
    'conditions that limit; each wants six groups. Share of these groups that a style can work in its own way through all its phases, that it can only hold',
    'still, and that it cannot work.',
    '',
    ...table(['style', 'its own way', 'held instead', 'nothing'], styles),
    '',
    'Groups for which not even a hold is left, and what took the last one away (together: one by one none of them does).',
    '',
    ...table(['group', 'asked for', 'nothing left', 'why'], groups),
    '',
  ].join('\n');
}
