import { Requests } from '../data/requests';
import { Component, effect, inject, input, signal, untracked } from '@angular/core';
import type { LateReason, LateLog, PhoneLink, SessionSummary } from '@yandle/contract';
import { formatDate } from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { AccountService } from '../data/account.service';
import { Api } from '../data/api';
import { ProblemNote } from '../ui/problem-note';

/** The client's phone: a link with its code to scan, and what a phone sent too late to be taken at once. */
@Component({
  selector: 'y-phone-link-panel',
  imports: [ProblemNote],
  template: `
    <section class="sheet mt-5 p-4" aria-labelledby="phone">
      <h2 id="phone">The client’s phone</h2>
      <p class="text-sm text-soft">
        A link to the client’s sessions. Once opened it works offline. Valid for 180 days.
      </p>
      @if (problem(); as p) {
        <y-problem-note [problem]="p" />
      }
      @if (fresh(); as url) {
        <div class="mt-3 flex flex-wrap items-center gap-4">
          @if (code(); as src) {
            <img [src]="src" width="168" height="168" alt="Code to scan with the phone’s camera" />
          }
          <div class="min-w-0 flex-1">
            <label class="field">
              <span class="label">Link, shown once</span>
              <input class="input" readonly [value]="url" #address (focus)="address.select()" />
            </label>
            <button type="button" class="btn mt-2" (click)="copy(url)">{{ copied() ? 'Copied' : 'Copy' }}</button>
          </div>
        </div>
      }
      <div class="mt-3 flex flex-wrap items-center gap-3">
        <button type="button" class="btn" (click)="make()">{{ link() ? 'New link' : 'Make a link' }}</button>
        @if (link(); as l) {
          <button type="button" class="btn" (click)="revoke()">End the link</button>
          <span class="text-sm text-soft">
            works until {{ day(l.expiresAt) }}, {{ l.usedAt ? 'last opened ' + day(l.usedAt) : 'not opened yet' }}
          </span>
        }
      </div>
      @for (r of late(); track r.runId) {
        <div class="note mt-3">
          <p class="font-semibold text-attention">Arrived late{{ r.date ? ': session of ' + short(r.date) : '' }}</p>
          <p>
            {{ r.sets }} {{ r.sets === 1 ? 'set' : 'sets' }}, {{ r.seconds }} s{{
              r.symptoms > 0 ? ', with something felt' : ''
            }}.
            {{ reasons[r.reason] }}
          </p>
          @if (!r.started) {
            <label class="field mt-2 max-w-sm">
              <span class="label">Its start never arrived. Which session was it?</span>
              <select class="input" #which (change)="chosen.set(which.value)">
                <option value="">Choose a session</option>
                @for (s of sessions(); track s.id) {
                  <option [value]="s.id">{{ short(s.date) }}</option>
                }
              </select>
            </label>
          }
          <div class="mt-2 flex gap-2">
            <button
              type="button"
              class="btn btn-go"
              [disabled]="!r.started && chosen() === ''"
              (click)="decide(r.runId, true, r.started ? null : chosen())"
            >
              Accept
            </button>
            <button type="button" class="btn" (click)="decide(r.runId, false)">Reject</button>
          </div>
        </div>
      }
    </section>
  `,
})
export class PhoneLinkPanel {
  private readonly api = inject(Api);
  private readonly account = inject(AccountService);
  readonly clientId = input.required<string>();
  protected readonly link = signal<PhoneLink | null>(null);
  protected readonly fresh = signal<string | null>(null);
  protected readonly code = signal<string | null>(null);
  protected readonly copied = signal(false);
  /** Sessions up to today, the newest first: one of them a run without a beginning belongs to. */
  protected readonly sessions = signal<readonly SessionSummary[]>([]);
  protected readonly chosen = signal('');
  protected readonly late = signal<readonly LateLog[]>([]);
  protected readonly reasons: Readonly<Record<LateReason, string>> = {
    link: 'It was sent after the link had ended.',
    plan: 'Its session is no longer in the block. Accepting adds it back.',
    stop: 'A caution or stop sign blocked this session. Ask the client before you accept it.',
  };
  protected readonly requests = new Requests();
  protected readonly problem = this.requests.problem;

  constructor() {
    effect(() => {
      const id = this.clientId();
      untracked(() => {
        this.fresh.set(null);
        this.code.set(null);
        void this.attempt(async () => {
          this.link.set(await firstValueFrom(this.api.phoneLink(id)));
          this.late.set(await firstValueFrom(this.api.lateLogs(id)));
          if (this.late().every((l) => l.started)) return;
          const today = this.account.me()?.today ?? '';
          const all = await firstValueFrom(this.api.sessions(id));
          this.sessions.set(all.filter((s) => s.date <= today).reverse());
        });
      });
    });
  }

  protected day(instant: string): string {
    return formatDate(instant.slice(0, 10), 'd MMM yyyy');
  }

  protected short(date: string): string {
    return formatDate(date, 'EEE d MMM');
  }

  protected make(): Promise<void> {
    return this.attempt(async () => {
      const { token, expiresAt } = await firstValueFrom(this.api.makePhoneLink(this.clientId()));
      // Behind the # it is never sent to a server, written into a log, or passed on to another page.
      const url = new URL(`/s/start#${token}`, document.baseURI).href;
      this.link.set({ expiresAt, usedAt: null });
      this.fresh.set(url);
      this.copied.set(false);
      const { default: qr } = await import('qrcode');
      this.code.set(await qr.toDataURL(url, { margin: 1, width: 336 }));
    });
  }

  protected revoke(): Promise<void> {
    return this.attempt(async () => {
      await firstValueFrom(this.api.revokePhoneLink(this.clientId()));
      this.link.set(null);
      this.fresh.set(null);
    });
  }

  protected decide(runId: string, accept: boolean, sessionId: string | null = null): Promise<void> {
    return this.attempt(async () => {
      this.late.set(
        await firstValueFrom(
          this.api.decideLate(this.clientId(), runId, { accept, ...(sessionId ? { sessionId } : {}) }),
        ),
      );
    });
  }

  protected async copy(url: string): Promise<void> {
    await navigator.clipboard?.writeText(url).then(() => this.copied.set(true));
  }

  private async attempt(work: () => Promise<void>): Promise<void> {
    await this.requests.run(async () => {
      await work();
    });
  }
}
