import type { ResultColumn } from '@yandle/core';

/** What an import found, or did. */
export interface ImportReport {
  readonly dryRun: boolean;
  /** Lines read, without the header. */
  readonly lines: number;
  /** Readings that would be (or were) written. */
  readonly readings: number;
  /** Readings that are here already. */
  readonly known: number;
  readonly assessments: number;
  readonly clients: number;
  readonly errorCount: number;
  /** The first of them. */
  readonly errors: readonly ImportLineError[];
}

export interface ImportLineError {
  /** Line of the file, the header being 1. */
  readonly line: number;
  readonly column: ResultColumn | null;
  readonly message: string;
}

/** Bytes of one import, at most. */
export const IMPORT_BYTES = 50_000_000;
/** Most lines of one import, and most errors reported one by one. */
export const IMPORT_LINES = 200_000;
export const IMPORT_ERRORS = 100;
