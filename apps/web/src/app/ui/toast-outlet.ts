import { Component, inject } from '@angular/core';
import { ToastService, type Toast } from '../data/toast.service';

/** Where short messages appear. */
@Component({
  selector: 'y-toast-outlet',
  template: `
    <div
      class="pointer-events-none fixed inset-x-0 bottom-4 z-50 flex flex-col items-center gap-2 px-4"
      role="status"
      aria-live="polite"
    >
      @for (t of toasts.toasts(); track t.id) {
        <div class="pointer-events-auto flex items-center gap-4 rounded-lg bg-ink px-4 py-2 text-paper shadow-lg">
          <span>{{ t.text }}</span>
          @if (t.action; as a) {
            <button type="button" class="font-semibold underline underline-offset-4" (click)="run(t)">
              {{ a.label }}
            </button>
          }
          <button type="button" class="px-1" aria-label="Close message" (click)="toasts.dismiss(t.id)">×</button>
        </div>
      }
    </div>
  `,
})
export class ToastOutlet {
  protected readonly toasts = inject(ToastService);

  protected run(toast: Toast): void {
    this.toasts.dismiss(toast.id);
    toast.action?.run();
  }
}
