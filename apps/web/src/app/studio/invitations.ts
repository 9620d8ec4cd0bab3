import { Component, inject, input, output, signal } from '@angular/core';
import { COACH_ROLES, type CoachRole, type InvitationView } from '@yandle/contract';
import { formatDate } from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { Requests } from '../data/requests';
import { StudioApi } from '../data/studio-api';
import { LinkOnce } from '../ui/link-once';
import { oneOf } from '../ui/one-of';
import { ProblemNote } from '../ui/problem-note';
import { TextField } from '../ui/text-field';
import { ROLE_WORDS } from './role-words';

/** Invites a coach by a link, and ends links that were not used. */
@Component({
  selector: 'y-invitations',
  imports: [LinkOnce, ProblemNote, TextField],
  template: `
    <section class="sheet p-4" aria-labelledby="invite">
      <h2 id="invite">Invite a coach</h2>
      <p class="mt-1 text-sm text-soft">The link works once, for seven days. Hand it over yourself.</p>
      <form class="mt-3 flex flex-col gap-3" (submit)="invite($event)">
        <label class="field">
          <span class="label">Role</span>
          <select class="input" #role (change)="choose(role.value)">
            @for (r of roles; track r) {
              <option [value]="r" [selected]="r === chosen()">{{ about[r] }}</option>
            }
          </select>
        </label>
        <y-text-field label="For whom" hint="A note for the list below." [value]="note()" (typed)="note.set($event)" />
        <button type="submit" class="btn btn-go self-start" [disabled]="requests.busy()">Make the link</button>
      </form>
      @if (made(); as path) {
        <y-link-once label="Invitation, shown once" hint="Whoever opens it chooses their own password." [path]="path" />
      }
      @if (requests.problem(); as p) {
        <div class="mt-3"><y-problem-note [problem]="p" /></div>
      }
      @if (open().length > 0) {
        <h3 class="mt-4">Not used yet</h3>
        <ul class="mt-1 divide-y divide-line">
          @for (i of open(); track i.id) {
            <li class="flex flex-wrap items-center gap-3 py-2">
              <span class="min-w-40 flex-1"
                ><span class="font-semibold">{{ i.note || 'Without a note' }}</span
                ><span class="block text-sm text-soft">{{ i.role }}, until {{ day(i.expiresAt) }}</span></span
              >
              <button type="button" class="btn" [attr.aria-label]="'End the invitation ' + i.note" (click)="end(i.id)">
                End
              </button>
            </li>
          }
        </ul>
      }
    </section>
  `,
})
export class Invitations {
  private readonly api = inject(StudioApi);
  readonly open = input.required<readonly InvitationView[]>();
  readonly changed = output();
  protected readonly requests = new Requests();
  protected readonly roles = COACH_ROLES;
  protected readonly about = ROLE_WORDS;
  protected readonly chosen = signal<CoachRole>('coach');
  protected readonly note = signal('');
  protected readonly made = signal<string | null>(null);

  protected choose(text: string): void {
    this.chosen.set(oneOf(COACH_ROLES, text) ?? 'coach');
  }

  protected day(instant: string): string {
    return formatDate(instant.slice(0, 10), 'd MMM');
  }

  protected async invite(event: Event): Promise<void> {
    event.preventDefault();
    const link = await this.requests.run(this.api.invite({ role: this.chosen(), note: this.note() }));
    if (!link) return;
    this.made.set(link.path);
    this.note.set('');
    this.changed.emit();
  }

  protected async end(id: string): Promise<void> {
    await this.requests.run(async () => {
      await firstValueFrom(this.api.endInvitation(id));
      this.made.set(null);
      this.changed.emit();
    });
  }
}
