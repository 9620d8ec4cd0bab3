import type { Problem } from '@yandle/contract';
import { catchError, map, of, startWith, type Observable, type OperatorFunction } from 'rxjs';
import { problemOf } from './problem';

/** Something that is asked for: on its way, there, or refused. */
export type Loadable<T> =
  | { readonly state: 'loading'; readonly value: null; readonly problem: null }
  | { readonly state: 'ready'; readonly value: T; readonly problem: null }
  | { readonly state: 'failed'; readonly value: null; readonly problem: Problem };

export const LOADING: Loadable<never> = { state: 'loading', value: null, problem: null };

export function ready<T>(value: T): Loadable<T> {
  return { state: 'ready', value, problem: null };
}

/** Turns a request into its states; never errors, so that a stream of requests goes on after one failed. */
export function asLoadable<T>(): OperatorFunction<T, Loadable<T>> {
  return (source: Observable<T>) =>
    source.pipe(
      map((value): Loadable<T> => ready(value)),
      catchError((err: unknown) => of<Loadable<T>>({ state: 'failed', value: null, problem: problemOf(err) })),
      startWith(LOADING as Loadable<T>),
    );
}
