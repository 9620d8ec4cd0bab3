import { HttpErrorResponse, type HttpInterceptorFn } from '@angular/common/http';
import { inject } from '@angular/core';
import { Router } from '@angular/router';
import { tap } from 'rxjs';
import { AccountService } from './account.service';

/** When a session ends while someone works, the sign-in page comes up and leads back to where they were. */
export const signedOutInterceptor: HttpInterceptorFn = (req, next) => {
  const account = inject(AccountService);
  const router = inject(Router);
  return next(req).pipe(
    tap({
      error: (err: unknown) => {
        if (!(err instanceof HttpErrorResponse) || err.status !== 401 || !account.me()) return;
        account.forget();
        void router.navigate(['/sign-in'], { queryParams: { next: router.url } });
      },
    }),
  );
};
