import { Component, inject, signal } from '@angular/core';
import { FIELD } from '@yandle/contract';
import { firstValueFrom } from 'rxjs';
import { fieldMessage } from '../data/problem';
import { Requests } from '../data/requests';
import { StudioApi } from '../data/studio-api';
import { ToastService } from '../data/toast.service';
import { ProblemNote } from '../ui/problem-note';
import { SecretField } from '../ui/secret-field';

/** Changes the own password against the present one. */
@Component({
  selector: 'y-password-form',
  imports: [ProblemNote, SecretField],
  template: `
    <section class="sheet p-4" aria-labelledby="password">
      <h2 id="password">Password</h2>
      <p class="mt-1 text-sm text-soft">Changing it signs you out on every other device.</p>
      <form class="mt-3 flex max-w-sm flex-col gap-3" (submit)="save($event)">
        <y-secret-field
          label="Present password"
          auto="current-password"
          [value]="current()"
          [error]="message('current')"
          (typed)="current.set($event)"
        />
        <y-secret-field
          label="New password"
          auto="new-password"
          [value]="next()"
          [error]="message('password')"
          [hint]="hint"
          (typed)="next.set($event)"
        />
        @if (requests.problem(); as p) {
          @if (!p.errors) {
            <y-problem-note [problem]="p" />
          }
        }
        <button type="submit" class="btn self-start" [disabled]="requests.busy()">Change password</button>
      </form>
    </section>
  `,
})
export class PasswordForm {
  private readonly api = inject(StudioApi);
  private readonly toasts = inject(ToastService);
  protected readonly requests = new Requests();
  protected readonly current = signal('');
  protected readonly next = signal('');
  protected readonly hint = `At least ${FIELD.password.min} characters. Four words are easier to keep than a short riddle.`;

  protected message(path: string): string | null {
    return fieldMessage(this.requests.problem(), path);
  }

  protected async save(event: Event): Promise<void> {
    event.preventDefault();
    await this.requests.run(async () => {
      await firstValueFrom(this.api.changePassword({ current: this.current(), password: this.next() }));
      this.current.set('');
      this.next.set('');
      this.toasts.show('Password changed. Other devices are signed out.');
    });
  }
}
