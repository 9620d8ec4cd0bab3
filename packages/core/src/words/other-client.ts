import { muscleGroupName } from '../anatomy/muscle-group.js';
import type { OtherClientFact } from '../planning/plan-for-other.js';
import { limitWords } from './plan.js';

const BECAUSE = {
  caution: 'an intake caution rules it out',
  level: 'it is above this client’s level',
  place: 'it isn’t possible in this client’s places',
  order: 'another comes first for this client',
} as const;

/** What is different where a block is planned for somebody else, and why. */
export function otherClientWords(fact: OtherClientFact): string {
  const name = muscleGroupName(fact.args.group);
  switch (fact.code) {
    case 'exercise': {
      const { before, now, technique, because } = fact.args;
      const change = now === null ? `no ${technique}; “${before}” is left out` : `“${now}” instead of “${before}”`;
      return `${name}: ${change}, because ${BECAUSE[because]}.`;
    }
    case 'begins-from':
      return `${name}: begins from the ${fact.args.seconds} s a week that this client is used to.`;
    case 'limit':
      return `${name}: ${limitWords(fact.args.limit)}`;
  }
}
