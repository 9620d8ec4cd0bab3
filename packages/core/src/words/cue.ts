import type { Side } from '../anatomy/side.js';
import type { Exercise } from '../catalogue/exercise.js';
import { PUSH_AGAINST } from '../catalogue/forms.js';
import type { Cue, CueKind } from '../session/cue.js';
import type { BeatKind } from '../technique/beats.js';
import type { RepetitionArgs, SupportArgs } from '../technique/segment.js';
import { ASSISTANCE_WORDS, loadWords } from './prescription.js';

/** What a beat says, in one word or two. */
export const BEAT_WORDS: Readonly<Record<BeatKind, string>> = {
  lower: 'Lower',
  pause: 'Stay',
  return: 'Back, with help',
  out: 'Out',
  back: 'Back',
  work: 'Work',
  ease: 'Ease',
  in: 'Breathe in',
  'breathe out': 'Breathe out',
};

/** What is written large for a kind of cue. */
export const CUE_HEADLINE: Readonly<Record<CueKind, string>> = {
  'warm-up': 'Warm up',
  position: 'Get into position',
  prop: 'Get ready',
  'set-up': 'Settle',
  entry: 'Ease in',
  check: 'Without hands',
  hold: 'Hold',
  push: 'Push',
  'let go': 'Let go',
  repetitions: 'Repeat slowly',
  roll: 'Roll',
  breaths: 'Breathe',
  exit: 'Come out slowly',
  rest: 'Rest',
  switch: 'Other side',
};

/** A kind of cue in a list of them. */
export const CUE_KIND_WORDS: Readonly<Record<CueKind, string>> = {
  'warm-up': 'warm-up',
  position: 'into position',
  prop: 'equipment',
  'set-up': 'settling',
  entry: 'into the stretch',
  check: 'check without hands',
  hold: 'hold',
  push: 'push',
  'let go': 'let go',
  repetitions: 'reps',
  roll: 'rolling',
  breaths: 'breathing',
  exit: 'coming out',
  rest: 'rest',
  switch: 'other side',
};

const WARM_UP =
  'Easy whole-body movement until you are warm: walk on the spot, swing your arms, bend and straighten your knees.';

function support({ assistance, ...load }: SupportArgs): string {
  const help = assistance === null ? '' : ` With ${ASSISTANCE_WORDS[assistance]}.`;
  const kilos = loadWords(load);
  return `${help}${kilos ? ` Load ${kilos}.` : ''}`;
}

function repetitions({ reps, inTurn }: RepetitionArgs, slow = ''): string {
  return `${reps} ${slow}repetitions${inTurn ? ' per side, left and right alternating' : ''}`;
}

function otherSide(side: Side | null): string {
  return `Other side: ${side}.`;
}

function sideFirst(cue: Cue): string {
  if (cue.alternatesFrom) return `${cue.alternatesFrom === 'left' ? 'Left' : 'Right'} first, alternating. `;
  return cue.side === null ? '' : cue.side === 'left' ? 'Left side. ' : 'Right side. ';
}

function workOf({ says }: Cue, exercise: Exercise): string {
  switch (says.code) {
    case 'enter':
      return 'Go to the first clear pull.';
    case 'hold':
      return 'Hold and breathe.';
    case 'safety-check':
      return says.args.name;
    case 'stage':
      return `${says.args.name}.`;
    case 'hold-loaded':
      return `Hold the end of the stretch.${support(says.args)}`;
    case 'push':
      return `${PUSH_AGAINST[exercise.id] ?? 'Push against what does not move.'} Use ${says.args.effort}% of your strength. Keep breathing.`;
    case 'let-go':
      return 'Let go, breathe out.';
    case 'deeper':
      return 'A little further, and stay.';
    case 'lower':
      return `${repetitions(says.args)}: ${says.args.lowerSeconds} s down, ${says.args.pauseSeconds} s at the end, back with help.${support(says.args)}`;
    case 'move':
      return `${repetitions(says.args, 'slow ')}, ${says.args.pauseSeconds} s at the end of each. No bouncing.`;
    case 'roll':
      return 'Roll slowly, 2-4 s a pass; never over bone.';
    case 'breathe':
      return `${says.args.breaths} slow breaths.`;
    case 'repeat':
      return `${repetitions(says.args, 'slow ')}.`;
    default:
      return '';
  }
}

/**
 * What a cue says to the client.
 * @param exercise how the item is done now; null for a cue without an item
 */
export function cueWords(cue: Cue, exercise: Exercise | null): string {
  const { says } = cue;
  if (says.code === 'warm-up') return WARM_UP;
  if (says.code === 'rest') return 'Rest.';
  if (says.code === 'leave') return 'Come out slowly, shake out, notice.';
  if (says.code === 'fetch') return `You need: ${says.args.props.join(', ')}.`;
  if (says.code === 'switch') return otherSide(says.args.side);
  if (!exercise) return '';
  if (says.code === 'position') return `${exercise.name}. ${exercise.steps[0]}`;
  if (says.code === 'settle') return exercise.steps[1] ?? 'Get settled.';
  return `${sideFirst(cue)}${workOf(cue, exercise)}`;
}

const timed = (what: string) => (cue: Cue) => `${what}, ${cue.seconds} seconds.`;
const sideOf = (cue: Cue): string => (cue.side ? `${cue.side} side. ` : '');

/** What the voice says when a cue begins: short, and what to do first; empty where it keeps quiet. */
const SPOKEN: Readonly<Record<CueKind, (cue: Cue, exercise: Exercise | null) => string>> = {
  'warm-up': () => 'Warm up. Easy movement.',
  position: (cue, e) => `${e?.name ?? ''}. ${sideOf(cue)}${e?.steps[0] ?? ''}`,
  prop: cueWords,
  'set-up': () => '',
  entry: () => '',
  check: () => 'Without hands first.',
  hold: timed('Hold'),
  push: () => 'Push.',
  'let go': () => 'Let go.',
  switch: (cue) => `Other side. ${sideOf(cue)}`,
  repetitions: (cue) => `${sideOf(cue)}Slow repetitions.`,
  roll: timed('Roll'),
  breaths: () => 'Slow breaths.',
  exit: () => 'Slowly out.',
  rest: timed('Rest'),
};

/** What the voice says when a cue begins. */
export function spokenCue(cue: Cue, exercise: Exercise | null): string {
  return SPOKEN[cue.kind](cue, exercise);
}
