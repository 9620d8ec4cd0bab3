import { settingsOf } from '@yandle/core';
import { Component, inject } from '@angular/core';
import { Router } from '@angular/router';
import { firstValueFrom } from 'rxjs';
import { Api } from '../data/api';
import { ClientContext } from '../data/client-context';
import { ToastService } from '../data/toast.service';
import { SessionMaker } from '../routines/session-maker';
import { SheetStore } from './sheet.store';

/** Takes a session of its own off the calendar; Undo puts one alike back. */
@Component({
  selector: 'y-remove-session',
  template: `<button type="button" class="btn" [disabled]="store.requests.busy()" (click)="remove()">
    Remove this session
  </button>`,
})
export class RemoveSession {
  private readonly api = inject(Api);
  private readonly context = inject(ClientContext);
  private readonly maker = inject(SessionMaker);
  private readonly router = inject(Router);
  private readonly toasts = inject(ToastService);
  protected readonly store = inject(SheetStore);

  protected async remove(): Promise<void> {
    const { id, clientId, date, name, place, items, dayRound, ...s } = this.store.session()!;
    const removed = await this.store.requests.run(async () => {
      await firstValueFrom(this.api.removeSession(id));
      return true;
    });
    if (!removed) return;
    this.context.refresh();
    await this.router.navigate(['/clients', clientId, 'sessions']);
    const list = {
      ...{ name: name ?? 'Session', routineId: s.routineId ?? null, placeId: place?.id ?? null },
      ...settingsOf(s),
      items,
    };
    const back = async (): Promise<void> => {
      const [made] = await this.maker.make(clientId, list, [{ date, ...(dayRound && { dayRound }) }]).catch(() => []);
      if (made) await this.router.navigate(['/clients', clientId, 'sessions', made.id]);
      else this.toasts.show('The session could not be put back. Make it again with New session.');
    };
    this.toasts.show('Session removed.', { label: 'Undo', run: () => void back() });
  }
}
