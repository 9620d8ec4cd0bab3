import { inject, Injectable, signal } from '@angular/core';
import type { FeltBody, FocusBody, FocusView, GoalBody, Problem } from '@yandle/contract';
import { firstValueFrom, type Observable } from 'rxjs';
import { Api } from '../data/api';
import { newId } from '../data/ids';
import { problemOf } from '../data/problem';

const EMPTY: FocusView = {
  focus: { version: null, interests: [], pinned: [], excluded: [], order: [], quickCheck: [] },
  goals: [],
  felt: [],
};

/** Goals, complaints and decisions of a client. Edits show at once and are taken back when the server refuses them. */
@Injectable()
export class FocusStore {
  private readonly api = inject(Api);
  private readonly state = signal<FocusView>(EMPTY);
  readonly view = this.state.asReadonly();
  readonly problem = signal<Problem | null>(null);
  private clientId = '';
  /** Edits go out one after the other, each with the version the one before made. */
  private queue: Promise<void> = Promise.resolve();

  async load(clientId: string): Promise<void> {
    this.clientId = clientId;
    this.state.set(EMPTY);
    this.problem.set(null);
    await this.take(this.api.focus(clientId));
  }

  decide(change: Partial<Omit<FocusBody, 'version'>>): void {
    this.state.update((v) => ({ ...v, focus: { ...v.focus, ...change } }));
    this.queue = this.queue.then(async () => {
      const wanted = this.state().focus;
      try {
        const saved = await firstValueFrom(this.api.putFocus(this.clientId, wanted));
        // What was changed while this was on its way stays; the version is the new one.
        this.state.update((v) => ({ ...saved, focus: { ...v.focus, version: saved.focus.version } }));
        this.problem.set(null);
      } catch (err) {
        this.problem.set(problemOf(err));
        await this.take(this.api.focus(this.clientId), false);
      }
    });
  }

  setGoal(body: GoalBody): Promise<boolean> {
    return this.take(this.api.putGoal(this.clientId, newId(), body));
  }

  endGoal(id: string): Promise<boolean> {
    return this.take(this.api.endGoal(id));
  }

  say(body: FeltBody): Promise<boolean> {
    return this.take(this.api.putFelt(this.clientId, newId(), body));
  }

  private async take(request: Observable<FocusView>, clear = true): Promise<boolean> {
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
