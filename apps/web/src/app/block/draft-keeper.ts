import { upgradeStored, type BlockDraft } from '@yandle/core';

/** A draft that is not published yet, and the version of the block it began with; null for a new block. */
export interface KeptDraft {
  readonly base: number | null;
  readonly draft: BlockDraft;
}

const keyOf = (clientId: string): string => `yandle.block-draft.${clientId}`;

/** Unsaved work on a block: it stays in this browser until it is published or discarded. */
export const draftKeeper = {
  keep(clientId: string, kept: KeptDraft): void {
    localStorage.setItem(keyOf(clientId), JSON.stringify(kept));
  },
  /** What is there; null for nothing, or for something that is no draft. */
  read(clientId: string): KeptDraft | null {
    const text = localStorage.getItem(keyOf(clientId));
    if (!text) return null;
    try {
      // A draft of a version before has the words of before.
      const kept = upgradeStored('block', JSON.parse(text)) as KeptDraft;
      return Array.isArray(kept.draft.lanes) ? kept : null;
    } catch {
      localStorage.removeItem(keyOf(clientId));
      return null;
    }
  },
  forget(clientId: string): void {
    localStorage.removeItem(keyOf(clientId));
  },
};
