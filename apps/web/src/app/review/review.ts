import { Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { ReviewedLaneView, WeekReview } from '@yandle/contract';
import {
  DECIDED_MOVES,
  formatDate,
  isException,
  muscleGroupName,
  proposalWords,
  reviewFactWords,
  reviewMoveWords,
  type DecidedMove,
} from '@yandle/core';
import { Api } from '../data/api';
import { ClientContext } from '../data/client-context';
import { Requests } from '../data/requests';
import { ToastService } from '../data/toast.service';
import { map } from 'rxjs';
import { SaidCard } from '../check-in/said-card';
import { decideMerged } from './decide-merged';
import { LaneDone } from './lane-done';
import { offeredMoves } from './offered';
import { oneOf } from '../ui/one-of';
import { ProblemNote } from '../ui/problem-note';

/** What the week of a client came to, lane by lane, and what next week makes of it. Exceptions come first. */
@Component({
  selector: 'y-review',
  imports: [LaneDone, ProblemNote, RouterLink, SaidCard],
  templateUrl: './review.html',
})
export class ReviewScreen {
  private readonly api = inject(Api);
  private readonly context = inject(ClientContext);
  private readonly toasts = inject(ToastService);
  readonly clientId = input.required<string>();
  protected readonly requests = new Requests();
  protected readonly loaded = signal(false);
  protected readonly review = signal<WeekReview | null>(null);
  protected readonly moves = offeredMoves;
  protected readonly proposal = proposalWords;
  protected readonly words = reviewMoveWords;
  protected readonly fact = reviewFactWords;
  protected readonly groupName = muscleGroupName;

  protected readonly rows = computed(() =>
    (this.review()?.lanes ?? [])
      .map((lane) => ({ lane, exception: isException(lane.review), proposed: lane.proposal.move }))
      .sort((a, b) => Number(b.exception) - Number(a.exception)),
  );
  protected readonly open = computed(() => this.rows().filter((r) => r.lane.decision === null));
  protected readonly plain = computed(() => this.open().filter((r) => !r.exception));

  constructor() {
    effect(() => {
      const id = this.clientId();
      untracked(() => void this.load(id));
    });
  }

  private async load(id: string): Promise<void> {
    const review = await this.requests.run(this.api.review(id));
    if (review === undefined) return;
    this.review.set(review);
    this.loaded.set(true);
  }

  protected day(at: string): string {
    return formatDate(at.slice(0, 10), 'd MMM');
  }

  /** What speaks against taking a lane's proposal without a look. */
  protected asks(lane: ReviewedLaneView): string[] {
    return lane.review.asks.map(reviewFactWords);
  }

  protected chosen(text: string): DecidedMove {
    return oneOf(DECIDED_MOVES, text) ?? 'repeat';
  }

  protected async decide(
    decisions: readonly { readonly laneId: string; readonly move: DecidedMove | null; readonly reason: string }[],
    undo = false,
  ): Promise<void> {
    const r = this.review();
    if (!r || decisions.length === 0) return;
    const before = decisions.map((d) => {
      const { decision } = r.lanes.find((l) => l.laneId === d.laneId)!;
      return { laneId: d.laneId, move: decision?.move ?? null, reason: decision?.reason ?? '' };
    });
    const after = await this.requests.run(decideMerged(this.api, this.clientId(), r, decisions));
    if (after === undefined) return this.reloadAfterRefusal();
    this.review.set(after);
    this.context.refresh();
    const said = decisions.length === 1 ? 'Decided.' : `${decisions.length} lanes decided.`;
    this.toasts.show(undo ? 'Taken back.' : said, {
      label: undo ? 'Redo' : 'Undo',
      run: () => void this.decide(before, !undo),
    });
  }

  /** Whether plain ones are accepted by themselves at the end of each week. */
  protected async setStanding(standing: boolean): Promise<void> {
    const done = await this.requests.run(this.api.setStandingReview(this.clientId(), standing).pipe(map(() => true)));
    this.review.update((r) => r && { ...r, standing: done ? standing : r.standing });
  }

  protected acceptPlain(): Promise<void> {
    return this.decide(this.plain().map((r) => ({ laneId: r.lane.laneId, move: r.proposed, reason: '' })));
  }

  /** Someone else was faster: what they decided is shown, with why this was refused. */
  private async reloadAfterRefusal(): Promise<void> {
    await this.requests.follow(async () => this.review.set(await this.again()));
  }

  private async again(): Promise<WeekReview | null> {
    return (await this.requests.follow(this.api.review(this.clientId()))) ?? this.review();
  }
}
