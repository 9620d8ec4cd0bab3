import { upgradeStored, type About, type Answers } from '@yandle/core';

/** Answers not sent yet. They are kept for the life of the tab only: they are about health. */
export class IntakeDraft {
  private readonly key: string;

  constructor(of: string) {
    this.key = `yandle-intake:${of}`;
  }

  read(): { answers: Answers; about: About } | null {
    try {
      const text = sessionStorage.getItem(this.key);
      return text ? (upgradeStored('about', JSON.parse(text)) as { answers: Answers; about: About }) : null;
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
