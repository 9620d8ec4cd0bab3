import { PUSH_AGAINST } from '../catalogue/forms.js';
import type { Exercise } from '../catalogue/exercise.js';
import { boutDose } from '../dose/dose.js';
import { ASSISTANCE_WORDS, type Bout } from '../styles/prescription.js';
import { loadWords } from '../words/prescription.js';
import { beatSeconds, beatsOf, type Beat } from './beats.js';
import type { CueKind } from './cue.js';
import type { Timings } from './timings.js';

/** A stretch of seconds inside one bout. */
export interface BoutSegment {
  readonly kind: CueKind;
  readonly seconds: number;
  /** Seconds it is logged for; null where nothing is logged. */
  readonly counts: number | null;
  /** True where the log is written: at the end of a set, of a cycle, or of the last stage. */
  readonly ends: boolean;
  readonly beats: readonly Beat[];
  readonly text: string;
}

/** What of an exercise says how its bouts are cut up. */
export type BoutExercise = Pick<Exercise, 'id' | 'stages' | 'technique'>;

function helpWords(b: Bout): string {
  const help = b.assistance === undefined ? '' : ` With ${ASSISTANCE_WORDS[b.assistance]}.`;
  const load = loadWords(b);
  return `${help}${load ? ` Load ${load}.` : ''}`;
}

const plain = (kind: CueKind, seconds: number, text: string, counts: number | null = null): BoutSegment => ({
  kind,
  seconds,
  counts,
  ends: counts !== null,
  beats: [],
  text,
});

/**
 * Seconds of the stages of a hold: each its share in whole seconds, rounded down, the last one the rest, so that their sum is the hold.
 * One stage of the whole hold when the exercise has none, or when a stage would be too short to be felt.
 */
export function stageSeconds(hold: number, stages: Exercise['stages']): number[] {
  if (stages.length < 2) return [hold];
  const whole = stages.reduce((sum, s) => sum + s.share, 0);
  const first = stages.slice(0, -1).map((s) => Math.floor((hold * s.share) / whole + 1e-9));
  return [...first, hold - first.reduce((a, b) => a + b, 0)];
}

function hold(b: Bout, exercise: BoutExercise, text: string): BoutSegment[] {
  // Stages belong to the exercise as it is held by itself; the first is a check without hands.
  if (exercise.stages.length < 2 || b.technique !== exercise.technique)
    return [plain('hold', b.holdSeconds, text, b.holdSeconds)];
  const seconds = stageSeconds(b.holdSeconds, exercise.stages);
  return exercise.stages.map((stage, i) => ({
    ...plain(i === 0 ? 'check' : 'hold', seconds[i]!, `${stage.name}${i === 0 ? '' : '.'}`, seconds[i]),
    ends: i === exercise.stages.length - 1,
  }));
}

function repeated(kind: CueKind, b: Bout, t: Timings, text: string, turns = 1): BoutSegment[] {
  const beats = beatsOf(b, t);
  const counts = beats.reduce((sum, x) => sum + (x.counts ? x.seconds : 0), 0);
  const reps = b.reps ?? 0;
  return [{ kind, seconds: turns * reps * beatSeconds(beats), counts: reps * counts, ends: true, beats, text }];
}

function work(b: Bout, exercise: BoutExercise, t: Timings, turns: number): BoutSegment[] {
  const reps = b.reps ?? 0;
  const each = turns > 1 ? ' a side, left and right in turn' : '';
  switch (b.technique) {
    case 'static hold':
      return hold(b, exercise, 'Hold and breathe.');
    case 'loaded isometric':
      return [plain('hold', b.holdSeconds, `Hold the end of the stretch.${helpWords(b)}`, boutDose(b))];
    case 'contract-relax':
      return Array.from({ length: b.cycles ?? 1 }, (): BoutSegment[] => [
        plain(
          'push',
          b.pushSeconds ?? 0,
          `${PUSH_AGAINST[exercise.id] ?? 'Push against what does not move.'} ${b.effort} % of your strength, breathing on.`,
        ),
        plain('let go', t.letGo, 'Let go, breathe out.'),
        plain('hold', b.holdSeconds, 'A little further, and stay.', b.holdSeconds),
      ]).flat();
    case 'loaded eccentric':
      return repeated(
        'repetitions',
        b,
        t,
        `${reps} repetitions${each}: ${b.lowerSeconds} s down, ${b.holdSeconds} s at the end, back with help.${helpWords(b)}`,
        turns,
      );
    case 'moving stretch':
      return repeated(
        'repetitions',
        b,
        t,
        `${reps} slow repetitions${each}, ${b.holdSeconds} s at the end of each. No bouncing.`,
        turns,
      );
    case 'rolling':
      return [plain('roll', b.holdSeconds, 'Roll slowly, 2-4 s a pass; never over bone.', b.holdSeconds)];
    case 'breathing':
      return repeated('breaths', b, t, `${reps} slow breaths.`, turns);
    default:
      return repeated('repetitions', b, t, `${reps} slow repetitions${each}.`, turns);
  }
}

/**
 * One bout from entry to exit (domain 2.7).
 * @param turns 2 when left and right take turns inside the bout, repetition by repetition
 */
export function boutSegments(b: Bout, exercise: BoutExercise, t: Timings, turns = 1): BoutSegment[] {
  return [
    plain('entry', t.entry, 'Go to the first clear pull.'),
    ...work(b, exercise, t, turns),
    plain('exit', t.exit, 'Come out slowly, shake out, notice.'),
  ].filter((s) => s.seconds > 0);
}

/** Seconds of one bout from entry to exit, without making its cues. */
export function boutSeconds(b: Bout, t: Timings, turns = 1): number {
  const inner =
    b.technique === 'contract-relax'
      ? (b.cycles ?? 1) * ((b.pushSeconds ?? 0) + t.letGo + b.holdSeconds)
      : b.reps !== undefined && beatSeconds(beatsOf(b, t)) > 0
        ? turns * b.reps * beatSeconds(beatsOf(b, t))
        : b.holdSeconds;
  return t.entry + inner + t.exit;
}
