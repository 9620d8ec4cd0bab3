/**
 * Lengths and heights of the body as fractions of standing height: Drillis & Contini 1966, as reprinted in Winter, *Biomechanics and Motor
 * Control of Human Movement* (from memory).
 */
export const PROPORTIONS = {
  thigh: 0.245,
  shank: 0.246,
  ankleHeight: 0.039,
  footLength: 0.152,
  upperArm: 0.186,
  forearm: 0.146,
  hand: 0.108,
  hipHeight: 0.53,
  shoulderHeight: 0.818,
  headAndNeck: 0.182,
  shoulderHalf: 0.129,
  hipHalf: 0.0955,
} as const;

/** Trunk from the hip line to the shoulder line, in three parts that bend at their upper ends' joints. */
export const TRUNK = {
  pelvis: 0.1,
  lumbar: 0.09,
  thorax: PROPORTIONS.shoulderHeight - PROPORTIONS.hipHeight - 0.19,
} as const;

/** Radii of the drawn body, as fractions of standing height; by eye. */
export const RADIUS = {
  head: 0.06,
  neck: 0.026,
  trunk: 0.062,
  thigh: 0.042,
  shank: 0.032,
  foot: 0.02,
  upperArm: 0.028,
  forearm: 0.023,
  hand: 0.02,
} as const;

/** From the shoulder line to the middle of the head. */
export const HEAD_ABOVE = PROPORTIONS.headAndNeck - RADIUS.head;
/** Length of the toes. */
export const TOES = 0.045;
/** How far the heel lies behind the ankle. */
export const HEEL_BEHIND = 0.035;
