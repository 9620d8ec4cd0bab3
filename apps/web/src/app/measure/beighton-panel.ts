import { Component, computed, input, output } from '@angular/core';
import { beighton, BEIGHTON_ITEMS, BEIGHTON_SOURCE, sourceWords } from '@yandle/core';

const EMPTY: readonly (boolean | null)[] = BEIGHTON_ITEMS.map(() => null);

/** The nine items of the Beighton score, each kept as soon as it is marked. */
@Component({
  selector: 'y-beighton-panel',
  template: `
    <section class="max-w-4xl" aria-labelledby="beighton">
      <div class="flex flex-wrap items-baseline gap-x-3">
        <h1 id="beighton">Beighton score</h1>
        <p class="text-soft">nine items · general joint mobility · a screen, no diagnosis</p>
      </div>
      <div class="sheet mt-4 divide-y divide-line">
        @for (row of rows; track row.name) {
          <div class="grid items-center gap-x-4 gap-y-1 px-4 py-2.5 sm:grid-cols-[1fr_auto]">
            <div>
              <h2 class="!text-[1.05rem]">{{ row.name }}</h2>
              <p class="text-sm text-soft">{{ row.how }}</p>
            </div>
            <div class="flex flex-wrap gap-4">
              @for (i of row.items; track i) {
                <fieldset class="flex items-center gap-1.5">
                  <legend class="sr-only">{{ label(i) }}</legend>
                  @if (items[i]!.side) {
                    <span
                      class="w-8 font-semibold whitespace-nowrap"
                      [class.text-l-side]="items[i]!.side === 'left'"
                      [class.text-r-side]="items[i]!.side === 'right'"
                      aria-hidden="true"
                      >{{ items[i]!.side === 'left' ? '● L' : '○ R' }}</span
                    >
                  }
                  <label class="choice">
                    <input type="radio" [name]="'b' + i" [checked]="marks()[i] === true" (change)="mark(i, true)" /> yes
                  </label>
                  <label class="choice">
                    <input type="radio" [name]="'b' + i" [checked]="marks()[i] === false" (change)="mark(i, false)" />
                    no
                  </label>
                </fieldset>
              }
            </div>
          </div>
        }
      </div>
      <p class="mt-4 font-serif text-3xl font-semibold" aria-live="polite">
        {{ score().score }} of 9
        <span class="font-sans text-base font-normal text-soft">{{ words() }}</span>
      </p>
      @if (score().high) {
        <p class="note mt-2 max-w-2xl" role="note">
          Generally very mobile at this age (from {{ score().cutOff }}). Favour activation and control in mid-range; no
          end-range loading. It is a screen, no diagnosis: with pain, dislocations or frequent injuries refer to a
          doctor.
        </p>
      }
      <p class="mt-2 max-w-2xl text-sm text-soft">Never force a joint: the client moves, you look. {{ source }}.</p>
    </section>
  `,
})
export class BeightonPanel {
  readonly kept = input.required<readonly (boolean | null)[] | null>();
  /** Whole years on the day of the assessment. */
  readonly age = input.required<number>();
  readonly marked = output<readonly (boolean | null)[]>();
  protected readonly items = BEIGHTON_ITEMS;
  protected readonly source = sourceWords(BEIGHTON_SOURCE);
  protected readonly rows = [...new Set(BEIGHTON_ITEMS.map((i) => i.name))].map((name) => ({
    name,
    how: BEIGHTON_ITEMS.find((i) => i.name === name)!.how,
    items: BEIGHTON_ITEMS.flatMap((item, i) => (item.name === name ? [i] : [])),
  }));
  protected readonly marks = computed(() => this.kept() ?? EMPTY);
  protected readonly score = computed(() => beighton(this.marks(), this.age()));
  protected readonly words = computed(() => {
    const { missing } = this.score();
    return missing === 0 ? 'all looked at' : `${missing} not looked at yet`;
  });

  protected label(i: number): string {
    const item = BEIGHTON_ITEMS[i]!;
    return `${item.name}${item.side ? `, ${item.side}` : ''}`;
  }

  protected mark(i: number, value: boolean): void {
    this.marked.emit(this.marks().map((m, at) => (at === i ? value : m)));
  }
}
