import { Requests } from '../data/requests';
import { Component, effect, inject, input, output, signal, untracked } from '@angular/core';
import type { Block, CalendarLink } from '@yandle/contract';
import { formatDate, isPlainDate, type AwayDates } from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { Api, V1 } from '../data/api';
import { ProblemNote } from '../ui/problem-note';

/** Days away, and the calendar as a file or as an address that calendar programs read. */
@Component({
  selector: 'y-calendar-tools',
  imports: [ProblemNote],
  template: `
    @if (problem(); as p) {
      <y-problem-note class="mb-3 block" [problem]="p" />
    }
    <div class="grid gap-4 md:grid-cols-2">
      <section class="sheet px-4 py-3" aria-labelledby="away">
        <h2 id="away">Away</h2>
        <p class="text-sm text-soft">
          No sessions on days away. After a full week away the dose restarts lower. In the current week, move sessions
          one by one.
        </p>
        <ul class="mt-2 text-sm">
          @for (a of block().choices.away; track a.from + a.to) {
            <li class="flex items-center gap-3">
              {{ day(a.from) }} – {{ day(a.to) }}
              <button type="button" class="link" [disabled]="busy()" (click)="awayRemoved.emit(a)">Remove</button>
            </li>
          }
        </ul>
        @if (block().endedAt === null) {
          <form class="mt-2 flex flex-wrap items-end gap-2" (submit)="addAway($event, from, to)">
            <label class="field"
              ><span class="label">from</span><input class="input" type="date" required #from
            /></label>
            <label class="field"><span class="label">to</span><input class="input" type="date" required #to /></label>
            <button type="submit" class="btn" [disabled]="busy()">Add</button>
          </form>
          @if (fault(); as f) {
            <p class="field-error mt-1" role="alert">{{ f }}</p>
          }
        }
      </section>
      <section class="sheet px-4 py-3" aria-labelledby="calendar">
        <h2 id="calendar">In another calendar</h2>
        <p class="text-sm text-soft">
          Sessions and retests as whole days, in the iCalendar format, with the first name only.
        </p>
        <p class="mt-2 flex flex-wrap gap-2">
          <a class="btn" [href]="fileOf()" download="stretching.ics">Save as a file</a>
          <button type="button" class="btn" [disabled]="busy()" (click)="make()">
            {{ link()?.madeAt ? 'New address' : 'Make an address to subscribe to' }}
          </button>
          @if (link()?.madeAt) {
            <button type="button" class="btn btn-stop" [disabled]="busy()" (click)="end()">Turn it off</button>
          }
        </p>
        @if (link()?.path; as path) {
          <label class="field mt-2">
            <span class="label">Address, shown once</span>
            <input class="input" readonly [value]="addressOf(path)" #address (focus)="address.select()" />
          </label>
          <p class="text-sm text-soft">Anyone with the link can see the sessions. Turn it off to stop that.</p>
        } @else if (link()?.madeAt; as at) {
          <p class="mt-2 text-sm text-soft">An address made on {{ day(at.slice(0, 10)) }} is open.</p>
        }
      </section>
    </div>
  `,
})
export class CalendarTools {
  private readonly api = inject(Api);
  readonly block = input.required<Block>();
  readonly busy = input(false);
  readonly awayAdded = output<AwayDates>();
  readonly awayRemoved = output<AwayDates>();
  protected readonly link = signal<CalendarLink | null>(null);
  protected readonly requests = new Requests();
  protected readonly problem = this.requests.problem;
  protected readonly fault = signal<string | null>(null);

  constructor() {
    effect(() => {
      const client = this.block().clientId;
      untracked(
        () => void this.attempt(async () => this.link.set(await firstValueFrom(this.api.calendarLink(client)))),
      );
    });
  }

  protected day(date: string): string {
    return formatDate(date, 'EEE d MMM yyyy');
  }

  protected fileOf(): string {
    return `${V1}/clients/${this.block().clientId}/calendar.ics`;
  }

  protected addressOf(path: string): string {
    return `${location.origin}${path}`;
  }

  protected addAway(event: Event, from: HTMLInputElement, to: HTMLInputElement): void {
    event.preventDefault();
    if (!isPlainDate(from.value) || !isPlainDate(to.value)) return this.fault.set('Choose both days.');
    if (to.value < from.value) return this.fault.set('The last day is before the first.');
    this.fault.set(null);
    this.awayAdded.emit({ from: from.value, to: to.value });
    from.value = '';
    to.value = '';
  }

  protected make(): Promise<void> {
    return this.attempt(async () =>
      this.link.set(await firstValueFrom(this.api.makeCalendarLink(this.block().clientId))),
    );
  }

  protected end(): Promise<void> {
    return this.attempt(async () => {
      await firstValueFrom(this.api.endCalendarLink(this.block().clientId));
      this.link.set({ path: null, madeAt: null });
    });
  }

  private async attempt(work: () => Promise<unknown>): Promise<void> {
    await this.requests.run(async () => {
      await work();
    });
  }
}
