import type { Cue, CueKind, Exercise } from '@yandle/core';

/** What is written large for a kind of cue. */
export const HEADLINE: Readonly<Record<CueKind, string>> = {
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

/** What the voice says when a cue begins: short, and what to do first. */
export function spokenCue(cue: Cue, exercise: Exercise | null): string {
  const side = cue.side ? `${cue.side} side. ` : '';
  switch (cue.kind) {
    case 'warm-up':
      return 'Warm up. Easy movement.';
    case 'position':
      return `${exercise?.name ?? ''}. ${side}${exercise?.steps[0] ?? ''}`;
    case 'prop':
    case 'set-up':
    case 'entry':
      return cue.kind === 'prop' ? cue.text : '';
    case 'check':
      return 'Without hands first.';
    case 'hold':
      return `Hold, ${cue.seconds} seconds.`;
    case 'push':
      return 'Push.';
    case 'let go':
      return 'Let go.';
    case 'switch':
      return `Other side. ${side}`;
    case 'repetitions':
      return `${side}Slow repetitions.`;
    case 'roll':
      return `Roll, ${cue.seconds} seconds.`;
    case 'breaths':
      return 'Slow breaths.';
    case 'exit':
      return 'Slowly out.';
    case 'rest':
      return `Rest, ${cue.seconds} seconds.`;
  }
}
