import { Component, computed, effect, inject, input, output, signal, untracked } from '@angular/core';
import { Router } from '@angular/router';
import type { SessionSettings } from '@yandle/contract';
import {
  buildTimeline,
  exercisesDoing,
  firstItem,
  formatClock,
  missingAt,
  muscleGroupName,
  PLAINEST,
  ROUTINE_BOUNDS,
  routineOutWords,
  isOnHold,
  onHoldAfter,
  splitAllowed,
  trainableGroups,
  type MuscleGroupId,
  type SessionItem,
  type WantedGroup,
  settingsOf,
  clientPace,
  pacedTimings,
  timingsFor,
  type RoundDate,
} from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { AccountService } from '../data/account.service';
import { Api } from '../data/api';
import { ClientContext } from '../data/client-context';
import { Requests } from '../data/requests';
import { ToastService } from '../data/toast.service';
import { LibraryService } from '../library/library.service';
import { ProblemNote } from '../ui/problem-note';
import { ComposeGroups } from './compose-groups';
import { DatesForm } from './dates-form';
import { ListEditor } from './list-editor';
import { RoutinesService } from './routines.service';
import { SessionMaker } from './session-maker';
import { SettingsForm } from './settings-form';

/** A session of its own for a client, on any day: from a routine, from muscle groups, or written by hand. */
@Component({
  selector: 'y-new-session',
  imports: [ComposeGroups, DatesForm, ListEditor, ProblemNote, SettingsForm],
  templateUrl: './new-session.html',
})
export class NewSession {
  private readonly api = inject(Api);
  private readonly context = inject(ClientContext);
  private readonly library = inject(LibraryService);
  private readonly maker = inject(SessionMaker);
  private readonly router = inject(Router);
  private readonly toasts = inject(ToastService);
  protected readonly routines = inject(RoutinesService);
  private readonly account = inject(AccountService);
  readonly clientId = input.required<string>();
  readonly closed = output();
  /** After sessions were made. */
  readonly made = output();

  protected readonly requests = new Requests();
  protected readonly most = ROUTINE_BOUNDS;
  protected readonly groups = trainableGroups().map((id) => ({ id, name: muscleGroupName(id) }));
  protected readonly name = signal('');
  protected readonly routineId = signal<string | null>(null);
  protected readonly items = signal<readonly SessionItem[]>([]);
  protected readonly settings = signal<SessionSettings>({
    purpose: 'own',
    alreadyWarm: false,
    rounds: 1,
    minutes: null,
  });
  protected readonly dates = signal<readonly RoundDate[]>([{ date: this.account.me()?.today ?? '' }]);
  /** What fell out of a routine, in words. */
  protected readonly out = signal<readonly string[]>([]);
  private readonly pacing = computed(() => this.context.client()?.pacing);
  /** The client's own breath; the usual one until it has come. */
  private readonly breath = signal<number | null>(null);
  protected readonly timings = computed(() => {
    const pace = clientPace(this.account.settings().timings, this.pacing() ?? { brisk: false, own: {} });
    return timingsFor(this.breath(), pacedTimings(pace, this.settings().pacing ?? null));
  });
  /** What the last findings ask for. */
  protected readonly wanted = signal<readonly WantedGroup[]>([]);
  /** The composer is open. */
  protected readonly composing = signal(false);
  protected readonly cautions = computed(() => this.context.path().value?.cautions ?? []);
  protected readonly experience = computed(() => this.context.client()?.experience ?? 'beginner');
  protected readonly usualMinutes = computed(() => this.context.client()?.minutesPerSession ?? 20);
  private readonly about = computed(() => this.context.path().value?.about ?? null);
  protected readonly places = computed(() => this.about()?.places ?? []);
  private readonly chosenPlace = signal<string | null | undefined>(undefined);
  protected readonly placeId = computed(() => {
    const chosen = this.chosenPlace();
    return chosen === undefined ? (this.places()[0]?.id ?? null) : chosen;
  });
  protected readonly place = computed(() => this.places().find((p) => p.id === this.placeId()) ?? null);
  /** Exercises that the client may do there: without what a caution or a stop sign takes away. */
  protected readonly exercises = computed(() => {
    const cautions = this.cautions();
    const place = this.place();
    const hold = onHoldAfter(this.context.path().value?.openSigns ?? [], (id) => this.library.find(id));
    return splitAllowed(this.library.exercises(), cautions).allowed.filter(
      (e) => missingAt(e, place).length === 0 && !isOnHold(hold, e),
    );
  });
  protected readonly choices = computed(() => this.routines.forClient(this.clientId()));
  protected readonly length = computed(() => {
    const items = this.items();
    if (items.length === 0) return '';
    const find = (id: string) => this.library.find(id);
    return formatClock(buildTimeline(items, this.settings(), this.timings(), find).totalSeconds);
  });

  constructor() {
    effect(() => {
      const id = this.clientId();
      untracked(() => void this.time(id));
    });
  }

  /** The client's breath, and what the findings ask for. */
  private async time(id: string): Promise<void> {
    const planning = await firstValueFrom(this.api.planning(id)).catch(() => null);
    if (!planning) return;
    this.breath.set(planning.timings.breath);
    this.wanted.set(planning.wanted);
  }

  protected async take(id: string): Promise<void> {
    const routine = this.choices().find((r) => r.id === id);
    this.out.set([]);
    if (!routine) return this.routineId.set(null);
    const { name, alreadyWarm, rounds, pacing } = routine;
    this.routineId.set(id);
    this.name.set(name);
    this.settings.set(settingsOf(routine));
    const ask = { items: routine.items, alreadyWarm, rounds, ...(pacing && { pacing }), clientIds: [this.clientId()] };
    const [fit] = (await this.requests.run(this.api.fitRoutine(ask))) ?? [];
    this.items.set(fit?.items ?? []);
    const said = (x: string): string => this.library.find(x).name;
    this.out.set(
      (fit?.out ?? []).map((o) => routineOutWords(o.why, said(o.exerciseId), o.insteadId && said(o.insteadId))),
    );
  }

  /** The first exercise of a group that this client may do there, held; else whatever the group has. */
  protected addGroup(group: string): void {
    const able = this.exercises();
    const ids = new Set(this.items().map((i) => i.exerciseId));
    const held = exercisesDoing(group as MuscleGroupId, PLAINEST, able).filter((e) => e.technique === PLAINEST);
    const found = [...held, ...able.filter((e) => e.primary === group)].find((e) => !ids.has(e.id));
    if (found) this.items.update((all) => [...all, firstItem(found)]);
  }

  protected setPlace(id: string): void {
    this.chosenPlace.set(id === '' ? null : id);
  }

  protected async make(): Promise<void> {
    const list = {
      name: this.name().trim() || 'Session',
      routineId: this.routineId(),
      placeId: this.placeId(),
      ...this.settings(),
      items: this.items(),
    };
    const made = await this.requests.run(() => this.maker.make(this.clientId(), list, this.dates()));
    if (!made) return;
    this.context.refresh();
    if (made.length === 1) {
      await this.router.navigate(['/clients', this.clientId(), 'sessions', made[0]!.id]);
      return;
    }
    this.toasts.show(`${made.length} sessions are on the calendar.`);
    this.made.emit();
  }
}
