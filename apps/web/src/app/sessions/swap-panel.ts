import { Component, computed, inject, input, output } from '@angular/core';
import { alternatives, type SessionItem, alternativeWords } from '@yandle/core';
import { FigureView } from '../ui/figure';
import { SheetStore } from './sheet.store';

/** Other exercises for the same work, the nearest first. */
@Component({
  selector: 'y-swap-panel',
  imports: [FigureView],
  template: `
    <section class="sheet flex flex-col gap-3 p-4" aria-labelledby="swap">
      <div class="flex items-baseline justify-between gap-3">
        <h2 id="swap">Instead of {{ exercise().name }}</h2>
        <button type="button" class="link" (click)="closed.emit()">Close</button>
      </div>
      <p class="text-sm text-soft">
        The same muscles, technique and dose; the nearest first. What a caution rules out is not listed.
      </p>
      <ul class="flex flex-col gap-2">
        @for (a of found(); track a.exercise.id) {
          <li>
            <button
              type="button"
              class="flex w-full items-center gap-3 rounded border border-line p-2 text-left hover:bg-shade"
              (click)="take(a.item)"
            >
              @if (a.exercise.figure; as f) {
                <y-figure class="h-16 w-20 shrink-0" [figure]="f" [side]="item().firstSide" label="" />
              }
              <span>
                <span class="block font-semibold">{{ a.exercise.name }}</span>
                <span class="block text-sm text-soft">{{ words(a.facts) }}</span>
              </span>
            </button>
          </li>
        } @empty {
          <li class="text-sm">
            The library has no other exercise for this. Add your own in the library, or leave this one out.
          </li>
        }
      </ul>
      <p class="text-sm text-soft">
        This changes today’s session only. To change the coming ones, change the exercise in the block and publish.
      </p>
    </section>
  `,
})
export class SwapPanel {
  private readonly store = inject(SheetStore);
  readonly place = input.required<number>();
  readonly closed = output();
  protected readonly words = alternativeWords;
  protected readonly item = computed(() => this.store.session()!.items[this.place()]!);
  protected readonly exercise = computed(() => this.store.find(this.item().exerciseId));
  protected readonly found = computed(() =>
    alternatives(this.item(), this.exercise(), {
      allowed: this.store.allowed(),
      place: this.store.place(),
      inSession: this.store.session()!.items.map((i) => i.exerciseId),
    }),
  );

  protected take(item: SessionItem): void {
    this.store.replace(this.place(), item);
    this.closed.emit();
  }
}
