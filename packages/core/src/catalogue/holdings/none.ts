import type { MuscleGroupId } from '../../anatomy/muscle-group.js';

/** What the library may have for a group, besides holds that everybody knows. */
export const KINDS = ['static', 'contract-relax', 'moving', 'activation', 'release', 'loaded'] as const;
export type Kind = (typeof KINDS)[number];

/**
 * Why the library has no hold of a group for a firm bed: words for a coach who looks for it. Common practice, no source.
 */
export const WHY_NO_BED: Readonly<Partial<Record<MuscleGroupId, string>>> = {
  'plantar-foot': 'the toes are drawn back by hand, sitting',
  soleus: 'it takes weight on a bent knee',
  shin: 'the foot is drawn back under the body or over the other knee',
  'upper-back': 'it rounds only where nothing lies against it; lying, the reach to the ceiling moves it',
  'anterior-shoulder': 'the arm has to go behind the body',
  triceps: 'the elbow has to go up and behind the head',
};

const NECK = 'the neck is neither pushed, loaded nor pressed: vessels, nerves and airway lie there';
const NECK_MOVES = 'easy turns and glides are enough; holds of the neck are not moved through';
const WARM = 'its easy moves warm up; a stretch of it is held';
const HELD = 'its stretch is held; a movement of its own adds little';
const DEEP = 'what would be pressed lies under organs, large vessels or nerves';

/**
 * Why the library has nothing of a kind for a group, on purpose (9-library, D3): words for a coach who looks for it. What has neither an exercise
 * nor a reason is a gap. Common practice, no source.
 */
export const WHY_NONE: Readonly<Partial<Record<MuscleGroupId, Readonly<Partial<Record<Kind, string>>>>>> = {
  'plantar-foot': { moving: HELD },
  calf: { moving: WARM },
  shin: { moving: WARM },
  soleus: { release: 'it lies under the calf and goes with rolling that' },
  quadriceps: { moving: WARM },
  'hip-flexors': { moving: WARM, release: DEEP },
  gluteals: { moving: WARM },
  'lateral-hip': { moving: WARM },
  'low-back': {
    release: 'kidneys and the lowest ribs lie there',
    loaded: 'load on a rounded low back asks more of the discs than it wins',
  },
  abdominals: { moving: 'cat and cow moves it along', release: DEEP },
  'lateral-trunk': { moving: 'side-bends are held', release: 'kidneys and the lowest ribs lie there' },
  'upper-back': { loaded: 'load on a rounded back asks more of discs and thin bones than it wins' },
  'thoracic-rotators': { release: 'it goes with rolling the upper back' },
  lats: { moving: WARM, release: 'vessels and nerves run through the armpit' },
  pectorals: { moving: WARM },
  'anterior-shoulder': {
    release: 'vessels, nerves and the biceps tendon lie there',
    loaded: 'the capsule of the joint gives before the muscle does',
  },
  'posterior-shoulder': { moving: HELD },
  'shoulder-rotators': {
    moving: 'turning is held or worked, not swung',
    release: 'it goes with rolling behind the shoulder',
  },
  'elbow-flexors': { moving: HELD, release: 'vessels and nerves run along the inner upper arm' },
  triceps: { moving: HELD, release: 'there is too little to win' },
  'forearm-flexors': { moving: WARM },
  'forearm-extensors': { moving: WARM },
  'upper-trapezius': { 'contract-relax': NECK, moving: WARM, loaded: NECK },
  'neck-side': {
    'contract-relax': NECK,
    activation: 'turning the head by itself is work enough',
    release: NECK,
    loaded: NECK,
  },
  'neck-front': { 'contract-relax': NECK, moving: NECK_MOVES, release: NECK, loaded: NECK },
  'neck-back': { 'contract-relax': NECK, release: NECK, loaded: NECK },
};
