import { DOCUMENT, inject, Injectable, signal } from '@angular/core';

export type Theme = 'light' | 'dark';
const KEY = 'yandle.theme';

/** Light or dark: the device's wish until the coach chooses. */
@Injectable({ providedIn: 'root' })
export class ThemeService {
  private readonly document = inject(DOCUMENT);
  private readonly dark = this.document.defaultView?.matchMedia?.('(prefers-color-scheme: dark)');
  private readonly state = signal<Theme>(this.initial());
  readonly theme = this.state.asReadonly();

  constructor() {
    this.apply(this.state());
    // A device that turns dark in the evening takes the page with it, unless the coach has chosen.
    this.dark?.addEventListener?.('change', () => {
      this.state.set(this.initial());
      this.apply(this.state());
    });
  }

  toggle(): void {
    const theme: Theme = this.state() === 'dark' ? 'light' : 'dark';
    this.state.set(theme);
    localStorage.setItem(KEY, theme);
    this.apply(theme);
  }

  private apply(theme: Theme): void {
    this.document.documentElement.dataset['theme'] = theme;
  }

  private initial(): Theme {
    const kept = localStorage.getItem(KEY);
    if (kept === 'light' || kept === 'dark') return kept;
    return this.dark?.matches ? 'dark' : 'light';
  }
}
