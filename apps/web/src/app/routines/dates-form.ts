import { Component, computed, inject, model, output } from '@angular/core';
import {
  addDays,
  isPlainDate,
  MOST_DATES,
  MOST_DAY_ROUNDS,
  REPEATS,
  repeatedDates,
  spreadOver,
  type PlainDate,
  type Repeat,
  type RoundDate,
} from '@yandle/core';
import { AccountService } from '../data/account.service';

/** On which dates: once, or again and again up to a day. */
@Component({
  selector: 'y-dates-form',
  template: `
    <div class="flex flex-wrap items-end gap-3">
      <label class="field !w-40">
        <span class="label">Date</span>
        <input class="input" type="date" [min]="today" [value]="first()" #on (change)="setFirst(on.value)" />
      </label>
      <label class="field !w-44">
        <span class="label">Repeat</span>
        <select class="input" #often (change)="setRepeat(often.value)">
          @for (r of repeats; track r) {
            <option [value]="r" [selected]="r === repeat()">{{ r }}</option>
          }
        </select>
      </label>
      @if (repeat() !== 'once') {
        <label class="field !w-40">
          <span class="label">Until</span>
          <input class="input" type="date" [min]="first()" [value]="until()" #end (change)="setUntil(end.value)" />
        </label>
      }
      <label class="field !w-44">
        <span class="label">Rounds a day</span>
        <select class="input" #spread (change)="setTimes(+spread.value)">
          <option value="1" [selected]="times() === 1">all at once</option>
          @for (n of spreads; track n) {
            <option [value]="n" [selected]="times() === n">{{ n }}, over the day</option>
          }
        </select>
      </label>
    </div>
  `,
})
export class DatesForm {
  protected readonly today = inject(AccountService).me()?.today ?? '';
  protected readonly repeats = REPEATS;
  protected readonly spreads = Array.from({ length: MOST_DAY_ROUNDS - 1 }, (_, i) => i + 2);
  readonly first = model<PlainDate>(this.today);
  readonly repeat = model<Repeat>('once');
  readonly until = model<PlainDate>(addDays(this.today, 6));
  /** How often it is done on each of its days. */
  readonly times = model(1);
  readonly chosen = output<readonly RoundDate[]>();
  readonly dates = computed(() =>
    spreadOver(repeatedDates(this.first(), this.repeat(), this.until()), this.times()).slice(0, MOST_DATES),
  );

  protected setFirst(date: string): void {
    if (isPlainDate(date) && date >= this.today) this.first.set(date);
    this.chosen.emit(this.dates());
  }

  protected setRepeat(repeat: string): void {
    this.repeat.set(repeat as Repeat);
    this.chosen.emit(this.dates());
  }

  protected setTimes(times: number): void {
    this.times.set(times);
    this.chosen.emit(this.dates());
  }

  protected setUntil(date: string): void {
    if (isPlainDate(date)) this.until.set(date);
    this.chosen.emit(this.dates());
  }
}
