import { Component, computed, inject, input, signal } from '@angular/core';
import type { Goal } from '@yandle/contract';
import {
  formatDate,
  formatReading,
  goalWords,
  offeredTests,
  parseNumber,
  typedReading,
  unitSign,
  type MeasuredTest,
} from '@yandle/core';
import { TestCatalogueService } from '../data/test-catalogue.service';
import { PrioritiesStore } from './priorities.store';

/** What the client wants to reach, as results of tests. A goal is the target that a shortfall is counted from. */
@Component({
  selector: 'y-goals-card',
  template: `
    <section class="sheet p-4" aria-labelledby="goals">
      <h2 id="goals" class="!text-[1.05rem]">Goals</h2>
      <ul class="mt-1 flex flex-col gap-1.5">
        @for (g of current(); track g.id) {
          <li>
            <span class="font-semibold">{{ g.name }} {{ g.value }}</span>
            <span class="text-soft">{{ g.due }}{{ g.words }}</span>
            <span class="block text-sm">{{ g.away }}</span>
            <button type="button" class="link" (click)="end(g.id)" [attr.aria-label]="'End the goal ' + g.name">
              End
            </button>
          </li>
        } @empty {
          <li class="text-soft">None: targets are the lower edge of the typical range.</li>
        }
      </ul>
      <details class="mt-2">
        <summary class="font-semibold">Set a goal</summary>
        <form class="mt-2 flex flex-col gap-2.5" (submit)="send($event, value.value, due.value, words.value)">
          <label class="field">
            <span class="label">Test</span>
            <select class="input" #test (change)="testId.set(test.value)">
              @for (t of tests(); track t.id) {
                <option [value]="t.id" [selected]="t.id === testId()">{{ t.name }}</option>
              }
            </select>
          </label>
          <label class="field">
            <span class="label">Result to reach ({{ unit() }})</span>
            <input class="input" #value inputmode="decimal" autocomplete="off" />
          </label>
          <label class="field">
            <span class="label">By (optional)</span>
            <input class="input" #due type="date" />
          </label>
          <label class="field">
            <span class="label">In the client’s words (optional)</span>
            <input class="input" #words maxlength="300" placeholder="touch my toes" />
          </label>
          @if (error(); as e) {
            <p class="field-error" role="alert">{{ e }}</p>
          }
          <div><button class="btn btn-go" type="submit">Set the goal</button></div>
        </form>
      </details>
    </section>
  `,
})
export class GoalsCard {
  private readonly store = inject(PrioritiesStore);
  private readonly testCatalogue = inject(TestCatalogueService);
  readonly goals = input.required<readonly Goal[]>();
  /** Newest results: how far a goal is. */
  readonly measured = input.required<readonly MeasuredTest[]>();
  protected readonly tests = computed(() => offeredTests(this.testCatalogue.catalogue()));
  private readonly chosenTest = signal('finger-to-floor');
  protected readonly testId = this.chosenTest;
  protected readonly error = signal('');
  protected readonly unit = computed(() => {
    const t = this.tests().find((x) => x.id === this.testId());
    return t ? `${t.unit === 'deg' ? 'degrees' : unitSign(t.unit)}, ${t.reads}` : '';
  });

  protected readonly current = computed(() =>
    this.goals()
      .filter((g) => g.endedOn === null)
      .flatMap((g) => {
        const test = this.testCatalogue.catalogue().tests.find((t) => t.id === g.testId);
        if (!test) return [];
        return [
          {
            id: g.id,
            name: test.name,
            value: formatReading(g.value, test.unit),
            due: g.due ? ` · by ${formatDate(g.due, 'd MMM yyyy')}` : '',
            words: g.words ? ` · “${g.words}”` : '',
            away: goalWords(g.value, this.measured().find((m) => m.test.id === g.testId) ?? null, test),
          },
        ];
      }),
  );

  protected async end(id: string): Promise<void> {
    await this.store.endGoal(id);
  }

  protected async send(event: Event, value: string, due: string, words: string): Promise<void> {
    event.preventDefault();
    const wanted = parseNumber(value);
    const test = this.tests().find((t) => t.id === this.testId());
    if (wanted === null || !test) return this.error.set('Enter the result as a number.');
    this.error.set('');
    const kept = await this.store.setGoal({
      testId: this.testId(),
      value: typedReading(wanted, test.unit),
      due: due || null,
      words,
    });
    if (kept) (event.target as HTMLFormElement).reset();
    else
      this.error.set(
        this.store
          .problem()
          ?.errors?.map((e) => e.message)
          .join(' ') ?? 'It was not saved. Try again.',
      );
  }
}
