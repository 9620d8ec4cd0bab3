import { kindOf, type Technique } from '../technique/catalogue.js';
import { demandsOf } from './demands-of.js';
import type { Exercise } from './exercise.js';

/**
 * True for what Yandle never chooses by itself, whoever the client is: load on a bent spine. A coach may, by their own hand, where no caution
 * speaks against it. Common practice, no source.
 */
export function onlyByHand(exercise: Exercise, technique: Technique): boolean {
  const loaded =
    kindOf(technique).demands.includes('load') ||
    exercise.load === 'weight' ||
    exercise.demands.includes('spine-loaded');
  return loaded && demandsOf(exercise).includes('spine-forward');
}
