import { Requests } from '../data/requests';
import { Component, inject, signal } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule, Validators } from '@angular/forms';
import { Router } from '@angular/router';
import { FIELD } from '@yandle/contract';
import { firstValueFrom } from 'rxjs';
import { AccountService } from '../data/account.service';
import { Api } from '../data/api';
import { fieldMessage } from '../data/problem';
import { ProblemNote } from '../ui/problem-note';

const text = (validators = [Validators.required]) => new FormControl('', { nonNullable: true, validators });

/** First visit of an empty Yandle: makes the studio and its first coach. */
@Component({
  selector: 'y-setup',
  imports: [ReactiveFormsModule, ProblemNote],
  template: `
    <main class="mx-auto max-w-md px-6 py-12">
      <p class="font-serif text-3xl font-bold">Yand<span class="text-action">le</span></p>
      <h1 class="mt-6 text-xl">Your studio and its first coach</h1>
      <p class="mt-1 text-soft">This Yandle is empty.</p>
      <form class="mt-5 flex flex-col gap-4" [formGroup]="form" (ngSubmit)="submit()" novalidate>
        @for (f of fields; track f.name) {
          <label class="field">
            <span class="label">{{ f.label }}</span>
            <input
              class="input"
              [type]="f.type"
              [attr.autocomplete]="f.auto"
              [formControlName]="f.name"
              [attr.aria-invalid]="!!message(f.name)"
            />
            @if (message(f.name); as m) {
              <span class="field-error">{{ m }}</span>
            } @else if (f.hint) {
              <span class="hint">{{ f.hint }}</span>
            }
          </label>
        }
        @if (problem(); as p) {
          <y-problem-note [problem]="p" />
        }
        <button class="btn btn-go" type="submit" [disabled]="busy()">Create the studio</button>
      </form>
    </main>
  `,
})
export class Setup {
  private readonly api = inject(Api);
  private readonly account = inject(AccountService);
  private readonly router = inject(Router);

  protected readonly fields = [
    { name: 'studioName', label: 'Name of the studio', type: 'text', auto: 'organization', hint: '' },
    {
      name: 'timeZone',
      label: 'Time zone',
      type: 'text',
      auto: 'off',
      hint: 'For example Europe/Vienna. Used for all session and retest dates.',
    },
    { name: 'coachName', label: 'Your name', type: 'text', auto: 'name', hint: '' },
    { name: 'email', label: 'Email', type: 'email', auto: 'username', hint: '' },
    {
      name: 'password',
      label: 'Password',
      type: 'password',
      auto: 'new-password',
      hint: `At least ${FIELD.password.min} characters.`,
    },
  ] as const;

  protected readonly form = new FormGroup({
    studioName: text(),
    timeZone: new FormControl(Intl.DateTimeFormat().resolvedOptions().timeZone, {
      nonNullable: true,
      validators: Validators.required,
    }),
    coachName: text(),
    email: text([Validators.required, Validators.email]),
    password: text([Validators.required, Validators.minLength(FIELD.password.min)]),
  });
  protected readonly requests = new Requests();
  protected readonly problem = this.requests.problem;
  protected readonly busy = this.requests.busy;
  private readonly tried = signal(false);

  protected message(name: keyof typeof this.form.controls): string | null {
    const control = this.form.controls[name];
    if (this.tried() && control.hasError('required')) return 'Required.';
    if (this.tried() && control.hasError('email')) return 'Enter an email address, e.g. name@studio.example.';
    if (this.tried() && control.hasError('minlength')) return `At least ${FIELD.password.min} characters.`;
    return fieldMessage(this.problem(), name);
  }

  protected async submit(): Promise<void> {
    this.tried.set(true);
    if (this.form.invalid) return;
    await this.requests.run(async () => {
      await firstValueFrom(this.api.setup(this.form.getRawValue()));
      await this.account.load();
      await this.router.navigateByUrl('/');
    });
  }
}
