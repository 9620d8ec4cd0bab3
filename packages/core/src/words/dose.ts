import { FAVOURED_WEEKLY_SECONDS, FLATTENING_WEEKLY_SECONDS, type DoseRemark } from '../dose/dose.js';

/** What the evidence says about a weekly dose. */
export function doseRemarkWords(remark: DoseRemark): string {
  return remark === 'below-favoured'
    ? `Below the weekly dose reviews recommend (${FAVOURED_WEEKLY_SECONDS} s a week; Thomas 2018, from memory).`
    : `Above ${FLATTENING_WEEKLY_SECONDS} s a week gains flatten (Ingram 2025, from memory).`;
}
