import { oneOf } from '../ui/one-of';
import { Requests } from '../data/requests';
import { Component, computed, effect, inject, input, linkedSignal, signal, untracked } from '@angular/core';
import type { Soreness } from '@yandle/contract';
import { addDays, BODY_REGIONS, bodyRegionName, formatDate, SORE_RESTS, type BodyRegionId } from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { Api } from '../data/api';
import { newId } from '../data/ids';
import { ToastService } from '../data/toast.service';
import { ProblemNote } from '../ui/problem-note';

/** How sore the client is the day after: one tap. */
@Component({
  selector: 'y-soreness-card',
  imports: [ProblemNote],
  template: `
    <section class="sheet mt-5 p-4 print:hidden" aria-labelledby="sore">
      <h2 id="sore">Sore the day after</h2>
      <div class="mt-2 flex flex-wrap items-end gap-3">
        <label class="field !w-44">
          <span class="label">Felt on</span>
          <input
            class="input"
            type="date"
            [value]="date()"
            [max]="today()"
            #felt
            (change)="felt.value && date.set(felt.value)"
          />
        </label>
        <label class="field !w-56">
          <span class="label">Where</span>
          <select class="input" #part (change)="region.set(regionOf(part.value))">
            <option value="">all over</option>
            @for (r of regions; track r.id) {
              <option [value]="r.id" [selected]="r.id === region()">{{ r.name }}</option>
            }
          </select>
        </label>
        <div class="flex flex-wrap gap-1" role="group" aria-label="Soreness, 0 none to 10 worst">
          @for (n of scale; track n) {
            <button type="button" class="btn !min-w-10 !px-2" [attr.aria-label]="'Soreness ' + n" (click)="say(n)">
              {{ n }}
            </button>
          }
        </div>
      </div>
      @if (problem(); as p) {
        <y-problem-note [problem]="p" />
      }
      @if (notes().length > 0) {
        <ul class="mt-3 flex flex-wrap gap-x-5 gap-y-1 text-sm">
          @for (n of shown(); track n.id) {
            <li [class.text-attention]="n.soreness >= rests">
              {{ short(n.date) }}: {{ n.soreness }} of 10, {{ where(n) }}
              @if (n.soreness >= rests) {
                – it rests for a day; go back a step in the block
              }
              <button type="button" class="link ml-1" (click)="remove(n)">Remove</button>
            </li>
          }
        </ul>
      }
    </section>
  `,
})
export class SorenessCard {
  private readonly api = inject(Api);
  private readonly toasts = inject(ToastService);
  readonly clientId = input.required<string>();
  readonly today = input.required<string>();
  /** Day of the session that it may come from; an old one was felt the day after, not today. */
  readonly session = input.required<string>();
  protected readonly date = linkedSignal(() => {
    const after = addDays(this.session(), 1);
    return after < this.today() ? after : this.today();
  });
  protected readonly notes = signal<readonly Soreness[]>([]);
  protected readonly shown = computed(() => this.notes().slice(0, 6));
  protected readonly regionOf = (id: string): BodyRegionId | null =>
    oneOf(
      BODY_REGIONS.map((r) => r.id),
      id,
    );
  protected readonly region = signal<BodyRegionId | null>(null);
  protected readonly requests = new Requests();
  protected readonly problem = this.requests.problem;
  protected readonly regions = BODY_REGIONS;
  protected readonly rests = SORE_RESTS;
  protected readonly scale = Array.from({ length: 11 }, (_, i) => i);

  constructor() {
    effect(() => {
      const id = this.clientId();
      untracked(() => void this.load(id));
    });
  }

  protected where(n: Soreness): string {
    return n.region ? bodyRegionName(n.region).toLowerCase() : 'all over';
  }

  protected short(date: string): string {
    return formatDate(date, 'EEE d MMM');
  }

  protected async say(soreness: number): Promise<void> {
    const body = { date: this.date(), region: this.region(), soreness, note: '' };
    await this.requests.run(async () => {
      const note = await firstValueFrom(this.api.putSoreness(this.clientId(), newId(), body));
      this.notes.update((n) => [note, ...n]);
    });
  }

  protected async remove(n: Soreness): Promise<void> {
    const set = (withdrawn: boolean): Promise<unknown> =>
      this.requests.run(async () => {
        this.notes.set(await firstValueFrom(this.api.withdrawSoreness(this.clientId(), n.id, withdrawn)));
      });
    await set(true);
    this.toasts.show('Soreness removed.', { label: 'Undo', run: () => void set(false) });
  }

  private async load(id: string): Promise<void> {
    await this.requests.run(async () => {
      this.notes.set(await firstValueFrom(this.api.sorenessEntries(id)));
    });
  }
}
