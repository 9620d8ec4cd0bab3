import { Requests } from '../data/requests';
import { inject, Injectable, signal } from '@angular/core';
import type { SelfReportBody, PrioritiesBody, PrioritiesView, GoalBody } from '@yandle/contract';
import { moveGroup, type MuscleGroupId } from '@yandle/core';
import { firstValueFrom, type Observable } from 'rxjs';
import { Api } from '../data/api';
import { newId } from '../data/ids';

const EMPTY: PrioritiesView = {
  priorities: { version: null, interests: [], pinned: [], excluded: [], order: [], quickCheck: [] },
  goals: [],
  selfReports: [],
};

/** Goals, complaints and decisions of a client. Edits show at once and are taken back when the server refuses them. */
@Injectable()
export class PrioritiesStore {
  private readonly api = inject(Api);
  private readonly state = signal<PrioritiesView>(EMPTY);
  readonly view = this.state.asReadonly();
  readonly requests = new Requests();
  readonly problem = this.requests.problem;
  private clientId = '';
  /** Edits go out one after the other, each with the version the one before made. */
  private queue: Promise<void> = Promise.resolve();

  async load(clientId: string): Promise<void> {
    this.clientId = clientId;
    this.state.set(EMPTY);
    this.problem.set(null);
    await this.take(this.api.priorities(clientId));
  }

  decide(change: Partial<Omit<PrioritiesBody, 'version'>>): void {
    this.state.update((v) => ({ ...v, priorities: { ...v.priorities, ...change } }));
    this.queue = this.queue.then(async () => {
      const wanted = this.state().priorities;
      const saved = await this.requests.run(this.api.putPriorities(this.clientId, wanted));
      // What was changed while this was on its way stays; the version is the new one.
      if (saved)
        this.state.update((v) => ({ ...saved, priorities: { ...v.priorities, version: saved.priorities.version } }));
      // What was refused goes back to what is saved; why it was refused stays on screen.
      else
        await this.requests.follow(async () =>
          this.state.set(await firstValueFrom(this.api.priorities(this.clientId))),
        );
    });
  }

  isPinned(group: MuscleGroupId): boolean {
    return this.state().priorities.pinned.includes(group);
  }

  /** Pins a group to the top, or lets it go. */
  pin(group: MuscleGroupId): void {
    const { pinned } = this.state().priorities;
    this.decide({ pinned: this.isPinned(group) ? pinned.filter((g) => g !== group) : [...pinned, group] });
  }

  /** Leaves a group out, with the reason. */
  exclude(group: MuscleGroupId, reason: string): void {
    const { excluded, pinned } = this.state().priorities;
    this.decide({
      excluded: [...excluded.filter((e) => e.group !== group), { group, reason }],
      pinned: pinned.filter((g) => g !== group),
    });
  }

  include(group: MuscleGroupId): void {
    this.decide({ excluded: this.state().priorities.excluded.filter((e) => e.group !== group) });
  }

  setInterest(group: MuscleGroupId, interest: Readonly<{ coach: number; client: number }>): void {
    const others = this.state().priorities.interests.filter((i) => i.group !== group);
    const none = interest.coach === 0 && interest.client === 0;
    this.decide({ interests: none ? others : [...others, { group, ...interest }] });
  }

  /** Puts a group at a place of the list; a pinned one keeps its pin only among the pinned ones. */
  move(order: readonly MuscleGroupId[], group: MuscleGroupId, to: number): void {
    const { pinned } = this.state().priorities;
    const next = moveGroup(order, group, Math.max(0, Math.min(order.length - 1, to)));
    const stillPinned = next.slice(0, pinned.length).filter((g) => pinned.includes(g));
    this.decide({ pinned: stillPinned, order: next.filter((g) => !stillPinned.includes(g)) });
  }

  byScore(): void {
    this.decide({ order: [] });
  }

  setGoal(body: GoalBody): Promise<boolean> {
    return this.take(this.api.putGoal(this.clientId, newId(), body));
  }

  endGoal(id: string): Promise<boolean> {
    return this.take(this.api.endGoal(id));
  }

  say(body: SelfReportBody): Promise<boolean> {
    return this.take(this.api.putSelfReport(this.clientId, newId(), body));
  }

  private async take(request: Observable<PrioritiesView>): Promise<boolean> {
    const view = await this.requests.run(request);
    if (view) this.state.set(view);
    return view !== undefined;
  }
}
