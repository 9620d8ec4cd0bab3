/**
 * Where a number comes from.
 * `published`: checked against the publication. `memory`: written down from memory of the publication, to be shown as such.
 * `practice`: common practice in the trade, no source. `own`: measured or stated by a coach of the studio.
 */
export const ORIGINS = ['published', 'memory', 'practice', 'own'] as const;
export type Origin = (typeof ORIGINS)[number];

/** A statement of origin that screens can show beside the number. */
export interface Source {
  readonly origin: Origin;
  /** Citation, or for `practice` a short statement of the practice. */
  readonly text: string;
}

/** What a screen adds after a source, so that nobody takes a remembered figure for a checked one. */
export const ORIGIN_NOTE: Readonly<Record<Origin, string>> = {
  published: 'published',
  memory: 'from memory, check the source',
  practice: 'common practice, no source',
  own: 'own figure',
};

/** A source as a screen prints it: what is cited, and how far it can be trusted. */
export function sourceWords(source: Source): string {
  return `${source.text.replace(/\.$/, '')}; ${ORIGIN_NOTE[source.origin]}`;
}
