import { upgradeStored, type About, type Answers, NO_ANSWERS, answersFrom } from '@yandle/core';

/** Answers not sent yet. They are kept for the life of the tab only: they are about health. */
export class IntakeDraft {
  private readonly key: string;

  constructor(of: string) {
    this.key = `yandle-intake:${of}`;
  }

  read(): { answers: Answers; about: About } | null {
    try {
      const text = sessionStorage.getItem(this.key);
      if (!text) return null;
      const kept = upgradeStored('about', JSON.parse(text)) as { answers: Answers; about: About };
      return { ...kept, answers: { ...NO_ANSWERS, ...answersFrom(kept.answers) } };
    } catch {
      return null;
    }
  }

  write(draft: { answers: Answers; about: About }): void {
    try {
      sessionStorage.setItem(this.key, JSON.stringify(draft));
    } catch {
      /* Without storage the answers live until the page is left. */
    }
  }

  clear(): void {
    sessionStorage.removeItem(this.key);
  }
}
