import { describe, expect, it } from 'vitest';
import { EXERCISES, exerciseById } from '../catalogue/exercises.js';
import { type SessionItem } from '../session/item.js';
import { buildTimeline } from '../session/timeline.js';
import { sideInWords } from './side.js';
import { fittedTo, speechSeconds } from './speech.js';
import { lessonOf, taughtStep } from './teaching.js';

const item = (exerciseId: string, over: Partial<SessionItem> = {}): SessionItem => {
  const e = exerciseById(exerciseId);
  const amount = e.amount.unit === 'seconds' ? { holdSeconds: 30 } : { holdSeconds: 2, reps: 6, lowerSeconds: 3 };
  return {
    exerciseId,
    sets: 2,
    sensation: 5,
    firstSide: 'left',
    cycles: 2,
    pushSeconds: 6,
    effort: 30,
    ...amount,
    ...over,
  };
};
const taught = (i: SessionItem) => {
  const { cues } = buildTimeline([i], { alreadyWarm: true });
  return cues.map((cue, place) => ({ cue, lesson: lessonOf(cues, place, exerciseById(i.exerciseId)) }));
};

describe('how long a sentence takes', () => {
  it('is about 140 words a minute', () => {
    // 140 words at 2.3 a second are 60.9 s.
    expect(speechSeconds(Array(140).fill('word').join(' '))).toBeCloseTo(61.2, 1);
    expect(speechSeconds('')).toBe(0);
  });

  it('is shortened where a clause ends, never in the middle of one', () => {
    const text = 'Left: the left leg is the back one; its calf is stretched.';
    expect(fittedTo(text, 60)).toBe(text);
    expect(fittedTo(text, 4)).toBe('Left: the left leg is the back one.');
    expect(fittedTo(text, 0.2)).toBe('');
  });
});

describe('the side in words', () => {
  it('names what moves and what is stretched, left and right of it filled in', () => {
    expect(sideInWords(exerciseById('chair-twist'), 'left')).toBe(
      'Left: turn to the left; the right side of the back is stretched.',
    );
    expect(sideInWords({ sideWords: '' }, 'right')).toBe('Right side.');
    expect(sideInWords({ sideWords: 'The lower arm.' }, 'right')).toBe('Right. The lower arm.');
  });

  it('is said for every exercise that is done side by side or in turn', () => {
    for (const e of EXERCISES.filter((x) => x.sides === 'each')) {
      expect(e.sideWords, e.id).toMatch(/\{side\}/);
      expect(sideInWords(e, 'left'), e.id).not.toMatch(/[{}]/);
    }
  });
});

describe('what the player teaches (domain 2.7)', () => {
  it('shows every step of every exercise, and says each in turn at its first bout, with none left out on the way', () => {
    for (const e of EXERCISES) {
      const said = taught(item(e.id)).flatMap(({ lesson }) =>
        lesson.spoken.flatMap((s) => (s.step === null ? [] : [[s.step, s.text] as const])),
      );
      expect(said, e.id).toEqual(e.steps.map((text, i) => [i, text]));
    }
  });

  it('never says more than there is time for, and leaves the last seconds of work to be counted', () => {
    for (const e of EXERCISES)
      for (const { cue, lesson } of taught(item(e.id, { holdSeconds: 15 }))) {
        let before = 0;
        for (const s of lesson.spoken) {
          expect(s.at, `${e.id} ${cue.kind}`).toBeGreaterThanOrEqual(before - 1e-9);
          before = s.at + speechSeconds(s.text);
        }
        const counted = cue.bout !== null && lesson.spoken.length > 1 ? 5 : 0;
        expect(before, `${e.id} ${cue.kind}: ${lesson.spoken.map((s) => s.text).join(' ')}`).toBeLessThanOrEqual(
          cue.seconds - counted + 1e-9,
        );
      }
  });

  it('brings one fault, the breath, or where it should not be felt at each later bout', () => {
    const e = exerciseById('bent-knee-wall-calf');
    const later = taught(item(e.id, { sets: 3 })).flatMap(({ lesson }) => (lesson.reminder ? [lesson.reminder] : []));
    expect(later).toEqual([
      'Watch for this: heel lifting.',
      e.breath,
      `Ease off or stop if you feel it ${e.notFelt}.`,
      'Watch for this: knee falling inside the big toe.',
      'Watch for this: toes turned out.',
    ]);
  });

  it('follows the steps on the screen as they are said', () => {
    const all = taught(item('chair-twist'));
    const way = all.find(({ cue }) => cue.kind === 'position')!;
    expect(taughtStep(way.lesson, 0)).toBe(null);
    const [first, second] = way.lesson.spoken.filter((s) => s.step !== null);
    expect(taughtStep(way.lesson, first!.at)).toBe(0);
    expect(taughtStep(way.lesson, second!.at + 0.1)).toBe(1);
    const hold = all.find(({ cue }) => cue.kind === 'hold')!;
    expect(taughtStep(hold.lesson, 29)).toBe(exerciseById('chair-twist').steps.length - 1);
  });

  it('says what is pushed against, and the number of the bout is never a step’s', () => {
    const push = taught(item('edge-hip-flexor', { technique: 'contract-relax', holdSeconds: 15 })).find(
      ({ cue }) => cue.kind === 'push',
    )!;
    expect(push.lesson.spoken[0]!.text).toMatch(/^Lift the hanging thigh a finger’s breadth/);
    for (const e of EXERCISES)
      for (const s of e.steps) expect(s, e.id).not.toMatch(/\d|\b(two|three|six|fifteen) seconds\b/);
  });
});
