import { Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import type { Session, SessionSummary, StudioSettings } from '@yandle/contract';
import {
  buildTimeline,
  clientPace,
  formatClock,
  formatDate,
  pacedTimings,
  settingsOf,
  TIMING_BOUNDS,
  timingsFor,
  type OwnTimings,
  type Pacing,
  type SessionPacing,
  type StudioTimings,
} from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { AccountService } from '../data/account.service';
import { Api } from '../data/api';
import { ClientContext } from '../data/client-context';
import { Requests } from '../data/requests';
import { StudioApi } from '../data/studio-api';
import { LibraryService } from '../library/library.service';
import { PacingField } from '../ui/pacing-field';
import { ProblemNote } from '../ui/problem-note';
import { TIMING_WORDS } from './timing-words';

type Field = keyof StudioTimings;
const FIELDS = Object.keys(TIMING_BOUNDS) as Field[];
const PLAIN: SessionPacing = { brisk: null, own: {} };
const STEADY: Pacing = { brisk: false, own: {} };

/** The same timings with one of them set, or left to where it comes from. */
function withOwn(own: OwnTimings, field: Field, seconds: number | null): OwnTimings {
  const { [field]: _, ...rest } = own;
  return seconds === null ? rest : { ...rest, [field]: seconds };
}

/** Seconds of everything in a session that is no stretch: the studio's, the client's and one session's, and what comes of them. */
@Component({
  selector: 'y-timings',
  imports: [PacingField, ProblemNote, RouterLink],
  templateUrl: './timings.html',
})
export class TimingsScreen {
  private readonly api = inject(Api);
  private readonly studioApi = inject(StudioApi);
  private readonly account = inject(AccountService);
  private readonly context = inject(ClientContext);
  private readonly library = inject(LibraryService);
  private readonly router = inject(Router);
  readonly clientId = input.required<string>();
  /** The session that is timed too; none when left out. */
  readonly session = input<string>();

  protected readonly requests = new Requests();
  protected readonly bounds = TIMING_BOUNDS;
  protected readonly clock = formatClock;
  protected readonly long = (date: string): string => formatDate(date, 'EEEE d MMMM');
  protected readonly short = (date: string): string => formatDate(date, 'EEE d MMM');
  protected readonly coming = signal<readonly SessionSummary[]>([]);
  protected readonly one = signal<Session | null>(null);
  protected readonly client = this.context.client;
  protected readonly name = computed(() => this.client()?.name.split(' ')[0] ?? '');
  protected readonly pacing = computed(() => this.client()?.pacing ?? STEADY);
  private readonly studio = computed(() => this.account.settings().timings);
  private readonly pace = computed(() => clientPace(this.studio(), this.pacing()));
  private readonly asked = computed(() => this.one()?.pacing ?? PLAIN);
  /** What holds: for the session where there is one, else for the client. */
  private readonly result = computed(() => pacedTimings(this.pace(), this.asked()));
  protected readonly rows = computed(() => {
    const [studio, client, result] = [this.studio(), this.pace().timings, this.result()];
    return FIELDS.map((field) => ({
      field,
      name: TIMING_WORDS[field],
      studio: studio[field],
      client: { own: this.pacing().own[field] ?? null, from: client[field] },
      session: { own: this.asked().own[field] ?? null, from: result[field] },
      result: result[field],
    }));
  });
  /** Length of the session with these timings, and with the client's alone. */
  protected readonly length = computed(() => {
    const s = this.one();
    if (!s) return null;
    const of = (t: StudioTimings): number =>
      buildTimeline(s.items, s, timingsFor(s.breathSeconds, t), (id) => this.library.find(id)).totalSeconds;
    return { now: of(this.result()), plain: of(this.pace().timings) };
  });

  constructor() {
    effect(() => {
      const id = this.clientId();
      untracked(() => void this.list(id));
    });
    effect(() => {
      const id = this.session();
      untracked(() => void this.read(id));
    });
  }

  private async list(clientId: string): Promise<void> {
    const all = await this.requests.run(this.api.sessions(clientId));
    const today = this.account.me()?.today ?? '';
    this.coming.set((all ?? []).filter((s) => s.status === 'planned' && s.date >= today).slice(0, 30));
  }

  private async read(id: string | undefined): Promise<void> {
    this.one.set(id === undefined ? null : ((await this.requests.run(this.api.session(id))) ?? null));
  }

  protected choose(session: string): void {
    void this.router.navigate([], { queryParams: session === '' ? {} : { session } });
  }

  /** A number that was typed: null for none, undefined for what cannot be. */
  private typed(field: Field, box: HTMLInputElement): number | null | undefined {
    if (box.value.trim() === '') return box.validity.badInput ? undefined : null;
    const { min, max } = TIMING_BOUNDS[field];
    const n = box.valueAsNumber;
    return Number.isInteger(n) && n >= min && n <= max ? n : undefined;
  }

  protected async setStudio(field: Field, box: HTMLInputElement): Promise<void> {
    const seconds = this.typed(field, box);
    if (seconds === undefined || seconds === null) return this.putBack(box, this.studio()[field]);
    const settings: StudioSettings = { ...this.account.settings(), timings: { ...this.studio(), [field]: seconds } };
    await this.requests.run(async () => {
      await firstValueFrom(this.studioApi.putSettings(settings));
      await this.account.load();
    });
  }

  protected setClient(field: Field, box: HTMLInputElement): void {
    const seconds = this.typed(field, box);
    if (seconds === undefined) return this.putBack(box, this.pacing().own[field]);
    void this.saveClient({ ...this.pacing(), own: withOwn(this.pacing().own, field, seconds) });
  }

  protected async saveClient(pacing: Pacing): Promise<void> {
    await this.requests.run(async () => {
      await firstValueFrom(this.api.putPacing(this.clientId(), pacing));
      this.context.refresh();
      await this.read(this.session());
    });
  }

  protected setSession(field: Field, box: HTMLInputElement): void {
    const seconds = this.typed(field, box);
    if (seconds === undefined) return this.putBack(box, this.asked().own[field]);
    void this.saveSession({ ...this.asked(), own: withOwn(this.asked().own, field, seconds) });
  }

  protected async saveSession(pacing: SessionPacing): Promise<void> {
    const s = this.one();
    if (!s) return;
    const body = { version: s.version, ...settingsOf({ ...s, pacing }), items: s.items };
    const saved = await this.requests.run(this.api.editSession(s.id, body));
    if (saved) this.one.set(saved);
  }

  private putBack(box: HTMLInputElement, value: number | undefined): void {
    box.value = value === undefined ? '' : String(value);
  }
}
