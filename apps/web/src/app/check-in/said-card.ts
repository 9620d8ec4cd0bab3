import { Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import type { CheckIn, RegionScore } from '@yandle/contract';
import { bodyRegionName, complaintChange, formatDate, obstacleWords, type AwayDates } from '@yandle/core';
import { Api } from '../data/api';
import { ClientContext } from '../data/client-context';
import { Requests } from '../data/requests';
import { ToastService } from '../data/toast.service';
import { ProblemNote } from '../ui/problem-note';

/** Check-ins that are shown at once. */
const SHOWN = 4;

/** What the client said of late: how it feels by region, what is in the way, and days away with one press to plan around them. */
@Component({
  selector: 'y-said-card',
  imports: [ProblemNote],
  template: `
    <section class="sheet p-4" aria-labelledby="said">
      <h2 id="said" class="!text-[1.05rem]">What the client says</h2>
      @if (requests.problem(); as p) {
        <y-problem-note class="mt-2 block" [problem]="p" />
      }
      <ul class="mt-1 flex flex-col gap-2">
        @for (c of shown(); track c.id) {
          <li class="text-sm">
            <span class="font-semibold">{{ day(c.date) }}</span>
            <span class="text-soft">{{ c.moment === 'day' ? ', of the week' : ', ' + c.moment }}</span>
            @if (c.stiffness.length > 0) {
              <span class="block">Stiffness: {{ scores(c.stiffness) }}</span>
            }
            @if (c.complaints.length > 0) {
              <span class="block">Complaints: {{ complaints(c) }}</span>
            }
            @if (c.inTheWay.length > 0) {
              <span class="block">In the way: {{ obstacles(c) }}</span>
            }
            @for (a of c.away; track a.from) {
              <span class="block">Away {{ days(a) }}</span>
            }
            @if (!c.awaySeen) {
              <span class="mt-1 flex gap-2">
                <button type="button" class="btn" [disabled]="requests.busy()" (click)="see(c, true)">
                  Plan around it
                </button>
                <button type="button" class="btn" [disabled]="requests.busy()" (click)="see(c, false)">
                  Leave the plan
                </button>
              </span>
            }
            @if (c.note) {
              <span class="block">“{{ c.note }}”</span>
            }
          </li>
        } @empty {
          <li class="text-soft">Nothing said yet. The phone asks once a week, and around sessions.</li>
        }
      </ul>
    </section>
  `,
})
export class SaidCard {
  private readonly api = inject(Api);
  private readonly context = inject(ClientContext);
  private readonly toasts = inject(ToastService);
  readonly clientId = input.required<string>();
  protected readonly requests = new Requests();
  private readonly all = signal<readonly CheckIn[]>([]);
  protected readonly shown = computed(() => this.all().filter((c, i) => i < SHOWN || !c.awaySeen));

  constructor() {
    effect(() => {
      const id = this.clientId();
      untracked(() => void this.load(id));
    });
  }

  private async load(id: string): Promise<void> {
    const all = await this.requests.run(this.api.checkIns(id));
    if (all) this.all.set(all);
  }

  protected day(date: string): string {
    return formatDate(date, 'd MMM');
  }

  protected days({ from, to }: AwayDates): string {
    return from === to ? this.day(from) : `${this.day(from)} to ${this.day(to)}`;
  }

  protected scores(all: readonly RegionScore[]): string {
    return all.map((s) => `${bodyRegionName(s.region)} ${s.score} of 10`).join(', ');
  }

  /** Each complaint, with what it was before where it really changed. */
  protected complaints({ id, complaints }: CheckIn): string {
    const earlier = this.all().slice(this.all().findIndex((c) => c.id === id) + 1);
    return complaints
      .map(({ region, score }) => {
        const before = earlier.flatMap((c) => c.complaints).find((c) => c.region === region);
        const change = before ? `, ${complaintChange(before.score, score)} (was ${before.score})` : '';
        return `${bodyRegionName(region)} ${score} of 10${change}`;
      })
      .join('; ');
  }

  protected obstacles({ inTheWay }: CheckIn): string {
    return inTheWay.map((o) => obstacleWords(o).toLowerCase()).join(', ');
  }

  protected async see(c: CheckIn, plan: boolean): Promise<void> {
    const all = await this.requests.run(this.api.seeAway(this.clientId(), c.id, plan));
    if (!all) return;
    this.all.set(all);
    this.context.refresh();
    this.toasts.show(plan ? 'The plan goes around the days away.' : 'The plan stays as it is.');
  }
}
