import { Requests } from '../data/requests';
import { computed, inject, Injectable, signal } from '@angular/core';
import type { EditSessionBody, Session, SessionSettings } from '@yandle/contract';
import {
  buildTimeline,
  cautionsAgainst,
  exercisesOnHold,
  extendProposals,
  firstItem,
  formatClock,
  itemWords,
  movedTo,
  needsOf,
  orderItems,
  phaseWarnings,
  putAt,
  repeatedAt,
  cutProposals,
  type Exercise,
  type ClientPlace,
  type SessionItem,
  isOnHold,
  isSessionOnHold,
  needsProfessional,
  onHoldAfter,
  runningList,
  soreGroups,
  type OpenStopSign,
  settingsOf,
  sameSettings,
  DEFAULT_TIMINGS,
  type Timings,
} from '@yandle/core';
import { sessionTimings } from '../data/session-timings';
import { firstValueFrom } from 'rxjs';
import { UndoStack } from '../block/undo-stack';
import { Api } from '../data/api';
import { ClientContext } from '../data/client-context';
import { LibraryService } from '../library/library.service';

/** What an edit changes: the list, or how it is gone through. */
export type SessionChange = SessionSettings & { readonly items: readonly SessionItem[] };

const changeOf = (s: Session): SessionChange => ({
  items: s.items,
  ...settingsOf(s),
});

/** One session on its sheet: what it is, what speaks against it, and every change saved at once, with undo. */
@Injectable()
export class SheetStore {
  private readonly api = inject(Api);
  private readonly context = inject(ClientContext);
  private readonly library = inject(LibraryService);
  readonly session = signal<Session | null>(null);
  readonly requests = new Requests();
  readonly problem = this.requests.problem;
  private readonly edits = new Requests(this.problem);
  /** True while a change is on its way. */
  readonly saving = this.edits.busy;
  readonly history = new UndoStack<SessionChange>();
  private queue: Promise<void> = Promise.resolve();
  /** Changes begun so far. */
  private changes = 0;

  readonly find = (id: string): Exercise => this.library.find(id);
  readonly timings = computed((): Timings => {
    const s = this.session();
    return s ? sessionTimings(s) : DEFAULT_TIMINGS;
  });
  readonly timeline = computed(() => {
    const s = this.session();
    return s ? buildTimeline(s.items, s, this.timings(), this.find) : null;
  });
  /** True while it may be changed: nobody has begun it. */
  readonly open = computed(() => this.session()?.status === 'planned');
  readonly changed = computed(() => {
    const s = this.session();
    if (!s) return false;
    return !sameSettings(s, s.asPlanned) || JSON.stringify(s.items) !== JSON.stringify(s.plannedItems);
  });
  readonly budgetSeconds = computed(() => (this.session()?.minutesBudget ?? 0) * 60);
  readonly totalSeconds = computed(() => this.timeline()?.totalSeconds ?? 0);
  readonly over = computed(() => this.totalSeconds() - this.budgetSeconds());
  readonly cautions = computed(() => this.context.path().value?.cautions ?? []);
  /** Where the client stretches as far as is known, the session's own place first. */
  readonly places = computed((): readonly ClientPlace[] => {
    const mine = this.session()?.place ?? null;
    const known = this.context.path().value?.about?.places ?? [];
    return mine ? [mine, ...known.filter((p) => p.id !== mine.id)] : known;
  });
  /** Where this session takes place; null for anywhere. */
  readonly place = computed((): ClientPlace | null => this.session()?.place ?? null);
  readonly clientMinutes = computed(
    () => this.context.client()?.minutesPerSession ?? this.session()?.minutesBudget ?? 0,
  );
  readonly allExercises = computed(() => this.library.exercises());
  readonly clock = formatClock;
  readonly words = (item: SessionItem): string => itemWords(item, this.find(item.exerciseId));
  readonly level = computed(() => this.context.client()?.experience ?? 'beginner');

  /** Groups that rest in this session because they are very sore. */
  readonly sore = computed(() => soreGroups(this.session()?.sore ?? [], this.session()?.date ?? ''));
  /** What rests: after a stop sign, or because it is very sore. */
  readonly onHold = computed(() => onHoldAfter(this.session()?.openSymptoms ?? [], this.find, this.sore()));
  /** True while nothing of the session may be done. */
  readonly resting = computed(() =>
    isSessionOnHold(this.session()?.items ?? [], this.session()?.openSymptoms ?? [], this.find, this.sore()),
  );
  /** Names of what rests only because it is very sore; empty for none. */
  readonly tooSore = computed(() =>
    runningList(exercisesOnHold(this.session()?.items ?? [], [], this.find, this.sore()).map((e) => e.name)),
  );
  /** Whether the clearance of a stop sign has to name who gave it. */
  asksWho(sign: OpenStopSign): boolean {
    return needsProfessional(sign, this.session()?.openSymptoms ?? [], this.find);
  }

  /** Exercises that a caution or a stop sign takes away are not offered. */
  readonly allowed = computed(() => {
    const hold = this.onHold();
    return this.library
      .exercises()
      .filter((e) => cautionsAgainst(e, this.cautions()).length === 0 && !isOnHold(hold, e));
  });

  private readonly fitInput = computed(() => {
    const s = this.session()!;
    return {
      items: s.items,
      shape: s,
      budgetSeconds: this.budgetSeconds(),
      ranked: s.ranked,
      timings: this.timings(),
      find: this.find,
    };
  });
  readonly cuts = computed(() => (this.session() && this.open() ? cutProposals(this.fitInput()) : []));
  readonly extensions = computed(() =>
    this.session() && this.open() ? extendProposals(this.fitInput(), this.session()!.plannedItems) : [],
  );
  readonly warnings = computed(() => {
    const s = this.session();
    return s ? phaseWarnings(s.items, s.purpose, s.date, s.near, this.find) : [];
  });
  readonly needs = computed(() => {
    const s = this.session();
    return s ? needsOf(s.plannedItems, s.ranked, s.weekWork, this.find) : [];
  });

  /** Reads the session again. What is changed meanwhile stands: this answer may be from before it. */
  async load(id: string): Promise<void> {
    await this.requests.run(async () => {
      const changes = this.changes;
      const session = await firstValueFrom(this.api.session(id));
      if (changes !== this.changes && this.session()?.id === id) return;
      this.take(session);
      this.history.reset(changeOf(session));
      this.context.refresh();
    });
  }

  /** Takes what the server answered. */
  take(session: Session): void {
    this.session.set(session);
  }

  /** Shows a change at once and saves it; the saves go out one after the other. */
  change(part: Partial<SessionChange>): void {
    const s = this.session();
    if (!s || !this.open()) return;
    const next = { ...changeOf(s), ...part };
    this.history.push(next);
    this.send(next);
  }

  /** Puts an item at a place of the list; null takes the one there out. */
  replace(place: number, item: SessionItem | null): void {
    this.change({ items: putAt(this.session()!.items, place, ...(item ? [item] : [])) });
  }

  move(from: number, to: number): void {
    this.change({ items: movedTo(this.session()!.items, from, to) });
  }

  /** An exercise more, at the end of the list. */
  add(exercise: Exercise): void {
    this.change({ items: [...this.session()!.items, firstItem(exercise)] });
  }

  /** The same exercise once more, right after itself. */
  repeat(place: number): void {
    this.change({ items: repeatedAt(this.session()!.items, place) });
  }

  /** The order with the fewest changes of position. */
  reorder(): void {
    this.change({ items: orderItems(this.session()!.items, this.find) });
  }

  undo(): void {
    this.history.undo();
    this.resend();
  }

  redo(): void {
    this.history.redo();
    this.resend();
  }

  restore(): void {
    const s = this.session();
    if (!s) return;
    this.change({ items: s.plannedItems, ...s.asPlanned });
  }

  /** Does something that answers with the session. */
  async act(work: () => Promise<Session>): Promise<boolean> {
    this.changes++;
    return (
      (await this.requests.run(async () => {
        this.take(await work());
        return true;
      })) ?? false
    );
  }

  private resend(): void {
    const value = this.history.value();
    if (value) this.send(value);
  }

  private send(next: SessionChange): void {
    this.changes++;
    const s = this.session()!;
    const { pacing: _, ...rest } = s;
    this.session.set({ ...rest, untilEasy: false, ...next, minutesBudget: next.minutes ?? this.clientMinutes() });
    this.queue = this.queue.then(async () => {
      const body: EditSessionBody = { version: this.session()!.version, ...next };
      const saved = await this.edits.run(this.api.editSession(s.id, body));
      if (saved) {
        const shown = this.session()!;
        // A later change may be on its way: only the version is taken then.
        const newest = this.history.value() === next;
        this.session.set(newest ? saved : { ...shown, version: saved.version });
        return;
      }
      // What the server refused is not shown as if it were saved.
      await this.edits.follow(async () => {
        const fresh = await firstValueFrom(this.api.session(s.id));
        this.take(fresh);
        this.history.reset(changeOf(fresh));
      });
    });
  }
}
