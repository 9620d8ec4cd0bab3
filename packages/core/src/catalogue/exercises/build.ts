import { kindOf, unitOf } from '../../technique/catalogue.js';
import type { Exercise } from '../exercise.js';
import type { PropId } from '../props.js';
import type { Position } from '../rom-test.js';

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
>;

/** A firm bed will do for what is done lying, but for these things. Common practice, no source. */
const LYING: readonly Position[] = ['supine', 'side-lying', 'prone'];
const TOO_SOFT: readonly PropId[] = ['roller', 'ball', 'weight'];

/** An exercise with what goes without saying filled in. Texts and figures: common practice, no source. */
export function exercise(given: Given & Partial<Exercise>): Exercise {
  const technique = given.technique ?? 'static hold';
  return {
    figure: given.id,
    difficulty: 1,
    secondary: [],
    demands: [],
    demandsKnown: true,
    bed: LYING.includes(given.position) && !TOO_SOFT.some((p) => given.props?.includes(p)),
    notFor: [],
    props: [],
    optionalProps: [],
    substitute: '',
    sides: 'each',
    sideWords: '',
    sidePattern: 'side by side',
    check: null,
    stages: [],
    breath: kindOf(technique).breath,
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
