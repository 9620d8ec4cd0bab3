import { Injectable, signal } from '@angular/core';

/** A short message, with one thing to do about it at most. */
export interface Toast {
  readonly id: number;
  readonly text: string;
  readonly action: { readonly label: string; readonly run: () => void } | null;
}

const SHOWN_MS = 8000;

/** Short messages: "Archived. Undo". They go by themselves. */
@Injectable({ providedIn: 'root' })
export class ToastService {
  private readonly list = signal<readonly Toast[]>([]);
  readonly toasts = this.list.asReadonly();
  private next = 1;

  show(text: string, action: Toast['action'] = null): void {
    const toast = { id: this.next++, text, action };
    this.list.update((l) => [...l, toast]);
    setTimeout(() => this.dismiss(toast.id), SHOWN_MS);
  }

  dismiss(id: number): void {
    this.list.update((l) => l.filter((t) => t.id !== id));
  }
}
