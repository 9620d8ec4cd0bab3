import { Component, computed, input, output, signal } from '@angular/core';
import { muscleGroupName, type Exercise } from '@yandle/core';

let pickers = 0;
/** Exercises that are listed at once. */
const LISTED = 8;

/** Type to find an exercise: name, muscle group, technique or position. Arrow keys choose, Enter takes it, and the box is free for the next. */
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
      [placeholder]="label()"
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
  protected readonly found = computed(() => {
    const words = this.typed().toLowerCase().split(/\s+/).filter(Boolean);
    const says = (e: Exercise): string => `${e.name} ${this.meta(e)}`.toLowerCase();
    return this.exercises()
      .filter((e) => words.every((w) => says(e).includes(w)))
      .slice(0, LISTED);
  });

  protected meta(e: Exercise): string {
    return `${muscleGroupName(e.primary)} · ${e.technique} · ${e.position}`;
  }

  protected type(text: string): void {
    this.open.set(true);
    this.typed.set(text);
    this.active.set(0);
  }

  protected key(event: KeyboardEvent): void {
    const last = this.found().length - 1;
    if (event.key === 'ArrowDown') this.active.set(Math.min(last, this.active() + 1));
    else if (event.key === 'ArrowUp') this.active.set(Math.max(0, this.active() - 1));
    else if (event.key === 'Enter' && this.typed().trim() !== '' && this.found()[this.active()])
      this.take(this.found()[this.active()]!);
    else if (event.key === 'Escape') this.type('');
    else return;
    event.preventDefault();
  }

  protected take(e: Exercise): void {
    this.picked.emit(e);
    this.type('');
  }
}
