import { Component, computed, inject, input, model, output, signal, type OnDestroy } from '@angular/core';
import type { SessionSettings } from '@yandle/contract';
import {
  clashWords,
  formatClock,
  muscleGroupName,
  needsOfGroups,
  NOTHING_ON_HOLD,
  POSITIONS,
  proofWords,
  shortfallWords,
  trainableGroups,
  WISHED_SECONDS,
  wishesOf,
  type Caution,
  type ClientPlace,
  type Composition,
  type Exercise,
  type Experience,
  type GroupWish,
  type MuscleGroupId,
  type SessionClash,
  type SessionItem,
  type Timings,
  type WantedGroup,
} from '@yandle/core';
import { Composer } from '../sessions/composer.service';

/** A list composed from muscle groups and minutes: those of the last findings, those just trained, or any others. No block is needed. */
@Component({
  selector: 'y-compose-groups',
  template: `
    <section class="flex flex-col gap-3 rounded border border-line p-3" aria-labelledby="compose-groups">
      <h3 id="compose-groups">Compose from muscle groups</h3>
      <ol class="flex flex-wrap gap-2" aria-label="Groups, the most important first">
        @for (w of wishes(); track w.group) {
          <li class="flex items-center gap-1 rounded-full border border-line py-1 pr-1 pl-3 text-sm">
            {{ nameOf(w.group) }}{{ w.tighter ? ', ' + w.tighter + ' tighter' : '' }}
            <button
              type="button"
              class="grid size-6 place-items-center rounded-full hover:bg-shade"
              [attr.aria-label]="'Without ' + nameOf(w.group)"
              (click)="drop(w.group)"
            >
              ×
            </button>
          </li>
        } @empty {
          <li class="text-sm text-soft">The first group counts most.</li>
        }
      </ol>
      <div class="flex flex-wrap items-end gap-3">
        <label class="field !w-56">
          <span class="label">Add a group</span>
          <select class="input" #group (change)="add(group.value); group.value = ''">
            <option value="">choose</option>
            @for (g of others(); track g) {
              <option [value]="g">{{ nameOf(g) }}</option>
            }
          </select>
        </label>
        @if (wanted().length > 0) {
          <button type="button" class="btn" (click)="takeFindings()">What the findings ask for</button>
        }
        <label class="field !w-32">
          <span class="label">Seconds a side</span>
          <input
            class="input"
            type="number"
            step="5"
            [min]="bounds.min"
            [max]="bounds.max"
            [value]="seconds()"
            #much
            (change)="setSeconds(+much.value)"
          />
        </label>
        <label class="field !w-24">
          <span class="label">Minutes</span>
          <input
            class="input"
            type="number"
            min="5"
            max="120"
            [value]="minutes()"
            #time
            (change)="setMinutes(+time.value)"
          />
        </label>
        @if (composer.progress(); as p) {
          <p class="pb-2 text-sm">
            <span role="status">{{ p.words }}…</span>
            <button type="button" class="link ml-2" (click)="composer.cancel()">Cancel</button>
          </p>
        } @else {
          <button type="button" class="btn btn-go" [disabled]="wishes().length === 0" (click)="compose()">
            Compose
          </button>
        }
      </div>
      <label class="flex min-h-6 items-center gap-2 text-sm">
        <input type="checkbox" class="accent-(--action)" [checked]="trained()" (change)="setTrained(!trained())" />
        These were just trained: no warm-up
      </label>
      @if (composer.problem(); as words) {
        <p class="note" role="alert">{{ words }}</p>
      }
      @if (clash(); as words) {
        <p class="note" role="alert">{{ words }}</p>
      }
      @if (session(); as m) {
        <div class="text-sm" aria-live="polite">
          <p>
            <span class="font-semibold"
              >{{ m.items.length }} {{ m.items.length === 1 ? 'exercise' : 'exercises' }},
              {{ clock(m.totalSeconds) }}.</span
            >
            {{ proof() }}
          </p>
          @if (m.shortfalls.length > 0) {
            <ul class="mt-1 list-disc pl-5 text-attention">
              @for (s of m.shortfalls; track s.need) {
                <li>{{ shortfall(s) }}</li>
              }
            </ul>
          }
        </div>
      }
    </section>
  `,
})
export class ComposeGroups implements OnDestroy {
  protected readonly composer = inject(Composer);
  readonly settings = model.required<SessionSettings>();
  /** Exercises to choose from, before cautions and place are looked at. */
  readonly exercises = input.required<readonly Exercise[]>();
  readonly cautions = input.required<readonly Caution[]>();
  readonly place = input.required<ClientPlace | null>();
  readonly experience = input.required<Experience>();
  readonly timings = input.required<Timings>();
  /** What the last findings ask for, in order. */
  readonly wanted = input.required<readonly WantedGroup[]>();
  /** Minutes of the client where nothing else is set. */
  readonly usualMinutes = input.required<number>();
  /** The list that was composed. */
  readonly composed = output<readonly SessionItem[]>();

  protected readonly bounds = WISHED_SECONDS;
  protected readonly nameOf = muscleGroupName;
  protected readonly clock = formatClock;
  protected readonly shortfall = shortfallWords;
  protected readonly wishes = signal<readonly GroupWish[]>([]);
  protected readonly seconds = signal<number>(WISHED_SECONDS.usual);
  protected readonly minutes = computed(() => this.settings().minutes ?? this.usualMinutes());
  protected readonly trained = computed(() => this.settings().purpose === 'after training');
  protected readonly others = computed(() => {
    const taken = this.wishes().map((w) => w.group);
    return trainableGroups().filter((g) => !taken.includes(g));
  });
  private readonly made = signal<Composition | SessionClash | null>(null);
  protected readonly session = computed(() => {
    const m = this.made();
    return m?.kind === 'session' ? m : null;
  });
  protected readonly clash = computed(() => {
    const m = this.made();
    return m?.kind === 'clash' ? clashWords(m) : '';
  });
  protected readonly proof = computed(() => {
    const m = this.session();
    return m ? proofWords(m) : '';
  });

  constructor() {
    this.composer.warm();
  }

  ngOnDestroy(): void {
    this.composer.cancel();
  }

  protected add(group: string): void {
    if (group !== '') this.wishes.update((w) => [...w, { group: group as MuscleGroupId, tighter: null }]);
  }

  protected drop(group: MuscleGroupId): void {
    this.wishes.update((all) => all.filter((w) => w.group !== group));
  }

  /** What the findings ask for comes first; what was chosen by hand stays behind it. */
  protected takeFindings(): void {
    const asked = wishesOf(this.wanted());
    this.wishes.update((all) => [...asked, ...all.filter((w) => !asked.some((a) => a.group === w.group))]);
  }

  protected setSeconds(n: number): void {
    if (Number.isInteger(n) && n >= this.bounds.min && n <= this.bounds.max) this.seconds.set(n);
  }

  protected setMinutes(n: number): void {
    if (Number.isInteger(n) && n >= 5 && n <= 120) this.settings.update((s) => ({ ...s, minutes: n }));
  }

  protected setTrained(yes: boolean): void {
    this.settings.update((s) => ({ ...s, purpose: yes ? 'after training' : 'own', alreadyWarm: yes }));
  }

  protected async compose(): Promise<void> {
    this.made.set(null);
    const { purpose, alreadyWarm } = this.settings();
    const exercises = this.exercises();
    const made = await this.composer.compose({
      needs: needsOfGroups(this.wishes(), exercises, this.seconds()),
      exercises,
      cautions: this.cautions(),
      place: this.place(),
      experience: this.experience(),
      positions: this.place()?.positions ?? POSITIONS,
      purpose,
      // All of them were trained or none: it would change no weight.
      trained: [],
      budgetSeconds: this.minutes() * 60,
      alreadyWarm,
      ...{ keep: [], never: [], locks: [], known: [], caps: {} },
      onHold: NOTHING_ON_HOLD,
      timings: this.timings(),
    });
    this.made.set(made);
    if (made?.kind !== 'session') return;
    this.settings.update((s) => ({ ...s, rounds: 1, minutes: this.minutes() }));
    this.composed.emit(made.items);
  }
}
