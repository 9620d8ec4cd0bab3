import { Component, inject, signal } from '@angular/core';
import { Router } from '@angular/router';
import { FIELD, type ResetView } from '@yandle/contract';
import { firstValueFrom } from 'rxjs';
import { AccountService } from '../data/account.service';
import { fieldMessage } from '../data/problem';
import { Requests } from '../data/requests';
import { StudioApi } from '../data/studio-api';
import { ProblemNote } from '../ui/problem-note';
import { SecretField } from '../ui/secret-field';

/** What a link for a new password opens. */
@Component({
  selector: 'y-reset',
  imports: [ProblemNote, SecretField],
  template: `
    <main class="mx-auto max-w-md px-6 py-12">
      <p class="font-serif text-3xl font-bold">Yand<span class="text-action">le</span></p>
      @if (who(); as w) {
        <h1 class="mt-6 text-xl">A new password for {{ w.name }}</h1>
        <p class="mt-1 text-soft">{{ w.studio }}. Every device is signed out, and a second factor is turned off.</p>
        <form class="mt-5 flex flex-col gap-4" (submit)="save($event)">
          <y-secret-field
            label="New password"
            auto="new-password"
            [hint]="hint"
            [value]="password()"
            [error]="message('password')"
            (typed)="password.set($event)"
          />
          <button type="submit" class="btn btn-go" [disabled]="requests.busy()">Save and sign in</button>
        </form>
      }
      @if (requests.problem(); as p) {
        @if (!p.errors) {
          <div class="mt-6"><y-problem-note [problem]="p" /></div>
        }
      }
    </main>
  `,
})
export class Reset {
  private readonly api = inject(StudioApi);
  private readonly account = inject(AccountService);
  private readonly router = inject(Router);
  private readonly token = location.hash.slice(1) || 'none';
  protected readonly requests = new Requests();
  protected readonly who = signal<ResetView | null>(null);
  protected readonly password = signal('');
  protected readonly hint = `At least ${FIELD.password.min} characters.`;

  constructor() {
    void this.requests.run(async () => this.who.set(await firstValueFrom(this.api.resetView(this.token))));
  }

  protected message(path: string): string | null {
    return fieldMessage(this.requests.problem(), path);
  }

  protected async save(event: Event): Promise<void> {
    event.preventDefault();
    await this.requests.run(async () => {
      await firstValueFrom(this.api.reset(this.token, this.password()));
      await this.account.load();
      await this.router.navigateByUrl('/');
    });
  }
}
