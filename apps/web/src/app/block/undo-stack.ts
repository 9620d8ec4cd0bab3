import { computed, signal } from '@angular/core';

/** Values one after the other, with unlimited undo and redo within the session. */
export class UndoStack<T> {
  private readonly past = signal<readonly T[]>([]);
  private readonly future = signal<readonly T[]>([]);
  private readonly now = signal<T | null>(null);
  readonly value = this.now.asReadonly();
  readonly canUndo = computed(() => this.past().length > 0);
  readonly canRedo = computed(() => this.future().length > 0);

  /** Begins anew; nothing can be taken back past this. */
  reset(value: T | null): void {
    this.past.set([]);
    this.future.set([]);
    this.now.set(value);
  }

  push(value: T): void {
    const before = this.now();
    if (before === value) return;
    if (before !== null) this.past.update((p) => [...p, before]);
    this.future.set([]);
    this.now.set(value);
  }

  undo(): void {
    const p = this.past();
    const before = p.at(-1);
    const now = this.now();
    if (before === undefined || now === null) return;
    this.past.set(p.slice(0, -1));
    this.future.update((f) => [now, ...f]);
    this.now.set(before);
  }

  redo(): void {
    const [next, ...rest] = this.future();
    const now = this.now();
    if (next === undefined || now === null) return;
    this.future.set(rest);
    this.past.update((p) => [...p, now]);
    this.now.set(next);
  }
}
