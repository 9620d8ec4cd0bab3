import type { Person, ReferenceRow } from '../catalogue/reference.js';
import type { Source } from '../source.js';
import type { RomTest } from '../catalogue/rom-test.js';

/** Why no reference applies: the test has none (its own text says why), or its table has no row for the person. */
export type ReferenceGap =
  | { readonly code: 'test-has-none'; readonly args: { readonly why: string } }
  | { readonly code: 'sex-needed' | 'not-in-table' };

/** The reference that applies to a person. */
export type AppliedReference =
  | {
      readonly kind: 'band';
      /** Ends of the typical band, low < high in numbers, whatever is better. */
      readonly low: number;
      readonly high: number;
      /** Where the tick is drawn. */
      readonly centre: number;
      readonly sd: number;
      readonly source: Source;
    }
  | {
      readonly kind: 'nominal';
      readonly value: number;
      readonly source: Source;
      /** Ages of the nearest row of a table that has none for the person: it is shown, and nothing is short against it. */
      readonly nearest?: readonly [from: number, to: number];
    }
  | { readonly kind: 'none'; readonly because: ReferenceGap };

/** Where a value lies against its reference. `nominal` references make no band. */
export type Band = 'short' | 'typical' | 'ample' | 'no band';

/** Width of the middle half of a normal distribution in SDs: 2 × 0.6745. */
const MIDDLE_HALF = 1.349;
/** From the 40th to the 80th of a hundred in SDs: 0.2533 + 0.8416. */
const TWO_FIFTHS = 1.0949;

function rowFor<T>(rows: readonly ReferenceRow<T>[], person: Person): T | null {
  const fits = rows.find(
    (r) => (r.sex === null || r.sex === person.sex) && person.age >= r.ages[0] && person.age <= r.ages[1],
  );
  return fits?.value ?? null;
}

/** The row of the person's sex whose ages are nearest to theirs; null where the table has no row for the sex. */
function nearestRow<T>(rows: readonly ReferenceRow<T>[], person: Person): ReferenceRow<T> | null {
  const distance = ({ ages: [from, to] }: ReferenceRow<T>) => Math.max(from - person.age, person.age - to);
  const fits = rows.filter((r) => r.sex === null || r.sex === person.sex);
  return [...fits].sort((a, b) => distance(a) - distance(b))[0] ?? null;
}

const notInTable = (person: Person): AppliedReference => ({
  kind: 'none',
  because: { code: person.sex === null ? 'sex-needed' : 'not-in-table' },
});

/**
 * The reference that applies to a person (domain 2.2): mean ± 1 SD, the middle half, or grades "good" and "very good" as the typical
 * band; a single value makes none. A confidence interval of a mean is never used as a band.
 */
export function referenceFor(test: Pick<RomTest, 'reference'>, person: Person): AppliedReference {
  const r = test.reference;
  switch (r.kind) {
    case 'distribution':
      return { kind: 'band', low: r.mean - r.sd, high: r.mean + r.sd, centre: r.mean, sd: r.sd, source: r.source };
    case 'table': {
      const row = rowFor(r.rows, person);
      if (row)
        return {
          kind: 'band',
          low: row.mean - row.sd,
          high: row.mean + row.sd,
          centre: row.mean,
          sd: row.sd,
          source: r.source,
        };
      const near = nearestRow(r.rows, person);
      if (near) return { kind: 'nominal', value: near.value.mean, source: r.source, nearest: near.ages };
      if (r.otherwise) return { kind: 'nominal', ...r.otherwise };
      return notInTable(person);
    }
    case 'middle half': {
      const row = rowFor(r.rows, person);
      if (!row) return notInTable(person);
      return {
        kind: 'band',
        low: row.low,
        high: row.high,
        centre: (row.low + row.high) / 2,
        sd: (row.high - row.low) / MIDDLE_HALF,
        source: r.source,
      };
    }
    case 'grades': {
      const row = rowFor(r.rows, person);
      if (!row) return notInTable(person);
      // The grades are fifths of people (from memory): "good" begins at the 40th of a hundred, "excellent" at the 80th.
      return {
        kind: 'band',
        low: row.good,
        high: row.excellent - 0.5,
        centre: (row.good + row.excellent) / 2,
        sd: (row.excellent - row.good) / TWO_FIFTHS,
        source: r.source,
      };
    }
    case 'nominal':
      return r;
    case 'none':
      return { kind: 'none', because: { code: 'test-has-none', args: { why: r.why } } };
  }
}

/**
 * The band of a value: beyond the typical band on the stiff side is short, on the free side ample.
 * @param value in the unit of the test
 */
export function bandOf(value: number, test: Pick<RomTest, 'better'>, reference: AppliedReference): Band {
  if (reference.kind !== 'band') return 'no band';
  const less = test.better === 'less';
  if (value < reference.low) return less ? 'ample' : 'short';
  if (value > reference.high) return less ? 'short' : 'ample';
  return 'typical';
}

/** The one value a reference is drawn at; null when there is none. */
export function referenceValue(reference: AppliedReference): number | null {
  if (reference.kind === 'none') return null;
  return reference.kind === 'band' ? reference.centre : reference.value;
}
