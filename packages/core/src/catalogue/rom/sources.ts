import type { Source } from '../../source.js';

/** A figure written down from memory of a publication. */
export const memory = (text: string): Source => ({ origin: 'memory', text });
/** A figure or habit of the trade without a source. */
export const practice = (text: string): Source => ({ origin: 'practice', text });

export const BOONE_AZEN = memory(
  'Boone DC, Azen SP 1979, J Bone Joint Surg Am 61(5):756-759: active motion of 56 men of 20-54 years.',
);
export const AAOS = memory('AAOS 1965, Joint Motion: a consensus value without a spread, from no sample.');
export const ROACH_MILES = memory(
  'Roach KE, Miles TP 1991, Phys Ther 71(9):656-665: active motion of about 1,680 adults of the US population.',
);
export const YOUDAS_NECK = memory(
  'Youdas JW et al. 1992, Phys Ther 72(11):770-780: active motion, 337 people of 11-97 years.',
);
export const RIKLI_JONES = memory(
  'Rikli RE, Jones CJ 1999, J Aging Phys Act 7:162-181: middle half of 7,183 people of 60-94 years (inches turned into centimetres).',
);
/** Error of goniometer tests that have no printed figure fit to quote. */
export const GONIOMETER_ERROR = practice(
  'A working default until you have measured your own; goniometer readings of one tester commonly differ by 3-4° (Boone 1978) to 5° (Norkin & White).',
);
export const TAPE_ERROR = practice('A working default until you have measured your own.');

/** Inches of a printed table in centimetres, to a millimetre. */
export const inches = (n: number): number => Math.round(n * 2.54 * 10) / 10;
