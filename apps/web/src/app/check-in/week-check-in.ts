import { Component, computed, input, output, signal } from '@angular/core';
import type { CheckInBody, RegionScore } from '@yandle/contract';
import { addDays, BODY_REGIONS, OBSTACLES, obstacleWords, type BodyRegionId, type ObstacleId } from '@yandle/core';
import { StiffnessRows } from './stiffness-rows';

/** What the client says of the week, in under a minute: all of it on one card, and any of it may be left out. */
@Component({
  selector: 'y-week-check-in',
  imports: [StiffnessRows],
  template: `
    <section class="sheet p-4" aria-labelledby="week">
      <h2 id="week">How was your week?</h2>
      <p class="text-sm text-soft">Less than a minute. Leave out what you like.</p>
      @if (regions().length > 0) {
        <p class="mt-3">How stiff do you feel? <span class="text-soft">0 not at all · 10 very stiff</span></p>
        <y-stiffness-rows [regions]="regions()" [(scores)]="stiffness" />
      }
      <p class="mt-4" id="hurts">Does anything bother you?</p>
      <div class="mt-1 flex flex-wrap gap-1" role="group" aria-labelledby="hurts">
        @for (r of allRegions; track r.id) {
          <button
            type="button"
            class="btn !min-h-10 !px-2 text-sm"
            [class.btn-go]="complaintIn().includes(r.id)"
            [attr.aria-pressed]="complaintIn().includes(r.id)"
            (click)="toggleComplaint(r.id)"
          >
            {{ r.name }}
          </button>
        }
      </div>
      @if (complaintIn().length > 0) {
        <p class="mt-2 text-sm text-soft">How much? 0 not any more · 10 as bad as can be</p>
        <y-stiffness-rows [regions]="complaintIn()" [(scores)]="complaints" />
        @if (severe()) {
          <p class="note mt-3" role="status">
            Pain that is strong, wakes you at night, spreads or comes with numbness belongs with a doctor or
            physiotherapist. Stretch nothing that hurts until you have asked.
          </p>
        }
      }
      <p class="mt-4" id="way">What gets in the way?</p>
      <div class="mt-1 flex flex-wrap gap-1" role="group" aria-labelledby="way">
        @for (o of obstacles; track o) {
          <button
            type="button"
            class="btn !min-h-10 !px-2 text-sm !whitespace-normal"
            [class.btn-go]="inTheWay().includes(o)"
            [attr.aria-pressed]="inTheWay().includes(o)"
            (click)="toggle(o)"
          >
            {{ obstacle(o) }}
          </button>
        }
      </div>
      <fieldset class="mt-4">
        <legend>Are you away soon?</legend>
        <div class="mt-1 grid grid-cols-2 gap-2">
          <label class="field">
            <span class="label">First day away</span>
            <input class="input" type="date" [min]="today()" [max]="latest()" #from (change)="from1.set(from.value)" />
          </label>
          <label class="field">
            <span class="label">Last day away</span>
            <input
              class="input"
              type="date"
              [min]="from1() || today()"
              [max]="latest()"
              #to
              (change)="to1.set(to.value)"
            />
          </label>
        </div>
        @if (wrongDays()) {
          <p class="mt-1 text-sm text-attention" role="alert">The last day away is before the first. Change one.</p>
        }
      </fieldset>
      <label class="field mt-3">
        <span class="label">Anything else?</span>
        <textarea class="input" rows="2" maxlength="300" #note (input)="remark.set(note.value)"></textarea>
      </label>
      <div class="mt-3 flex gap-2">
        <button type="button" class="btn btn-go !min-h-12 grow" [disabled]="nothing() || wrongDays()" (click)="send()">
          Tell my coach
        </button>
        <button type="button" class="btn !min-h-12" (click)="skipped.emit()">Not now</button>
      </div>
    </section>
  `,
})
export class WeekCheckIn {
  readonly today = input.required<string>();
  /** Regions that are worked on. */
  readonly regions = input.required<readonly BodyRegionId[]>();
  /** Complaints as they stand: their regions are there from the start. */
  readonly known = input<readonly RegionScore[]>([]);
  readonly said = output<CheckInBody>();
  readonly skipped = output();

  protected readonly allRegions = BODY_REGIONS;
  protected readonly obstacles = OBSTACLES;
  protected readonly obstacle = obstacleWords;
  protected readonly stiffness = signal<readonly RegionScore[]>([]);
  protected readonly complaints = signal<readonly RegionScore[]>([]);
  private readonly chosen = signal<readonly BodyRegionId[] | null>(null);
  protected readonly complaintIn = computed(() => this.chosen() ?? this.known().map((k) => k.region));
  protected readonly inTheWay = signal<readonly ObstacleId[]>([]);
  protected readonly from1 = signal('');
  protected readonly to1 = signal('');
  protected readonly remark = signal('');
  protected readonly latest = computed(() => addDays(this.today(), 180));
  protected readonly severe = computed(() => this.complaints().some((c) => c.score >= 7));
  protected readonly wrongDays = computed(() => this.from1() !== '' && this.to1() !== '' && this.to1() < this.from1());
  private readonly away = computed(() => {
    const [from, to] = [this.from1() || this.to1(), this.to1() || this.from1()];
    return from === '' ? [] : [{ from, to }];
  });
  protected readonly nothing = computed(
    () =>
      this.stiffness().length + this.complaints().length + this.inTheWay().length + this.away().length === 0 &&
      this.remark().trim() === '',
  );

  protected toggleComplaint(region: BodyRegionId): void {
    const now = this.complaintIn();
    const gone = now.includes(region);
    this.chosen.set(gone ? now.filter((r) => r !== region) : [...now, region]);
    if (gone) this.complaints.update((all) => all.filter((c) => c.region !== region));
  }

  protected toggle(o: ObstacleId): void {
    this.inTheWay.update((all) => (all.includes(o) ? all.filter((x) => x !== o) : [...all, o]));
  }

  protected send(): void {
    this.said.emit({
      date: this.today(),
      moment: 'day',
      sessionId: null,
      stiffness: this.stiffness(),
      complaints: this.complaints(),
      inTheWay: this.inTheWay(),
      away: this.away(),
      note: this.remark().trim(),
    });
  }
}
