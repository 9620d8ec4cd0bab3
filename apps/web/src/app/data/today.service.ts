import { inject, Injectable } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { Today } from '@yandle/contract';
import { BehaviorSubject, switchMap } from 'rxjs';
import { Api } from './api';
import { asLoadable, LOADING, type Loadable } from './loadable';

/** The coach's day. Provided by the screen that shows it, so that it is asked for anew at each visit. */
@Injectable()
export class TodayService {
  private readonly api = inject(Api);
  private readonly again$ = new BehaviorSubject(0);
  readonly today = toSignal(this.again$.pipe(switchMap(() => this.api.today().pipe(asLoadable()))), {
    initialValue: LOADING as Loadable<Today>,
  });

  refresh(): void {
    this.again$.next(this.again$.value + 1);
  }
}
