import { computed, inject, Injectable, signal } from '@angular/core';
import { DEFAULT_SETTINGS, type Me } from '@yandle/contract';
import { showUnits, type BlockDefaults } from '@yandle/core';
import { catchError, firstValueFrom, of } from 'rxjs';
import { Api } from './api';

/** Who is signed in. `me` is null until known, and when nobody is. */
@Injectable({ providedIn: 'root' })
export class AccountService {
  private readonly api = inject(Api);
  private readonly state = signal<Me | null>(null);
  readonly me = this.state.asReadonly();
  /** What the studio has settled; the usual until it is known. */
  readonly settings = computed(() => this.me()?.studio.settings ?? DEFAULT_SETTINGS);
  readonly blockDefaults = computed((): BlockDefaults => {
    const { block, firstWeekday } = this.settings();
    return { ...block, firstWeekday };
  });

  /** Asks the server; null when nobody is signed in or it does not answer. */
  async load(): Promise<Me | null> {
    const me = await firstValueFrom(this.api.me().pipe(catchError(() => of(null))));
    if (me) showUnits(me.studio.settings.units);
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
