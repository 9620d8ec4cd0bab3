import { Component, computed, input, output } from '@angular/core';
import { MOST_ROUNDS, type SessionSettings } from '@yandle/core';

type Rounds = Pick<SessionSettings, 'rounds' | 'untilEasy'>;

const CHOICES: readonly (Rounds & { readonly name: string })[] = [
  ...Array.from({ length: MOST_ROUNDS }, (_, i) => ({ rounds: i + 1, untilEasy: false, name: String(i + 1) })),
  { rounds: MOST_ROUNDS, untilEasy: true, name: `until it feels easy, ${MOST_ROUNDS} at most` },
];

/** How often a list is gone through: a number, or until it feels easy. */
@Component({
  selector: 'y-rounds-field',
  template: `
    <label class="field" [class]="'!w-44'">
      <span class="label">Rounds</span>
      <select class="input" #often (change)="chosen.emit(choices[often.selectedIndex]!)">
        @for (c of choices; track c.name; let i = $index) {
          <option [value]="c.untilEasy ? 'easy' : c.rounds" [selected]="i === now()">{{ c.name }}</option>
        }
      </select>
    </label>
  `,
})
export class RoundsField {
  readonly settings = input.required<Rounds>();
  readonly chosen = output<Rounds>();
  protected readonly choices = CHOICES;
  protected readonly now = computed(() => {
    const { rounds, untilEasy = false } = this.settings();
    return untilEasy ? CHOICES.length - 1 : rounds - 1;
  });
}
