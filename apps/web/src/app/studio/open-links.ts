import { Component, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { OpenLink } from '@yandle/contract';
import { formatDate } from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { Requests } from '../data/requests';
import { StudioApi } from '../data/studio-api';
import { ProblemNote } from '../ui/problem-note';

const WORDS: Readonly<Record<OpenLink['kind'], string>> = {
  phone: 'phone: sessions',
  intake: 'intake: questions',
  calendar: 'calendar: days of sessions',
};

/** Links that open something of a client without an account, each of which can be ended. */
@Component({
  selector: 'y-open-links',
  imports: [RouterLink, ProblemNote],
  template: `
    <section class="sheet p-4" aria-labelledby="links">
      <h2 id="links">Links clients have</h2>
      <p class="mt-1 text-sm text-soft">Whoever has one sees what it is for, without an account.</p>
      @if (requests.problem(); as p) {
        <div class="mt-2"><y-problem-note [problem]="p" /></div>
      }
      <ul class="mt-2 divide-y divide-line">
        @for (l of links(); track l.clientId + l.kind) {
          <li class="flex flex-wrap items-center gap-3 py-2">
            <span class="min-w-40 flex-1">
              <a class="font-semibold hover:underline" [routerLink]="['/clients', l.clientId]">{{ l.clientName }}</a>
              <span class="block text-sm text-soft">{{ words[l.kind] }}, {{ since(l) }}</span>
            </span>
            <button
              type="button"
              class="btn"
              [attr.aria-label]="'End the ' + l.kind + ' link of ' + l.clientName"
              (click)="end(l)"
            >
              End
            </button>
          </li>
        } @empty {
          <li class="py-2 text-soft">None.</li>
        }
      </ul>
    </section>
  `,
})
export class OpenLinks {
  private readonly api = inject(StudioApi);
  protected readonly requests = new Requests();
  protected readonly links = signal<readonly OpenLink[]>([]);
  protected readonly words = WORDS;

  constructor() {
    void this.load();
  }

  private async load(): Promise<void> {
    const links = await this.requests.run(this.api.links());
    if (links) this.links.set(links);
  }

  protected since(l: OpenLink): string {
    const day = (instant: string) => formatDate(instant.slice(0, 10), 'd MMM');
    const until = l.expiresAt ? `until ${day(l.expiresAt)}` : `since ${day(l.madeAt)}`;
    return l.kind === 'calendar' ? until : `${until}, ${l.usedAt ? `opened ${day(l.usedAt)}` : 'not opened'}`;
  }

  protected async end(l: OpenLink): Promise<void> {
    await this.requests.run(async () => {
      await firstValueFrom(this.api.endLink(l));
      await this.load();
    });
  }
}
