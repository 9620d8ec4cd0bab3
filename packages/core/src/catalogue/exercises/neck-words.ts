/** What every exercise of the neck says. */
export const NECK_CAUTIONS = ['Stop at dizziness, pinching or tingling.', 'Never pull with force.'];
/** The same, for what is done standing as well. */
export const STANDING_CAUTIONS = [...NECK_CAUTIONS, 'Standing: keep your back against a wall.'];
/** What a stretch of the neck is begun with. */
export const CHECK = 'Move there without your hands first. Any pain, pinching or dizziness?';
/** Holds of the neck are short. */
export const SHORT = { unit: 'seconds', min: 10, max: 45 } as const;
