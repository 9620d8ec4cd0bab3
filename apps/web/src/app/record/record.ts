import { Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { Router } from '@angular/router';
import { firstValueFrom } from 'rxjs';
import { V1 } from '../data/api';
import { ClientContext } from '../data/client-context';
import { fieldMessage } from '../data/problem';
import { Requests } from '../data/requests';
import { StudioApi } from '../data/studio-api';
import { ToastService } from '../data/toast.service';
import { ProblemNote } from '../ui/problem-note';
import { TextField } from '../ui/text-field';
import { recordTables } from './record-view';

/** Everything that is kept of one client: to read, to hand out, to erase. */
@Component({
  selector: 'y-record',
  imports: [ProblemNote, TextField],
  template: `
    <div class="mx-auto max-w-6xl px-4 py-5 sm:px-6">
      <h1>Record</h1>
      <p class="mt-1 max-w-prose text-soft">
        Everything that is kept of {{ name() || 'this client' }}, to be handed out when they ask for it. Reading it here
        is written down.
      </p>
      <div class="mt-4 flex flex-wrap gap-3 print:hidden">
        <a class="btn btn-go" [href]="fileUrl()" download>Download as JSON</a>
        <button type="button" class="btn" [disabled]="requests.busy()" (click)="read()">Show it here</button>
        @if (tables().length > 0) {
          <button type="button" class="btn" (click)="print()">Print</button>
        }
        <a class="link self-center text-sm" [href]="schemaUrl" target="_blank" rel="noreferrer">Schema of the file</a>
      </div>
      @if (requests.problem(); as p) {
        <div class="mt-4"><y-problem-note [problem]="p" /></div>
      }
      @for (t of tables(); track t.name) {
        <section class="mt-6" [attr.aria-labelledby]="'section-' + t.name">
          <h2 [id]="'section-' + t.name" class="mb-2">
            {{ t.heading }} <span class="text-base font-normal text-soft">{{ t.rows.length + t.more }}</span>
          </h2>
          @if (t.rows.length === 1) {
            <dl class="sheet grid gap-x-6 gap-y-1.5 p-4 sm:grid-cols-[12rem_1fr]">
              @for (c of t.columns; track c; let i = $index) {
                <dt class="text-sm font-semibold text-soft">{{ c }}</dt>
                <dd class="min-w-0 break-words max-sm:mb-1.5">{{ t.rows[0]![i] }}</dd>
              }
            </dl>
          } @else {
            <div
              class="sheet max-h-96 overflow-auto print:max-h-none"
              tabindex="0"
              role="region"
              [attr.aria-label]="'Rows of ' + t.heading"
            >
              <table class="data-table text-sm">
                <thead>
                  <tr>
                    @for (c of t.columns; track c) {
                      <th scope="col" class="whitespace-nowrap">{{ c }}</th>
                    }
                  </tr>
                </thead>
                <tbody>
                  @for (r of t.rows; track $index) {
                    <tr>
                      @for (cell of r; track $index) {
                        <td class="max-w-72 min-w-24 align-top break-words">{{ cell }}</td>
                      }
                    </tr>
                  }
                </tbody>
              </table>
            </div>
            @if (t.more > 0) {
              <p class="mt-1 text-sm text-soft">And {{ t.more }} more in the file.</p>
            }
          }
        </section>
      }
      <section class="sheet mt-8 max-w-xl border-attention p-4 print:hidden" aria-labelledby="erase">
        <h2 id="erase" class="text-attention">Erase</h2>
        <p class="mt-1">
          Removes the client with everything above, for good: no backup brings it back. Download the file first if they
          or you may need it. To stop working with somebody and keep the record, archive them instead.
        </p>
        <form class="mt-3 flex flex-col gap-3" (submit)="erase($event)">
          <y-text-field
            [label]="'Type the client’s name: ' + name()"
            [value]="typed()"
            [error]="nameError()"
            (typed)="typed.set($event)"
          />
          <button type="submit" class="btn self-start" [disabled]="erasing.busy() || typed().trim() === ''">
            Erase for good
          </button>
        </form>
        @if (erasing.problem(); as p) {
          @if (!p.errors) {
            <div class="mt-3"><y-problem-note [problem]="p" /></div>
          }
        }
      </section>
    </div>
  `,
})
export class RecordScreen {
  private readonly api = inject(StudioApi);
  private readonly context = inject(ClientContext);
  private readonly router = inject(Router);
  private readonly toasts = inject(ToastService);
  readonly clientId = input.required<string>();
  protected readonly requests = new Requests();
  protected readonly erasing = new Requests();
  protected readonly typed = signal('');
  private readonly record = signal<Readonly<Record<string, unknown>> | null>(null);
  protected readonly tables = computed(() => (this.record() ? recordTables(this.record()!) : []));
  protected readonly name = computed(() => this.context.client()?.name ?? '');
  protected readonly fileUrl = computed(() => `${V1}/clients/${this.clientId()}/record.json`);
  protected readonly schemaUrl = `${V1}/schemas/client.json`;
  protected readonly nameError = computed(() => fieldMessage(this.erasing.problem(), 'name'));

  constructor() {
    // Nothing of one client stands under the name of another.
    effect(() => {
      this.clientId();
      untracked(() => {
        this.record.set(null);
        this.typed.set('');
      });
    });
  }

  protected async read(): Promise<void> {
    const record = await this.requests.run(this.api.record(this.clientId()));
    if (record) this.record.set(record);
  }

  protected print(): void {
    window.print();
  }

  protected async erase(event: Event): Promise<void> {
    event.preventDefault();
    const name = this.name();
    await this.erasing.run(async () => {
      await firstValueFrom(this.api.erase(this.clientId(), this.typed()));
      this.toasts.show(`${name} is erased.`);
      await this.router.navigateByUrl('/clients');
    });
  }
}
