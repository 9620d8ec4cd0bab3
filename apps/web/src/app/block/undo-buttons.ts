import { Component, inject } from '@angular/core';
import { BlockStore } from './block.store';

/** Undo and redo of the draft: as buttons, and by their keys wherever the focus is, except in a field of text. */
@Component({
  selector: 'y-undo-buttons',
  host: { class: 'contents', '(document:keydown)': 'shortcut($event)' },
  template: `
    <button
      type="button"
      class="btn px-2.5"
      aria-label="Undo"
      title="Undo (Ctrl Z)"
      [disabled]="!store.canUndo()"
      (click)="store.undo()"
    >
      <svg width="18" height="18" viewBox="0 0 18 18" fill="none" stroke="currentColor" stroke-width="1.8">
        <path d="M7 4L3 8l4 4M3 8h7a4 4 0 010 8H8" />
      </svg>
    </button>
    <button
      type="button"
      class="btn px-2.5"
      aria-label="Redo"
      title="Redo (Ctrl Y)"
      [disabled]="!store.canRedo()"
      (click)="store.redo()"
    >
      <svg width="18" height="18" viewBox="0 0 18 18" fill="none" stroke="currentColor" stroke-width="1.8">
        <path d="M11 4l4 4-4 4M15 8H8a4 4 0 000 8h2" />
      </svg>
    </button>
  `,
})
export class UndoButtons {
  protected readonly store = inject(BlockStore);

  protected shortcut(event: KeyboardEvent): void {
    if (!(event.ctrlKey || event.metaKey) || event.defaultPrevented) return;
    const target = event.target as HTMLElement | null;
    if (target?.matches('input:not([type=radio]):not([type=checkbox]), textarea')) return;
    const key = event.key.toLowerCase();
    if (key === 'z' && !event.shiftKey) this.store.undo();
    else if (key === 'y' || (key === 'z' && event.shiftKey)) this.store.redo();
    else return;
    event.preventDefault();
  }
}
