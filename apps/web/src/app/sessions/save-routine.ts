import { Component, inject, output, signal } from '@angular/core';
import { settingsOf, ROUTINE_BOUNDS } from '@yandle/core';
import { newId } from '../data/ids';
import { ToastService } from '../data/toast.service';
import { RoutinesService } from '../routines/routines.service';
import { ProblemNote } from '../ui/problem-note';
import { SheetStore } from './sheet.store';

/** Keeps the list of a session as a routine, to be done again by this client or by anyone. */
@Component({
  selector: 'y-save-routine',
  imports: [ProblemNote],
  template: `
    <form class="flex flex-col gap-2" (submit)="$event.preventDefault(); keep(called.value)">
      <label class="field">
        <span class="label">Name of the routine</span>
        <input #called class="input" required [maxLength]="most" [value]="store.session()!.name ?? ''" />
      </label>
      <label class="flex items-center gap-2 text-sm">
        <input type="checkbox" class="accent-(--action)" [checked]="own()" (change)="own.set(!own())" />
        Only for {{ store.session()!.clientName }}
      </label>
      @if (routines.problem(); as p) {
        <y-problem-note [problem]="p" />
      }
      <div class="flex gap-2">
        <button type="submit" class="btn btn-go" [disabled]="routines.requests.busy()">Save the routine</button>
        <button type="button" class="btn" (click)="closed.emit()">Cancel</button>
      </div>
    </form>
  `,
})
export class SaveRoutine {
  protected readonly store = inject(SheetStore);
  protected readonly routines = inject(RoutinesService);
  private readonly toasts = inject(ToastService);
  readonly closed = output();
  protected readonly most = ROUTINE_BOUNDS.name;
  protected readonly own = signal(false);

  protected async keep(typed: string): Promise<void> {
    const name = typed.trim();
    if (name === '') return;
    const session = this.store.session()!;
    const { clientId, items } = session;
    const head = { version: null, archived: false, clientId: this.own() ? clientId : null };
    const kept = await this.routines.keep(newId(), head, {
      ...settingsOf(session),
      ...{ name, note: '', items },
    });
    if (!kept) return;
    this.toasts.show(`“${name}” is among the routines.`);
    this.closed.emit();
  }
}
