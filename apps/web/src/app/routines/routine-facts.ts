import { Component, computed, inject, input } from '@angular/core';
import {
  buildTimeline,
  DEFAULT_TIMINGS,
  formatClock,
  itemWords,
  muscleGroupName,
  purposeName,
  type RoutineDefinition,
  roundsWords,
  whereDoneWords,
} from '@yandle/core';
import { LibraryService } from '../library/library.service';
import { FigureView } from '../ui/figure';

/** What a routine is: what for, how long, and its exercises in their order. */
@Component({
  selector: 'y-routine-facts',
  imports: [FigureView],
  template: `
    <p class="mt-1">{{ routine().note }}</p>
    <p class="mt-1 text-soft">{{ line() }}</p>
    <ol class="mt-3 grid gap-3 sm:grid-cols-2">
      @for (r of rows(); track $index) {
        <li class="sheet flex gap-3 p-3">
          @if (r.exercise.figure; as f) {
            <y-figure class="h-20 w-24 shrink-0" [figure]="f" side="left" [label]="'Figure of ' + r.exercise.name" />
          }
          <div class="min-w-0">
            <p class="font-semibold">{{ $index + 1 }}. {{ r.exercise.name }}</p>
            <p class="text-sm">{{ r.words }}{{ r.link }}</p>
            <p class="text-sm text-soft">{{ r.group }} · {{ whereDone(r.exercise) }}</p>
            <p class="mt-1 text-sm text-attention">{{ r.exercise.cautions.join(' ') }}</p>
          </div>
        </li>
      }
    </ol>
  `,
})
export class RoutineFacts {
  private readonly library = inject(LibraryService);
  protected readonly whereDone = whereDoneWords;
  readonly routine = input.required<RoutineDefinition>();
  protected readonly rows = computed(() =>
    this.routine().items.map((item) => {
      const exercise = this.library.find(item.exerciseId);
      const group = muscleGroupName(exercise.primary);
      const link = item.link === undefined ? '.' : item.link === 'flow' ? ', into the next.' : ', then the next.';
      return { exercise, group, link, words: itemWords(item, exercise) };
    }),
  );
  protected readonly line = computed(() => {
    const r = this.routine();
    const { totalSeconds } = buildTimeline(r.items, r, DEFAULT_TIMINGS, (id) => this.library.find(id));
    return [
      `${formatClock(totalSeconds)} min with set-up and changes`,
      ...(r.purpose === 'own' ? [] : [purposeName(r.purpose).toLowerCase()]),
      ...(r.rounds > 1 ? [roundsWords(r)] : []),
      r.alreadyWarm ? 'begun warm' : 'begins with easy movement where it is long enough',
    ].join(' · ');
  });
}
