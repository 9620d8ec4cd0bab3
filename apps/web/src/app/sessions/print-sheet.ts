import { Component, computed, input } from '@angular/core';
import {
  boutOf,
  boutsOn,
  choiceLine,
  DUTY_OF_CARE,
  formatClock,
  itemWords,
  pushWords,
  SENSATION_ADVICE,
  EMERGENCY_SIGNS,
  paperSteps,
  sideInWords,
  STOP_SIGNS,
  targetWords,
  type Exercise,
  type SessionItem,
  type Timeline,
} from '@yandle/core';
import { FigureView } from '../ui/figure';

/** The session on one page for the client: to be followed without the app. Shown on paper only. */
@Component({
  selector: 'y-print-sheet',
  imports: [FigureView],
  template: `
    <article class="hidden text-[9.5pt] leading-snug text-black print:block">
      <header class="mb-2 flex items-baseline justify-between border-b border-black pb-1">
        <h1 class="text-[15pt]!">{{ title() }}</h1>
        <p>{{ clock(timeline().totalSeconds) }} · {{ subtitle() }}</p>
      </header>
      <p class="mb-2">
        @if (timeline().byKind['warm-up'] > 0) {
          <b>First: {{ clock(timeline().byKind['warm-up']) }} to get warm</b> – {{ warmUp() }}.
        } @else {
          <b>{{ warm() ? 'Begin warm.' : 'Begin easily: the first set small and slow.' }}</b>
        }
        @if (rounds() > 1) {
          Then the list below,
          <b>{{ untilEasy() ? 'until it feels easy, ' + rounds() + ' times at most' : rounds() + ' times' }}</b>.
        }
        Tick a box for every set.
      </p>
      <ol class="grid grid-cols-2 gap-x-4 gap-y-2">
        @for (r of rows(); track r.place) {
          <li class="flex break-inside-avoid gap-2 border-t border-neutral-400 pt-1">
            @if (r.exercise.figure; as f) {
              <y-figure class="h-20 w-24 shrink-0" [figure]="f" [side]="r.item.firstSide" label="" />
            }
            <div class="min-w-0">
              <p>
                <b>{{ r.place + 1 }}. {{ r.exercise.name }}</b>
              </p>
              <p>
                <b>{{ r.words }}.</b> {{ r.target }}.
                @if (r.choice) {
                  {{ r.choice }}.
                }
              </p>
              @for (b of r.boxes; track b.side) {
                <p>
                  {{ b.side }}
                  @for (box of b.sets; track $index) {
                    <span class="mr-0.5 inline-block h-[9pt] w-[9pt] border border-black align-middle"></span>
                  }
                </p>
              }
              <p>{{ r.how }}</p>
              <p><b>Stop when</b> {{ r.exercise.endPoint }}. {{ r.exercise.cautions[0] }}</p>
            </div>
          </li>
        }
      </ol>
      <footer class="mt-3 border-t border-black pt-1">
        <p><b>Stop at once if you feel:</b> {{ stopSigns }}. Then rest, and tell your coach before the next session.</p>
        <p><b>Ambulance:</b> {{ emergencies }}.</p>
        <p>{{ advice }}</p>
        <p>{{ care }}</p>
        <p class="mt-1">
          How strong did it feel (0-10)? ____ Which side felt tighter? left / right / same · Sore the next day (0-10)?
          ____
        </p>
      </footer>
    </article>
  `,
})
export class PrintSheet {
  readonly items = input.required<readonly SessionItem[]>();
  readonly timeline = input.required<Timeline>();
  readonly find = input.required<(id: string) => Exercise>();
  readonly title = input.required<string>();
  readonly subtitle = input.required<string>();
  readonly warm = input(false);
  readonly rounds = input(1);
  readonly untilEasy = input(false);
  /** What the warm-up is made of, in words. */
  readonly warmUp = input('');
  protected readonly clock = formatClock;
  protected readonly stopSigns = STOP_SIGNS.join(' · ').toLowerCase();
  protected readonly emergencies = EMERGENCY_SIGNS.join(' · ').toLowerCase();
  protected readonly advice = SENSATION_ADVICE;
  protected readonly care = DUTY_OF_CARE;

  protected readonly rows = computed(() =>
    this.items().map((item, place) => {
      const exercise = this.find()(item.exerciseId);
      const bout = boutOf(item, exercise);
      const sides = exercise.sides === 'each' ? [item.firstSide, item.firstSide === 'left' ? 'right' : 'left'] : [null];
      return {
        item,
        place,
        exercise,
        words: itemWords(item, exercise),
        choice: choiceLine(item, this.find(), itemWords),
        target: targetWords(item),
        how: [...paperSteps(exercise), pushWords(item, exercise) ?? ''].join(' '),
        boxes: [
          ...sides.map((side) => ({
            side: side === null ? 'sets' : sideInWords(exercise, side as 'left' | 'right'),
            sets: Array.from({ length: boutsOn(bout, side as 'left' | 'right' | null).sets * this.rounds() }),
          })),
          ...(item.middle ? [{ side: 'middle', sets: Array.from({ length: this.rounds() }) }] : []),
        ],
      };
    }),
  );
}
