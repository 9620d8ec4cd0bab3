import { upgradeStored, type About, type Answers, NO_ANSWERS, answersFrom } from '@yandle/core';
import { KeptDraft } from '../data/kept-draft';

interface Draft {
  readonly answers: Answers;
  readonly about: About;
}

/** Answers not sent yet; those kept by an earlier version are read in the words of today. */
export class IntakeDraft extends KeptDraft<Draft> {
  constructor(of: string) {
    super(`yandle-intake:${of}`);
  }

  override read(): Draft | null {
    const stored = super.read();
    if (!stored) return null;
    try {
      const kept = upgradeStored('about', stored) as Draft;
      return { ...kept, answers: { ...NO_ANSWERS, ...answersFrom(kept.answers) } };
    } catch {
      return null;
    }
  }
}
