import { inject, Injectable, signal } from '@angular/core';
import type { SelfReportBody, PrioritiesBody, PrioritiesView, GoalBody, Problem } from '@yandle/contract';
import { firstValueFrom, type Observable } from 'rxjs';
import { Api } from '../data/api';
import { newId } from '../data/ids';
import { problemOf } from '../data/problem';

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
  readonly problem = signal<Problem | null>(null);
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
      try {
        const saved = await firstValueFrom(this.api.putPriorities(this.clientId, wanted));
        // What was changed while this was on its way stays; the version is the new one.
        this.state.update((v) => ({ ...saved, priorities: { ...v.priorities, version: saved.priorities.version } }));
        this.problem.set(null);
      } catch (err) {
        this.problem.set(problemOf(err));
        await this.take(this.api.priorities(this.clientId), false);
      }
    });
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

  private async take(request: Observable<PrioritiesView>, clear = true): Promise<boolean> {
    try {
      this.state.set(await firstValueFrom(request));
      if (clear) this.problem.set(null);
      return true;
    } catch (err) {
      this.problem.set(problemOf(err));
      return false;
    }
  }
}
