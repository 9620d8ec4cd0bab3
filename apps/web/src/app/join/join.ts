import { Component, inject, signal } from '@angular/core';
import { Router } from '@angular/router';
import { FIELD, type JoinView } from '@yandle/contract';
import { firstValueFrom } from 'rxjs';
import { AccountService } from '../data/account.service';
import { fieldMessage } from '../data/problem';
import { Requests } from '../data/requests';
import { StudioApi } from '../data/studio-api';
import { ProblemNote } from '../ui/problem-note';
import { SecretField } from '../ui/secret-field';
import { TextField } from '../ui/text-field';
import { ROLE_WORDS } from '../studio/role-words';

/** What an invitation opens: name, address and a password of one's own. */
@Component({
  selector: 'y-join',
  imports: [ProblemNote, SecretField, TextField],
  template: `
    <main class="mx-auto max-w-md px-6 py-12">
      <p class="font-serif text-3xl font-bold">Yand<span class="text-action">le</span></p>
      @if (who(); as w) {
        <h1 class="mt-6 text-xl">Join {{ w.studio }}</h1>
        <p class="mt-1 text-soft">{{ roles[w.role] }}.</p>
        <form class="mt-5 flex flex-col gap-4" (submit)="join($event)">
          <y-text-field label="Your name" [value]="name()" [error]="message('name')" (typed)="name.set($event)" />
          <y-text-field label="Email" [value]="email()" [error]="message('email')" (typed)="email.set($event)" />
          <y-secret-field
            label="Password"
            auto="new-password"
            [hint]="hint"
            [value]="password()"
            [error]="message('password')"
            (typed)="password.set($event)"
          />
          <button type="submit" class="btn btn-go" [disabled]="requests.busy()">Join</button>
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
export class Join {
  private readonly api = inject(StudioApi);
  private readonly account = inject(AccountService);
  private readonly router = inject(Router);
  // Behind the # it is never sent to a server as an address, nor passed on to another page.
  private readonly token = location.hash.slice(1) || 'none';
  protected readonly requests = new Requests();
  protected readonly who = signal<JoinView | null>(null);
  protected readonly roles = ROLE_WORDS;
  protected readonly name = signal('');
  protected readonly email = signal('');
  protected readonly password = signal('');
  protected readonly hint = `At least ${FIELD.password.min} characters. Four words are easier to keep than a short riddle.`;

  constructor() {
    void this.requests.run(async () => this.who.set(await firstValueFrom(this.api.joinView(this.token))));
  }

  protected message(path: string): string | null {
    return fieldMessage(this.requests.problem(), path);
  }

  protected async join(event: Event): Promise<void> {
    event.preventDefault();
    await this.requests.run(async () => {
      const body = { name: this.name(), email: this.email(), password: this.password() };
      await firstValueFrom(this.api.join(this.token, body));
      await this.account.load();
      await this.router.navigateByUrl('/');
    });
  }
}
