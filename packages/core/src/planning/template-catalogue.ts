import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import type { BlockTemplate, TemplateLane } from './template.js';

const lane = (group: MuscleGroupId, styleId: string, over: Partial<TemplateLane> = {}): TemplateLane => ({
  group,
  styleId,
  laterStyles: [],
  fromWeek: 1,
  untilWeek: null,
  cells: [],
  firstDose: null,
  ...over,
});

const template = (
  given: Pick<BlockTemplate, 'id' | 'name' | 'summary' | 'weeks' | 'lanes'> & Partial<BlockTemplate>,
): BlockTemplate => ({ ramp: 0.2, easierEvery: 4, easierWeeks: null, lanesPerSession: 5, ...given });

/** Blocks to begin from, written by us; common practice, no source. Most important lanes first. */
export const TEMPLATES: readonly BlockTemplate[] = [
  template({
    id: 'desk-worker',
    name: 'Desk worker',
    summary:
      'Long hours of sitting: the front of hip and chest get length, the upper back moves, the neck is kept easy.',
    weeks: 8,
    lanes: [
      lane('hip-flexors', 'steady-hold'),
      lane('pectorals', 'steady-hold'),
      lane('thoracic-rotators', 'move-through'),
      lane('upper-back', 'release-lengthen-activate'),
      lane('upper-trapezius', 'upkeep'),
    ],
  }),
  template({
    id: 'runner',
    name: 'Runner',
    summary:
      'Three runs a week or more: calves and hamstrings first, hips kept moving, load once the holds are learned.',
    weeks: 8,
    lanes: [
      lane('soleus', 'steady-hold'),
      lane('calf', 'steady-hold', { laterStyles: [{ fromWeek: 5, styleId: 'loaded-range' }] }),
      lane('hamstrings', 'push-relax'),
      lane('hip-flexors', 'steady-hold'),
      lane('gluteals', 'upkeep'),
    ],
  }),
  template({
    id: 'first-toe-touch',
    name: 'First steps to toe touch',
    summary:
      'Fingers well above the floor today: hamstrings from lying down, plus calves and low back; hinge first, then reach.',
    weeks: 12,
    lanes: [
      lane('hamstrings', 'steady-hold', { laterStyles: [{ fromWeek: 9, styleId: 'push-relax' }] }),
      lane('calf', 'steady-hold'),
      lane('low-back', 'move-through'),
      lane('gluteals', 'upkeep'),
    ],
  }),
  template({
    id: 'overhead-reach',
    name: 'Overhead reach',
    summary:
      'Arms that stop short of the ears: lats and chest get length, the upper back turns and extends, then strength.',
    weeks: 8,
    lanes: [
      lane('lats', 'long-hold'),
      lane('pectorals', 'push-relax'),
      lane('upper-back', 'release-lengthen-activate'),
      lane('thoracic-rotators', 'move-through'),
      lane('shoulder-rotators', 'upkeep'),
    ],
  }),
  template({
    id: 'side-split-foundation',
    name: 'Side split foundation',
    summary:
      'Regular stretchers who want width: adductors held first, then loaded at length; hips and hamstrings support.',
    weeks: 12,
    lanes: [
      lane('adductors', 'steady-hold', { laterStyles: [{ fromWeek: 5, styleId: 'loaded-range' }] }),
      lane('hamstrings', 'push-relax'),
      lane('deep-hip-rotators', 'steady-hold'),
      lane('gluteals', 'move-through'),
    ],
  }),
  template({
    id: 'gentle-65',
    name: 'Gentle 65+',
    summary:
      'For 65 and older: few lanes, holds of 30 s and more, a slow ramp, chair and bed forms where they are needed.',
    weeks: 8,
    ramp: 0.15,
    lanesPerSession: 4,
    lanes: [
      lane('hip-flexors', 'steady-hold'),
      lane('calf', 'steady-hold'),
      lane('hamstrings', 'steady-hold'),
      lane('pectorals', 'upkeep'),
    ],
  }),
];
