import { inject, Injectable } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { BehaviorSubject, switchMap } from 'rxjs';
import { Api } from './api';
import { asLoadable, LOADING } from './loadable';

/** The coach's day. Provided by the screen that shows it, so that it is asked for anew at each assessment. */
@Injectable()
export class TodayService {
  private readonly api = inject(Api);
  private readonly again$ = new BehaviorSubject(0);
  readonly today = toSignal(this.again$.pipe(switchMap(() => this.api.today().pipe(asLoadable()))), {
    initialValue: LOADING,
  });

  refresh(): void {
    this.again$.next(this.again$.value + 1);
  }
}
