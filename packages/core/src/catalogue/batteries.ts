/** A named list of tests for one assessment. */
export interface Battery {
  readonly id: string;
  readonly name: string;
  /** For whom, in a few words. */
  readonly for: string;
  readonly testIds: readonly string[];
}

/** Batteries that ship with the product. Which tests belong together is common practice, no source. */
export const BATTERIES: readonly Battery[] = [
  {
    id: 'ankle-hamstring',
    name: 'Two: ankle and hamstrings',
    for: 'a weekly look at the two that matter most',
    testIds: ['weight-bearing-lunge', 'active-knee-extension'],
  },
  {
    id: 'quick-five',
    name: 'Quick check of five',
    for: 'a first impression in a short assessment',
    testIds: ['weight-bearing-lunge', 'active-knee-extension', 'thomas-hip', 'shoulder-flexion', 'neck-rotation'],
  },
  {
    id: 'full-body',
    name: 'Full body',
    for: 'a new client with time',
    testIds: [
      'weight-bearing-lunge',
      'side-bend-slide',
      'seated-rotation',
      'neck-rotation',
      'neck-side-bend',
      'active-knee-extension',
      'hip-abduction',
      'thomas-hip',
      'shoulder-flexion',
      'shoulder-external-rotation',
      'shoulder-internal-rotation',
      'prone-knee-bend',
    ],
  },
  {
    id: 'lower-body',
    name: 'Lower body',
    for: 'squats, stairs, kneeling',
    testIds: [
      'weight-bearing-lunge',
      'straight-knee-dorsiflexion',
      'active-knee-extension',
      'hip-flexion',
      'hip-abduction',
      'thomas-hip',
      'thomas-knee',
      'hip-internal-rotation',
      'hip-external-rotation',
      'prone-knee-bend',
    ],
  },
  {
    id: 'upper-body',
    name: 'Upper body',
    for: 'overhead work and sport',
    testIds: [
      'back-scratch',
      'seated-rotation',
      'neck-rotation',
      'neck-side-bend',
      'wrist-extension',
      'wrist-flexion',
      'lumbar-locked-rotation',
      'shoulder-flexion',
      'shoulder-external-rotation',
      'shoulder-internal-rotation',
      'shoulder-horizontal-abduction',
    ],
  },
  {
    id: 'desk-worker',
    name: 'Desk worker',
    for: 'neck, chest and hips for people who sit',
    testIds: [
      'side-bend-slide',
      'seated-rotation',
      'neck-rotation',
      'neck-side-bend',
      'wrist-extension',
      'thomas-hip',
      'active-knee-extension',
      'shoulder-flexion',
      'shoulder-horizontal-abduction',
    ],
  },
  {
    id: 'runner',
    name: 'Runner',
    for: 'feet, calves, hamstrings, hips',
    testIds: [
      'weight-bearing-lunge',
      'great-toe-extension',
      'straight-knee-dorsiflexion',
      'active-knee-extension',
      'thomas-hip',
      'thomas-knee',
      'thomas-drift',
      'hip-internal-rotation',
      'prone-knee-bend',
    ],
  },
  {
    id: 'sixty-five',
    name: '65 and older',
    for: 'nothing on the floor, nothing on one leg',
    testIds: [
      'weight-bearing-lunge',
      'back-scratch',
      'chair-sit-and-reach',
      'head-to-wall',
      'seated-rotation',
      'neck-rotation',
      'neck-side-bend',
    ],
  },
];
