import type { Assistance, Bout, Depth, Prescription, Variable } from '../technique/prescription.js';
import { formatWeight } from './reading.js';
import { boutWords } from './technique.js';
import { counted } from './plural.js';

/** Assistance taken at a loaded stretch. */
export const ASSISTANCE_WORDS: Readonly<Record<Assistance, string>> = ['no help', 'light help', 'full help'];
/** How deep a moving stretch goes. */
export const DEPTH_WORDS: Readonly<Record<Depth, string>> = ['easy depth', 'middle depth', 'full depth'];

/** Names of the variables in a reason. */
export const VARIABLE_NAME: Readonly<Record<Variable, string>> = {
  holdSeconds: 'hold',
  sets: 'sets',
  sessionsPerWeek: 'sessions per week',
  sensation: 'target sensation',
  cycles: 'cycles',
  effort: 'push effort',
  reps: 'reps',
  assistance: 'assistance',
  load: 'load',
  depth: 'depth',
  activationReps: 'activation reps',
};

/** Strengths of elastic bands, from the first step of a set on; a set with more goes on by number. Common practice, no source. */
const BAND_STRENGTHS = ['very light', 'light', 'medium', 'strong', 'very strong'] as const;

/** A step of a set of bands: "light band (step 2)". */
export function bandWords(step: number): string {
  const strength = BAND_STRENGTHS[step - 1];
  return strength === undefined ? `band, step ${step}` : `${strength} band (step ${step})`;
}

/** A load in words: "2.5 kg", "5% of body weight", "light band (step 2)"; empty for none. */
export function loadWords(b: Pick<Bout, 'load' | 'loadUnit'>): string {
  if (!b.load) return '';
  switch (b.loadUnit ?? 'kg') {
    case 'kg':
      return formatWeight(b.load);
    case '% body mass':
      return `${b.load}% of body weight`;
    case 'band':
      return bandWords(b.load);
  }
}

/** Help, load and depth, those that apply: "light help, 2.5 kg". */
export function supportWords(b: Pick<Bout, 'assistance' | 'load' | 'loadUnit' | 'depth'>): string {
  const parts: string[] = [];
  if (b.assistance !== undefined && b.assistance > 0) parts.push(ASSISTANCE_WORDS[b.assistance]);
  const load = loadWords(b);
  if (load) parts.push(load);
  if (b.depth) parts.push(DEPTH_WORDS[b.depth as Depth]);
  return parts.join(', ');
}

/** A prescription in one line: "2 × 30 s, 3 days". */
export function prescriptionWords(p: Prescription): string {
  if (p.sessionsPerWeek === 0) return 'rest';
  const support = supportWords(p);
  return `${p.sets} × ${boutWords(p)}${support ? `, ${support}` : ''}, ${p.sessionsPerWeek} ${p.sessionsPerWeek === 1 ? 'day' : 'days'}`;
}

/** What the tighter side gets on top, in words; empty for nothing. */
export function bonusWords(b: Bout): string {
  if (!b.bonus) return '';
  if (b.bonus.sets > 0) return `${counted(b.bonus.sets, 'more set')} on the ${b.bonus.side} side, the tighter one`;
  return `${b.bonus.more} ${b.holdSeconds > 0 && b.reps === undefined ? 's' : 'reps'} longer on the ${b.bonus.side} side, the tighter one`;
}
