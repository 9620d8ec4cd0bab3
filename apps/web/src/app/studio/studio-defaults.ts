import { Component, computed, inject, linkedSignal } from '@angular/core';
import { FIELD, type StudioSettings } from '@yandle/contract';
import {
  BLOCK_BOUNDS,
  FIRST_WEEKDAYS,
  LENGTH_UNITS,
  parseNumber,
  percentOf,
  TIMING_BOUNDS,
  WEEKDAYS,
  WEIGHT_UNITS,
  type FirstWeekday,
  type LengthUnit,
  type StudioTimings,
  type WeightUnit,
} from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { AccountService } from '../data/account.service';
import { fieldMessage } from '../data/problem';
import { Requests } from '../data/requests';
import { StudioApi } from '../data/studio-api';
import { ToastService } from '../data/toast.service';
import { ProblemNote } from '../ui/problem-note';
import { TIMING_WORDS } from '../timings/timing-words';
import { TextField } from '../ui/text-field';

const LENGTH_WORDS: Readonly<Record<LengthUnit, string>> = { cm: 'centimetres', in: 'inches' };
const WEIGHT_WORDS: Readonly<Record<WeightUnit, string>> = { kg: 'kilograms', lb: 'pounds' };

/** Bounds and place of a number that is typed. */
interface NumberField {
  readonly path: string;
  readonly label: string;
  readonly min: number;
  readonly max: number;
}

const TIMINGS: readonly NumberField[] = (Object.keys(TIMING_BOUNDS) as (keyof StudioTimings)[]).map((key) => ({
  path: `timings.${key}`,
  label: TIMING_WORDS[key],
  ...TIMING_BOUNDS[key],
}));
const { weeks, ramp, lanesPerSession } = BLOCK_BOUNDS;
const DEFAULTS: readonly NumberField[] = [
  { path: 'minutesPerSession', label: 'Minutes per session', ...FIELD.minutes },
  { path: 'block.weeks', label: 'Weeks of a block', ...weeks },
  { path: 'block.ramp', label: 'Weekly increase at most, %', min: ramp.min * 100, max: ramp.max * 100 },
  { path: 'block.lanesPerSession', label: 'Lanes per session at most', ...lanesPerSession },
];
const EASIER = [3, 4, 5, 6] as const;

/** The numbers of the settings as they are typed, by path. */
function textsOf(s: StudioSettings): Record<string, string> {
  const out: Record<string, string> = {};
  for (const [key, seconds] of Object.entries(s.timings)) out[`timings.${key}`] = String(seconds);
  return {
    ...out,
    minutesPerSession: String(s.minutesPerSession),
    'block.weeks': String(s.block.weeks),
    'block.ramp': String(percentOf(s.block.ramp, 1)),
    'block.lanesPerSession': String(s.block.lanesPerSession),
  };
}

/** What holds for all clients of the studio: timings of a session, defaults of clients and blocks, first weekday, units. */
@Component({
  selector: 'y-studio-defaults',
  imports: [ProblemNote, TextField],
  template: `
    <section class="sheet p-4" aria-labelledby="defaults">
      <h2 id="defaults">Defaults</h2>
      <form class="mt-3 flex flex-col gap-5" (submit)="save($event)">
        <fieldset class="grid grid-cols-2 items-end gap-3 sm:grid-cols-3">
          <legend class="mb-2 font-semibold">Week and units</legend>
          <label class="field max-sm:col-span-2">
            <span class="label">First day of the week</span>
            <select class="input" #first (change)="firstWeekday.set(weekdayAt(first.selectedIndex))">
              @for (d of firstDays; track d.id) {
                <option [value]="d.id" [selected]="d.id === firstWeekday()">{{ d.name }}</option>
              }
            </select>
          </label>
          <label class="field">
            <span class="label">Lengths in</span>
            <select class="input" #length (change)="length_.set(lengths[length.selectedIndex]!)">
              @for (u of lengths; track u) {
                <option [value]="u" [selected]="u === length_()">{{ lengthWords[u] }}</option>
              }
            </select>
          </label>
          <label class="field">
            <span class="label">Weights in</span>
            <select class="input" #weight (change)="weight_.set(weights[weight.selectedIndex]!)">
              @for (u of weights; track u) {
                <option [value]="u" [selected]="u === weight_()">{{ weightWords[u] }}</option>
              }
            </select>
          </label>
          <p class="col-span-full text-sm text-soft">
            Files, error studies and your own tests stay in centimetres and kilograms.
          </p>
        </fieldset>
        <fieldset class="grid grid-cols-2 items-end gap-3 sm:grid-cols-3">
          <legend class="mb-2 font-semibold">New clients and blocks</legend>
          @for (f of numbers; track f.path) {
            <y-text-field
              [label]="f.label"
              [decimal]="true"
              [value]="texts()[f.path]!"
              [error]="message(f)"
              (typed)="type(f.path, $event)"
            />
          }
          <label class="field max-sm:col-span-2">
            <span class="label">Easier week</span>
            <select class="input" #easier (change)="easierEvery.set(easierAt(easier.selectedIndex))">
              @for (n of easierChoices; track n) {
                <option [value]="n" [selected]="n === easierEvery()">every {{ n }}th week</option>
              }
              <option value="" [selected]="easierEvery() === null">none</option>
            </select>
          </label>
        </fieldset>
        <fieldset class="grid grid-cols-2 items-end gap-3 sm:grid-cols-3">
          <legend class="mb-2 font-semibold">Timings of a session, seconds</legend>
          @for (f of timings; track f.path) {
            <y-text-field
              [label]="f.label"
              [decimal]="true"
              [value]="texts()[f.path]!"
              [error]="message(f)"
              (typed)="type(f.path, $event)"
            />
          }
          <p class="col-span-full text-sm text-soft">
            Every session is as long as the sum of its parts. Session sheets and the player use these at once; lengths
            in the calendar follow with the next plan. A breath is the client’s own; 5 s until you measure it.
          </p>
        </fieldset>
        @if (requests.problem(); as p) {
          @if (!p.errors) {
            <y-problem-note [problem]="p" />
          }
        }
        <button type="submit" class="btn self-start" [disabled]="requests.busy()">Save defaults</button>
      </form>
    </section>
  `,
})
export class StudioDefaults {
  private readonly api = inject(StudioApi);
  private readonly account = inject(AccountService);
  private readonly toasts = inject(ToastService);
  private readonly settings = this.account.settings;
  protected readonly requests = new Requests();
  protected readonly timings = TIMINGS;
  protected readonly numbers = DEFAULTS;
  protected readonly easierChoices = EASIER;
  protected readonly firstDays = WEEKDAYS.filter((d) => (FIRST_WEEKDAYS as readonly number[]).includes(d.id));
  protected readonly lengths = LENGTH_UNITS;
  protected readonly weights = WEIGHT_UNITS;
  protected readonly lengthWords = LENGTH_WORDS;
  protected readonly weightWords = WEIGHT_WORDS;
  protected readonly texts = linkedSignal(() => textsOf(this.settings()));
  protected readonly firstWeekday = linkedSignal(() => this.settings().firstWeekday);
  protected readonly length_ = linkedSignal(() => this.settings().units.length);
  protected readonly weight_ = linkedSignal(() => this.settings().units.weight);
  protected readonly easierEvery = linkedSignal(() => this.settings().block.easierEvery);

  /** What is typed, as numbers; what is none is refused by the server with its field. */
  private readonly typed = computed((): StudioSettings => {
    const number = (path: string): number => parseNumber(this.texts()[path]!) ?? NaN;
    const timings = Object.fromEntries(
      Object.keys(TIMING_BOUNDS).map((key) => [key, number(`timings.${key}`)]),
    ) as unknown as StudioTimings;
    return {
      timings,
      firstWeekday: this.firstWeekday(),
      units: { length: this.length_(), weight: this.weight_() },
      block: {
        weeks: number('block.weeks'),
        ramp: number('block.ramp') / 100,
        lanesPerSession: number('block.lanesPerSession'),
        easierEvery: this.easierEvery(),
      },
      minutesPerSession: number('minutesPerSession'),
    };
  });

  protected weekdayAt(index: number): FirstWeekday {
    return FIRST_WEEKDAYS[index]!;
  }

  protected easierAt(index: number): number | null {
    return EASIER[index] ?? null;
  }

  protected type(path: string, text: string): void {
    this.texts.update((t) => ({ ...t, [path]: text }));
  }

  protected message({ path, min, max }: NumberField): string | null {
    return fieldMessage(this.requests.problem(), path) && `Whole number, ${min} to ${max}.`;
  }

  protected async save(event: Event): Promise<void> {
    event.preventDefault();
    await this.requests.run(async () => {
      await firstValueFrom(this.api.putSettings(this.typed()));
      await this.account.load();
      this.toasts.show('Defaults saved.');
    });
  }
}
