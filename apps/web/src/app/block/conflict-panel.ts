import { clashSubjectWords, clashValueWords } from '@yandle/core';
import { Component, input, output, signal } from '@angular/core';
import type { Conflict } from './block-publisher';

/** Somebody else published while this draft was open: what both changed, to choose from. */
@Component({
  selector: 'y-conflict-panel',
  template: `
    <div class="flex flex-col gap-3">
      <h2>Published while you were editing</h2>
      <p class="text-sm">
        Someone else published version {{ conflict().theirs.revision }} while you were changing the block. Changes only
        one of you made are kept.
        @if (conflict().clashes.length === 0) {
          You changed nothing in common.
        } @else {
          For what you both changed, choose:
        }
      </p>
      @for (c of conflict().clashes; track c.key) {
        <fieldset class="sheet px-3 py-2">
          <legend class="px-1 text-sm font-semibold">{{ subject(c.what) }}</legend>
          <label class="flex gap-2 text-sm">
            <input
              type="radio"
              class="accent-(--action)"
              [name]="c.key"
              [checked]="of(c.key) === 'mine'"
              (change)="pick(c.key, 'mine')"
            />
            yours: {{ value(c.mine) }}
          </label>
          <label class="flex gap-2 text-sm">
            <input
              type="radio"
              class="accent-(--action)"
              [name]="c.key"
              [checked]="of(c.key) === 'theirs'"
              (change)="pick(c.key, 'theirs')"
            />
            theirs: {{ value(c.theirs) }}
          </label>
        </fieldset>
      }
      <div class="flex flex-wrap gap-2">
        <button type="button" class="btn btn-go" (click)="resolved.emit(choice)">Merge</button>
        <button type="button" class="btn" (click)="dropped.emit()">Discard mine</button>
      </div>
      <p class="text-sm text-soft">Nothing is published yet: look at the result, then publish.</p>
    </div>
  `,
})
export class ConflictPanel {
  readonly conflict = input.required<Conflict>();
  readonly resolved = output<(key: string) => 'mine' | 'theirs'>();
  readonly dropped = output();
  private readonly picked = signal<Readonly<Record<string, 'mine' | 'theirs'>>>({});
  protected readonly subject = clashSubjectWords;
  protected readonly value = clashValueWords;
  protected readonly choice = (key: string): 'mine' | 'theirs' => this.of(key);

  protected of(key: string): 'mine' | 'theirs' {
    return this.picked()[key] ?? 'mine';
  }

  protected pick(key: string, who: 'mine' | 'theirs'): void {
    this.picked.update((p) => ({ ...p, [key]: who }));
  }
}
