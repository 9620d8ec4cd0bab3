import { Injectable, signal } from '@angular/core';

/** Whether the reader wants motion: the setting of the system, as it is now. */
@Injectable({ providedIn: 'root' })
export class MotionService {
  readonly allowed = signal(true);

  constructor() {
    const query = typeof matchMedia === 'function' ? matchMedia('(prefers-reduced-motion: reduce)') : null;
    if (!query) return;
    this.allowed.set(!query.matches);
    query.addEventListener('change', () => this.allowed.set(!query.matches));
  }
}
