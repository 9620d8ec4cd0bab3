import { Component, computed, effect, ElementRef, inject, signal, untracked, viewChildren } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { ClientReview, DecideReviewBody, ReviewedLaneView, WeekReview } from '@yandle/contract';
import {
  isException,
  muscleGroupName,
  proposalWords,
  reviewFactWords,
  reviewMoveWords,
  type DecidedMove,
} from '@yandle/core';
import { Api } from '../data/api';
import { Requests } from '../data/requests';
import { ToastService } from '../data/toast.service';
import { WhoseService } from '../data/whose';
import { Autofocus } from '../ui/autofocus';
import { ProblemNote } from '../ui/problem-note';
import { WhoseSwitch } from '../ui/whose-switch';
import { decideMerged } from './decide-merged';
import { LaneDone } from './lane-done';
import { offeredMoves } from './offered';

type Decision = DecideReviewBody['decisions'][number];

/** A lane of a client that is to be decided. */
interface Row {
  readonly review: ClientReview;
  readonly lane: ReviewedLaneView;
}

/** How far a job over many clients is. */
interface Going {
  readonly done: number;
  readonly of: number;
}

const decided = (lane: ReviewedLaneView, move: DecidedMove | null): Decision => ({
  laneId: lane.laneId,
  move,
  reason: '',
});

/**
 * The weekly reviews of all clients: what is out of the ordinary first, one lane a row, and everything plain by one press. Left and right choose a
 * decision, Enter takes it, and the next row has the focus.
 */
@Component({
  selector: 'y-reviews',
  imports: [Autofocus, LaneDone, ProblemNote, RouterLink, WhoseSwitch],
  templateUrl: './reviews.html',
})
export class ReviewsScreen {
  private readonly api = inject(Api);
  private readonly toasts = inject(ToastService);
  private readonly whose = inject(WhoseService);
  private readonly firsts = viewChildren<ElementRef<HTMLElement>>('first');
  protected readonly requests = new Requests();
  private readonly background = new Requests();
  protected readonly loaded = signal(false);
  protected readonly reviews = signal<readonly ClientReview[]>([]);
  protected readonly going = signal<Going | null>(null);
  /** Clients whose plain ones could not be decided, with why. */
  protected readonly refused = signal<readonly { readonly name: string; readonly id: string; readonly why: string }[]>(
    [],
  );
  private cancelled = false;

  protected readonly groupName = muscleGroupName;
  protected readonly fact = reviewFactWords;
  protected readonly words = reviewMoveWords;
  protected readonly proposal = proposalWords;

  private readonly open = computed(() =>
    this.reviews().flatMap((review) =>
      review.lanes.flatMap((lane): Row[] => (lane.decision === null ? [{ review, lane }] : [])),
    ),
  );
  protected readonly exceptions = computed(() => this.open().filter((r) => isException(r.lane.review)));
  /** Clients with plain lanes, each with these lanes. */
  protected readonly plain = computed(() =>
    this.reviews().flatMap((review) => {
      const lanes = review.lanes.filter((l) => l.decision === null && !isException(l.review));
      return lanes.length > 0 ? [{ review, lanes }] : [];
    }),
  );
  protected readonly plainLanes = computed(() => this.plain().reduce((sum, p) => sum + p.lanes.length, 0));

  constructor() {
    effect(() => {
      const whose = this.whose.whose();
      untracked(() => void this.load(whose));
    });
  }

  private async load(whose: ReturnType<WhoseService['whose']>): Promise<void> {
    const reviews = await this.requests.run(this.api.reviews(whose));
    if (reviews === undefined) return;
    this.reviews.set(reviews);
    this.loaded.set(true);
    await this.planExceptions();
  }

  /** What each exception would make of the plan: one client after the other, while the coach reads. */
  private async planExceptions(): Promise<void> {
    for (const id of new Set(this.exceptions().map((r) => r.review.clientId))) {
      const whole = await this.background.follow(this.api.review(id), () => true);
      if (whole) this.replace(id, whole);
    }
  }

  private replace(clientId: string, review: WeekReview): void {
    this.reviews.update((all) => all.map((r) => (r.clientId === clientId ? { ...r, ...review } : r)));
  }

  /** Decisions of a lane: what is proposed first. */
  protected choices({ lane }: Row): DecidedMove[] {
    const { move } = lane.proposal;
    return [move, ...offeredMoves(lane).filter((m) => m !== move)];
  }

  protected label({ lane }: Row, move: DecidedMove): string {
    return move === lane.proposal.move ? proposalWords(move, lane.proposal.changeTo) : reviewMoveWords(move);
  }

  protected asks(lane: ReviewedLaneView): string[] {
    return lane.review.asks.map(reviewFactWords);
  }

  /** The buttons of a row are one stop; left and right go from one to the next, up and down from row to row. */
  protected onKey(event: KeyboardEvent, at: number): void {
    const step = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
    const row = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (row !== undefined) this.firsts()[at + row]?.nativeElement.focus();
    else if (step !== undefined) {
      const buttons = [...(event.currentTarget as HTMLElement).querySelectorAll('button')];
      buttons[buttons.indexOf(event.target as HTMLButtonElement) + step]?.focus();
    } else return;
    event.preventDefault();
  }

  private async send(review: ClientReview, decisions: readonly Decision[]): Promise<WeekReview | undefined> {
    const now = this.reviews().find((r) => r.clientId === review.clientId) ?? review;
    const after = await this.requests.run(decideMerged(this.api, review.clientId, now, decisions));
    if (after) this.replace(review.clientId, after);
    return after ?? undefined;
  }

  protected async decide({ review, lane }: Row, move: DecidedMove, at: number): Promise<void> {
    const after = await this.send(review, [decided(lane, move)]);
    if (!after) return this.reload(review.clientId);
    this.toasts.show(`${review.clientName}, ${muscleGroupName(lane.group)}: ${reviewMoveWords(move).toLowerCase()}.`, {
      label: 'Undo',
      run: () => void this.send(review, [decided(lane, null)]),
    });
    // Where the row was is the next one now.
    setTimeout(() => (this.firsts()[at] ?? this.firsts().at(-1))?.nativeElement.focus());
  }

  /** Someone else was faster: what they decided is shown, with why this was refused. */
  private async reload(clientId: string): Promise<void> {
    const whole = await this.requests.follow(this.api.review(clientId));
    if (whole) this.replace(clientId, whole);
  }

  protected cancel(): void {
    this.cancelled = true;
  }

  protected async acceptPlain(): Promise<void> {
    const plain = this.plain();
    const done = await this.each(
      plain.map(({ review, lanes }) => ({ review, decisions: lanes.map((l) => decided(l, l.proposal.move)) })),
    );
    const lanes = done.reduce((sum, d) => sum + d.decisions.length, 0);
    if (lanes > 0)
      this.toasts.show(`${lanes} lanes of ${done.length} clients decided.`, {
        label: 'Undo',
        run: () =>
          void this.each(
            done.map(({ review, decisions }) => ({ review, decisions: decisions.map((d) => ({ ...d, move: null })) })),
          ),
      });
    setTimeout(() => this.firsts()[0]?.nativeElement.focus());
  }

  /** One client after the other, so that one that is refused stops no other; gives those that were decided. */
  private async each(
    jobs: readonly { readonly review: ClientReview; readonly decisions: readonly Decision[] }[],
  ): Promise<typeof jobs> {
    this.cancelled = false;
    this.refused.set([]);
    const done: (typeof jobs)[number][] = [];
    for (const [i, job] of jobs.entries()) {
      if (this.cancelled) break;
      this.going.set({ done: i, of: jobs.length });
      if (await this.send(job.review, job.decisions)) done.push(job);
      else {
        const why = this.requests.problem()?.detail ?? this.requests.problem()?.title ?? '';
        const { clientName: name, clientId: id } = job.review;
        this.refused.update((all) => [...all, { name, id, why }]);
        this.requests.problem.set(null);
      }
    }
    this.going.set(null);
    return done;
  }
}
