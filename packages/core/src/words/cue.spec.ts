import { describe, expect, it } from 'vitest';
import { EXERCISES, exerciseById } from '../catalogue/exercises.js';
import type { SessionItem } from '../session/item.js';
import { buildTimeline } from '../session/timeline.js';
import { kindOf, TECHNIQUES, unitOf, type Technique } from '../technique/catalogue.js';
import { cueWords } from './cue.js';

const warm = { alreadyWarm: true };
const item = (exerciseId: string, over: Partial<SessionItem> = {}): SessionItem => ({
  exerciseId,
  sets: 1,
  holdSeconds: 30,
  sensation: 5,
  firstSide: 'left',
  ...over,
});
const said = (i: SessionItem): string[] =>
  buildTimeline([i], warm).cues.map((c) => cueWords(c, exerciseById(i.exerciseId)));

describe('what a cue says', () => {
  it('contract-relax: what is pushed against, how hard, and to keep breathing', () => {
    const push = item('supine-strap-hamstring', {
      technique: 'contract-relax',
      holdSeconds: 15,
      cycles: 3,
      pushSeconds: 6,
      effort: 20,
    });
    const words = said(push).find((w) => w.includes('20%'))!;
    expect(words).toBe(
      'Left: the left leg is raised; the back of its thigh is stretched. Push the heel away into the strap. Use 20% of your strength. Keep breathing.',
    );
  });

  it('loaded: help and load behind the repetitions', () => {
    const heel = item('step-heel-drop', {
      reps: 6,
      lowerSeconds: 3,
      holdSeconds: 2,
      assistance: 1,
      load: 5,
      loadUnit: 'kg',
    });
    expect(said(heel)).toContain(
      'Left: the left heel is lowered; its calf is stretched. 6 repetitions: 3 s down, 2 s at the end, then back. With light help. Load 5 kg.',
    );
  });

  it('names the equipment before it is needed, and the side it goes on with', () => {
    const words = said(item('supine-strap-hamstring'));
    expect(words).toContain('You need: strap (or a towel or a belt).');
    expect(words).toContain('Other side. Right: the right leg is raised; the back of its thigh is stretched.');
  });

  it('has words for every technique, and none of them empty or with a hole in it', () => {
    for (const technique of TECHNIQUES) {
      const e = EXERCISES.find((x) => x.technique === technique)!;
      const reps = unitOf(technique) === 'seconds' ? {} : { reps: 6 };
      const bout = { ...reps, cycles: 2, pushSeconds: 6, effort: 30, lowerSeconds: 3 };
      for (const words of said(item(e.id, bout))) {
        expect(words.trim(), technique satisfies Technique).not.toBe('');
        expect(words, technique).not.toMatch(/undefined|NaN|null/);
      }
    }
  });

  it('says nothing of help where there is none, and never that one is helped back', () => {
    const hinge = said(
      item('weighted-hinge', { reps: 6, lowerSeconds: 3, holdSeconds: 2, assistance: 0, load: 4, loadUnit: 'kg' }),
    );
    expect(hinge).toContain('6 repetitions: 3 s down, 2 s at the end, then back. Load 4 kg.');
    expect(hinge.join(' ')).not.toMatch(/help/);
  });

  it('goes into a bout as its technique is begun: no clear pull where nothing is stretched', () => {
    for (const e of EXERCISES.filter((x) => !kindOf(x.technique).stretches))
      expect(said(item(e.id, { reps: 6 })).join(' '), e.id).not.toMatch(/clear pull/);
    expect(said(item('chair-twist')).join(' ')).toMatch(/clear pull/);
  });

  it('comes out of the neck to the middle, without a shake; a roller lies across the spine where it is meant to', () => {
    expect(said(item('seated-ear-to-shoulder')).at(-1)).toBe('Come back to the middle, rest.');
    expect(said(item('roller-upper-back')).join(' ')).not.toMatch(/never over bone/);
    expect(said(item('calf-roll')).join(' ')).toMatch(/never over bone/);
  });
});
