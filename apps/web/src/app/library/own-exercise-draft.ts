import type { OwnExercise, OwnExerciseBody } from '@yandle/contract';
import { type Exercise, type ExerciseDefinition, PLAINEST, TURNING_GROUPS } from '@yandle/core';
import { definitionOf } from './library.service';

/** Fields that are lists of lines, typed one a line. */
export const LINE_FIELDS = ['steps', 'faults', 'cautions', 'notFor', 'stages'] as const;
export type LineField = (typeof LINE_FIELDS)[number];

/** What the form holds: lists as the text that is typed. */
export type ExerciseDraft = Omit<ExerciseDefinition, LineField> & Readonly<Record<LineField, string>>;

const EMPTY: ExerciseDefinition = {
  figure: null,
  name: '',
  aim: '',
  difficulty: 1,
  primary: 'hamstrings',
  secondary: [],
  technique: PLAINEST,
  position: 'standing',
  demands: [],
  demandsKnown: true,
  bed: false,
  props: [],
  optionalProps: [],
  substitute: '',
  sides: 'each',
  sideWords: '',
  sidePattern: 'side by side',
  check: null,
  stages: [],
  steps: [],
  breath: 'Slow and easy.',
  endPoint: '',
  depthMeasure: '',
  felt: '',
  notFelt: '',
  faults: [],
  amount: { unit: 'seconds', min: 15, max: 120 },
  load: 'none',
  easier: '',
  harder: '',
  easierForm: null,
  harderForm: null,
  setupSeconds: 5,
  cautions: [],
  notFor: [],
  origin: 'own',
};

/** A draft to begin with: an own exercise as it is, a copy of another, or an empty one. */
export function draftOf(of: Exercise | null, own: OwnExercise | null): ExerciseDraft {
  const d = own
    ? definitionOf(own)
    : of
      ? { ...definitionOf(of), name: `${of.name}, own`, origin: 'own' as const }
      : EMPTY;
  return {
    ...d,
    steps: d.steps.join('\n'),
    faults: d.faults.join('\n'),
    cautions: d.cautions.join('\n'),
    notFor: d.notFor.join('\n'),
    stages: stageLines(d.stages),
  };
}

const lines = (text: string): string[] =>
  text
    .split('\n')
    .map((l) => l.trim())
    .filter((l) => l !== '');

/** Directions of a hold, one a line; their shares where they differ: "Chin down, 40%". */
function stageLines(stages: ExerciseDefinition['stages']): string {
  const alike = stages.every((s) => s.share === stages[0]!.share);
  return stages.map((s) => (alike ? s.name : `${s.name}, ${Math.round(s.share * 100)}%`)).join('\n');
}

/** Directions as they are typed: each with its share, or all alike. */
function stagesIn(text: string): ExerciseDefinition['stages'] {
  const typed = lines(text);
  return typed.map((line) => {
    const share = /^(.*\S)\s*,\s*(\d+) ?%$/.exec(line);
    return share ? { name: share[1]!, share: Number(share[2]) / 100 } : { name: line, share: 1 / typed.length };
  });
}

/** What is sent. */
export function bodyOf(draft: ExerciseDraft, version: number | null, archived: boolean): OwnExerciseBody {
  const { turns, otherSide, pushAgainst, alsoIn, startLoad, ...rest } = draft;
  const places = (alsoIn ?? []).filter((p) => p !== draft.position);
  const push = pushAgainst?.trim() ?? '';
  const groups = [draft.primary, ...draft.secondary];
  // What is said of groups that are no longer worked is not sent.
  const across = (otherSide ?? []).filter((g) => groups.includes(g));
  return {
    ...rest,
    ...(turns !== undefined && groups.some((g) => TURNING_GROUPS.includes(g)) ? { turns } : {}),
    ...(across.length > 0 ? { otherSide: across } : {}),
    ...(push === '' ? {} : { pushAgainst: push }),
    ...(places.length > 0 ? { alsoIn: places } : {}),
    ...(startLoad && draft.load !== 'none' ? { startLoad } : {}),
    stages: stagesIn(draft.stages),
    name: draft.name.trim(),
    steps: lines(draft.steps),
    faults: lines(draft.faults),
    cautions: lines(draft.cautions),
    notFor: lines(draft.notFor),
    version,
    archived,
  };
}
