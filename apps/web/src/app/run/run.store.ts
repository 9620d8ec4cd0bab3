import { Requests } from '../data/requests';
import { computed, inject, Injectable, type OnDestroy, signal } from '@angular/core';
import type { FeltSide, FinishRunBody, Session, SetLogBody, SymptomBody } from '@yandle/contract';
import {
  passSafetyCheck,
  back,
  beatAt,
  buildTimeline,
  endAll,
  extend,
  isSafetyCheck,
  isFinished,
  isLastSeconds,
  isLoaded,
  isStopSign,
  LONGEST_TICK_MS,
  pause,
  PLAYER_START,
  redoSide,
  resume,
  secondsLeft,
  sessionSecondsLeft,
  skip,
  skipItem,
  spokenCue,
  tick,
  timingsFor,
  type PlayerState,
  type PlayerStep,
  type SetDone,
  type SymptomId,
} from '@yandle/core';
import { newId } from '../data/ids';
import { forgetRun, keepRun, readRun, type SentLog, type UsedLoad } from './kept-run';
import { RunGateway } from './run-gateway';
import { Sounds } from './sounds';
import { Voice } from './voice';
import { WakeLock } from './wake-lock';

const TICK_MS = 200;
/** Seconds counted down before a session begins. */
export const COUNT_IN = 3;

/** Which other form of an exercise is taken. */
export type FormKind = 'easier' | 'harder' | 'choice';

/** Runs one session: the clock drives the core's player; every bout goes out as soon as it has ended. */
@Injectable()
export class RunStore implements OnDestroy {
  private readonly gateway = inject(RunGateway);
  readonly sounds = new Sounds();
  readonly voice = new Voice();
  private readonly wakeLock = new WakeLock();
  readonly session = signal<Session | null>(null);
  readonly requests = new Requests();
  readonly problem = this.requests.problem;
  private readonly player = signal<PlayerState>(PLAYER_START);
  private readonly runId = signal<string | null>(null);
  /** The device slept, or the page was held up: counting stopped at the last tick. */
  readonly interrupted = signal(false);
  readonly sent = signal(false);
  /** Seconds left of the count before the session; 0 when it is over. */
  readonly countIn = signal(0);
  /** Seconds of a breath. */
  readonly breath = signal<number | null>(null);
  private readonly forms = signal<Readonly<Record<number, string>>>({});
  private readonly used = signal<Readonly<Record<number, UsedLoad>>>({});
  /** The log sent last: what is said of it afterwards goes to it. */
  readonly lastLog = signal<SentLog | null>(null);
  private logged: Record<string, SentLog> = {};
  private timer: ReturnType<typeof setInterval> | null = null;
  private last = 0;
  private countMs = 0;

  readonly timeline = computed(() => {
    const s = this.session();
    return s ? buildTimeline(s.items, s, timingsFor(this.breath()), (id) => this.gateway.find(id)) : null;
  });
  readonly running = computed(() => this.player().running || this.countIn() > 0);
  readonly begun = computed(() => this.runId() !== null);
  readonly finished = computed(() => {
    const t = this.timeline();
    return t !== null && this.begun() && isFinished(this.player(), t);
  });
  readonly cue = computed(() => this.timeline()?.cues[this.player().cue] ?? null);
  readonly place = computed(() => this.cue()?.item ?? null);
  readonly item = computed(() => {
    const i = this.place();
    return i === null ? null : (this.session()?.items[i] ?? null);
  });
  /** The exercise as it is done now: another form when one was taken. */
  readonly exercise = computed(() => {
    const i = this.place();
    const item = this.item();
    return i === null || !item ? null : this.gateway.find(this.forms()[i] ?? item.exerciseId);
  });
  /** Other forms that can be taken for the running exercise, and back to its own. */
  readonly others = computed(() => {
    const i = this.place();
    const item = this.item();
    const forms = i === null ? undefined : this.session()?.forms[i];
    if (i === null || !item || !forms) return [];
    const now = this.forms()[i] ?? item.exerciseId;
    const all = [
      { kind: 'easier', id: forms.easier },
      { kind: 'harder', id: forms.harder },
      { kind: 'choice', id: forms.choice },
      { kind: 'own', id: now === item.exerciseId ? null : item.exerciseId },
    ] as const;
    return all.flatMap(({ kind, id }) => (id && id !== now ? [{ kind, exercise: this.gateway.find(id) }] : []));
  });
  /** Load and help in use at a loaded exercise; null elsewhere. */
  readonly load = computed((): UsedLoad | null => {
    const i = this.place();
    const item = this.item();
    if (i === null || !item) return null;
    const technique = item.technique ?? this.gateway.find(item.exerciseId).technique;
    if (!isLoaded(technique)) return null;
    return this.used()[i] ?? { load: item.load ?? null, assistance: item.assistance ?? null };
  });
  readonly isSafetyCheck = computed(() => {
    const t = this.timeline();
    return t !== null && isSafetyCheck(this.player(), t);
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
  readonly beat = computed(() => {
    const c = this.cue();
    return c && c.beats.length > 0 ? beatAt(c.beats, this.player().elapsedMs) : null;
  });
  /** Part of the running cue that has passed, 0-1. */
  readonly share = computed(() => {
    const c = this.cue();
    return c ? Math.min(1, this.player().elapsedMs / (c.seconds * 1000 + this.player().addedMs)) : 0;
  });
  readonly added = computed(() => this.player().addedMs / 1000);
  readonly pieces = computed(() => this.player().pieces);
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

  async open(sessionId: string): Promise<void> {
    await this.requests.run(async () => {
      const session = await this.gateway.load(sessionId);
      this.breath.set(session.breathSeconds);
      this.session.set(session);
      const kept = readRun(sessionId);
      if (kept && kept.player.cue <= (this.timeline()?.cues.length ?? 0)) {
        this.runId.set(kept.runId);
        this.logged = { ...kept.logged };
        this.forms.set(kept.forms);
        this.used.set(kept.used);
        this.player.set({ ...kept.player, running: false });
      }
    });
  }

  start(): void {
    this.sounds.wake();
    if (!this.runId()) {
      const id = newId();
      this.runId.set(id);
      const sessionId = this.session()!.id;
      this.gateway.post({ kind: 'start', sessionId, body: { id, startedAt: new Date().toISOString() } });
      this.countMs = COUNT_IN * 1000;
      this.countIn.set(COUNT_IN);
      this.sounds.count();
      this.voice.say('Starting in three.');
    } else this.player.update((p) => resume(p, this.timeline()!));
    this.interrupted.set(false);
    this.last = performance.now();
    this.timer ??= setInterval(() => this.onTick(), TICK_MS);
    void this.wakeLock.hold();
    this.keep();
  }

  pause(): void {
    this.player.update((p) => pause(p));
    this.countIn.set(0);
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

  /** The running side once more, from its first set. */
  redo(): void {
    this.player.update((p) => redoSide(p, this.timeline()!));
    this.keep();
  }

  longer(): void {
    this.player.update((p) => extend(p, this.timeline()!));
    this.keep();
  }

  /** Nothing hurts without hands: on to the next stage. */
  passSafetyCheck(): void {
    this.player.update((p) => passSafetyCheck(p, this.timeline()!));
    this.last = performance.now();
    this.timer ??= setInterval(() => this.onTick(), TICK_MS);
    void this.wakeLock.hold();
    this.keep();
  }

  take(exerciseId: string): void {
    const i = this.place();
    const item = this.item();
    if (i === null || !item) return;
    this.forms.update((f) => {
      const { [i]: _, ...rest } = f;
      return exerciseId === item.exerciseId ? rest : { ...rest, [i]: exerciseId };
    });
    this.keep();
  }

  setLoad(part: Partial<UsedLoad>): void {
    const i = this.place();
    const now = this.load();
    if (i === null || !now) return;
    this.used.update((u) => ({ ...u, [i]: { ...now, ...part } }));
    this.keep();
  }

  /** Something was felt: it is noted. A stop sign ends the session; anything else ends the exercise. */
  stop(symptom: SymptomId): void {
    const cue = this.cue();
    if (cue?.item !== null && cue?.item !== undefined && isSymptomNoted(symptom)) {
      const body: SymptomBody = { item: cue.item, side: this.sideForLog(cue.item, cue.side), symptom };
      this.gateway.post({ kind: 'symptom', runId: this.runId()!, id: newId(), body });
    }
    const end = isStopSign(symptom) ? endAll : skipItem;
    this.apply(end(this.player(), this.timeline()!));
    this.pause();
    this.voice.say('Stop. Come out slowly.');
  }

  /** Says something more of the log sent last; the log before it is kept. */
  amend(part: Pick<SetLogBody, 'depthCm'> | Pick<SetLogBody, 'sensation'>): void {
    const last = this.lastLog();
    if (!last) return;
    const id = newId();
    const body: SetLogBody = { ...last.body, ...part, replaces: last.id };
    this.send(id, body);
  }

  setBreath(seconds: number | null): void {
    this.breath.set(seconds);
    this.gateway.post({ kind: 'breath', clientId: this.gateway.clientOf(this.session()!), body: { seconds } });
  }

  async finish(sensation: number | null, feltTighter: FeltSide | null, note: string): Promise<void> {
    const body: FinishRunBody = { endedAt: new Date().toISOString(), sensation, feltTighter, note: note.trim() };
    this.gateway.post({ kind: 'finish', runId: this.runId()!, body });
    forgetRun(this.session()!.id);
    this.stopClock();
    // Give the server a moment, so that the sheet shows it; without a server it goes later.
    for (let i = 0; i < 20 && this.gateway.pending() > 0 && !this.gateway.offline(); i++)
      await new Promise((r) => setTimeout(r, 100));
    this.sent.set(true);
  }

  ngOnDestroy(): void {
    this.stopClock();
    this.voice.stop();
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
    if (this.countIn() > 0) return this.tickIn(ms);
    const secondsBefore = this.left();
    const beatBefore = this.beat();
    const cueBefore = this.player().cue;
    this.apply(tick(this.player(), this.timeline()!, ms));
    if (this.isSafetyCheck()) this.stopClock();
    if (this.player().cue !== cueBefore) return;
    if (this.last5() && this.left() !== secondsBefore) this.sounds.count();
    const beat = this.beat();
    if (beat && beatBefore && beat.beat.kind !== beatBefore.beat.kind) this.sounds.beat(beat.beat.counts);
  }

  private tickIn(ms: number): void {
    this.countMs -= ms;
    const left = Math.max(0, Math.ceil(this.countMs / 1000));
    if (left === this.countIn()) return;
    this.countIn.set(left);
    if (left > 0) return this.sounds.count();
    this.player.update((p) => resume(p, this.timeline()!));
    this.announce();
    // What the last tick went past the count belongs to the session.
    this.apply(tick(this.player(), this.timeline()!, -this.countMs));
  }

  private apply(step: PlayerStep): void {
    const before = this.cue();
    this.player.set(step.state);
    for (const bout of step.ended) this.log(bout);
    const now = this.cue();
    if (now !== before) {
      if (before?.ends) this.sounds.end();
      if (now && now.bout !== null) this.sounds.begin();
      if (now?.kind === 'switch' || now?.kind === 'push') this.sounds.change();
      if (step.state.running) this.announce();
      this.keep();
    }
    if (this.finished()) {
      this.stopClock();
      this.voice.say('Session finished.');
    }
  }

  private announce(): void {
    const cue = this.cue();
    if (cue) this.voice.say(spokenCue(cue, this.exercise()));
  }

  private log({ item: place, side, set, plannedSeconds, doneSeconds, pieces, reps }: SetDone): void {
    const item = this.session()!.items[place]!;
    const key = `${place}|${side}|${set}`;
    const form = this.forms()[place] ?? null;
    const used = this.used()[place];
    const load = used ? used.load : (item.load ?? null);
    const assistance = used ? used.assistance : (item.assistance ?? null);
    const body: SetLogBody = {
      item: place,
      side,
      set,
      plannedSeconds,
      doneSeconds,
      replaces: this.logged[key]?.id ?? null,
      pieces,
      reps,
      form,
      load,
      loadUnit: load === null ? null : (item.loadUnit ?? 'kg'),
      assistance,
    };
    this.send(newId(), body);
  }

  private send(id: string, body: SetLogBody): void {
    const sent = { id, body };
    this.logged[`${body.item}|${body.side}|${body.set}`] = sent;
    this.lastLog.set(sent);
    this.gateway.post({ kind: 'log', runId: this.runId()!, id, body });
    this.keep();
  }

  /** Cues without a side belong to the first side of an exercise that has sides. */
  private sideForLog(place: number, side: SetDone['side']): SetDone['side'] {
    const it = this.session()!.items[place]!;
    return this.gateway.find(it.exerciseId).sides === 'each' ? (side ?? it.firstSide) : null;
  }

  private stopClock(): void {
    if (this.timer) clearInterval(this.timer);
    this.timer = null;
    this.wakeLock.release();
  }

  private keep(): void {
    const runId = this.runId();
    if (!runId || this.sent()) return;
    const { logged } = this;
    keepRun(this.session()!.id, { runId, player: this.player(), logged, forms: this.forms(), used: this.used() });
  }
}

/** "Too strong" ends the exercise but is no symptom to look into; everything else is written down. */
function isSymptomNoted(symptom: SymptomId): boolean {
  return isStopSign(symptom) || symptom === 'other';
}
