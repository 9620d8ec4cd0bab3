import { inject, Injectable, signal } from '@angular/core';
import { templateNoteWords, type BlockComparison, type BlockDraft, type BlockTemplate } from '@yandle/core';
import type { Block } from '@yandle/contract';
import { ToastService } from '../data/toast.service';
import { BlockSelection } from './block-selection';
import { BlockStore } from './block.store';

/** What stands beside the block. */
export type Tool = 'cell' | 'publish' | 'versions' | 'templates' | 'what-if';

/** The tool beside the block: which one is open, and what it hands to the draft. */
@Injectable()
export class BlockTool {
  private readonly store = inject(BlockStore);
  private readonly selection = inject(BlockSelection);
  private readonly toasts = inject(ToastService);
  readonly shown = signal<Tool>('cell');
  /** What could not be taken over from the template applied last. */
  readonly templateNotes = signal<readonly string[]>([]);
  /** Reason suggested for the next version. */
  readonly reason = signal('');
  /** Another version compared with the draft; null for none. */
  readonly compared = signal<BlockComparison | null>(null);

  open(tool: Tool): void {
    this.shown.set(tool);
  }

  close(): void {
    this.store.whatIf.set(null);
    this.shown.set('cell');
  }

  /** A cell was picked: it is shown, unless a what-if looks at it. */
  cellPicked(): void {
    if (this.shown() !== 'what-if') this.shown.set('cell');
  }

  openWhatIf(): void {
    this.store.whatIf.set(this.store.draft());
    this.shown.set('what-if');
  }

  applyWhatIf(): void {
    const other = this.store.whatIf();
    if (other) this.store.edit(() => other);
    this.close();
  }

  /** The same choices with what has been measured and asked since; published like any change. */
  renew(): void {
    this.store.renewing.set(true);
    this.reason.set('Updated after the latest assessment');
  }

  useTemplate(template: BlockTemplate): void {
    this.templateNotes.set(this.store.applyTemplate(template).map(templateNoteWords));
    this.selection.pickCell({ lane: 0, week: 1 });
    this.toasts.show(`“${template.name}” is in the draft. Undo removes it.`);
  }

  /** A block of this client or another becomes the draft, with what is different for this one. */
  async startFrom(block: Block): Promise<void> {
    this.templateNotes.set(await this.store.startFrom(block));
    this.selection.pickCell({ lane: 0, week: 1 });
    this.toasts.show('The block is in the draft, made for this client. Undo removes it.');
  }

  restore(from: { readonly choices: BlockDraft; readonly number: number }): void {
    this.store.edit(() => from.choices);
    this.reason.set(`Back to version ${from.number}`);
    this.toasts.show(`Version ${from.number} is in the draft. Check it, then publish.`);
  }
}
