import { Requests } from '../data/requests';
import { Component, inject, input, signal } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule, Validators } from '@angular/forms';
import { Router } from '@angular/router';
import type { Problem } from '@yandle/contract';
import { firstValueFrom } from 'rxjs';
import { AccountService } from '../data/account.service';
import { Api } from '../data/api';
import { ProblemNote } from '../ui/problem-note';

/** Email and password. Leads back to where someone was when their session ended. */
@Component({
  selector: 'y-sign-in',
  imports: [ReactiveFormsModule, ProblemNote],
  template: `
    <main class="mx-auto flex min-h-dvh max-w-sm flex-col justify-center px-6 py-10">
      <p class="font-serif text-3xl font-bold">Yand<span class="text-action">le</span></p>
      <p class="mt-1 text-soft">Stretching blocks, measured and timed.</p>
      <h1 class="mt-8 mb-3 text-xl">Sign in</h1>
      <form class="flex flex-col gap-4" [formGroup]="form" (ngSubmit)="submit()" novalidate>
        <label class="field">
          <span class="label">Email</span>
          <input
            class="input"
            type="email"
            autocomplete="username"
            formControlName="email"
            [attr.aria-invalid]="missing('email')"
          />
          @if (missing('email')) {
            <span class="field-error">Enter your email address.</span>
          }
        </label>
        <label class="field">
          <span class="label">Password</span>
          <input
            class="input"
            type="password"
            autocomplete="current-password"
            formControlName="password"
            [attr.aria-invalid]="missing('password')"
          />
          @if (missing('password')) {
            <span class="field-error">Enter your password.</span>
          }
        </label>
        @if (asksForCode()) {
          <label class="field">
            <span class="label">Code of your authenticator app, or a recovery code</span>
            <input class="input" autocomplete="one-time-code" inputmode="text" formControlName="code" />
          </label>
        }
        @if (problem(); as p) {
          <y-problem-note [problem]="p" />
        }
        <button class="btn btn-go" type="submit" [disabled]="busy()">Sign in</button>
      </form>
    </main>
  `,
})
export class SignIn {
  private readonly api = inject(Api);
  private readonly account = inject(AccountService);
  private readonly router = inject(Router);
  readonly next = input<string>();

  protected readonly form = new FormGroup({
    email: new FormControl('', { nonNullable: true, validators: Validators.required }),
    password: new FormControl('', { nonNullable: true, validators: Validators.required }),
    code: new FormControl('', { nonNullable: true }),
  });
  /** True once the server has said that the account has a second factor. */
  protected readonly asksForCode = signal(false);
  protected readonly requests = new Requests();
  protected readonly problem = this.requests.problem;
  protected readonly busy = this.requests.busy;
  private readonly tried = signal(false);

  protected missing(name: 'email' | 'password'): boolean {
    return this.tried() && this.form.controls[name].invalid;
  }

  protected async submit(): Promise<void> {
    this.tried.set(true);
    if (this.form.invalid) return;
    const { code, ...words } = this.form.getRawValue();
    const settle = ({ code: kind }: Problem) => {
      const first = kind === 'second-factor' && !this.asksForCode();
      if (kind === 'second-factor') this.asksForCode.set(true);
      // The field itself asks; only a wrong code is a problem.
      return first;
    };
    await this.requests.run(async () => {
      await firstValueFrom(this.api.signIn({ ...words, ...(this.asksForCode() ? { code } : {}) }));
      await this.account.load();
      const next = this.next();
      // Only paths of our own: a link must not lead a signed-in coach elsewhere.
      await this.router.navigateByUrl(next?.startsWith('/') && !next.startsWith('//') ? next : '/');
    }, settle);
  }
}
