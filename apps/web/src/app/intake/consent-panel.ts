import { Component, computed, inject, input, signal } from '@angular/core';
import type { ConsentBody } from '@yandle/contract';
import { CONSENT_VERSION, formatDate, questionById, type QuestionId } from '@yandle/core';
import { AccountService } from '../data/account.service';
import { ToastService } from '../data/toast.service';
import { ConsentForm } from './consent-form';
import { ScreeningStore } from './screening.store';

/** Whether answers may be kept: asked before the first one, shown with its date, taken back, and single answers erased for good. */
@Component({
  selector: 'y-consent-panel',
  imports: [ConsentForm],
  template: `
    @if (store.view()?.consent; as c) {
      <details class="text-sm">
        <summary class="text-soft">{{ words() }}</summary>
        <div class="mt-2 grid gap-3">
          <div class="flex flex-wrap items-end gap-2">
            <label class="field min-w-64 flex-1">
              <span class="label">Erase one answer for good, from this and every earlier asking</span>
              <select class="input" #question (change)="one.set(questionOf(question.value))">
                <option value="">choose an answer</option>
                @for (q of answered(); track q.id) {
                  <option [value]="q.id" [selected]="one() === q.id">{{ q.text }}</option>
                }
              </select>
            </label>
            <button type="button" class="btn" [disabled]="!one() || store.busy()" (click)="erase()">
              Erase this answer
            </button>
          </div>
          @if (!sure()) {
            <button type="button" class="btn justify-self-start" (click)="sure.set(true)">Withdraw the consent…</button>
          } @else {
            <div class="note">
              <p>
                All answers about {{ clientName() }}’s health are erased for good, and nothing can be planned until they
                agree again. Sessions, logs and tests stay.
              </p>
              <div class="mt-2 flex gap-2">
                <button type="button" class="btn btn-stop" [disabled]="store.busy()" (click)="withdraw()">
                  Erase the answers
                </button>
                <button type="button" class="btn" (click)="sure.set(false)">Cancel</button>
              </div>
            </div>
          }
        </div>
      </details>
    }
    @if (store.view() && !store.consented()) {
      @if (store.view()?.consent) {
        <p class="note my-2" role="status">
          <span class="font-semibold text-attention">Ask for consent again.</span>
          {{ anew() }} The answers on record are kept; new ones need it.
        </p>
      } @else if (store.latest()) {
        <p class="note mb-2" role="status">
          <span class="font-semibold text-attention">Consent is not on record.</span>
          These answers are from before it was asked; they are kept. Ask now.
        </p>
      }
      <y-consent-form [studio]="studio()" [age]="age()" (given)="body.set($event)">
        <button type="button" class="btn btn-go mt-3 ml-3" [disabled]="!body() || store.busy()" (click)="record()">
          Record the consent
        </button>
      </y-consent-form>
    }
  `,
})
export class ConsentPanel {
  protected readonly store = inject(ScreeningStore);
  private readonly account = inject(AccountService);
  private readonly toasts = inject(ToastService);
  readonly clientName = input.required<string>();
  readonly age = input.required<number>();
  protected readonly body = signal<ConsentBody | null>(null);
  protected readonly one = signal<QuestionId | null>(null);
  protected readonly sure = signal(false);
  protected readonly studio = computed(() => this.account.me()?.studio.name ?? '');
  protected readonly answered = computed(() => {
    const answers = this.store.latest()?.answers;
    return answers ? [...answers.yes, ...answers.no].map(questionById) : [];
  });
  protected readonly words = computed(() => {
    const c = this.store.view()!.consent!;
    const who = c.by === 'guardian' ? `${c.name}, guardian` : c.name;
    const how = c.recordedBy === null ? 'by link' : `recorded by ${c.recordedBy}`;
    return `Consent by ${who}, ${formatDate(c.at.slice(0, 10), 'd MMM yyyy')}, ${how} (text ${c.version})`;
  });

  protected readonly anew = computed(() =>
    this.store.view()!.consent!.version === CONSENT_VERSION
      ? `${this.clientName()} is old enough to agree without a guardian now.`
      : 'The text has changed since they agreed.',
  );

  protected questionOf(id: string): QuestionId | null {
    return this.answered().find((q) => q.id === id)?.id ?? null;
  }

  protected async record(): Promise<void> {
    if (await this.store.consent(this.body()!)) this.toasts.show('Consent recorded.');
  }

  protected async erase(): Promise<void> {
    if (!(await this.store.eraseAnswer(this.one()!))) return;
    this.one.set(null);
    this.toasts.show('Answer erased. Its question is open again.');
  }

  protected async withdraw(): Promise<void> {
    if (!(await this.store.withdrawConsent())) return;
    this.sure.set(false);
    this.toasts.show('Consent withdrawn, answers erased.');
  }
}
