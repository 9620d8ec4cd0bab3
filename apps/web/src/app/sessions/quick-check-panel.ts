import { Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Assessment, CreateAssessmentBody, ReadingBody } from '@yandle/contract';
import {
  formatReading,
  errorOf,
  withinSessionEffect,
  type RomTest,
  type Side,
  asMeasuredIn,
  parseNumber,
  typedReading,
  unitSign,
} from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { Api } from '../data/api';
import { newId } from '../data/ids';
import { Outbox } from '../data/outbox/outbox';
import { TestCatalogueService } from '../data/test-catalogue.service';
import { resultOf, sidesOf } from '../measure/results';

type When = 'before' | 'after';

/** One test on one side, before and after the session. */
interface CheckRow {
  readonly test: RomTest;
  readonly side: Side | null;
  readonly before: number | null;
  readonly after: number | null;
  readonly words: string;
}

const keyOf = (when: When, row: Pick<CheckRow, 'test' | 'side'>): string => `${when}|${row.test.id}|${row.side}`;

/** The two tests of the week measured right before and right after a session: what the session did. */
@Component({
  selector: 'y-quick-check-panel',
  imports: [RouterLink],
  template: `
    <section class="sheet mt-5 p-4" aria-labelledby="quick">
      <h2 id="quick">Quick check before and after</h2>
      @if (tests().length === 0) {
        <p class="text-sm text-soft">
          Choose the two tests of the week in
          <a class="link" [routerLink]="['/clients', clientId(), 'findings']">Findings</a>; measured before and after,
          they show what the session did.
        </p>
      } @else {
        <p class="text-sm text-soft">
          One reading each, cold before and warm after. The effect fades within the hour or the day and is never added
          to a trend.
        </p>
        <div class="mt-2 overflow-x-auto" tabindex="0" role="region" aria-label="Readings before and after">
          <table class="text-sm">
            <thead>
              <tr class="text-left text-soft">
                <th scope="col" class="pr-4 font-normal">Test</th>
                <th scope="col" class="px-1 font-normal">Before</th>
                <th scope="col" class="px-1 font-normal">After</th>
                <th scope="col" class="px-2 font-normal">What the session did</th>
              </tr>
            </thead>
            <tbody>
              @for (r of rows(); track r.test.id + '|' + r.side) {
                <tr>
                  <th scope="row" class="py-1 pr-4 text-left font-normal">
                    {{ r.test.name }}{{ r.side ? ', ' + r.side : '' }} ({{ sign(r.test.unit) }})
                  </th>
                  @for (when of whens; track when) {
                    <td class="px-1 py-1">
                      <!-- Readings are taken blind: what it was before is shown once it is read after. -->
                      @if (r[when] !== null) {
                        {{ when === 'before' && r.after === null ? 'saved' : reading(r, when) }}
                      } @else {
                        <input
                          class="input !w-20"
                          inputmode="decimal"
                          [attr.aria-label]="r.test.name + (r.side ? ', ' + r.side : '') + ', ' + when"
                          [value]="typed()[key(when, r)] ?? ''"
                          #reading
                          (input)="type(when, r, reading.value)"
                        />
                      }
                    </td>
                  }
                  <td class="px-2 py-1">{{ r.words }}</td>
                </tr>
              }
            </tbody>
          </table>
        </div>
        @if (wrong()) {
          <p class="field-error">Enter numbers within what the test can read.</p>
        }
        <div class="mt-2 flex gap-2">
          @for (when of whens; track when) {
            @if (ready(when)) {
              <button type="button" class="btn" (click)="save(when)">Save {{ when }}</button>
            }
          }
        </div>
      }
    </section>
  `,
})
export class QuickCheckPanel {
  private readonly api = inject(Api);
  private readonly outbox = inject(Outbox);
  private readonly catalogue = inject(TestCatalogueService);
  readonly clientId = input.required<string>();
  readonly date = input.required<string>();

  protected readonly sign = unitSign;
  protected readonly whens = ['before', 'after'] as const;
  protected readonly key = keyOf;
  private readonly ids = signal<readonly string[]>([]);
  private readonly assessments = signal<readonly Assessment[]>([]);
  protected readonly typed = signal<Readonly<Record<string, string>>>({});
  protected readonly wrong = signal(false);

  protected readonly tests = computed((): readonly RomTest[] => {
    const { tests } = this.catalogue.catalogue();
    return this.ids().flatMap((id) => tests.filter((t) => t.id === id));
  });
  /** Assessments of the session's day that hold one of the tests, earliest first. */
  private readonly today = computed(() =>
    this.assessments()
      .filter((v) => v.date === this.date() && v.readings.some((t) => this.ids().includes(t.testId)))
      .sort((a, b) => a.time.localeCompare(b.time)),
  );
  protected readonly rows = computed((): readonly CheckRow[] =>
    this.tests().flatMap((test) => sidesOf(test).map((side) => this.rowOf(test, side))),
  );

  constructor() {
    effect(() => {
      const id = this.clientId();
      this.date();
      untracked(() => void this.load(id));
    });
    // What was sent is read again once it has arrived.
    let waiting = 0;
    effect(() => {
      const pending = this.outbox.pending();
      if (waiting > 0 && pending === 0) untracked(() => void this.load(this.clientId()));
      waiting = pending;
    });
  }

  protected reading(row: CheckRow, when: When): string {
    return formatReading(row[when]!, row.test.unit);
  }

  protected type(when: When, row: CheckRow, text: string): void {
    this.typed.update((t) => ({ ...t, [keyOf(when, row)]: text }));
  }

  protected ready(when: When): boolean {
    return this.rows().some((r) => r[when] === null && (this.typed()[keyOf(when, r)] ?? '').trim() !== '');
  }

  protected save(when: When): void {
    const readings = this.rows().flatMap((row) => {
      const text = this.typed()[keyOf(when, row)] ?? '';
      return row[when] === null && text.trim() !== ''
        ? [{ row, value: typedReading(parseNumber(text) ?? NaN, row.test.unit) }]
        : [];
    });
    const fits = readings.every(
      ({ row, value }) => Number.isFinite(value) && value >= row.test.plausible.min && value <= row.test.plausible.max,
    );
    this.wrong.set(!fits);
    if (!fits) return;
    const assessment = newId();
    const body: CreateAssessmentBody = {
      id: assessment,
      date: this.date(),
      time: new Date().toTimeString().slice(0, 5),
      warm: when === 'after',
      note: `Quick check ${when} the session`,
      battery: [...new Set(readings.map((r) => r.row.test.id))],
    };
    this.outbox.post({ kind: 'assessment', clientId: this.clientId(), body });
    for (const { row, value } of readings) {
      const reading: ReadingBody = {
        testId: row.test.id,
        side: row.side,
        value,
        instrument: row.test.instruments[0]!,
        replaces: null,
        warm: null,
        testerId: null,
        seen: false,
      };
      this.outbox.post({ kind: 'reading', assessmentId: assessment, id: newId(), body: reading });
    }
    this.typed.set({});
  }

  private rowOf(test: RomTest, side: Side | null): CheckRow {
    const holding = this.today().filter((v) => resultOf(v, test, side) !== null);
    const first = holding.find((v) => !v.warm) ?? null;
    const last = holding.filter((v) => v.warm).at(-1) ?? null;
    const value = (v: Assessment | null): number | null => (v ? resultOf(v, test, side)!.value : null);
    const [before, after] = [value(first), value(last)];
    return { test, side, before, after, words: first && last ? this.effect(test, side, first, last) : '' };
  }

  private effect(test: RomTest, side: Side | null, first: Assessment, last: Assessment): string {
    const taken = (v: Assessment) => {
      const result = resultOf(v, test, side)!;
      return { value: result.value, ...errorOf(asMeasuredIn(this.catalogue.catalogue(), v, test), result) };
    };
    const change = withinSessionEffect(taken(first), taken(last), test.better);
    const size = formatReading(Math.abs(change.gain), test.unit);
    if (change.gain === 0) return 'the same';
    const real = change.class === 'no detectable change' ? 'within measurement error' : 'more than measurement error';
    return `${size} ${change.gain < 0 ? 'tighter' : 'freer'}, ${real}`;
  }

  private async load(clientId: string): Promise<void> {
    try {
      const [priorities, assessments] = await Promise.all([
        firstValueFrom(this.api.priorities(clientId)),
        firstValueFrom(this.api.assessments(clientId)),
      ]);
      this.ids.set(priorities.priorities.quickCheck);
      this.assessments.set(assessments);
    } catch {
      // Without the server there is nothing to compare with; the sheet itself says that it cannot be reached.
    }
  }
}
