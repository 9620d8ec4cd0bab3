/** What is typed and not sent yet. It survives a reload and a change of screen, and goes with the tab: it may be about health. */
export class KeptDraft<T> {
  /** @param key what it is a draft of, unique among all drafts */
  constructor(private readonly key: string) {}

  read(): T | null {
    try {
      const text = sessionStorage.getItem(this.key);
      return text ? (JSON.parse(text) as T) : null;
    } catch {
      return null;
    }
  }

  write(draft: T): void {
    try {
      sessionStorage.setItem(this.key, JSON.stringify(draft));
    } catch {
      /* Without storage it lives until the page is left. */
    }
  }

  clear(): void {
    try {
      sessionStorage.removeItem(this.key);
    } catch {
      /* Nothing was kept. */
    }
  }
}
