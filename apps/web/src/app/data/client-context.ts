import { computed, inject, Injectable } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { ClientPath } from '@yandle/contract';
import {
  BehaviorSubject,
  combineLatest,
  distinctUntilChanged,
  filter,
  firstValueFrom,
  scan,
  switchMap,
  type Observable,
} from 'rxjs';
import { Api } from './api';
import { asLoadable, LOADING, type Loadable } from './loadable';

/** The client whose path is open. Screens of the path read it; after a write they call `refresh()`. */
@Injectable({ providedIn: 'root' })
export class ClientContext {
  private readonly api = inject(Api);
  private readonly id$ = new BehaviorSubject<string | null>(null);
  private readonly again$ = new BehaviorSubject(0);

  private readonly path$: Observable<Loadable<ClientPath>> = combineLatest([
    this.id$.pipe(
      filter((id): id is string => id !== null),
      distinctUntilChanged(),
    ),
    this.again$,
  ]).pipe(
    switchMap(([id]) => this.api.client(id).pipe(asLoadable())),
    // While the same client is asked for again, and when that fails, the screens keep what they have: a lost connection must not take
    // the bench away from under a coach who is measuring. Only a client who is gone goes.
    scan((before, now) => {
      const same = before.value?.client.id === this.id$.value;
      return same && now.state !== 'ready' && now.problem?.status !== 404 ? before : now;
    }),
  );

  readonly path = toSignal(this.path$, { initialValue: LOADING });
  readonly client = computed(() => this.path().value?.client ?? null);

  private readonly seen$ = toObservable(this.path);

  /** Waits until what is known of a client has come, or could not be read. */
  async settled(id: string): Promise<void> {
    await firstValueFrom(this.seen$.pipe(filter((p) => p.value?.client.id === id || p.state === 'failed')));
  }

  open(id: string): void {
    this.id$.next(id);
  }

  refresh(): void {
    this.again$.next(this.again$.value + 1);
  }
}
