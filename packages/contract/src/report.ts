import type { ReportPart } from '@yandle/core';

/** A side of a row: places are fractions of the scale, 0 stiffest, 1 freest. */
export interface ReportBar {
  readonly fill: number;
  readonly text: string;
  /** Where it was before; solid where the change is sure. Null for one assessment. */
  readonly last: { readonly at: number; readonly solid: boolean; readonly text: string } | null;
}

export interface ReportRow {
  readonly testId: string;
  readonly label: string;
  readonly sideless: boolean;
  readonly left: ReportBar | null;
  readonly right: ReportBar | null;
}

/** One page for the client, in plain words. */
export interface Report {
  readonly studio: string;
  /** First name. */
  readonly client: string;
  readonly coach: string;
  /** First and last day that it is about. */
  readonly from: string;
  readonly to: string;
  readonly parts: readonly ReportPart[];
  readonly rows: readonly ReportRow[];
  readonly exercises: readonly { readonly id: string; readonly name: string; readonly figure: string | null }[];
  readonly safety: string;
}

/** A link to a report as it is now; its token is given out here and never again. */
export interface NewReportLink {
  readonly token: string;
  readonly expiresAt: string;
}

export interface ReportLinkBody {
  /** Days for which it works. */
  readonly days: number;
}

export interface OpenReportBody {
  readonly token: string;
}
