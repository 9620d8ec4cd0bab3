/** Soreness from which the lanes of a region rest the next day and a step is taken off (domain 2.8). Common practice, no source. */
export const SORE_RESTS = 7;
