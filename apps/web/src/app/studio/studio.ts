import { Component, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { StudioView } from '@yandle/contract';
import { AccountService } from '../data/account.service';
import { Requests } from '../data/requests';
import { StudioApi } from '../data/studio-api';
import { ProblemNote } from '../ui/problem-note';
import { AuditList } from './audit-list';
import { CoachRow } from './coach-row';
import { Invitations } from './invitations';
import { OpenLinks } from './open-links';
import { StudioDefaults } from './studio-defaults';
import { StudioSettings } from './studio-settings';

/** The studio, for its owner: coaches, invitations, settings, what was done by whom. */
@Component({
  selector: 'y-studio',
  imports: [RouterLink, AuditList, CoachRow, Invitations, OpenLinks, StudioDefaults, StudioSettings, ProblemNote],
  template: `
    <div class="mx-auto max-w-6xl px-4 py-6 sm:px-6">
      <h1>Studio</h1>
      @if (requests.problem(); as p) {
        <div class="mt-4"><y-problem-note [problem]="p" /></div>
      }
      @if (studio(); as s) {
        <div class="mt-5 grid items-start gap-5 lg:grid-cols-[1.5fr_1fr]">
          <div class="grid min-w-0 gap-5">
            <section aria-labelledby="coaches">
              <h2 id="coaches" class="mb-2">Coaches</h2>
              <ul class="sheet divide-y divide-line">
                @for (c of s.coaches; track c.id) {
                  <li class="p-4">
                    <y-coach-row
                      [coach]="c"
                      [all]="s.coaches"
                      [self]="c.id === account.me()?.coach?.id"
                      (changed)="reload()"
                    />
                  </li>
                }
              </ul>
            </section>
            <y-studio-defaults />
            <section class="min-w-0" aria-labelledby="done">
              <h2 id="done" class="mb-2">What was done, by whom</h2>
              <y-audit-list />
            </section>
          </div>
          <div class="grid min-w-0 gap-5">
            <y-invitations [open]="s.invitations" (changed)="load()" />
            <y-studio-settings [studio]="s" (saved)="load()" />
            <y-open-links />
            <section class="sheet p-4" aria-labelledby="leaving">
              <h2 id="leaving">Data and privacy</h2>
              <ul class="mt-2 list-disc space-y-1.5 pl-5 text-sm">
                <li>
                  Everything of one client, to hand out or to erase: open the client’s intake and choose
                  <span class="font-semibold">Record</span>.
                </li>
                <li><a class="link" routerLink="/data">All results as a table</a>, in and out.</li>
                <li>
                  Backups are made on the server: <code>npm run backup</code>. They are encrypted and kept for a set
                  term; erased clients do not come back with them.
                </li>
              </ul>
            </section>
          </div>
        </div>
      }
    </div>
  `,
})
export class StudioScreen {
  private readonly api = inject(StudioApi);
  protected readonly account = inject(AccountService);
  protected readonly studio = signal<StudioView | null>(null);
  protected readonly requests = new Requests();

  constructor() {
    void this.load();
  }

  protected async load(): Promise<void> {
    const studio = await this.requests.run(this.api.studio());
    if (studio) this.studio.set(studio);
  }

  /** Roles and names stand elsewhere too. */
  protected async reload(): Promise<void> {
    await this.account.load();
    await this.load();
  }
}
