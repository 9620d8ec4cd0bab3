import { Component, computed, inject, input } from '@angular/core';
import { offeredTests } from '@yandle/core';
import { TestCatalogueService } from '../data/test-catalogue.service';
import { PrioritiesStore } from './priorities.store';

/** The two tests that matter most, measured every week, so that a trend exists within a block. */
@Component({
  selector: 'y-quick-check-card',
  template: `
    <section class="sheet p-4" aria-labelledby="weekly">
      <h2 id="weekly" class="!text-[1.05rem]">Weekly quick check</h2>
      @if (chosen().length > 0) {
        <p class="mt-1">{{ names() }}</p>
      } @else {
        <p class="mt-1 text-soft">Two tests, measured every week, show a trend within the block.</p>
        @if (proposed().length === 2) {
          <button
            type="button"
            class="btn mt-2 h-auto max-w-full py-1.5 text-left whitespace-normal"
            (click)="store.decide({ quickCheck: proposed() })"
          >
            Use {{ proposedNames() }}
          </button>
        }
      }
      <details class="mt-2">
        <summary class="font-semibold">Choose the two</summary>
        <div class="mt-2 flex flex-col gap-2">
          @for (i of [0, 1]; track i) {
            <label class="field">
              <span class="label">{{ i === 0 ? 'First' : 'Second' }} test</span>
              <select class="input" #test (change)="set(i, test.value)">
                <option value="" [selected]="!chosen()[i]">none</option>
                @for (t of tests(); track t.id) {
                  <option [value]="t.id" [selected]="t.id === chosen()[i]">{{ t.name }}</option>
                }
              </select>
            </label>
          }
        </div>
      </details>
    </section>
  `,
})
export class QuickCheckCard {
  protected readonly store = inject(PrioritiesStore);
  private readonly testCatalogue = inject(TestCatalogueService);
  /** Two tests that the findings propose. */
  readonly proposed = input.required<readonly string[]>();
  protected readonly tests = computed(() => offeredTests(this.testCatalogue.catalogue()));
  protected readonly chosen = computed(() => this.store.view().priorities.quickCheck);
  protected readonly names = computed(() => this.namesOf(this.chosen()));
  protected readonly proposedNames = computed(() => this.namesOf(this.proposed()));

  private namesOf(ids: readonly string[]): string {
    return ids.map((id) => this.testCatalogue.catalogue().tests.find((t) => t.id === id)?.name ?? id).join(' and ');
  }

  protected set(place: number, id: string): void {
    const two = [0, 1].map((i) => (i === place ? id : (this.chosen()[i] ?? '')));
    this.store.decide({ quickCheck: [...new Set(two.filter((t) => t !== ''))] });
  }
}
