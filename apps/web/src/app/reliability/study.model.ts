import type { StudyBody } from '@yandle/contract';
import {
  blandAltman,
  CLIENTS_ACCEPTED,
  CoreError,
  errorWords,
  icc,
  ICC_FORMS,
  iccLabel,
  ICC_WORDS,
  ownError,
  type BlandAltman,
  type IccForm,
  type IccEstimate,
  type OwnError,
  parseNumber,
} from '@yandle/core';

export type StudyRow = StudyBody['rows'][number];

/** A row before anything is typed. */
export const EMPTY_ROW: StudyRow = { label: '', first: null, second: null };

/** A study with enough clients. */
export interface ReadyStudy {
  readonly kind: 'ready';
  readonly clients: number;
  readonly error: OwnError;
  readonly forms: readonly {
    readonly form: IccForm;
    readonly words: string;
    readonly label: string;
    readonly value: IccEstimate;
  }[];
  readonly agreement: BlandAltman;
}

/** What a study says, or why it says nothing yet. */
export type StudyResult = { readonly kind: 'waiting'; readonly why: string } | ReadyStudy;

/** Rows in which both measurements are there. */
export function fullRows(rows: readonly StudyRow[]): [number, number][] {
  return rows.flatMap((r) => (r.first === null || r.second === null ? [] : [[r.first, r.second] as [number, number]]));
}

/** A study worked out: error, reliability, agreement. */
export function workOut(rows: readonly StudyRow[]): StudyResult {
  const full = fullRows(rows);
  if (full.length < CLIENTS_ACCEPTED)
    return {
      kind: 'waiting',
      why: `${full.length} of at least ${CLIENTS_ACCEPTED} clients have both measurements; 10 or more make a usable error.`,
    };
  try {
    const error = ownError(full);
    return {
      kind: 'ready',
      clients: full.length,
      error,
      forms: ICC_FORMS.map((form) => {
        const value = icc(error.anova, form);
        return { form, value, words: ICC_WORDS[form], label: iccLabel(value.value) };
      }),
      agreement: blandAltman(full),
    };
  } catch (err) {
    return { kind: 'waiting', why: err instanceof CoreError ? errorWords(err) : 'These numbers can’t be worked out.' };
  }
}

/**
 * Rows from text as a spreadsheet copies it: a client a line, label and two numbers (or two numbers alone), apart by tab, semicolon,
 * or comma; a decimal comma is taken with tab and semicolon. A first line without numbers is a heading.
 */
export function rowsFromText(text: string): { rows: StudyRow[]; skipped: number } {
  const number = parseNumber;
  const rows: StudyRow[] = [];
  let skipped = 0;
  text
    .split(/\r?\n/)
    .filter((l) => l.trim() !== '')
    .forEach((l, i) => {
      const cells = l.split(l.includes('\t') ? '\t' : l.includes(';') ? ';' : ',').map((c) => c.trim());
      const [first, second] = [number(cells.at(-2) ?? ''), number(cells.at(-1) ?? '')];
      if (cells.length >= 2 && first !== null && second !== null)
        rows.push({ label: (cells.length > 2 ? cells[0]! : `Client ${rows.length + 1}`).slice(0, 60), first, second });
      else if (i > 0) skipped++;
    });
  return { rows, skipped };
}
