import type { Demand } from '../catalogue/demand.js';
import type { Position } from '../catalogue/rom-test.js';
import type { Technique } from '../technique/catalogue.js';
import type { LiftCode } from '../screening/lifts.js';

/** What a movement asks, as the part of a sentence that says what is off: "Off: the hip bent past a right angle". */
const DEMAND_WORDS: Readonly<Record<Demand, string>> = {
  'hip-past-90': 'the hip bent past a right angle',
  'hip-across': 'the leg across the midline or the hip turned in to its end',
  'hip-back': 'the hip stretched back or turned out to its end',
  'hip-pinched': 'the hip bent deep and carried across',
  'legs-wide': 'the legs wide apart',
  'knee-bent': 'the knee bent to its end',
  'knee-twisted': 'turning on a bent knee',
  kneeling: 'weight on the knees',
  'one-leg': 'standing on one leg without a hold',
  'one-leg-held': 'standing on one leg, even with a hold',
  'heel-low': 'the heel below the forefoot under weight',
  'toes-back': 'weight on toes that are bent back',
  'spine-forward': 'rounding the back to its end',
  'spine-back': 'bending the back backwards',
  'spine-turned': 'turning the trunk to its end',
  'spine-loaded': 'weight on a bent back',
  'spine-pressed': 'pressure on the spine or ribs',
  'head-low': 'the head below the heart',
  'head-turned-lying': 'rolling the head while lying',
  'head-turned': 'holding the head turned as far as it goes',
  'arm-overhead': 'the arm overhead to its end',
  'arm-out': 'the arm out to the side and turned or carried back',
  'arm-behind': 'the arm behind the body',
  wrists: 'leaning on the hands',
  grip: 'gripping',
  'neck-back': 'the neck bent back',
  'neck-hand': 'the weight of a hand on the head',
  'head-carried': 'the hands or a weight behind the head',
  belly: 'straining or pressing the belly',
  floor: 'getting down to the floor',
  impact: 'jumps',
};

const POSITION_WORDS: Readonly<Record<Position, string>> = {
  standing: 'standing',
  'sitting on a chair': 'sitting on a chair',
  kneeling: 'kneeling',
  'all fours': 'on hands and knees',
  'sitting on the floor': 'sitting on the floor',
  supine: 'lying on the back',
  'side-lying': 'lying on the side',
  prone: 'lying on the belly',
};

const TECHNIQUE_WORDS: Readonly<Partial<Record<Technique, string>>> = {
  'contract-relax': 'pushes (contract-relax)',
  'loaded eccentric': 'lowering under load',
  'loaded isometric': 'loaded holds',
  'nerve glide': 'nerve glides',
  'activation hold': 'planks and other held work',
};

/** What a technique is where it is off: "lowering under load". */
export function techniqueOff(technique: Technique): string {
  return TECHNIQUE_WORDS[technique] ?? technique;
}

/** "the hip bent past a right angle" */
export function demandWords(demand: Demand): string {
  return DEMAND_WORDS[demand];
}

/** "lying on the back" */
export function positionWords(position: Position): string {
  return POSITION_WORDS[position];
}

const LIFT_WORDS: Readonly<Record<string, string>> = {
  groups: 'work on the muscle groups that rest',
  'group-limits': 'what is off around it',
  gentle: 'sensation above 4 around it',
  sensation: 'sensation above 4',
  hold: 'longer holds',
  effort: 'stronger pushes',
  difficulty: 'advanced exercises',
};

/** What a clearance may allow again: "the hip bent past a right angle". */
export function liftWords(lift: LiftCode): string {
  const [kind, value] = lift.split(':') as [string, string | undefined];
  if (kind === 'demand') return demandWords(value as Demand);
  if (kind === 'technique') return techniqueOff(value as Technique);
  if (kind === 'position') return positionWords(value as Position);
  return LIFT_WORDS[kind] ?? lift;
}
