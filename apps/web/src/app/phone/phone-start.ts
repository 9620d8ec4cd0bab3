import { Component, computed, inject, signal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import {
  addDays,
  BODY_REGIONS,
  bodyRegionName,
  exercisesOnHold,
  isSessionOnHold,
  formatClock,
  formatDate,
  SEE_SOMEONE,
  soreGroups,
  SORE_RESTS,
  STOP_ADVICE,
  STOP_SIGNS,
  type BodyRegionId,
  type SessionItem,
  choiceLine,
  clientItemWords,
} from '@yandle/core';
import type { CheckInBody, Session } from '@yandle/contract';
import { WeekCheckIn } from '../check-in/week-check-in';
import { FigureView } from '../ui/figure';
import { SaveState } from '../ui/save-state';
import { StopSigns } from '../ui/stop-signs';
import { readRun } from '../run/kept-run';
import { OfflineReady } from './install';
import { PhoneOutbox } from './phone-outbox';
import { PhoneStore } from './phone.store';

/** The client's list: what comes next, how yesterday feels, what has changed. */
@Component({
  selector: 'y-phone-start',
  imports: [FigureView, RouterLink, SaveState, StopSigns, WeekCheckIn],
  templateUrl: './phone-start.html',
})
export class PhoneStart {
  private readonly router = inject(Router);
  protected readonly store = inject(PhoneStore);
  protected readonly outbox = inject(PhoneOutbox);
  protected readonly offline = new OfflineReady();
  protected readonly clock = formatClock;
  protected readonly stopSigns = STOP_SIGNS.join(' · ').toLowerCase();
  protected readonly rests = SORE_RESTS;
  protected readonly stopAdvice = STOP_ADVICE;
  protected readonly seeSomeone = SEE_SOMEONE;
  protected readonly scale = Array.from({ length: 11 }, (_, i) => i);
  protected readonly opened = signal<string | null>(null);

  protected readonly block = this.store.block;
  protected readonly regions = BODY_REGIONS;
  protected readonly regionName = (id: BodyRegionId): string => bodyRegionName(id).toLowerCase();
  /** Chosen, but not said before the place is. */
  protected readonly soreness = signal<number | null>(null);
  protected readonly today = computed(() => this.block()?.today ?? '');
  /** The next one to do: the earliest that is open from yesterday on. */
  protected readonly next = computed(() => {
    const from = addDays(this.today(), -1);
    return this.store.sessions().find((s) => s.status !== 'done' && s.date >= from) ?? null;
  });
  protected readonly later = computed(() =>
    this.store.sessions().filter((s) => s.status !== 'done' && s.date >= this.today() && s !== this.next()),
  );
  protected readonly done = computed(() =>
    this.store
      .sessions()
      .filter((s) => s.status === 'done')
      .reverse(),
  );
  /** Asked the day after something was done, once: on the day itself nobody knows yet. */
  protected readonly asksSoreness = computed(() => {
    const p = this.block();
    if (!p) return false;
    const days = [addDays(p.today, -1), addDays(p.today, -2)];
    const did = this.store.sessions().some((s) => days.includes(s.run?.endedAt?.slice(0, 10) ?? ''));
    return did && !p.sorenessEntries.some((n) => n.date === p.today);
  });
  /** The week is not asked about again before the list is opened anew. */
  protected readonly notNow = signal(false);
  protected readonly weekSaid = signal(false);

  protected sayWeek(body: CheckInBody): void {
    this.store.checkIn(body);
    this.weekSaid.set(true);
  }
  protected readonly saidToday = computed(
    () => this.block()?.sorenessEntries.find((n) => n.date === this.today()) ?? null,
  );

  constructor() {
    void this.begin();
  }

  private async begin(): Promise<void> {
    const token = location.hash.slice(1);
    if (token) {
      await this.store.open(token);
      // The token leaves the address as soon as it has been exchanged.
      await this.router.navigate(['/s/start'], { replaceUrl: true });
    }
    await this.store.load();
    await this.offline.start();
  }

  protected day(date: string): string {
    if (date === this.today()) return 'Today';
    if (date === addDays(this.today(), 1)) return 'Tomorrow';
    if (date === addDays(this.today(), -1)) return 'Yesterday';
    return formatDate(date, 'EEEE d MMMM');
  }

  protected minutes(s: Session): string {
    return `${Math.round(s.totalSeconds / 60)} min`;
  }

  protected begun(s: Session): boolean {
    return s.status === 'started' || readRun(s.id) !== null;
  }

  protected onHold(s: Session): boolean {
    // Truth, not null: a copy that an older version kept has an empty text here.
    return !!this.block()!.onHold || isSessionOnHold(s.items, s.openSymptoms, (id) => this.store.find(id));
  }

  /** Exercises of a session that are left out, by name. */
  protected leftOut(s: Session): string {
    return exercisesOnHold(s.items, s.openSymptoms, (id) => this.store.find(id), soreGroups(s.sore ?? [], s.date))
      .map((e) => e.name)
      .join(', ');
  }

  protected leftOutWords(s: Session, names: string): string {
    const onHold = exercisesOnHold(s.items, s.openSymptoms, (id) => this.store.find(id)).length > 0;
    return onHold
      ? `We left out ${names} until your coach has looked at it. Carry on with the rest.`
      : `We left out ${names}: you are very sore there. Carry on with the rest, gently.`;
  }

  /** True where everything of a session is very sore: it rests. */
  protected tooSore(s: Session): boolean {
    return isSessionOnHold(s.items, [], (id) => this.store.find(id), soreGroups(s.sore ?? [], s.date));
  }

  protected words(item: SessionItem): string {
    return clientItemWords(item, this.store.find(item.exerciseId));
  }

  /** What may be chosen instead when it is come to; empty for nothing, and for what a caution, a stop sign or the place rules out now. */
  protected choice({ items, forms }: Session, place: number): string {
    const item = items[place]!;
    if (!item.choice || forms[place]?.choice !== item.choice) return '';
    return choiceLine(item, (id) => this.store.find(id), clientItemWords);
  }

  /** Nothing sore has no place. */
  protected askWhere(soreness: number): void {
    if (soreness === 0) this.store.saySore(0, null);
    else this.soreness.set(soreness);
  }

  protected toggle(id: string): void {
    this.opened.update((o) => (o === id ? null : id));
  }
}
