import { Component, computed, inject, input, output, signal } from '@angular/core';
import { COACH_ROLES, type CoachView } from '@yandle/contract';
import { formatDate } from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { Requests } from '../data/requests';
import { StudioApi } from '../data/studio-api';
import { Dialog } from '../ui/dialog';
import { LinkOnce } from '../ui/link-once';
import { oneOf } from '../ui/one-of';
import { ProblemNote } from '../ui/problem-note';
import { StandInForm } from './stand-in-form';

/** One coach of the studio, with what the owner can do: role, stand-in, a way back in, removing. */
@Component({
  selector: 'y-coach-row',
  imports: [Dialog, LinkOnce, ProblemNote, StandInForm],
  template: `
    <div class="flex items-start gap-x-4">
      <div class="min-w-0 flex-1">
        <p class="font-semibold">
          {{ coach().name }}
          @if (self()) {
            <span class="font-normal text-soft"> · you</span>
          }
        </p>
        <p class="text-sm text-soft">{{ coach().email }}</p>
        <p class="text-sm text-soft">
          {{ coach().clients }} {{ coach().clients === 1 ? 'client' : 'clients' }} ·
          {{ coach().secondFactor ? 'second factor on' : 'no second factor' }} ·
          {{ coach().signedInAt ? 'signed in ' + day(coach().signedInAt!) : 'not signed in' }}
        </p>
        @if (coach().standInId) {
          <p class="text-sm">{{ standIn() }} stands in until {{ date(coach().standInUntil!) }}</p>
        }
      </div>
      <label class="sr-only" [for]="'role-' + coach().id">Role of {{ coach().name }}</label>
      <select class="input max-w-28" #role [id]="'role-' + coach().id" (change)="setRole(role)">
        @for (r of roles; track r) {
          <option [value]="r" [selected]="r === coach().role">{{ r }}</option>
        }
      </select>
    </div>
    <div class="mt-2 flex flex-wrap gap-2">
      <button type="button" class="btn" [attr.aria-label]="'Stand-in for ' + coach().name" (click)="toggle('stand-in')">
        Stand-in
      </button>
      <button type="button" class="btn" [attr.aria-label]="'New password for ' + coach().name" (click)="reset()">
        New password
      </button>
      @if (!self() && others().length > 0) {
        <button type="button" class="btn" [attr.aria-label]="'Remove ' + coach().name" (click)="toggle('remove')">
          Remove
        </button>
      }
    </div>
    @if (requests.problem(); as p) {
      <div class="mt-2"><y-problem-note [problem]="p" /></div>
    }
    @if (open() === 'stand-in') {
      <y-stand-in-form
        class="mt-3 block"
        [coachId]="coach().id"
        [others]="others()"
        [now]="{ standInId: coach().standInId, until: coach().standInUntil }"
        (saved)="done()"
      />
    }
    @if (link(); as path) {
      <y-link-once
        [label]="'Link for ' + coach().name + ', shown once'"
        hint="It works for a day. All devices are signed out, and a second factor is turned off, once it is used."
        [path]="path"
      />
    }
    @if (open() === 'remove') {
      <y-dialog labelledBy="remove-title" (closed)="open.set(null)">
        <h2 id="remove-title">Remove {{ coach().name }}?</h2>
        <p class="mt-2">
          {{ coach().name }} is signed out everywhere and cannot come back without a new invitation. What they wrote
          keeps their name.
        </p>
        <label class="field mt-3">
          <span class="label"
            >{{ coach().clients }} {{ coach().clients === 1 ? 'client passes' : 'clients pass' }} to</span
          >
          <select class="input" #heir>
            @for (c of heirs(); track c.id) {
              <option [value]="c.id">{{ c.name }}</option>
            }
          </select>
        </label>
        <div class="mt-4 flex justify-end gap-2">
          <button type="button" class="btn" (click)="open.set(null)">Cancel</button>
          <button type="button" class="btn btn-go" (click)="remove(heir.value)">Remove</button>
        </div>
      </y-dialog>
    }
  `,
})
export class CoachRow {
  private readonly api = inject(StudioApi);
  readonly coach = input.required<CoachView>();
  readonly all = input.required<readonly CoachView[]>();
  readonly self = input.required<boolean>();
  readonly changed = output();
  protected readonly requests = new Requests();
  protected readonly roles = COACH_ROLES;
  protected readonly open = signal<'stand-in' | 'remove' | null>(null);
  protected readonly link = signal<string | null>(null);
  protected readonly others = computed(() => this.all().filter((c) => c.id !== this.coach().id));
  /** A guest leads nobody. */
  protected readonly heirs = computed(() => this.others().filter((c) => c.role !== 'guest'));
  protected readonly standIn = computed(() => this.all().find((c) => c.id === this.coach().standInId)?.name ?? '');

  protected toggle(what: 'stand-in' | 'remove'): void {
    this.open.set(this.open() === what ? null : what);
  }

  protected day(instant: string): string {
    return formatDate(instant.slice(0, 10), 'd MMM');
  }

  protected date(plain: string): string {
    return formatDate(plain, 'd MMM');
  }

  protected done(): void {
    this.open.set(null);
    this.changed.emit();
  }

  protected async setRole(select: HTMLSelectElement): Promise<void> {
    const role = oneOf(COACH_ROLES, select.value);
    if (!role) return;
    const set = await this.requests.run(this.api.setRole(this.coach().id, role));
    // Refused, it shows what stands.
    if (set === undefined) select.value = this.coach().role;
    else this.changed.emit();
  }

  protected async reset(): Promise<void> {
    const link = await this.requests.run(this.api.resetLink(this.coach().id));
    if (link) this.link.set(link.path);
  }

  protected async remove(heir: string): Promise<void> {
    await this.requests.run(async () => {
      await firstValueFrom(this.api.removeCoach(this.coach().id, heir));
      this.done();
    });
    this.open.set(null);
  }
}
