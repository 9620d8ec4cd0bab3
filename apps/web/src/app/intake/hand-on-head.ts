import { Component, computed, inject, signal } from '@angular/core';
import { cautionsAgainst, cautionTitle, clearanceEnds, exerciseById, formatDate, isHouseRule } from '@yandle/core';
import { AccountService } from '../data/account.service';
import { ScreeningStore } from './screening.store';

/** An exercise in which a hand rests on the head: what speaks against it speaks against all of them. */
const WITH_HAND = exerciseById('nose-to-armpit-hand');

/** Whether a hand may rest on this client's head in stretches of the neck: off, until their coach allows it. */
@Component({
  selector: 'y-hand-on-head',
  template: `
    <section class="mt-5" aria-labelledby="hand-on-head">
      <h3 id="hand-on-head">A hand resting on the head</h3>
      @if (allowed(); as a) {
        <p class="text-sm">
          Allowed by {{ a.who }}, {{ day(a.on) }}; counts until {{ day(a.ends) }}. The head moves alone first, after the
          check without hands. The hand only rests there.
          @if (a.note) {
            “{{ a.note }}”
          }
        </p>
        @if (against()) {
          <p class="text-sm text-attention">Still left out: {{ against() }}.</p>
        }
        <button type="button" class="btn mt-1.5 text-sm" [disabled]="store.busy()" (click)="store.withdraw(a.id)">
          No longer allow it
        </button>
      } @else {
        <p class="text-sm text-soft">
          Off: its weight adds to what the neck takes, so no stretch has it.
          @if (against()) {
            It stays off for this client: {{ against() }}.
          } @else {
            Allow it only once you have seen this client’s neck move freely, without pain or dizziness.
          }
        </p>
        @if (!against()) {
          @if (asking()) {
            <form class="mt-2 flex flex-col gap-2 rounded-lg bg-shade p-3 text-sm" (submit)="allow($event, note.value)">
              <label class="field">
                <span class="label">What you saw (optional)</span>
                <textarea class="input" rows="2" #note maxlength="2000"></textarea>
              </label>
              <div class="flex gap-2">
                <button type="submit" class="btn btn-go" [disabled]="store.busy()">Allow it for a year</button>
                <button type="button" class="btn" (click)="asking.set(false)">Cancel</button>
              </div>
            </form>
          } @else {
            <button
              type="button"
              class="btn mt-1.5 text-sm"
              [disabled]="store.busy() || store.dirty()"
              (click)="asking.set(true)"
            >
              Allow it for this client…
            </button>
            @if (store.dirty()) {
              <p class="hint">Save the answers first.</p>
            }
          }
        }
      }
    </section>
  `,
})
export class HandOnHead {
  protected readonly store = inject(ScreeningStore);
  private readonly account = inject(AccountService);
  protected readonly asking = signal(false);
  protected readonly allowed = computed(
    () =>
      this.store
        .view()
        ?.clearances.find(
          (c) => c.cautionId === 'hand-on-head' && c.withdrawnAt === null && this.store.today() < clearanceEnds(c.on),
        ) ?? null,
  );
  /** The cautions that leave it out whatever the coach allows; empty for none. */
  protected readonly against = computed(() =>
    cautionsAgainst(WITH_HAND, this.store.live().current)
      .filter((c) => !isHouseRule(c))
      .map(cautionTitle)
      .join(', '),
  );

  protected day(date: string): string {
    return formatDate(date, 'd MMM yyyy');
  }

  protected async allow(event: Event, note: string): Promise<void> {
    event.preventDefault();
    const who = this.account.me()?.coach.name ?? '';
    const body = { cautionId: 'hand-on-head', who, on: this.store.today(), note: note.trim(), lifts: [] } as const;
    if (await this.store.clear(body)) this.asking.set(false);
  }
}
