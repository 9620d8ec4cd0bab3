import type { Exercise } from '../catalogue/exercise.js';
import { PUSH_AGAINST } from '../catalogue/forms.js';
import type { Technique } from '../styles/technique.js';
import { alternates, boutOf, type SessionItem } from '../timeline/item.js';
import { sensationWords } from '../catalogue/safety.js';
import { bonusWords, boutWords, supportWords } from './prescription.js';

/** A bout said to the client, by technique. */
const WORK: Readonly<Record<Technique, (bout: string) => string>> = {
  'static hold': (b) => `Hold ${b}`,
  'loaded isometric': (b) => `Hold the loaded end ${b}`,
  'contract-relax': (b) => `Push, let go, stretch: ${b}`,
  'loaded eccentric': (b) => `Lower slowly: ${b}`,
  'moving stretch': (b) => `Move in and out: ${b}`,
  rolling: (b) => `Roll ${b}`,
  activation: (b) => `Work the muscle: ${b}`,
  breathing: (b) => `Breathe: ${b}`,
  'nerve glide': (b) => `Glide: ${b}`,
};

/** What an item asks, without its sensation: "Hold 30 s, 2 times on each side, right first". */
export function itemWords(item: SessionItem, exercise: Exercise): string {
  const bout = boutOf(item, exercise);
  const times = item.sets === 1 ? 'once' : `${item.sets} times`;
  const turns = alternates(item, exercise) ? ', in turn' : '';
  const sides = exercise.sides === 'each' ? ` on each side${turns}, ${item.firstSide} first` : '';
  const support = supportWords(bout);
  const bonus = bonusWords(bout);
  return `${WORK[bout.technique](boutWords(bout))}, ${times}${sides}${support ? `, ${support}` : ''}${bonus ? `; ${bonus}` : ''}`;
}

/** The target of an item: "Sensation 5 of 10: a clear stretch". */
export function targetWords(item: SessionItem): string {
  return `Sensation ${item.sensation} of 10: ${sensationWords(item.sensation)}`;
}

/** What is pushed against, when an item is done as contract-relax; null when it is not. */
export function pushWords(item: SessionItem): string | null {
  return item.technique === 'contract-relax' ? (PUSH_AGAINST[item.exerciseId] ?? null) : null;
}
