import { Component, computed, inject, input, output, signal } from '@angular/core';
import type { SwapComing } from '@yandle/contract';
import { alternatives, alternativeWords, counted, formatDate, runningList, type SessionItem } from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { Api } from '../data/api';
import { Requests } from '../data/requests';
import { FigureView } from '../ui/figure';
import { ProblemNote } from '../ui/problem-note';
import { ToastService } from '../data/toast.service';
import { SheetStore } from './sheet.store';

function comingWords({ changed, left }: SwapComing): string {
  const last = changed.at(-1)?.date;
  const done = last
    ? `Swapped in ${counted(changed.length, 'coming session')}, to ${formatDate(last, 'd MMM')}.`
    : 'In no coming session could it be swapped.';
  if (left.length === 0) return last ? done : 'It is in no coming session.';
  return `${done} Left as it is on ${runningList(left.map((l) => formatDate(l.date, 'd MMM')))}: the other is in it already, or can’t be done there.`;
}

/** Other exercises for the same work, the nearest first. */
@Component({
  selector: 'y-swap-panel',
  imports: [FigureView, ProblemNote],
  template: `
    <section class="sheet flex flex-col gap-3 p-4" aria-labelledby="swap">
      <div class="flex items-baseline justify-between gap-3">
        <h2 id="swap">Instead of {{ exercise().name }}</h2>
        <button type="button" class="link" (click)="closed.emit()">Close</button>
      </div>
      <p class="text-sm text-soft">
        The same muscles, technique and dose; the nearest first. What a caution rules out is not listed.
      </p>
      <label class="flex min-h-6 items-center gap-2 text-sm">
        <input type="checkbox" class="accent-(--action)" [checked]="coming()" (change)="coming.set(!coming())" />
        In all coming sessions too
      </label>
      <ul class="flex flex-col gap-2">
        @for (a of found(); track a.exercise.id) {
          <li>
            <button
              type="button"
              class="flex w-full items-center gap-3 rounded border border-line p-2 text-left hover:bg-shade"
              (click)="take(a.item)"
              [disabled]="requests.busy()"
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
      @if (problem(); as p) {
        <y-problem-note [problem]="p" />
      }
      <p class="text-sm text-soft">
        A new version of the block keeps lists that were changed by hand. To plan on with the other exercise, change it
        in the block.
      </p>
    </section>
  `,
})
export class SwapPanel {
  private readonly api = inject(Api);
  private readonly toasts = inject(ToastService);
  private readonly store = inject(SheetStore);
  protected readonly requests = new Requests();
  protected readonly problem = this.requests.problem;
  protected readonly coming = signal(false);
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

  protected async take(item: SessionItem): Promise<void> {
    const from = this.item().exerciseId;
    if (this.coming() && !(await this.swapComing(from, item.exerciseId))) return;
    this.store.replace(this.place(), item);
    this.closed.emit();
  }

  /** The same in every later session that nobody has begun; true when it is done. */
  private async swapComing(from: string, to: string): Promise<boolean> {
    const done = await this.requests.run(() =>
      firstValueFrom(this.api.swapComing(this.store.session()!.id, { from, to })),
    );
    if (!done) return false;
    const words = comingWords(done);
    if (done.changed.length === 0) this.toasts.show(words);
    else this.toasts.show(words, { label: 'Undo there', run: () => void this.putBack(done) });
    return true;
  }

  /** What has changed since stays as it is, and is said. */
  private async putBack({ changed }: SwapComing): Promise<void> {
    const all = changed.map((c) => firstValueFrom(this.api.editSession(c.id, c.undo)));
    const kept = (await Promise.allSettled(all)).filter((r) => r.status === 'rejected').length;
    if (kept > 0) this.toasts.show(`${counted(kept, 'session')} changed since then, and stayed as it is now.`);
  }
}
