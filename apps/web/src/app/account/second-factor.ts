import { Component, effect, inject, input, output, signal } from '@angular/core';
import type { Account, OfferedFactor } from '@yandle/contract';
import { firstValueFrom } from 'rxjs';
import { fieldMessage } from '../data/problem';
import { Requests } from '../data/requests';
import { StudioApi } from '../data/studio-api';
import { ProblemNote } from '../ui/problem-note';
import { SecretField } from '../ui/secret-field';

/** A second factor for signing in: set up by a picture for the app, confirmed by a code, turned off by the password. */
@Component({
  selector: 'y-second-factor',
  imports: [ProblemNote, SecretField],
  template: `
    <section class="sheet p-4" aria-labelledby="factor">
      <h2 id="factor">Second factor</h2>
      <p class="mt-1 text-sm text-soft">
        {{
          account().secondFactor
            ? 'On: signing in asks for a code of your authenticator app. Recovery codes left: ' +
              account().recoveryCodesLeft +
              '.'
            : 'Off. With an authenticator app, a stolen password alone signs nobody in.'
        }}
      </p>
      @if (codes(); as list) {
        <div class="mt-3 rounded-lg bg-shade p-3">
          <p class="font-semibold">Recovery codes, shown once</p>
          <p class="text-sm">
            Each signs you in one time without the app. Write them down and keep them apart from it.
          </p>
          <ul class="mt-2 grid grid-cols-2 gap-x-6 font-mono sm:grid-cols-3">
            @for (c of list; track c) {
              <li>{{ c }}</li>
            }
          </ul>
          <button type="button" class="btn mt-3" (click)="codes.set(null)">I have kept them</button>
        </div>
      } @else if (account().secondFactor) {
        <form class="mt-3 flex max-w-sm flex-col gap-3" (submit)="off($event)">
          <y-secret-field
            label="Your password"
            auto="current-password"
            [value]="password()"
            [error]="message('password')"
            (typed)="password.set($event)"
          />
          <button type="submit" class="btn self-start" [disabled]="requests.busy()">Turn it off</button>
        </form>
      } @else if (offered(); as o) {
        <div class="mt-3 flex flex-wrap gap-5">
          @if (picture(); as src) {
            <img
              class="self-start"
              [src]="src"
              width="168"
              height="168"
              alt="Code to scan with the authenticator app"
            />
          }
          <form class="flex min-w-60 flex-1 flex-col gap-3" (submit)="confirm($event)">
            <p class="text-sm">
              Scan this with your authenticator app, or type the secret
              <span class="font-mono break-all">{{ o.secret }}</span>
            </p>
            <y-secret-field
              label="Code the app shows now"
              auto="one-time-code"
              [code]="true"
              [value]="code()"
              [error]="message('code')"
              (typed)="code.set($event)"
            />
            <button type="submit" class="btn btn-go self-start" [disabled]="requests.busy()">Turn it on</button>
          </form>
        </div>
      } @else {
        <button type="button" class="btn mt-3" (click)="begin()">Set up</button>
      }
      @if (requests.problem(); as p) {
        @if (!p.errors) {
          <div class="mt-3"><y-problem-note [problem]="p" /></div>
        }
      }
    </section>
  `,
})
export class SecondFactor {
  private readonly api = inject(StudioApi);
  readonly account = input.required<Account>();
  readonly changed = output();
  protected readonly requests = new Requests();
  protected readonly offered = signal<OfferedFactor | null>(null);
  protected readonly picture = signal<string | null>(null);
  protected readonly codes = signal<readonly string[] | null>(null);
  protected readonly code = signal('');
  protected readonly password = signal('');

  constructor() {
    effect(() => {
      const uri = this.offered()?.uri;
      this.picture.set(null);
      if (uri)
        void import('qrcode').then(async ({ default: qr }) =>
          this.picture.set(await qr.toDataURL(uri, { margin: 1, width: 336 })),
        );
    });
  }

  protected message(path: string): string | null {
    return fieldMessage(this.requests.problem(), path);
  }

  protected async begin(): Promise<void> {
    const offered = await this.requests.run(this.api.offerFactor());
    if (offered) this.offered.set(offered);
  }

  protected async confirm(event: Event): Promise<void> {
    event.preventDefault();
    const made = await this.requests.run(this.api.confirmFactor(this.code()));
    if (!made) return;
    this.codes.set(made.codes);
    this.offered.set(null);
    this.code.set('');
    this.changed.emit();
  }

  protected async off(event: Event): Promise<void> {
    event.preventDefault();
    await this.requests.run(async () => {
      await firstValueFrom(this.api.removeFactor(this.password()));
      this.password.set('');
      this.changed.emit();
    });
  }
}
