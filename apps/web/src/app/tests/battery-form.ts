import { Requests } from '../data/requests';
import { Component, computed, inject, input, linkedSignal, output } from '@angular/core';
import type { OwnBattery } from '@yandle/contract';
import { batteryMinutes, inPositionOrder, offeredTests } from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { Api } from '../data/api';
import { newId } from '../data/ids';
import { TestCatalogueService } from '../data/test-catalogue.service';
import { ProblemNote } from '../ui/problem-note';

/** A battery of the coach's own: tests ticked; they are taken in the order of positions. */
@Component({
  selector: 'y-battery-form',
  imports: [ProblemNote],
  template: `
    <form class="flex flex-col gap-4" (submit)="$event.preventDefault(); save()">
      <div class="flex flex-wrap items-center gap-3">
        <h2 class="mr-auto !text-[1.5rem]">{{ editing() ? 'Edit ' + editing()!.name : 'Your own battery' }}</h2>
        @if (editing(); as e) {
          <button type="button" class="btn" (click)="save(!e.archived)">
            {{ e.archived ? 'Restore' : 'Archive' }}
          </button>
        }
        <button type="button" class="btn" (click)="closed.emit()">Cancel</button>
        <button type="submit" class="btn btn-go" [disabled]="name().trim() === '' || chosen().length === 0">
          Save the battery
        </button>
      </div>
      @if (problem(); as p) {
        <y-problem-note [problem]="p" />
      }
      <div class="grid gap-4 md:grid-cols-2">
        <label class="field">
          <span class="label">Name</span>
          <input class="input" #title [value]="name()" maxlength="120" (input)="name.set(title.value)" />
        </label>
        <label class="field">
          <span class="label">For whom (optional)</span>
          <input class="input" #whom [value]="about()" maxlength="200" (input)="about.set(whom.value)" />
        </label>
      </div>
      <p role="status">
        {{ chosen().length }} tests, about {{ minutes() }} min.
        @if (chosen().length > 0) {
          <span class="text-soft">In this order: {{ order() }}.</span>
        }
      </p>
      <fieldset>
        <legend class="sr-only">Tests</legend>
        <div class="grid gap-1.5 sm:grid-cols-2 xl:grid-cols-3">
          @for (t of tests(); track t.id) {
            <label class="choice">
              <input type="checkbox" [checked]="chosen().includes(t.id)" (change)="toggle(t.id)" />
              <span
                >{{ t.name }}<span class="block text-[0.8rem] font-normal text-soft">{{ t.position }}</span></span
              >
            </label>
          }
        </div>
      </fieldset>
    </form>
  `,
})
export class BatteryForm {
  private readonly api = inject(Api);
  private readonly testCatalogue = inject(TestCatalogueService);
  /** Null for a new one. */
  readonly editing = input<OwnBattery | null>(null);
  readonly saved = output<OwnBattery>();
  readonly closed = output();
  protected readonly requests = new Requests();
  protected readonly problem = this.requests.problem;
  protected readonly name = linkedSignal(() => this.editing()?.name ?? '');
  protected readonly about = linkedSignal(() => this.editing()?.about ?? '');
  protected readonly chosen = linkedSignal((): readonly string[] => this.editing()?.testIds ?? []);
  private readonly newId = newId();
  protected readonly tests = computed(() => inPositionOrder(offeredTests(this.testCatalogue.catalogue())));
  private readonly picked = computed(() => this.tests().filter((t) => this.chosen().includes(t.id)));
  protected readonly minutes = computed(() => batteryMinutes(this.picked()));
  protected readonly order = computed(() =>
    this.picked()
      .map((t) => t.name)
      .join(', '),
  );

  protected toggle(id: string): void {
    this.chosen.update((c) => (c.includes(id) ? c.filter((x) => x !== id) : [...c, id]));
  }

  protected async save(archived = this.editing()?.archived ?? false): Promise<void> {
    const e = this.editing();
    await this.requests.run(async () => {
      const saved = await firstValueFrom(
        this.api.putOwnBattery(e?.id ?? this.newId, {
          version: e?.version ?? null,
          name: this.name().trim(),
          about: this.about().trim(),
          testIds: this.picked().map((t) => t.id),
          archived,
        }),
      );
      this.saved.emit(saved);
    });
  }
}
