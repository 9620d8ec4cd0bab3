import { muscleGroupRegion } from '../anatomy/muscle-group.js';
import { breathsIn, inBreaths } from '../catalogue/amount.js';
import type { Exercise } from '../catalogue/exercise.js';
import { pushAgainst } from '../catalogue/forms.js';
import type { ClientPlace } from '../screening/place.js';
import type { Cue, CueKind } from '../session/cue.js';
import type { BeatKind } from '../technique/beats.js';
import type { RepetitionArgs, SupportArgs } from '../technique/segment.js';
import { kindOf } from '../technique/catalogue.js';
import { ASSISTANCE_WORDS, loadWords } from './prescription.js';
import { thingWords } from './place.js';
import { counted } from './plural.js';
import { sideInWords } from './side.js';

/** What a beat says, in one word or two. */
export const BEAT_WORDS: Readonly<Record<BeatKind, string>> = {
  lower: 'Lower',
  pause: 'Stay',
  return: 'Back',
  out: 'Out',
  back: 'Back',
  work: 'Work',
  ease: 'Ease',
  in: 'Breathe in',
  keep: 'Hold the breath gently',
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
  loosen: 'Loosen up',
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
  loosen: 'loosening',
};

const WARM_UP = 'Easy movement until you are warm, small at first.';

function support({ assistance, ...load }: SupportArgs): string {
  const help = assistance ? ` With ${ASSISTANCE_WORDS[assistance]}.` : '';
  const kilos = loadWords(load);
  return `${help}${kilos ? ` Load ${kilos}.` : ''}`;
}

function repetitions({ reps, trips, inTurn }: RepetitionArgs, slow = ''): string {
  return `${reps} ${slow}${trips ? (reps === 1 ? 'trip there and back' : 'trips there and back') : 'repetitions'}${inTurn ? ' per side, left and right alternating' : ''}`;
}

/** The side of a cue and what it means, with a space behind; of sides in turn the one that begins. */
function sideOf(cue: Cue, exercise: Exercise): string {
  if (cue.alternatesFrom) return `In turn. ${sideInWords(exercise, cue.alternatesFrom)} `;
  return cue.side === null ? '' : `${sideInWords(exercise, cue.side)} `;
}

/** How one comes out: the neck comes back to the middle, all else may be shaken out. */
function leaving({ primary }: Exercise): string {
  return muscleGroupRegion(primary) === 'neck'
    ? 'Come back to the middle, rest.'
    : 'Come out slowly, shake out, notice.';
}

/** How fast to roll, and where not: a roller that lies across the spine is meant to. */
function rolling(exercise: Exercise): string {
  const where = exercise.demands.includes('spine-pressed') ? 'stay off the neck and the low back' : 'never over bone';
  return `Roll slowly, 2-4 s a pass; ${where}.`;
}

function workOf({ says, seconds }: Cue, exercise: Exercise): string {
  switch (says.code) {
    case 'enter':
      return kindOf(exercise.technique).begin;
    case 'hold':
      return inBreaths(exercise) ? `Hold for ${breathsIn(seconds, exercise)} breaths.` : 'Hold and breathe.';
    case 'hold-breaths':
      return `Hold for ${counted(says.args.breaths, 'breath')}.`;
    case 'safety-check':
      return says.args.name;
    case 'stage':
      return `${says.args.name}.`;
    case 'hold-loaded':
      return `Hold the end of the stretch.${support(says.args)}`;
    case 'push':
      return `${pushAgainst(exercise) ?? 'Push against what does not move.'} Use ${says.args.effort}% of your strength. Keep breathing.`;
    case 'let-go':
      return 'Let go, breathe out.';
    case 'deeper':
      return 'A little further, and stay.';
    case 'lower':
      return `${repetitions(says.args)}: ${says.args.lowerSeconds} s down, ${says.args.pauseSeconds} s at the end, then back.${support(says.args)}`;
    case 'move':
      return `${repetitions(says.args, 'slow ')}, ${says.args.pauseSeconds} s at the end of each. No bouncing.`;
    case 'roll':
      return rolling(exercise);
    case 'breathe':
      return `${says.args.breaths} slow breaths.`;
    case 'repeat':
      return `${repetitions(says.args, 'slow ')}.`;
    default:
      return '';
  }
}

/**
 * What a cue says to the client, beside the steps of the exercise, which the player teaches.
 * @param exercise how the item is done now; null for a cue without an item
 * @param place where it is done, for what stands in for a thing; null where nothing is known of it
 */
export function cueWords(cue: Cue, exercise: Exercise | null, place: ClientPlace | null = null): string {
  const { says } = cue;
  if (says.code === 'warm-up') return WARM_UP;
  if (says.code === 'rest') return 'Rest.';
  if (says.code === 'loosen') return `${says.args.name.replace(/\.$/, '')}.`;
  if (says.code === 'fetch') {
    const things = says.args.props.map((p) => thingWords(p, exercise ?? { substitute: '' }, place));
    return `You need: ${things.join(', ')}.`;
  }
  if (!exercise) return '';
  if (says.code === 'leave') return leaving(exercise);
  const side = sideOf(cue, exercise).trimEnd();
  if (says.code === 'position')
    return [side, exercise.bed ? 'On the floor or a firm bed.' : ''].filter(Boolean).join(' ') || 'Get into position.';
  if (says.code === 'settle') return 'Get settled.';
  if (says.code === 'switch') return `Other side. ${side}`.trimEnd();
  return [side, workOf(cue, exercise)].filter(Boolean).join(' ');
}
