import { Component, computed, inject, input, output } from '@angular/core';
import { firstValueFrom } from 'rxjs';
import { Api } from '../data/api';
import { ClientContext } from '../data/client-context';
import { Requests } from '../data/requests';

/** Says that a client is practised: changes of position and side take less time, in every session from today on. */
@Component({
  selector: 'y-brisk-switch',
  template: `
    <label
      class="flex items-center gap-2 text-sm"
      title="For a practised client: into a new position 8 s, in the same one 4 s, to the other side 3 s, out of a stretch 2 s"
    >
      <input
        type="checkbox"
        class="accent-(--action)"
        [checked]="brisk()"
        [disabled]="requests.busy()"
        (change)="set(!brisk())"
      />
      Brisk changes
    </label>
  `,
})
export class BriskSwitch {
  private readonly api = inject(Api);
  private readonly context = inject(ClientContext);
  readonly clientId = input.required<string>();
  readonly changed = output();
  protected readonly requests = new Requests();
  private readonly pacing = computed(() => this.context.client()?.pacing ?? { brisk: false, own: {} });
  protected readonly brisk = computed(() => this.pacing().brisk);

  protected async set(brisk: boolean): Promise<void> {
    const done = await this.requests.run(() =>
      firstValueFrom(this.api.putPacing(this.clientId(), { ...this.pacing(), brisk })),
    );
    if (!done) return;
    this.context.refresh();
    this.changed.emit();
  }
}
