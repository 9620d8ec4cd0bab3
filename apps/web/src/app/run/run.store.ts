import { computed, inject, Injectable, signal, type OnDestroy } from '@angular/core';
import type { FinishRunBody, Problem, Session, SetLogBody, SymptomBody } from '@yandle/contract';
import {
  back,
  buildTimeline,
  DEFAULT_TIMINGS,
  isFinished,
  isLastSeconds,
  isRedSymptom,
  LONGEST_TICK_MS,
  PLAYER_START,
  secondsLeft,
  sessionSecondsLeft,
  skip,
  skipItem,
  tick,
  type PlayerState,
  type PlayerStep,
  type SetDone,
  type SymptomId,
} from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { Api } from '../data/api';
import { newId } from '../data/ids';
import { Outbox } from '../data/outbox.service';
import { problemOf } from '../data/problem';
import { Sounds } from './sounds';
import { WakeLock } from './wake-lock';
import { LibraryService } from '../library/library.service';

/** What is kept in the browser of a run, so that a reload goes on where it was. */
interface KeptRun {
  readonly runId: string;
  readonly player: PlayerState;
  /** Newest log of each bout: a bout done again names the one it replaces. */
  readonly logged: Readonly<Record<string, string>>;
}

const TICK_MS = 200;

/** Runs one session: the clock drives the core's player; every bout goes out through the outbox as soon as it has ended. */
@Injectable()
export class RunStore implements OnDestroy {
  private readonly library = inject(LibraryService);
  private readonly api = inject(Api);
  private readonly outbox = inject(Outbox);
  readonly sounds = new Sounds();
  private readonly wakeLock = new WakeLock();

  readonly session = signal<Session | null>(null);
  readonly problem = signal<Problem | null>(null);
  private readonly player = signal<PlayerState>(PLAYER_START);
  private readonly runId = signal<string | null>(null);
  /** The device slept, or the page was held up: counting stopped at the last tick. */
  readonly interrupted = signal(false);
  readonly sent = signal(false);
  private logged: Record<string, string> = {};
  private timer: ReturnType<typeof setInterval> | null = null;
  private last = 0;

  readonly timeline = computed(() => {
    const s = this.session();
    return s ? buildTimeline(s.items, false, DEFAULT_TIMINGS, (id) => this.library.find(id)) : null;
  });
  readonly running = computed(() => this.player().running);
  readonly begun = computed(() => this.runId() !== null);
  readonly finished = computed(() => {
    const t = this.timeline();
    return t !== null && this.begun() && isFinished(this.player(), t);
  });
  readonly cue = computed(() => this.timeline()?.cues[this.player().cue] ?? null);
  readonly item = computed(() => {
    const i = this.cue()?.item;
    return i === null || i === undefined ? null : (this.session()?.items[i] ?? null);
  });
  readonly exercise = computed(() => {
    const i = this.item();
    return i ? this.library.find(i.exerciseId) : null;
  });
  readonly left = computed(() => {
    const t = this.timeline();
    return t ? secondsLeft(this.player(), t) : 0;
  });
  readonly sessionLeft = computed(() => {
    const t = this.timeline();
    return t ? sessionSecondsLeft(this.player(), t) : 0;
  });
  readonly last5 = computed(() => {
    const t = this.timeline();
    return t !== null && isLastSeconds(this.player(), t);
  });
  /** Part of the running cue that has passed, 0-1. */
  readonly share = computed(() => {
    const c = this.cue();
    return c ? Math.min(1, this.player().elapsedMs / (c.seconds * 1000)) : 0;
  });
  /** What comes after the running cue that is worth knowing: the next hold, side or exercise. */
  readonly next = computed(() => {
    const t = this.timeline();
    if (!t) return null;
    return (
      t.cues
        .slice(this.player().cue + 1)
        .find((c) => c.bout !== null || ['switch', 'position', 'rest', 'push'].includes(c.kind)) ?? null
    );
  });

  async load(sessionId: string): Promise<void> {
    try {
      const session = await firstValueFrom(this.api.session(sessionId));
      // Sides and seconds follow from the exercises: nothing may begin before the studio's own are here.
      await this.library.ready();
      this.session.set(session);
      const kept = this.read();
      if (kept && kept.player.cue <= (this.timeline()?.cues.length ?? 0)) {
        this.runId.set(kept.runId);
        this.logged = { ...kept.logged };
        this.player.set({ ...kept.player, running: false });
      }
    } catch (err) {
      this.problem.set(problemOf(err));
    }
  }

  start(): void {
    this.sounds.wake();
    if (!this.runId()) {
      const id = newId();
      this.runId.set(id);
      this.outbox.post({
        method: 'POST',
        path: `/sessions/${this.session()!.id}/runs`,
        body: { id, startedAt: new Date().toISOString() },
      });
    }
    this.interrupted.set(false);
    this.last = performance.now();
    this.player.update((p) => ({ ...p, running: true }));
    this.timer ??= setInterval(() => this.onTick(), TICK_MS);
    void this.wakeLock.hold();
    this.keep();
  }

  pause(): void {
    this.player.update((p) => ({ ...p, running: false }));
    this.stopClock();
    this.keep();
  }

  skip(): void {
    this.apply(skip(this.player(), this.timeline()!));
  }

  back(): void {
    this.player.update((p) => back(p));
    this.keep();
  }

  /** Something was felt: it is noted, and the exercise ends here. */
  stop(symptom: SymptomId): void {
    const cue = this.cue();
    if (cue?.item !== null && cue?.item !== undefined && isSymptomNoted(symptom)) {
      const body: SymptomBody = { item: cue.item, side: this.sideForLog(cue.item, cue.side), symptom };
      this.outbox.post({ method: 'PUT', path: `/runs/${this.runId()}/symptoms/${newId()}`, body });
    }
    this.apply(skipItem(this.player(), this.timeline()!));
    this.pause();
  }

  async finish(sensation: number | null, note: string): Promise<void> {
    const body: FinishRunBody = { endedAt: new Date().toISOString(), sensation, note: note.trim() };
    this.outbox.post({ method: 'POST', path: `/runs/${this.runId()}/finish`, body });
    localStorage.removeItem(this.key());
    this.stopClock();
    // Give the server a moment, so that the sheet shows it; without a server it goes later.
    for (let i = 0; i < 20 && this.outbox.pending() > 0 && !this.outbox.offline(); i++)
      await new Promise((r) => setTimeout(r, 100));
    this.sent.set(true);
  }

  ngOnDestroy(): void {
    this.stopClock();
    this.wakeLock.destroy();
  }

  private onTick(): void {
    const now = performance.now();
    const ms = now - this.last;
    this.last = now;
    if (ms > LONGEST_TICK_MS) {
      // Nobody was counting while the device slept: stop at the last tick and ask.
      this.interrupted.set(true);
      this.pause();
      return;
    }
    const secondsBefore = this.left();
    const cueBefore = this.player().cue;
    this.apply(tick(this.player(), this.timeline()!, ms));
    if (this.player().cue === cueBefore && this.last5() && this.left() !== secondsBefore) this.sounds.count();
  }

  private apply(step: PlayerStep): void {
    const before = this.cue();
    this.player.set(step.state);
    for (const bout of step.ended) this.log(bout);
    const now = this.cue();
    if (now !== before) {
      if (before && before.bout !== null) this.sounds.end();
      if (now && now.bout !== null) this.sounds.begin();
      if (now?.kind === 'switch' || now?.kind === 'push') this.sounds.change();
      this.keep();
    }
    if (this.finished()) this.stopClock();
  }

  private log(bout: SetDone): void {
    const key = `${bout.item}|${bout.side}|${bout.set}`;
    const id = newId();
    const body: SetLogBody = { ...bout, replaces: this.logged[key] ?? null };
    this.logged[key] = id;
    this.outbox.post({ method: 'PUT', path: `/runs/${this.runId()}/sets/${id}`, body });
  }

  /** Cues without a side belong to the first side of an exercise that has sides. */
  private sideForLog(item: number, side: SetDone['side']): SetDone['side'] {
    const it = this.session()!.items[item]!;
    return this.library.find(it.exerciseId).sides === 'each' ? (side ?? it.firstSide) : null;
  }

  private stopClock(): void {
    if (this.timer) clearInterval(this.timer);
    this.timer = null;
    this.wakeLock.release();
  }

  private key(): string {
    return `yandle.run.${this.session()!.id}`;
  }

  private keep(): void {
    const runId = this.runId();
    if (!runId) return;
    const kept: KeptRun = { runId, player: this.player(), logged: this.logged };
    localStorage.setItem(this.key(), JSON.stringify(kept));
  }

  private read(): KeptRun | null {
    try {
      return JSON.parse(localStorage.getItem(this.key()) ?? 'null') as KeptRun | null;
    } catch {
      return null;
    }
  }
}

/** "Too strong" ends the exercise but is no symptom to look into; everything else is written down. */
function isSymptomNoted(symptom: SymptomId): boolean {
  return isRedSymptom(symptom) || symptom === 'other';
}
