import { Component, computed, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Account, Device } from '@yandle/contract';
import { formatDate } from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { AccountService } from '../data/account.service';
import { Requests } from '../data/requests';
import { StudioApi } from '../data/studio-api';
import { StandInForm } from '../studio/stand-in-form';
import { ProblemNote } from '../ui/problem-note';
import { deviceWords } from './device-words';
import { NerveGlides } from './nerve-glides';
import { PasswordForm } from './password-form';
import { SecondFactor } from './second-factor';

/** The own account: password, second factor, devices that are signed in, who stands in. */
@Component({
  selector: 'y-account',
  imports: [RouterLink, NerveGlides, PasswordForm, SecondFactor, StandInForm, ProblemNote],
  template: `
    <div class="mx-auto max-w-5xl px-4 py-6 sm:px-6">
      <h1>Your account</h1>
      @if (me(); as m) {
        <p class="mt-1 text-soft">
          {{ m.coach.name }} · {{ m.coach.email }} · {{ m.coach.role }} of {{ m.studio.name }}
          @if (m.coach.role === 'owner') {
            · <a class="link" routerLink="/studio">Run the studio</a>
          }
        </p>
      }
      @if (requests.problem(); as p) {
        <div class="mt-4"><y-problem-note [problem]="p" [retry]="true" (again)="load()" /></div>
      }
      @if (account(); as a) {
        <div class="mt-5 grid items-start gap-5 lg:grid-cols-2">
          <div class="grid gap-5">
            <y-password-form />
            <y-second-factor [account]="a" (changed)="load()" />
            @if (me()?.coach?.role !== 'guest') {
              <y-nerve-glides [account]="a" (changed)="load()" />
            }
          </div>
          <div class="grid gap-5">
            <section class="sheet p-4" aria-labelledby="devices">
              <h2 id="devices">Signed in on</h2>
              <ul class="mt-2 divide-y divide-line">
                @for (d of a.devices; track d.id) {
                  <li class="flex flex-wrap items-center gap-x-4 gap-y-1 py-2.5">
                    <span class="min-w-40 flex-1">
                      <span class="font-semibold">{{ words(d) }}</span>
                      @if (d.current) {
                        <span class="text-action"> · this one</span>
                      }
                      <span class="block text-sm text-soft"
                        >{{ since(d) }}{{ d.address ? ' from ' + d.address : '' }}</span
                      >
                    </span>
                    @if (!d.current) {
                      <button
                        type="button"
                        class="btn"
                        [attr.aria-label]="'Sign out ' + words(d) + ', ' + since(d)"
                        (click)="signOut(d)"
                      >
                        Sign out
                      </button>
                    }
                  </li>
                }
              </ul>
              @if (a.devices.length > 1) {
                <button type="button" class="btn mt-2" (click)="signOutOthers()">Sign out all others</button>
              }
            </section>
            @if (me(); as m) {
              @if (m.coach.role !== 'guest' && others().length > 0) {
                <section class="sheet p-4" aria-labelledby="away">
                  <h2 id="away">While you are away</h2>
                  <p class="mt-1 text-sm text-soft">
                    Whoever stands in finds your clients among their own until that day.
                  </p>
                  <y-stand-in-form
                    class="mt-3 block"
                    [coachId]="m.coach.id"
                    [others]="others()"
                    [now]="a.standIn ?? nobody"
                    (saved)="load()"
                  />
                </section>
              }
            }
          </div>
        </div>
      }
    </div>
  `,
})
export class AccountScreen {
  private readonly api = inject(StudioApi);
  private readonly accounts = inject(AccountService);
  protected readonly me = this.accounts.me;
  protected readonly nobody = { standInId: null, until: null };
  protected readonly account = signal<Account | null>(null);
  protected readonly requests = new Requests();
  protected readonly others = computed(() => {
    const m = this.me();
    return m?.coaches.filter((c) => c.id !== m.coach.id) ?? [];
  });

  constructor() {
    void this.load();
  }

  protected async load(): Promise<void> {
    const account = await this.requests.run(this.api.account());
    if (account) this.account.set(account);
  }

  protected words(d: Device): string {
    return deviceWords(d.agent);
  }

  protected since(d: Device): string {
    return d.signedInAt ? `since ${formatDate(d.signedInAt.slice(0, 10), 'd MMM yyyy')}` : 'since some time ago';
  }

  protected async signOut(d: Device): Promise<void> {
    await this.requests.run(async () => {
      await firstValueFrom(this.api.signOutDevice(d.id));
      await this.load();
    });
  }

  protected async signOutOthers(): Promise<void> {
    await this.requests.run(async () => {
      await firstValueFrom(this.api.signOutOthers());
      await this.load();
    });
  }
}
