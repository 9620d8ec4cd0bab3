import { oneOf } from '../ui/one-of';
import { Component, computed, inject, input, signal } from '@angular/core';
import type { SelfReport, SelfReportKind, SelfReportMoment } from '@yandle/contract';
import { SELF_REPORT_MOMENTS } from '@yandle/contract';
import {
  BODY_REGIONS,
  bodyRegionName,
  complaintChange,
  formatDate,
  habitName,
  HABITS,
  currentComplaints,
  type BodyRegionId,
  type HabitId,
} from '@yandle/core';
import { AccountService } from '../data/account.service';
import { PrioritiesStore } from './priorities.store';

/** What the client says: complaints and felt stiffness by region, 0 to 10, and what a complaint comes with. */
@Component({
  selector: 'y-self-reports-card',
  template: `
    <section class="sheet p-4" aria-labelledby="felt">
      <h2 id="felt" class="!text-[1.05rem]">What the client says</h2>
      <ul class="mt-1 flex flex-col gap-1">
        @for (c of complaints(); track c.region) {
          <li>
            <span class="font-semibold">{{ c.name }} {{ c.score }} of 10</span>
            <span class="text-soft"> · {{ c.day }}{{ c.habits }}{{ c.change }}</span>
          </li>
        }
        @for (s of stiffness(); track s.region) {
          <li>
            <span class="font-semibold">{{ s.name }} stiff {{ s.words }}</span>
            <span class="text-soft"> · {{ s.day }}</span>
          </li>
        }
        @if (complaints().length + stiffness().length === 0) {
          <li class="text-soft">Nothing noted yet.</li>
        }
      </ul>
      <details class="mt-2">
        <summary class="font-semibold">Note a complaint or stiffness</summary>
        <form class="mt-2 flex flex-col gap-2.5" (submit)="send($event)">
          <div class="flex flex-wrap gap-1.5">
            <label class="choice"
              ><input type="radio" name="kind" [checked]="kind() === 'complaint'" (change)="kind.set('complaint')" />
              Complaint</label
            >
            <label class="choice"
              ><input type="radio" name="kind" [checked]="kind() === 'stiffness'" (change)="kind.set('stiffness')" />
              Stiffness</label
            >
          </div>
          <label class="field">
            <span class="label">Region</span>
            <select class="input" #where (change)="region.set(regionOf(where.value) ?? region())">
              @for (r of regions; track r.id) {
                <option [value]="r.id" [selected]="r.id === region()">{{ r.name }}</option>
              }
            </select>
          </label>
          <label class="field">
            <span class="label">When</span>
            <select class="input" #when (change)="moment.set(momentOf(when.value) ?? moment())">
              @for (m of moments; track m) {
                <option [value]="m" [selected]="m === moment()">{{ m === 'day' ? 'in general' : m }}</option>
              }
            </select>
          </label>
          <div class="field">
            <span class="label">How strong, 0 nothing to 10 worst: {{ score() ?? '–' }}</span>
            <span class="flex flex-wrap gap-1" role="radiogroup" aria-label="How strong, 0 to 10">
              @for (n of scale; track n) {
                <button
                  type="button"
                  class="btn !min-h-8 !px-2"
                  role="radio"
                  [attr.aria-checked]="score() === n"
                  [class.!border-action]="score() === n"
                  [class.!bg-action-wash]="score() === n"
                  (click)="score.set(n)"
                >
                  {{ n }}
                </button>
              }
            </span>
          </div>
          @if (kind() === 'complaint') {
            <fieldset>
              <legend class="label mb-1">Comes with</legend>
              <div class="flex flex-wrap gap-1.5">
                @for (h of habits; track h.id) {
                  <label class="choice !min-h-8 !py-0.5 text-sm">
                    <input type="checkbox" [checked]="chosen().includes(h.id)" (change)="toggle(h.id)" /> {{ h.name }}
                  </label>
                }
              </div>
            </fieldset>
          }
          <div>
            <button class="btn btn-go" type="submit" [disabled]="score() === null">Note it</button>
          </div>
          <p class="hint">
            A real change is 2 points or 30% (Farrar 2001; from memory). A complaint that gets worse, wakes at night or
            comes with numbness belongs with a doctor or physiotherapist.
          </p>
        </form>
      </details>
    </section>
  `,
})
export class SelfReportsCard {
  private readonly store = inject(PrioritiesStore);
  private readonly today = inject(AccountService).me()?.today ?? '';
  readonly selfReports = input.required<readonly SelfReport[]>();
  protected readonly regions = BODY_REGIONS;
  protected readonly habits = HABITS;
  protected readonly moments = SELF_REPORT_MOMENTS;
  protected readonly scale = [0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10];
  protected readonly kind = signal<SelfReportKind>('complaint');
  protected readonly regionOf = (id: string): BodyRegionId | null =>
    oneOf(
      BODY_REGIONS.map((r) => r.id),
      id,
    );
  protected readonly momentOf = (text: string): SelfReportMoment | null => oneOf(SELF_REPORT_MOMENTS, text);
  protected readonly region = signal<BodyRegionId>('low-back');
  protected readonly moment = signal<SelfReportMoment>('day');
  /** Never prefilled: what was not said is not a number. */
  protected readonly score = signal<number | null>(null);
  protected readonly chosen = signal<readonly HabitId[]>([]);

  protected readonly complaints = computed(() =>
    currentComplaints(this.selfReports().filter((f) => f.kind === 'complaint')).map(({ now, before }) => ({
      region: now.region,
      name: bodyRegionName(now.region),
      score: now.score,
      day: formatDate(now.date, 'd MMM'),
      habits: now.habits.length > 0 ? ` · with ${now.habits.map((h) => habitName(h).toLowerCase()).join(', ')}` : '',
      change: before ? ` · ${complaintChange(before.score, now.score)} (was ${before.score})` : '',
    })),
  );
  protected readonly stiffness = computed(() =>
    BODY_REGIONS.flatMap((r) => {
      const own = this.selfReports().filter((f) => f.kind === 'stiffness' && f.region === r.id);
      const newest = own[0];
      if (!newest) return [];
      const sameDay = own.filter((f) => f.date === newest.date);
      const before = sameDay.find((f) => f.moment === 'before session');
      const after = sameDay.find((f) => f.moment === 'after session');
      const words =
        before && after ? `${before.score} before, ${after.score} after the session` : `${newest.score} of 10`;
      return [{ region: r.id, name: r.name, words, day: formatDate(newest.date, 'd MMM') }];
    }),
  );

  protected toggle(id: HabitId): void {
    this.chosen.update((c) => (c.includes(id) ? c.filter((h) => h !== id) : [...c, id]));
  }

  protected async send(event: Event): Promise<void> {
    event.preventDefault();
    const score = this.score();
    if (score === null) return;
    const kept = await this.store.say({
      date: this.today,
      region: this.region(),
      kind: this.kind(),
      moment: this.moment(),
      score,
      habits: this.kind() === 'complaint' ? this.chosen() : [],
    });
    if (!kept) return;
    this.score.set(null);
    this.chosen.set([]);
  }
}
