import { Component, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { AuditEntry } from '@yandle/contract';
import { Requests } from '../data/requests';
import { StudioApi } from '../data/studio-api';
import { ProblemNote } from '../ui/problem-note';
import { ACTOR_WORDS, AUDIT_WORDS } from './audit-words';

const AT = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });

/** Who did what to which client, when and from where; the newest first. */
@Component({
  selector: 'y-audit-list',
  imports: [RouterLink, ProblemNote],
  template: `
    <div class="sheet overflow-x-auto">
      <table class="data-table">
        <caption class="sr-only">
          What was done, the newest first
        </caption>
        <thead>
          <tr>
            <th scope="col" class="!px-4">When</th>
            <th scope="col">Who</th>
            <th scope="col">Did what</th>
            <th scope="col">Client</th>
            <th scope="col" class="max-sm:hidden">From</th>
          </tr>
        </thead>
        <tbody>
          @for (e of entries(); track e.id) {
            <tr>
              <td class="!px-4 whitespace-nowrap">{{ when(e) }}</td>
              <td>{{ e.coach ?? actors[e.actor] }}</td>
              <td>{{ words[e.action] }}</td>
              <td>
                @if (e.client; as c) {
                  @if (c.name) {
                    <a class="hover:underline" [routerLink]="['/clients', c.id]">{{ c.name }}</a>
                  } @else {
                    <span class="text-soft">erased</span>
                  }
                }
              </td>
              <td class="max-sm:hidden text-soft">{{ e.address }}</td>
            </tr>
          }
        </tbody>
      </table>
    </div>
    @if (requests.problem(); as p) {
      <y-problem-note [problem]="p" [retry]="true" (again)="more()" />
    }
    @if (next()) {
      <button type="button" class="btn mt-3" [disabled]="requests.busy()" (click)="more()">Show earlier</button>
    }
  `,
})
export class AuditList {
  private readonly api = inject(StudioApi);
  protected readonly requests = new Requests();
  protected readonly entries = signal<readonly AuditEntry[]>([]);
  protected readonly next = signal<string | null>('');
  protected readonly words = AUDIT_WORDS;
  protected readonly actors = ACTOR_WORDS;

  constructor() {
    void this.more();
  }

  protected when(e: AuditEntry): string {
    return AT.format(new Date(e.at));
  }

  protected async more(): Promise<void> {
    const page = await this.requests.run(this.api.audit(this.next() ?? ''));
    if (!page) return;
    this.entries.update((all) => [...all, ...page.items]);
    this.next.set(page.nextCursor);
  }
}
