import { inject, Injectable } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { BehaviorSubject, combineLatest, switchMap } from 'rxjs';
import { Api } from './api';
import { asLoadable, LOADING } from './loadable';
import { WhoseService } from './whose';

/** The coach's day. Provided by the screen that shows it, so that it is asked for anew at each assessment. */
@Injectable()
export class TodayService {
  private readonly api = inject(Api);
  private readonly again$ = new BehaviorSubject(0);
  readonly today = toSignal(
    combineLatest([toObservable(inject(WhoseService).whose), this.again$]).pipe(
      switchMap(([whose]) => this.api.today(whose).pipe(asLoadable())),
    ),
    { initialValue: LOADING },
  );

  refresh(): void {
    this.again$.next(this.again$.value + 1);
  }
}
