import { Requests } from '../data/requests';
import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import type {
  Assessment,
  BeightonBody,
  CreateAssessmentBody,
  Reading,
  ReadingBody,
  TestEvent,
  TestEventBody,
} from '@yandle/contract';
import { asMeasuredBy, inPositionOrder, type RomTest, type Side } from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { AccountService } from '../data/account.service';
import { Api } from '../data/api';
import { ClientContext } from '../data/client-context';
import { newId } from '../data/ids';
import { Outbox } from '../data/outbox/outbox';
import { TestCatalogueService } from '../data/test-catalogue.service';

/** What differs from the conditions of the assessment while a test is taken. */
export interface Exception {
  readonly warm: boolean | null;
  readonly testerId: string | null;
}

/**
 * A client's assessments and the one that is open. Readings are shown at once and go out through the outbox: nothing waits for the network,
 * and nothing is lost without it.
 */
@Injectable()
export class MeasureStore {
  private readonly api = inject(Api);
  private readonly outbox = inject(Outbox);
  private readonly context = inject(ClientContext);
  private readonly account = inject(AccountService);
  private readonly testCatalogue = inject(TestCatalogueService);

  readonly assessments = signal<readonly Assessment[] | null>(null);
  readonly requests = new Requests();
  readonly problem = this.requests.problem;
  private readonly openId = signal<string | null>(null);
  private readonly testIndex = signal(0);
  readonly instruments = signal<Readonly<Record<string, string>>>({});
  /** Sides of tests of which the last value was shown before the first reading. */
  private readonly shown = signal<ReadonlySet<string>>(new Set());
  private readonly exceptions = signal<Readonly<Record<string, Exception>>>({});
  private clientId = '';
  private loaded = false;
  /** Changes made here: an answer that was asked for before one of them is older than what is shown. */
  private changes = 0;

  readonly assessment = computed(() => this.assessments()?.find((v) => v.id === this.openId()) ?? null);
  /** The newest that has a reading: one without is none. */
  readonly latest = computed(() => this.assessments()?.findLast((a) => a.readings.length > 0) ?? null);
  /** Tests of the open assessment, in the order of positions; readings of other tests come along at their place. */
  readonly tests = computed((): readonly RomTest[] => {
    const assessment = this.assessment();
    if (!assessment) return [];
    const ids = [...new Set([...assessment.battery, ...assessment.readings.map((t) => t.testId)])];
    const catalogue = this.testCatalogue.catalogue();
    const tests = ids.flatMap((id) => catalogue.tests.filter((t) => t.id === id));
    return inPositionOrder(tests.map((t) => asMeasuredBy(catalogue, t, assessment.testerId)));
  });
  readonly test = computed(() => this.tests()[this.testIndex()]!);
  readonly isFirst = computed(() => this.testIndex() === 0);
  readonly isLast = computed(() => this.testIndex() === this.tests().length - 1);

  constructor() {
    // Readings kept from before a reload are sent first; then the server's list is complete.
    let pending = 0;
    effect(() => {
      const now = this.outbox.pending();
      if (pending > 0 && now === 0) untracked(() => void this.load(this.clientId));
      pending = now;
    });
  }

  async load(clientId: string): Promise<void> {
    if (clientId !== this.clientId) this.loaded = false;
    this.clientId = clientId;
    if (!clientId) return;
    await this.requests.run(async () => {
      let asked: number;
      let assessments: readonly Assessment[];
      do {
        asked = this.changes;
        assessments = await firstValueFrom(this.api.assessments(clientId));
        // With readings on their way the list held here is the fuller one.
        if (this.assessments() && this.outbox.pending() > 0) return;
      } while (asked !== this.changes);
      this.assessments.set(assessments);
      const today = this.account.me()?.today;
      // What was left or taken back does not open again by itself.
      if (!this.loaded) {
        const last = assessments.at(-1);
        if (last && last.date === today) this.openId.set(last.id);
      }
      this.loaded = true;
      this.context.refresh();
    });
  }

  begin(conditions: Omit<CreateAssessmentBody, 'id' | 'note'>): void {
    // A second click begins no second one.
    if (this.assessment()) return;
    const me = this.account.me()!;
    const body: CreateAssessmentBody = { ...conditions, id: newId(), note: '' };
    const assessment: Assessment = {
      ...body,
      clientId: this.clientId,
      testerId: me.coach.id,
      testerName: me.coach.name,
      hoursSinceSession: null,
      readings: [],
      events: [],
      beighton: null,
      pictures: [],
    };
    this.list(assessment, true);
    this.openId.set(assessment.id);
    this.testIndex.set(0);
    this.outbox.post({ kind: 'assessment', clientId: this.clientId, body });
  }

  open(id: string): void {
    this.openId.set(id);
    this.testIndex.set(0);
  }

  close(): void {
    this.openId.set(null);
  }

  go(to: RomTest): void {
    this.testIndex.set(this.tests().indexOf(to));
  }

  move(by: 1 | -1): void {
    this.testIndex.update((i) => Math.min(this.tests().length - 1, Math.max(0, i + by)));
  }

  instrumentOf(test: RomTest): string {
    return this.instruments()[test.id] ?? test.instruments[0]!;
  }

  setInstrument(test: RomTest, instrument: string): void {
    this.instruments.update((all) => ({ ...all, [test.id]: instrument }));
  }

  /** For this test the body was in another state, or somebody else reads. Null is as the assessment. */
  setException(test: RomTest, except: Exception): void {
    this.exceptions.update((all) => ({ ...all, [test.id]: except }));
  }

  exceptionOf(test: RomTest): Exception {
    return this.exceptions()[test.id] ?? { warm: null, testerId: null };
  }

  private shownKey(test: RomTest, side: Side | null): string {
    return `${this.openId()} ${test.id} ${side}`;
  }

  /** Shows last time's value before the first reading of a side; that is written on the readings. */
  show(test: RomTest, side: Side | null): void {
    this.shown.update((all) => new Set([...all, this.shownKey(test, side)]));
  }

  isShown(test: RomTest, side: Side | null): boolean {
    return this.shown().has(this.shownKey(test, side));
  }

  /** Skips a test, ends it because of a symptom, or takes that back. */
  note(test: RomTest, body: Omit<TestEventBody, 'testId'>): void {
    const event: TestEvent = { ...body, testId: test.id, id: newId() };
    const { id, ...sent } = event;
    this.change((v) => ({ ...v, events: [...v.events, event] }));
    this.outbox.post({ kind: 'test-event', assessmentId: this.assessment()!.id, id, body: sent });
  }

  /** The nine items of the Beighton score, as they stand now. */
  keepBeighton(items: BeightonBody['items']): void {
    this.change((v) => ({ ...v, beighton: items }));
    const body: BeightonBody = { items };
    this.outbox.post({ kind: 'beighton', assessmentId: this.assessment()!.id, id: newId(), body });
  }

  /** Shows a picture that was attached or taken off. */
  setPictures(pictures: Assessment['pictures']): void {
    this.change((v) => ({ ...v, pictures }));
  }

  /** Changes the open assessment, or the one named, as it is shown. */
  change(how: (assessment: Assessment) => Assessment, id = this.assessment()!.id): void {
    this.changes += 1;
    this.assessments.update((all) => all!.map((v) => (v.id === id ? how(v) : v)));
  }

  /** Puts an assessment into the list, or takes it out. */
  list(assessment: Assessment, there: boolean): void {
    const at = (a: Assessment) => `${a.date} ${a.time} ${a.id}`;
    this.changes += 1;
    this.assessments.update((all) => {
      const rest = (all ?? []).filter((a) => a.id !== assessment.id);
      return there ? [...rest, assessment].sort((a, b) => (at(a) < at(b) ? -1 : 1)) : rest;
    });
  }

  /** Adds a reading, or corrects the one named: the earlier value is kept. */
  record(
    test: RomTest,
    side: Side | null,
    value: number,
    replaces: string | null,
    instrument: string | null = null,
  ): void {
    const assessment = this.assessment()!;
    const except = this.exceptions()[test.id];
    const body: ReadingBody = {
      testId: test.id,
      side,
      value,
      instrument: instrument ?? this.instrumentOf(test),
      replaces,
      warm: except?.warm ?? null,
      testerId: except?.testerId ?? null,
      seen: this.isShown(test, side),
    };
    const reading: Reading = { ...body, id: newId(), replacedBy: null };
    this.change((v) => ({
      ...v,
      readings: [...v.readings.map((t) => (t.id === replaces ? { ...t, replacedBy: reading.id } : t)), reading],
    }));
    this.outbox.post({ kind: 'reading', assessmentId: assessment.id, id: reading.id, body });
  }
}
