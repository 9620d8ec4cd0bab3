import { Component, input, output, signal } from '@angular/core';

/** A large pad for one hand: the tablet lies on the floor, the other hand holds the limb. */
@Component({
  selector: 'y-number-pad',
  template: `
    <section class="sheet flex flex-col gap-2 p-3" aria-label="Number pad">
      <p
        class="flex min-h-16 items-center justify-between rounded-lg bg-shade px-4 font-serif text-4xl"
        aria-live="polite"
      >
        <span class="font-sans text-base text-soft">{{ target() }}</span>
        <span data-testid="pad">{{ shown() }}</span>
      </p>
      <div class="grid grid-cols-3 gap-2">
        @for (key of keys; track key) {
          <button
            type="button"
            class="btn !min-h-16 !text-2xl"
            [attr.aria-label]="key === '−' ? 'Minus' : key === '.' ? 'Point' : key"
            (click)="press(key)"
          >
            {{ key }}
          </button>
        }
      </div>
      <div class="grid grid-cols-[1fr_1fr_2fr] gap-2">
        <button type="button" class="btn !min-h-16 text-lg" [disabled]="text() === ''" (click)="erase()">Erase</button>
        <button type="button" class="btn !min-h-16 text-lg" [disabled]="!hasSides()" (click)="swap.emit()">
          L / R
        </button>
        <button type="button" class="btn btn-go !min-h-16 text-xl" [disabled]="text() === ''" (click)="keep()">
          Save
        </button>
      </div>
    </section>
  `,
})
export class NumberPad {
  /** Where the number goes: "Left, reading 2". */
  readonly target = input.required<string>();
  readonly unit = input.required<string>();
  readonly hasSides = input.required<boolean>();
  readonly entered = output<number>();
  readonly swap = output();
  protected readonly keys = ['7', '8', '9', '4', '5', '6', '1', '2', '3', '−', '0', '.'];
  protected readonly text = signal('');

  protected shown(): string {
    return this.text() === '' ? '–' : `${this.text().replace('-', '−')} ${this.unit()}`;
  }

  protected press(key: string): void {
    this.text.update((t) => {
      if (key === '−') return t.startsWith('-') ? t.slice(1) : `-${t}`;
      if (key === '.') return t.includes('.') ? t : `${t === '' || t === '-' ? `${t}0` : t}.`;
      return t.replace('-', '').length >= 6 ? t : t + key;
    });
  }

  protected erase(): void {
    this.text.update((t) => t.slice(0, -1));
  }

  protected keep(): void {
    const value = Number(this.text());
    this.text.set('');
    if (!Number.isNaN(value)) this.entered.emit(value);
  }
}
