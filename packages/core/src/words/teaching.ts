import { breathsIn } from '../catalogue/amount.js';
import type { Exercise } from '../catalogue/exercise.js';
import { pushAgainst } from '../catalogue/forms.js';
import type { ClientPlace } from '../screening/place.js';
import { isWork, type Cue } from '../session/cue.js';
import { LAST_SECONDS } from '../session/player.js';
import { kindOf } from '../technique/catalogue.js';
import { CUE_HEADLINE, cueWords } from './cue.js';
import { sideInWords } from './side.js';
import { fittedTo, speechSeconds } from './speech.js';

/** A sentence of the voice within a cue. */
export interface Spoken {
  /** Seconds from the start of the cue. */
  readonly at: number;
  readonly text: string;
  /** Place of the step it teaches; null for anything else. */
  readonly step: number | null;
}

/** What is taught while a cue runs. */
export interface Lesson {
  /** True up to the end of the first bout of an exercise: its steps are shown, and said in turn. */
  readonly first: boolean;
  /** Steps that were said before this cue. */
  readonly stepsBefore: number;
  readonly spoken: readonly Spoken[];
  /** What a later bout brings: a fault, the breath, or where it should not be felt; empty elsewhere. */
  readonly reminder: string;
}

const NOTHING: Lesson = { first: false, stepsBefore: 0, spoken: [], reminder: '' };

/** Kinds of cues in which there is room to teach: the body is on its way, or at work. */
const ROOM: readonly Cue['kind'][] = ['position', 'set-up', 'entry', 'hold', 'repetitions', 'roll', 'breaths'];

const timed = (what: string) => (cue: Cue) => [`${what}, ${cue.seconds} seconds.`];
const sideOf = (cue: Cue, e: Exercise): string[] => {
  const side = cue.side ?? cue.alternatesFrom;
  return side === null ? [] : [sideInWords(e, side)];
};

/** A hold is said in what it is counted in. */
function holding(cue: Cue, e: Exercise): string[] {
  if (cue.says.code === 'stage') return [`${cue.says.args.name}.`];
  const breaths = breathsIn(cue.seconds, e);
  return breaths === null ? timed('Hold')(cue) : [`Hold for ${breaths} breaths.`];
}

/** What a cue itself says, the most important first. */
const OWN: Readonly<Record<Cue['kind'], (cue: Cue, e: Exercise, at: ClientPlace | null) => string[]>> = {
  'warm-up': () => ['Warm up. Easy movement.'],
  position: (cue, e) => [`${e.name}.`, ...sideOf(cue, e)],
  prop: (cue, e, at) => [cueWords(cue, e, at)],
  'set-up': () => [],
  entry: (_, e) => [kindOf(e.technique).begin],
  check: (_, e) => ['Without your hands first.', e.check ?? ''],
  hold: holding,
  push: (_, e) => [pushAgainst(e) ?? 'Push against what does not move.', 'Keep breathing.'],
  'let go': () => ['Let go.'],
  switch: (cue, e) => ['Other side.', ...sideOf(cue, e)],
  repetitions: (cue, e) => [...sideOf(cue, e), 'Slow repetitions.'],
  roll: timed('Roll'),
  breaths: () => ['Slow breaths.'],
  exit: () => ['Slowly out.'],
  rest: timed('Rest'),
  loosen: (cue, e, at) => [cueWords(cue, e, at)],
};

/** Seconds of a cue in which something can be said: the last ones of work are counted. */
function room(cue: Cue): number {
  return cue.seconds - (isWork(cue) ? LAST_SECONDS : 0);
}

/** Sentences one after the other, each shortened to what is left, and left out where nothing of it fits. */
function inTurn(sentences: readonly string[], seconds: number): Spoken[] {
  const out: Spoken[] = [];
  let at = 0;
  for (const sentence of sentences) {
    const text = fittedTo(sentence, seconds - at);
    if (text === '') continue;
    out.push({ at, text, step: null });
    at += speechSeconds(text);
  }
  return out;
}

const endOf = (spoken: readonly Spoken[]): number => {
  const last = spoken.at(-1);
  return last ? last.at + speechSeconds(last.text) : 0;
};

/** The steps that fit behind what a cue says itself, in order, none left out on the way. */
function stepsIn(cue: Cue, own: readonly Spoken[], steps: readonly string[], from: number): Spoken[] {
  if (!ROOM.includes(cue.kind)) return [];
  const out: Spoken[] = [];
  let at = endOf(own);
  for (let step = from; step < steps.length; step++) {
    const text = steps[step]!;
    if (at + speechSeconds(text) > room(cue)) break;
    out.push({ at, text, step });
    at += speechSeconds(text);
  }
  return out;
}

/** What the later bouts of an exercise bring, in turn: a fault, the breath, where it should not be felt, the next fault. */
function reminders(e: Exercise): string[] {
  const [first, ...more] = e.faults.map((f) => `Watch for this: ${f.charAt(0).toLowerCase()}${f.slice(1)}.`);
  return [first ?? '', e.breath, `Ease off or stop if you feel it ${e.notFelt}.`, ...more].filter((t) => t !== '');
}

/** Bouts of an item that have ended before a cue. */
function boutsBefore(cues: readonly Cue[], place: number): number {
  const { item } = cues[place]!;
  return cues.slice(0, place).filter((c) => c.item === item && c.ends).length;
}

/** Where the first bout of an item begins to be taught and where it ends. */
function firstBout(cues: readonly Cue[], item: number): { readonly from: number; readonly to: number } {
  const from = cues.findIndex((c) => c.item === item);
  const ended = cues.findIndex((c, i) => i > from && c.item === item && c.ends);
  return { from, to: ended === -1 ? from : ended };
}

/**
 * What the player teaches while a cue runs (domain 2.7): every step at the first bout of an exercise, in turn, and at each later bout one
 * fault, the breath, or where it should not be felt. No sentence is longer than the time there is for it.
 * @param place of the cue
 * @param exercise how the item is done now; null for a cue without an item
 * @param at where it is done; null where nothing is known of it
 */
export function lessonOf(
  cues: readonly Cue[],
  place: number,
  exercise: Exercise | null,
  at: ClientPlace | null = null,
): Lesson {
  const cue = cues[place];
  if (!cue) return NOTHING;
  if (!exercise || cue.item === null)
    return { ...NOTHING, spoken: inTurn(cue.kind === 'warm-up' ? ['Warm up. Easy movement.'] : [], cue.seconds) };
  const { from, to } = firstBout(cues, cue.item);
  if (place > to) {
    const own = inTurn(OWN[cue.kind](cue, exercise, at), cue.seconds);
    const all = reminders(exercise);
    const reminder = isWork(cue) && all.length > 0 ? all[(boutsBefore(cues, place) - 1) % all.length]! : '';
    const fits = reminder !== '' && endOf(own) + speechSeconds(reminder) <= room(cue);
    const spoken = fits ? [...own, { at: endOf(own), text: reminder, step: null }] : own;
    return { first: false, stepsBefore: exercise.steps.length, spoken, reminder };
  }
  let said = 0;
  for (let i = from; ; i++) {
    const here = cues[i]!;
    const own = inTurn(OWN[here.kind](here, exercise, at), here.seconds);
    const steps = stepsIn(here, own, exercise.steps, said);
    if (i === place) return { first: true, stepsBefore: said, spoken: [...own, ...steps], reminder: '' };
    said += steps.length;
  }
}

/** The step that is being taught some seconds into a cue; null where no steps are taught. */
export function taughtStep(lesson: Lesson, seconds: number): number | null {
  if (!lesson.first) return null;
  const now = lesson.spoken.filter((s) => s.step !== null && s.at <= seconds + 1e-9).at(-1);
  return now?.step ?? (lesson.stepsBefore > 0 ? lesson.stepsBefore - 1 : null);
}

/** Steps for paper, where a figure shows how one begins: the last three, in which the stretch itself is. */
export function paperSteps({ steps }: Pick<Exercise, 'steps'>): readonly string[] {
  return steps.slice(-3);
}

/** A phase in one short sentence, for a screen reader: "Hold, left, 30 seconds". */
export function phaseWords(cue: Cue, exercise: Exercise | null): string {
  const what = cue.kind === 'position' && exercise ? exercise.name : CUE_HEADLINE[cue.kind];
  const side = cue.side === null ? '' : `, ${cue.side}`;
  return `${what}${side}, ${cue.seconds} seconds`;
}
