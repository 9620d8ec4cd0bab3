import { inject } from '@angular/core';
import { Router, type CanActivateFn } from '@angular/router';
import { catchError, firstValueFrom, of } from 'rxjs';
import { AccountService } from './account.service';
import { Api } from './api';

/** Lets only signed-in coaches in; an empty product goes to its first visit. */
export const signedInGuard: CanActivateFn = async (_route, state) => {
  const account = inject(AccountService);
  const router = inject(Router);
  const api = inject(Api);
  if (account.me() ?? (await account.load())) return true;
  const health = await firstValueFrom(api.health().pipe(catchError(() => of(null))));
  if (health?.needsSetup) return router.parseUrl('/setup');
  return router.createUrlTree(['/sign-in'], { queryParams: state.url === '/' ? {} : { next: state.url } });
};

/** Who is signed in has no business on the sign-in page. */
export const signedOutGuard: CanActivateFn = async () => {
  const account = inject(AccountService);
  const router = inject(Router);
  return (account.me() ?? (await account.load())) ? router.parseUrl('/') : true;
};
