import { computed, inject, Injectable, signal } from '@angular/core';
import type { MyExercises } from '@yandle/contract';
import { Api } from './api';
import { Requests } from './requests';

/** What a coach keeps at hand in the library, and what the sessions of these days hold. */
@Injectable()
export class MineService {
  private readonly api = inject(Api);
  readonly requests = new Requests();
  private readonly loaded = signal<MyExercises | null>(null);
  readonly mine = this.loaded.asReadonly();
  readonly favourites = computed(() => new Set(this.loaded()?.favourites ?? []));

  async load(): Promise<void> {
    const mine = await this.requests.run(this.api.myExercises());
    if (mine) this.loaded.set(mine);
  }

  /** Puts an exercise among the favourites or takes it out: shown at once, put back where the server says no. */
  async toggle(id: string): Promise<void> {
    const favourite = !this.favourites().has(id);
    this.put(id, favourite);
    // Only this one goes back: another star may have been pressed meanwhile.
    if (!(await this.requests.run(this.api.setFavourite(id, favourite)))) this.put(id, !favourite);
  }

  private put(id: string, favourite: boolean): void {
    const now = this.loaded() ?? { favourites: [], recent: [] };
    const others = now.favourites.filter((f) => f !== id);
    this.loaded.set({ ...now, favourites: favourite ? [...others, id] : others });
  }
}
