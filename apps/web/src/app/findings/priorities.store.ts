import { Requests } from '../data/requests';
import { inject, Injectable, signal } from '@angular/core';
import type { SelfReportBody, PrioritiesBody, PrioritiesView, GoalBody } from '@yandle/contract';
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
