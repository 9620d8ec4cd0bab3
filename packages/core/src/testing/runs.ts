import { inject } from 'vitest';

declare module 'vitest' {
  export interface ProvidedContext {
    /** How many times as many cases a property test tries: 1 in `npm test`, more in `npm run deep`. */
    deep: number;
  }
}

/** Cases of a property test: as given, or many times as many in `npm run deep`. */
export function runs(usual: number): { readonly numRuns: number } {
  return { numRuns: usual * inject('deep') };
}
