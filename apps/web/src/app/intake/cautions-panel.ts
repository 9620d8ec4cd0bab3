import { Component, computed, inject, input, signal } from '@angular/core';
import { FIELD } from '@yandle/contract';
import { formatDate, type Caution, cautionTitle, isHouseRule, liftsIn, liftWords, type LiftCode } from '@yandle/core';
import { CautionWords } from './caution-words';
import { HandOnHead } from './hand-on-head';
import { ScreeningStore } from './screening.store';
import { SCREENING_WORDS } from './screening-words';

/** What the answers lead to, and the clearances that lift it. */
@Component({
  selector: 'y-cautions-panel',
  imports: [CautionWords, HandOnHead],
  templateUrl: './cautions-panel.html',
})
export class CautionsPanel {
  protected readonly store = inject(ScreeningStore);
  readonly clientName = input.required<string>();
  protected readonly words = SCREENING_WORDS;
  protected readonly field = FIELD;
  protected readonly opened = signal<Caution['id'] | null>(null);
  protected readonly tried = signal(false);
  protected readonly state = computed(() =>
    this.store.latest() === null && !this.store.dirty()
      ? (this.store.view()?.state ?? 'open')
      : this.store.live().state,
  );
  protected readonly current = computed(() => this.store.live().current.filter((c) => !isHouseRule(c)));
  protected readonly given = computed(
    () =>
      this.store.view()?.clearances.filter((c) => c.withdrawnAt === null && !isHouseRule({ id: c.cautionId })) ?? [],
  );
  protected readonly titleOf = (id: Caution['id']) =>
    cautionTitle([...this.store.live().lifted, ...this.current()].find((c) => c.id === id) ?? { id, regions: [] });
  protected readonly cautionTitle = cautionTitle;

  /** Limits that the clearance being recorded lifts. */
  protected readonly lifts = signal<readonly LiftCode[]>([]);
  protected readonly liftsIn = liftsIn;
  protected readonly liftWords = liftWords;

  protected liftedWords(lifts: readonly LiftCode[]): string {
    return lifts.map(liftWords).join(', ');
  }

  protected open(caution: Caution): void {
    this.opened.set(caution.id);
    this.lifts.set([]);
  }

  protected lift(code: LiftCode): void {
    this.lifts.update((l) => (l.includes(code) ? l.filter((x) => x !== code) : [...l, code]));
  }

  protected day(date: string): string {
    return formatDate(date, 'd MMM yyyy');
  }

  protected async record(caution: Caution, who: string, on: string, note: string): Promise<void> {
    this.tried.set(true);
    if (!who.trim() || !on) return;
    if (await this.store.clear({ cautionId: caution.id, who: who.trim(), on, note, lifts: this.lifts() })) {
      this.opened.set(null);
      this.tried.set(false);
    }
  }
}
