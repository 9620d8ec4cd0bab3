import { inject, Injectable, signal } from '@angular/core';
import type { Me } from '@yandle/contract';
import { catchError, firstValueFrom, of } from 'rxjs';
import { Api } from './api';

/** Who is signed in. `me` is null until known, and when nobody is. */
@Injectable({ providedIn: 'root' })
export class AccountService {
  private readonly api = inject(Api);
  private readonly state = signal<Me | null>(null);
  readonly me = this.state.asReadonly();

  /** Asks the server; null when nobody is signed in or it does not answer. */
  async load(): Promise<Me | null> {
    const me = await firstValueFrom(this.api.me().pipe(catchError(() => of(null))));
    this.state.set(me);
    return me;
  }

  async signOut(): Promise<void> {
    await firstValueFrom(this.api.signOut().pipe(catchError(() => of(null))));
    this.state.set(null);
  }

  /** The session has ended on the server. */
  forget(): void {
    this.state.set(null);
  }
}
