import { signal } from '@angular/core';
import type { AngleSample } from '@yandle/core';
import { Subject } from 'rxjs';
import type { AngleSource, SourceState } from './angle-source';

/** Numbers that a person enters: on the pad, or read aloud and typed. */
export class TypedSource implements AngleSource {
  readonly kind = 'typed';
  readonly name = 'Typed';
  readonly taking = 'entry';
  private readonly out = new Subject<AngleSample>();
  private readonly now = signal<SourceState>({ kind: 'live' });
  readonly state = this.now.asReadonly();
  readonly samples = this.out.asObservable();

  enter(value: number): void {
    this.out.next({ at: performance.now(), degrees: value });
  }
  start(): Promise<void> {
    return Promise.resolve();
  }
  stop(): void {
    // Nothing to let go of.
  }
}
