import { PUSH_AGAINST } from '../catalogue/forms.js';
import type { Exercise } from '../catalogue/exercise.js';
import { boutDose } from '../dose/dose.js';
import { ASSISTANCE_WORDS, type Bout } from '../styles/prescription.js';
import { loadWords } from '../words/prescription.js';
import type { CueKind } from './cue.js';
import type { Timings } from './timings.js';

/** A stretch of seconds inside one bout. `counts` is null where nothing is logged. */
export interface BoutSegment {
  readonly kind: CueKind;
  readonly seconds: number;
  readonly counts: number | null;
  readonly text: string;
}

function helpWords(b: Bout): string {
  const help = b.assistance === undefined ? '' : ` With ${ASSISTANCE_WORDS[b.assistance]}.`;
  const load = loadWords(b);
  return `${help}${load ? ` Load ${load}.` : ''}`;
}

function work(b: Bout, exercise: Pick<Exercise, 'id'>, t: Timings): BoutSegment[] {
  const reps = b.reps ?? 0;
  const counted = boutDose(b);
  switch (b.technique) {
    case 'static hold':
      return [{ kind: 'hold', seconds: b.holdSeconds, counts: counted, text: 'Hold and breathe.' }];
    case 'loaded isometric':
      return [
        { kind: 'hold', seconds: b.holdSeconds, counts: counted, text: `Hold the end of the stretch.${helpWords(b)}` },
      ];
    case 'contract-relax':
      return Array.from({ length: b.cycles ?? 1 }, (): BoutSegment[] => [
        {
          kind: 'push',
          seconds: b.pushSeconds ?? 0,
          counts: null,
          text: `${PUSH_AGAINST[exercise.id] ?? 'Push against what does not move.'} ${b.effort} % of your strength, breathing on.`,
        },
        { kind: 'let go', seconds: t.letGo, counts: null, text: 'Let go, breathe out.' },
        { kind: 'hold', seconds: b.holdSeconds, counts: b.holdSeconds, text: 'A little further, and stay.' },
      ]).flat();
    case 'loaded eccentric':
      return [
        {
          kind: 'repetitions',
          seconds: reps * ((b.lowerSeconds ?? 0) + b.holdSeconds + t.return),
          counts: counted,
          text: `${reps} repetitions: ${b.lowerSeconds} s down, ${b.holdSeconds} s at the end, back with help.${helpWords(b)}`,
        },
      ];
    case 'moving stretch':
      return [
        {
          kind: 'repetitions',
          seconds: reps * (t.repetition + b.holdSeconds),
          counts: counted,
          text: `${reps} slow repetitions, ${b.holdSeconds} s at the end of each. No bouncing.`,
        },
      ];
    case 'release': {
      const seconds = b.holdSeconds;
      return [{ kind: 'roll', seconds, counts: seconds, text: 'Roll slowly, 2-4 s a pass; never over bone.' }];
    }
    case 'breathing': {
      const seconds = reps * t.breath;
      return [{ kind: 'breaths', seconds, counts: seconds, text: `${reps} slow breaths.` }];
    }
    default: {
      const seconds = reps * t.repetition;
      return [{ kind: 'repetitions', seconds, counts: seconds, text: `${reps} slow repetitions.` }];
    }
  }
}

/** One bout from entry to exit (domain 2.7). */
export function boutSegments(b: Bout, exercise: Pick<Exercise, 'id'>, t: Timings): BoutSegment[] {
  return [
    { kind: 'entry', seconds: t.entry, counts: null, text: 'Go to the first clear pull.' },
    ...work(b, exercise, t),
    { kind: 'exit', seconds: t.exit, counts: null, text: 'Come out slowly, shake out, notice.' },
  ];
}

/** Seconds of one bout from entry to exit, without making its cues. */
export function boutSeconds(b: Bout, t: Timings): number {
  const reps = b.reps ?? 0;
  const inner = ((): number => {
    switch (b.technique) {
      case 'contract-relax':
        return (b.cycles ?? 1) * ((b.pushSeconds ?? 0) + t.letGo + b.holdSeconds);
      case 'loaded eccentric':
        return reps * ((b.lowerSeconds ?? 0) + b.holdSeconds + t.return);
      case 'moving stretch':
        return reps * (t.repetition + b.holdSeconds);
      case 'breathing':
        return reps * t.breath;
      case 'activation':
      case 'nerve glide':
        return reps * t.repetition;
      default:
        return b.holdSeconds;
    }
  })();
  return t.entry + inner + t.exit;
}
