import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { MUSCLE_GROUP_IDS, type MuscleGroupId } from '../../anatomy/muscle-group.js';
import { STYLES } from '../../styles/index.js';
import type { Exercise } from '../exercise.js';
import { EXERCISES } from '../exercises.js';
import { pushAgainst } from '../forms.js';
import { EVERYDAY_PROPS } from '../props.js';
import type { Position } from '../rom-test.js';
import { KINDS, WHY_NO_BED, WHY_NONE, type Kind } from './none.js';
import { exercisesOfKind } from './holdings.js';
import { libraryDocument } from './document.fixture.js';

const NECK: readonly MuscleGroupId[] = ['upper-trapezius', 'neck-side', 'neck-front', 'neck-back'];
const own = (group: MuscleGroupId) => EXERCISES.filter((e) => e.primary === group && !e.warmUp);
const holds = (group: MuscleGroupId) => own(group).filter((e) => e.technique === 'static hold');
const isIn = (e: Exercise, ...at: readonly Position[]) => [e.position, ...(e.alsoIn ?? [])].some((p) => at.includes(p));
const bare = (e: Exercise) => e.props.every((p) => EVERYDAY_PROPS.includes(p));
const has = (list: readonly Exercise[], of: string) => expect(list.length, of).toBeGreaterThan(0);

/** Issue "A library that carries every style, place and body", 1, and 9-library D1: the words of the design, counted anew here. */
describe.each(MUSCLE_GROUP_IDS)('the library for %s', (group) => {
  it('has two easy holds, one of them without things, standing or on a chair', () => {
    const easy = holds(group).filter((e) => e.difficulty === 1);
    expect(easy.length).toBeGreaterThanOrEqual(2);
    has(easy.filter(bare), 'without things');
    has(
      holds(group).filter((e) => isIn(e, 'standing', 'sitting on a chair')),
      'standing or on a chair',
    );
  });
  it('has a push where something can be pushed against: everywhere but at the neck', () => {
    const pushed = own(group).filter(
      (e) => e.technique === 'contract-relax' || (e.technique === 'static hold' && pushAgainst(e) !== null),
    );
    if (NECK.includes(group)) expect(pushed).toEqual([]);
    else has(pushed, group);
  });
  it('has an activation of the group or its opposite', () => {
    const active = EXERCISES.filter(
      (e) =>
        ['activation', 'activation hold'].includes(e.technique) && (e.primary === group || e.opens?.includes(group)),
    );
    // D1: nothing for the side of the neck.
    if (group === 'neck-side') expect(active).toEqual([]);
    else has(active, group);
  });
  it('says why where it has nothing of a kind, and has something where it says nothing', () => {
    for (const kind of KINDS) {
      const list = exercisesOfKind(group, kind);
      const why = WHY_NONE[group]?.[kind];
      if (list.length === 0) expect(why, `${kind}: neither an exercise nor a reason`).toBeDefined();
      else expect(why, `${kind}: a reason beside ${list.length} exercises`).toBeUndefined();
    }
  });
  it('has a hold for who lies on a firm bed, or says why not', () => {
    const lying = holds(group).filter((e) => e.bed && isIn(e, 'supine', 'side-lying', 'prone'));
    if (lying.length === 0) expect(WHY_NO_BED[group], 'neither a hold nor a reason').toBeDefined();
    else expect(WHY_NO_BED[group], `a reason beside ${lying.map((e) => e.id).join()}`).toBeUndefined();
  });
});

describe('the library', () => {
  // Standing and sitting both, for who only stands or only sits.
  it.each<MuscleGroupId>([
    ...(['gluteals', 'deep-hip-rotators', 'adductors', 'low-back', 'abdominals', 'thoracic-rotators'] as const),
    ...(['lateral-trunk', ...NECK] as const),
  ])('has a standing and a chair form of %s', (group) => {
    has(
      holds(group).filter((e) => isIn(e, 'standing')),
      'standing',
    );
    has(
      holds(group).filter((e) => isIn(e, 'sitting on a chair')),
      'sitting',
    );
  });

  // D1: the groups with "bed" in their static column.
  it.each<MuscleGroupId>([
    ...(['hamstrings', 'quadriceps', 'hip-flexors', 'adductors', 'gluteals', 'deep-hip-rotators'] as const),
    ...(['lateral-hip', 'low-back', 'abdominals', 'lateral-trunk', 'thoracic-rotators', 'lats', 'pectorals'] as const),
    ...(['posterior-shoulder', 'shoulder-rotators', 'elbow-flexors', 'neck-side', 'neck-front', 'neck-back'] as const),
  ])('has a bed form of %s', (group) => {
    has(
      holds(group).filter((e) => e.bed),
      'on a bed',
    );
  });

  // D1: the column "moving", without what only warms up.
  it.each<MuscleGroupId>([
    ...(['soleus', 'hamstrings', 'adductors', 'deep-hip-rotators', 'low-back', 'upper-back'] as const),
    ...(['thoracic-rotators', 'anterior-shoulder', 'neck-side', 'neck-back'] as const),
  ])('moves %s by movements of its own', (group) => {
    has(
      own(group).filter((e) => e.technique === 'moving stretch'),
      group,
    );
  });

  // D1: the column "release".
  it.each<MuscleGroupId>([
    ...(['plantar-foot', 'calf', 'shin', 'hamstrings', 'quadriceps', 'adductors', 'gluteals'] as const),
    ...(['deep-hip-rotators', 'lateral-hip', 'upper-back', 'pectorals', 'posterior-shoulder'] as const),
    ...(['forearm-flexors', 'forearm-extensors', 'upper-trapezius'] as const),
  ])('rolls %s', (group) => {
    has(
      own(group).filter((e) => e.technique === 'rolling'),
      group,
    );
  });

  it('loads fourteen groups and more at their length, those of the issue among them, each with where to begin', () => {
    const loaded = EXERCISES.filter((e) => e.technique.startsWith('loaded'));
    const groups = new Set(loaded.map((e) => e.primary));
    expect(groups.size).toBeGreaterThanOrEqual(14);
    for (const g of [
      ...(['hip-flexors', 'adductors', 'gluteals', 'lateral-hip', 'pectorals', 'lats', 'shoulder-rotators'] as const),
      ...(['triceps', 'elbow-flexors', 'forearm-flexors', 'forearm-extensors', 'lateral-trunk'] as const),
    ])
      expect(groups, g).toContain(g);
    for (const e of loaded) {
      expect(
        e.startLoad?.every((s) => s.length > 3),
        e.id,
      ).toBe(true);
      // Help, and how to come back: the way back is never under the full load alone.
      if (e.technique === 'loaded eccentric')
        expect(e.steps.join(' '), e.id).toMatch(/back|again|up with|lift it|help/i);
    }
  });

  it('names what stands in for a rope, band, block, towel, weight and sofa', () => {
    for (const thing of ['rope', 'band', 'block', 'towel', 'weight', 'sofa'] as const) {
      const needing = EXERCISES.filter((e) => e.props[0] === thing);
      has(needing, thing);
      for (const e of needing) expect(e.substitute, e.id).not.toBe('');
    }
  });

  it('breathes lying, sitting and standing, and with a long breath out', () => {
    const breathing = EXERCISES.filter((e) => e.technique === 'breathing');
    expect(breathing.length).toBeGreaterThanOrEqual(4);
    for (const p of ['supine', 'sitting on a chair', 'standing'] as const)
      has(
        breathing.filter((e) => isIn(e, p)),
        p,
      );
    has(
      breathing.filter((e) => typeof e.pace === 'object' && 'in' in e.pace && e.pace.out >= 2 * e.pace.in),
      'long breath out',
    );
  });

  it('warms up standing, on a chair, on the floor and in bed', () => {
    const warm = EXERCISES.filter((e) => e.warmUp && bare(e));
    for (const p of ['standing', 'sitting on a chair', 'all fours'] as const)
      expect(warm.filter((e) => isIn(e, p)).length, p).toBeGreaterThanOrEqual(1);
    expect(warm.filter((e) => isIn(e, 'supine') && e.bed).length).toBeGreaterThanOrEqual(3);
  });

  it('uses rope, band, block, towel, weight and sofa, and says what stands in where one thing is special', () => {
    for (const p of ['rope', 'band', 'block', 'towel', 'weight', 'sofa', 'strap', 'step', 'stick'] as const)
      has(
        EXERCISES.filter((e) => e.props.includes(p)),
        p,
      );
    const special = (['rope', 'block', 'weight', 'sofa', 'strap', 'stick'] as const).map((p) =>
      EXERCISES.filter((e) => e.props.includes(p)),
    );
    for (const list of special)
      has(
        list.filter((e) => e.substitute !== ''),
        'a substitute',
      );
  });

  it('has about 240 exercises, each with its figure', () => {
    expect(EXERCISES.length).toBeGreaterThanOrEqual(236);
    expect(EXERCISES.every((e) => e.figure !== null)).toBe(true);
  });

  it('gives release, lengthen, activate all three parts for fifteen groups and more', () => {
    const three = MUSCLE_GROUP_IDS.filter((g) =>
      (['release', 'static', 'activation'] satisfies Kind[]).every((k) => exercisesOfKind(g, k).length > 0),
    );
    expect(three.length).toBeGreaterThanOrEqual(15);
    expect(STYLES.some((s) => s.id === 'release-lengthen-activate')).toBe(true);
  });
});

describe('docs/library.md', () => {
  it('is what the catalogue says; npm run docs:library writes it', () => {
    const plain = (text: string) =>
      text
        .replace(/[\s\\*_]+/g, ' ')
        .replace(/-{3,}/g, '---')
        .trim();
    const there = readFileSync(new URL('../../../../../docs/library.md', import.meta.url), 'utf8');
    expect(plain(there)).toBe(plain(libraryDocument()));
  }, 60_000);
});
