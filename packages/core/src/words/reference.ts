import type { ReferenceGap } from '../measuring/reference.js';

/** Why no reference applies. */
export function referenceGapWords(gap: ReferenceGap): string {
  switch (gap.code) {
    case 'test-has-none':
      return gap.args.why;
    case 'sex-needed':
      return 'This reference needs the client’s sex.';
    case 'not-in-table':
      return 'The table has no row for this age and sex.';
  }
}
