import { Component, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { ClientListItem } from '@yandle/contract';
import { formatDate } from '@yandle/core';
import { AccountService } from '../data/account.service';
import { ClientsService } from '../data/clients.service';
import { SCREENING_WORDS } from '../intake/screening-words';
import { ProblemNote } from '../ui/problem-note';
import { WhoseSwitch } from '../ui/whose-switch';

/** All clients of the studio: find, open, add, archive. */
@Component({
  selector: 'y-clients',
  imports: [RouterLink, ProblemNote, WhoseSwitch],
  providers: [ClientsService],
  templateUrl: './clients.html',
})
export class ClientsScreen {
  protected readonly service = inject(ClientsService);
  private readonly account = inject(AccountService);

  protected lead(c: ClientListItem): string {
    return this.account.me()?.coaches.find((x) => x.id === c.leadCoachId)?.name ?? '';
  }

  protected day(date: string | null): string {
    return date ? formatDate(date, 'd MMM') : '–';
  }

  protected block(c: ClientListItem): string {
    if (c.screening === 'open' || c.screening === 'refer') return SCREENING_WORDS[c.screening].state;
    if (!c.blockWeek) return 'no block';
    return c.blockWeek.week < 1
      ? `${c.blockWeek.of} weeks, not started`
      : `week ${c.blockWeek.week} of ${c.blockWeek.of}`;
  }

  protected waits(c: ClientListItem): boolean {
    return c.screening === 'open' || c.screening === 'refer';
  }
}
