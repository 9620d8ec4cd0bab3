import { Component, computed, type ElementRef, inject, input, output, signal, viewChild } from '@angular/core';
import { exerciseIndex, findExercises, type Exercise } from '@yandle/core';
import { MineService } from '../data/mine.service';
import { exerciseLine } from './exercise-line';

let pickers = 0;
/** Exercises that are listed at once. */
const LISTED = 12;

/** Type to find an exercise: its name, a place of the body as clients call it, technique, position or thing. Arrow keys choose, Enter takes it, and the box is free for the next; Shift+Enter takes it and goes on down the list. The star lists what the coach keeps at hand: the favourites, then what is in use. */
@Component({
  selector: 'y-exercise-picker',
  host: { class: 'relative block' },
  providers: [MineService],
  template: `
    <input
      #box
      class="input !pr-11"
      type="text"
      role="combobox"
      aria-autocomplete="list"
      autocomplete="off"
      [attr.aria-label]="label()"
      [attr.aria-controls]="list"
      [attr.aria-expanded]="listed()"
      [attr.aria-activedescendant]="listed() && found()[active()] ? list + active() : null"
      placeholder="Type to add: Enter takes one, Shift+Enter several"
      [value]="typed()"
      (focus)="open.set(true)"
      (input)="type(box.value)"
      (keydown)="key($event)"
      (blur)="shut()"
    />
    <button
      type="button"
      class="absolute right-1 top-1 grid size-8 place-items-center rounded text-soft hover:text-action"
      aria-label="Favourites and exercises in use"
      [attr.aria-pressed]="atHand()"
      (mousedown)="$event.preventDefault()"
      (click)="box.focus(); showAtHand()"
    >
      ★
    </button>
    @if (listed()) {
      <ul
        role="listbox"
        aria-label="Exercises"
        class="sheet absolute z-40 mt-1 max-h-80 w-full overflow-auto p-1 shadow-lg"
        [id]="list"
      >
        @for (e of found(); track e.id; let i = $index) {
          <li
            role="option"
            class="cursor-pointer rounded px-3 py-1.5"
            [id]="list + i"
            [attr.aria-selected]="i === active()"
            [class.bg-action-wash]="i === active()"
            (mousedown)="$event.preventDefault(); take(e)"
          >
            <span class="font-semibold"
              >{{ e.name }}
              @if (mine.favourites().has(e.id)) {
                <span class="text-action" aria-label="favourite">★</span>
              }
            </span>
            <span class="block text-sm text-soft">{{ meta(e) }}</span>
          </li>
        } @empty {
          <li role="option" aria-selected="false" aria-disabled="true" class="px-3 py-1.5 text-soft">
            {{ nothing() }}
          </li>
        }
      </ul>
    }
  `,
})
export class ExercisePicker {
  readonly exercises = input.required<readonly Exercise[]>();
  readonly label = input('Add an exercise');
  readonly picked = output<Exercise>();
  protected readonly list = `exercise-option-${++pickers}-`;
  private readonly box = viewChild.required<ElementRef<HTMLInputElement>>('box');
  protected readonly open = signal(false);
  protected readonly typed = signal('');
  protected readonly active = signal(0);
  private readonly index = computed(() => exerciseIndex(this.exercises()));
  protected readonly mine = inject(MineService);
  /** What the coach keeps at hand stands in the list, as long as nothing is typed. */
  protected readonly atHand = signal(false);
  protected readonly listed = computed(() => this.open() && (this.typed().trim() !== '' || this.atHand()));
  protected readonly found = computed(() =>
    (this.atHand() ? this.kept() : findExercises(this.typed(), this.index())).slice(0, LISTED),
  );
  private readonly kept = computed(() => {
    const { favourites = [], recent = [] } = this.mine.mine() ?? {};
    const offered = new Map(this.exercises().map((e) => [e.id, e]));
    return [...new Set([...favourites, ...recent])].flatMap((id) => offered.get(id) ?? []);
  });
  protected readonly nothing = computed(() => {
    if (!this.atHand()) return 'No exercise of that name';
    const problem = this.mine.requests.problem();
    if (problem) return problem.detail;
    return this.mine.mine() ? 'Nothing is kept at hand yet: in the library each exercise has a star.' : 'Loading …';
  });
  protected readonly meta = exerciseLine;

  protected type(text: string): void {
    this.open.set(true);
    this.atHand.set(false);
    this.typed.set(text);
    this.active.set(0);
  }

  /** The field is emptied itself: typed and taken before the screen was drawn, the binding sees no change. */
  private empty(): void {
    this.type('');
    this.box().nativeElement.value = '';
  }

  protected showAtHand(): void {
    const show = !this.atHand();
    this.empty();
    this.atHand.set(show);
    if (show) void this.mine.load();
  }

  protected shut(): void {
    this.open.set(false);
    this.atHand.set(false);
  }

  protected key(event: KeyboardEvent): void {
    const last = this.found().length - 1;
    if (event.key === 'ArrowDown') this.active.set(Math.min(last, this.active() + 1));
    else if (event.key === 'ArrowUp') this.active.set(Math.max(0, this.active() - 1));
    else if (event.key === 'Enter' && this.listed() && this.found()[this.active()]) {
      if (event.shiftKey) this.takeAndStay();
      else this.take(this.found()[this.active()]!);
    } else if (event.key === 'Escape') this.empty();
    else return;
    event.preventDefault();
    queueMicrotask(() => document.getElementById(this.list + this.active())?.scrollIntoView?.({ block: 'nearest' }));
  }

  /** Takes the one that is marked and goes on to the next of the list. */
  private takeAndStay(): void {
    this.picked.emit(this.found()[this.active()]!);
    this.active.update((i) => Math.min(this.found().length - 1, i + 1));
  }

  protected take(e: Exercise): void {
    this.picked.emit(e);
    this.empty();
  }
}
