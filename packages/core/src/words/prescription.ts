import { ASSISTANCE_WORDS, DEPTH_WORDS, type Bout, type Prescription } from '../styles/prescription.js';

/** A load in words: "2.5 kg", "5 % of body mass", "band 2"; empty for none. */
export function loadWords(b: Pick<Bout, 'load' | 'loadUnit'>): string {
  if (!b.load) return '';
  switch (b.loadUnit ?? 'kg') {
    case 'kg':
      return `${b.load} kg`;
    case '% body mass':
      return `${b.load} % of body mass`;
    case 'band':
      return `band ${b.load}`;
  }
}

/** One bout in the trade's shorthand, without its sets: "30 s", "3 × (6 s push, 15 s)", "6 reps (3 s down, 2 s)". */
export function boutWords(b: Bout): string {
  switch (b.technique) {
    case 'contract-relax':
      return `${b.cycles} × (${b.pushSeconds} s push at ${b.effort} %, ${b.holdSeconds} s)`;
    case 'loaded eccentric':
      return `${b.reps} reps (${b.lowerSeconds} s down, ${b.holdSeconds} s)`;
    case 'moving stretch':
      return `${b.reps} reps (${b.holdSeconds} s pause)`;
    case 'activation':
    case 'nerve glide':
      return `${b.reps} reps`;
    case 'breathing':
      return `${b.reps} breaths`;
    default:
      return `${b.holdSeconds} s`;
  }
}

/** Help, load and depth, those that apply: "light help, 2.5 kg". */
export function supportWords(b: Bout): string {
  const parts: string[] = [];
  if (b.assistance !== undefined && b.assistance > 0) parts.push(ASSISTANCE_WORDS[b.assistance]);
  const load = loadWords(b);
  if (load) parts.push(load);
  if (b.depth) parts.push(DEPTH_WORDS[b.depth]!);
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
  if (b.bonus.sets > 0) return `${b.bonus.sets} more set on the ${b.bonus.side} side, the tighter one`;
  return `${b.bonus.more} ${b.holdSeconds > 0 && b.reps === undefined ? 's' : 'repetitions'} longer on the ${b.bonus.side} side, the tighter one`;
}
