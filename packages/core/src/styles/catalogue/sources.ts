import type { Source } from '../../source.js';

/** Evidence that several styles stand on. All from memory of the publication, to be shown as such. */
export const GARBER: Source = {
  origin: 'memory',
  text: 'Garber CE et al. 2011, Med Sci Sports Exerc 43(7):1334-1359: holds of 10-30 s for most adults (30-60 s when older), 2-4 repetitions, 60 s in all per exercise, at least 2-3 days a week, to tightness or slight discomfort; contract-relax with 3-6 s of push at 20-75 % and 10-30 s of stretch.',
};
export const BANDY: Source = {
  origin: 'memory',
  text: 'Bandy WD, Irion JM 1994, Phys Ther 74(9):845-850: 30 s held daily did as much as 60 s and more than 15 s.',
};
export const FELAND_AGE: Source = {
  origin: 'memory',
  text: 'Feland JB et al. 2001, Phys Ther 81(5):1110-1117: at 65 and older 60 s gained more a week than 30 or 15 s.',
};
export const FELAND_PUSH: Source = {
  origin: 'memory',
  text: 'Feland JB, Marin HN 2004, Br J Sports Med 38:e18: pushing with 20, 60 or 100 % of strength (6 s, three times) gained alike; 20 % is enough.',
};
export const SHARMAN: Source = {
  origin: 'memory',
  text: 'Sharman MJ, Cresswell AG, Riek S 2006, Sports Med 36:929-939: 3 s of push is enough; 3-10 s are alike.',
};
export const O_SULLIVAN: Source = {
  origin: 'memory',
  text: "O'Sullivan K, McAuliffe S, Deburca N 2012, Br J Sports Med 46:838-845: eccentric training lengthens, six readings agree.",
};
export const NELSON: Source = {
  origin: 'memory',
  text: 'Nelson RT, Bandy WD 2004, J Athl Train 39:254-258: six weeks of eccentric work gained as much hamstring range as static stretching.',
};
export const LOAD_STEP: Source = {
  origin: 'memory',
  text: 'ACSM 2009 position stand on progression in resistance training: 2-10 % more load once extra repetitions are managed.',
};
export const BANDY_MOVING: Source = {
  origin: 'memory',
  text: 'Bandy WD et al. 1998, JOSPT 27:295-300: moving stretches gained less range than 30 s held (4 against 11 degrees).',
};
export const ROLLING: Source = {
  origin: 'memory',
  text: 'Behm DG et al. 2020, J Strength Cond Res 34:3301-3308: rolling in 1-3 sets of 30-120 s.',
};
export const THOMAS: Source = {
  origin: 'memory',
  text: 'Thomas E et al. 2018, Int J Sports Med 39(4):243-254: at least 5 min a week for a muscle, spread over the days, gains most.',
};
export const WEEKLY: Source = {
  origin: 'memory',
  text: 'Ingram LA et al. 2025, Sports Med 55(3):597-617: gains flatten at about 10 min a week for a muscle.',
};
export const PRACTICE: Source = {
  origin: 'practice',
  text: 'Order of progression, step sizes, caps and the easier week.',
};
