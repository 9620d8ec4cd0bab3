import type { ComposeRequest, Composition, ObjectiveName, SessionClash } from '@yandle/core';

/** What the composer's worker is asked. `base` is the address of the page: the solver lies beside it. */
export type ComposerTask =
  | { readonly kind: 'load'; readonly id: number; readonly base: string }
  | { readonly kind: 'compose'; readonly id: number; readonly base: string; readonly request: ComposeRequest };

/** What it says. */
export type ComposerAnswer =
  | { readonly kind: 'ready' }
  | { readonly kind: 'stage'; readonly id: number; readonly name: ObjectiveName; readonly index: number }
  | { readonly kind: 'made'; readonly id: number; readonly made: Composition | SessionClash }
  | { readonly kind: 'failed'; readonly id: number; readonly words: string };
