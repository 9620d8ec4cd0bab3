import { kindOf, unitOf, type Technique } from '../../technique/catalogue.js';
import type { Exercise } from '../exercise.js';

const BREATH: Readonly<Record<Technique, string>> = {
  'static hold': 'Slow and easy through the nose; settle a little on each breath out.',
  'contract-relax': 'Breathe on while you push; sink on the breath out.',
  'loaded eccentric': 'In on the way down, out on the way back.',
  'loaded isometric': 'Keep breathing evenly; never hold the breath.',
  'moving stretch': 'In as you begin, out as you reach the end.',
  rolling: 'Slow and even; let tight spots melt on the breath out.',
  'nerve glide': 'Easy and even.',
  activation: 'Out as you work, in as you let go.',
  breathing: 'In through the nose, out twice as long.',
};

type Given = Pick<
  Exercise,
  | 'id'
  | 'name'
  | 'aim'
  | 'primary'
  | 'position'
  | 'steps'
  | 'endPoint'
  | 'felt'
  | 'notFelt'
  | 'faults'
  | 'easier'
  | 'harder'
  | 'cautions'
  | 'notFor'
>;

/** An exercise with what goes without saying filled in. Texts and figures: common practice, no source. */
export function exercise(given: Given & Partial<Exercise>): Exercise {
  const technique = given.technique ?? 'static hold';
  return {
    figure: given.id,
    difficulty: 1,
    secondary: [],
    tags: [],
    props: [],
    optionalProps: [],
    substitute: '',
    sides: 'each',
    sideWords: '',
    sidePattern: 'side by side',
    stages: [],
    breath: BREATH[technique],
    depthMeasure: '',
    amount: { unit: unitOf(technique), ...kindOf(technique).amount },
    load: 'none',
    easierForm: null,
    harderForm: null,
    setupSeconds: 5,
    origin: 'practice',
    ...given,
    technique,
  };
}
