import type { Source } from '../source.js';

/** Sex for reference tables; null when not said. */
export type Sex = 'female' | 'male';

/** Whom a reference is looked up for. */
export interface Person {
  /** Whole years on the day of the measurement. */
  readonly age: number;
  readonly sex: Sex | null;
}

/** A row of a table: ages inclusive; sex null for both. */
export interface ReferenceRow<T> {
  readonly sex: Sex | null;
  readonly ages: readonly [from: number, to: number];
  readonly value: T;
}

/** What a value is compared with. A comparison, never a diagnosis. Values in the unit of the test. */
export type Reference =
  | { readonly kind: 'distribution'; readonly mean: number; readonly sd: number; readonly source: Source }
  /** Mean and SD by age and sex; `otherwise` a single value for who is not in the table. */
  | {
      readonly kind: 'table';
      readonly rows: readonly ReferenceRow<{ readonly mean: number; readonly sd: number }>[];
      readonly source: Source;
      readonly otherwise: { readonly value: number; readonly source: Source } | null;
    }
  /** The middle half (25th to 75th percentile) by age and sex. */
  | {
      readonly kind: 'middle half';
      readonly rows: readonly ReferenceRow<{ readonly low: number; readonly high: number }>[];
      readonly source: Source;
    }
  /** A five-grade table: below `good` is short, from `excellent` on ample. */
  | {
      readonly kind: 'grades';
      readonly rows: readonly ReferenceRow<{ readonly good: number; readonly excellent: number }>[];
      readonly source: Source;
    }
  /** A single value without spread makes no band. */
  | { readonly kind: 'nominal'; readonly value: number; readonly source: Source }
  | { readonly kind: 'none'; readonly why: string };
