import { Component, computed, input, output, signal } from '@angular/core';
import { exerciseIndex, findExercises, type Exercise } from '@yandle/core';
import { exerciseLine } from './exercise-line';

let pickers = 0;
/** Exercises that are listed at once. */
const LISTED = 12;

/** Type to find an exercise: its name, a place of the body as clients call it, technique, position or thing. Arrow keys choose, Enter takes it, and the box is free for the next; Shift+Enter takes it and goes on down the list. */
@Component({
  selector: 'y-exercise-picker',
  host: { class: 'relative block' },
  template: `
    <input
      #box
      class="input"
      type="text"
      role="combobox"
      aria-autocomplete="list"
      autocomplete="off"
      [attr.aria-label]="label()"
      [attr.aria-controls]="list"
      [attr.aria-expanded]="open() && typed() !== ''"
      [attr.aria-activedescendant]="open() && found()[active()] ? list + active() : null"
      placeholder="Type to add: Enter takes one, Shift+Enter several"
      [value]="typed()"
      (focus)="open.set(true)"
      (input)="type(box.value)"
      (keydown)="key($event)"
      (blur)="open.set(false)"
    />
    @if (open() && typed().trim() !== '') {
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
            <span class="font-semibold">{{ e.name }}</span>
            <span class="block text-sm text-soft">{{ meta(e) }}</span>
          </li>
        } @empty {
          <li role="option" aria-selected="false" aria-disabled="true" class="px-3 py-1.5 text-soft">
            No exercise of that name
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
  protected readonly open = signal(false);
  protected readonly typed = signal('');
  protected readonly active = signal(0);
  private readonly index = computed(() => exerciseIndex(this.exercises()));
  protected readonly found = computed(() => findExercises(this.typed(), this.index()).slice(0, LISTED));
  protected readonly meta = exerciseLine;

  protected type(text: string): void {
    this.open.set(true);
    this.typed.set(text);
    this.active.set(0);
  }

  protected key(event: KeyboardEvent): void {
    const last = this.found().length - 1;
    if (event.key === 'ArrowDown') this.active.set(Math.min(last, this.active() + 1));
    else if (event.key === 'ArrowUp') this.active.set(Math.max(0, this.active() - 1));
    else if (event.key === 'Enter' && this.typed().trim() !== '' && this.found()[this.active()]) {
      if (event.shiftKey) this.takeAndStay();
      else this.take(this.found()[this.active()]!);
    } else if (event.key === 'Escape') this.type('');
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
    this.type('');
  }
}
