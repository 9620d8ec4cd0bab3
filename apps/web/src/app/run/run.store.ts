import { PlayerView, type OtherForm } from './player-view';
import { Headset } from './headset';
import { CountIn, RunClock } from './run-clock';
import { RunLog } from './run-log';
import {
  asksEasy,
  atItem,
  back,
  endAll,
  endsSession,
  extend,
  feltExercise,
  isFinished,
  isNotedSymptom,
  isOnHold,
  lighterDay,
  isStopSign,
  passSafetyCheck,
  pause,
  PLAYER_START,
  redoSide,
  resume,
  skip,
  skipItem,
  tick,
  type Exercise,
  type PlayerState,
  type PlayerStep,
  type SymptomId,
  type Timeline,
  type Wellness,
  workedRegions,
} from '@yandle/core';
import { Requests } from '../data/requests';
import { computed, inject, Injectable, type OnDestroy, signal } from '@angular/core';
import type {
  CheckInBody,
  FeltSide,
  FinishRunBody,
  RegionScore,
  Session,
  SymptomBody,
  SymptomReport,
  TighterIn,
} from '@yandle/contract';
import { newId } from '../data/ids';
import type { FeltSymptom } from '../ui/symptom-question';
import { forgetRun, keepRun, readRun, type UsedLoad } from './kept-run';
import { RunGateway } from './run-gateway';
import { RunSignals } from './run-signals';

/** Runs one session: the clock drives the core's player; every bout goes out as soon as it has ended. */
@Injectable()
export class RunStore implements OnDestroy {
  private readonly gateway = inject(RunGateway);
  private readonly signals = new RunSignals();
  /** The shape of a signal that fills the screen now; null for none. */
  readonly shape = this.signals.shape;
  readonly soundOn = signal(true);
  readonly voiceOn = signal(false);
  private readonly headset = new Headset(
    () => this.running() || this.start(),
    () => this.pause(),
  );
  private readonly clock = new RunClock(
    (ms) => this.onTick(ms),
    () => this.onSleep(),
  );
  private readonly countDown = new CountIn();
  private readonly runLog = new RunLog((id, body) => {
    this.gateway.post({ kind: 'log', runId: this.runId()!, id, body });
    this.keep();
  });
  readonly session = signal<Session | null>(null);
  readonly requests = new Requests();
  readonly problem = this.requests.problem;
  private readonly player = signal<PlayerState>(PLAYER_START);
  private readonly runId = signal<string | null>(null);
  /** The device slept, or the page was held up: counting stopped at the last tick. */
  readonly interrupted = signal(false);
  readonly sent = signal(false);
  /** How the client felt before it began; null until it was said. */
  readonly wellness = signal<Wellness | null>(null);
  /** Places that a lighter day leaves out. */
  private readonly leftOut = signal<readonly number[]>([]);
  /** Seconds left of the count before the session; 0 when it is over. */
  readonly countIn = this.countDown.left;
  /** True between two rounds that go on until it feels easy: it waits for the answer. */
  readonly asksEasy = signal(false);
  /** Seconds of a breath. */
  readonly breath = signal<number | null>(null);
  /** The log sent last: what is said of it afterwards goes to it. */
  readonly lastLog = this.runLog.last;
  /** Forms chosen, by place of the item. */
  readonly forms = this.runLog.forms.asReadonly();

  /** All that a screen shows of the running cue; what the session itself needs of it is repeated below. */
  readonly view = new PlayerView(this.session, this.player, this.breath, this.runLog, (id) => this.gateway.find(id));
  readonly sore = this.view.sore;
  readonly timeline = this.view.timeline;
  readonly cue = this.view.cue;
  readonly place = this.view.place;
  readonly item = this.view.item;
  readonly exercise = this.view.exercise;
  readonly load = this.view.load;
  readonly isSafetyCheck = this.view.isSafetyCheck;
  readonly left = this.view.left;
  readonly last5 = this.view.last5;
  readonly beat = this.view.beat;
  readonly running = computed(() => this.player().running || this.countIn() > 0);
  readonly begun = computed(() => this.runId() !== null);
  readonly finished = computed(() => {
    const t = this.timeline();
    return t !== null && this.begun() && isFinished(this.player(), t);
  });

  readonly find = (id: string): Exercise => this.gateway.find(id);

  async open(sessionId: string): Promise<void> {
    await this.requests.run(async () => {
      const session = await this.gateway.load(sessionId);
      this.breath.set(session.breathSeconds);
      this.session.set(session);
      const kept = readRun(sessionId);
      // Before the clock is looked at: it follows what was chosen.
      if (kept) this.runLog.restore(kept);
      if (kept && kept.player.cue <= (this.timeline()?.cues.length ?? 0)) {
        this.runId.set(kept.runId);
        this.takeDay(kept.wellness ?? 'well');
        // A run kept by the version before knows of no answered check: it asks again.
        this.player.set({
          ...kept.player,
          earlierMs: kept.player.earlierMs ?? [],
          checks: kept.player.checks ?? [],
          running: false,
        });
      }
    });
  }

  /** Runs on. The first time it needs to know how the client is: see {@link begin}. */
  start(): void {
    if (!this.runId() && this.wellness() === null) return;
    this.asksEasy.set(false);
    this.signals.sounds.wake();
    this.headset.hold(this.session()!.clientName);
    if (!this.runId()) {
      const id = newId();
      this.runId.set(id);
      const sessionId = this.session()!.id;
      this.gateway.post({
        kind: 'start',
        sessionId,
        body: { id, startedAt: new Date().toISOString(), wellness: this.wellness()! },
      });
      this.countDown.start();
      this.signals.begins();
    } else this.player.update((p) => resume(p, this.timeline()!));
    this.interrupted.set(false);
    this.clock.start();
    this.headset.running(true);
    this.keep();
  }

  /** Begins as the client says they are: as planned, or lighter. */
  begin(wellness: 'well' | 'lighter'): void {
    this.takeDay(wellness);
    this.start();
  }

  /** No session today: the coach is told, and nothing counts as done. */
  async callOff(): Promise<void> {
    const id = newId();
    const at = new Date().toISOString();
    const sessionId = this.session()!.id;
    this.gateway.post({ kind: 'start', sessionId, body: { id, startedAt: at, wellness: 'unwell' } });
    this.gateway.post({
      kind: 'finish',
      runId: id,
      body: { endedAt: at, sensation: null, feltTighter: null, note: '' },
    });
    await this.gateway.settled();
  }

  private takeDay(wellness: Wellness): void {
    this.wellness.set(wellness);
    const s = this.session()!;
    if (wellness !== 'lighter') return;
    const { items, leftOut } = lighterDay(s.items, (id) => this.gateway.find(id));
    this.leftOut.set(leftOut);
    this.session.set({ ...s, items });
  }

  pause(): void {
    this.player.update((p) => pause(p));
    this.countDown.cancel();
    this.clock.stop();
    this.headset.running(false);
    this.keep();
  }

  skip(): void {
    this.signals.moved();
    this.apply(skip(this.player(), this.timeline()!));
  }

  back(): void {
    this.change(back);
  }

  /** The running side once more, from its first set. */
  redo(): void {
    this.change(redoSide);
  }

  longer(): void {
    this.player.update((p) => extend(p, this.timeline()!));
    this.keep();
  }

  setSound(on: boolean): void {
    this.soundOn.set(on);
    this.signals.sounds.on = on;
  }

  setVoice(on: boolean): void {
    this.voiceOn.set(on);
    this.signals.voice.on = on;
    if (!on) this.signals.voice.stop();
  }

  /** Nothing hurts without hands: on to the next stage. */
  passSafetyCheck(): void {
    this.clock.start();
    this.change(passSafetyCheck);
  }

  /** It felt easy: that was the last round. Or not yet: once more. */
  answerEasy(easy: boolean): void {
    if (!easy) return this.start();
    this.asksEasy.set(false);
    this.apply(endAll(this.player(), this.timeline()!));
  }

  /** Another form of the running exercise, its choice, or back to what was planned. A choice is begun from the start: the clock is its own. */
  take({ kind, exercise }: OtherForm): void {
    const i = this.place();
    if (i === null) return;
    const before = this.timeline()!;
    const choice = this.session()!.items[i]!.choice;
    const taken = this.runLog.forms()[i];
    this.runLog.takeForm(i, kind === 'own' ? null : exercise.id);
    const another = kind === 'choice' || (taken !== undefined && taken === choice);
    if (another) this.player.update((p) => atItem(p, before, this.timeline()!, i));
    this.leaveOutOnHold();
    this.keep();
  }

  setLoad(part: Partial<UsedLoad>): void {
    const i = this.place();
    const now = this.load();
    if (i === null || !now) return;
    this.runLog.setLoad(i, { ...now, ...part });
    this.keep();
  }

  /**
   * Something was felt: it is noted. What is about more than the exercise ends the session; anything else ends the exercise, which is left out
   * from now on, and the rest goes on.
   */
  stop(symptom: SymptomId): void {
    this.asksEasy.set(false);
    const item = this.place();
    if (item !== null && isNotedSymptom(symptom)) {
      this.noteSymptom(newId(), { item, side: this.view.logSide(), symptom });
    }
    const end = endsSession(symptom) ? endAll : skipItem;
    this.apply(end(this.player(), this.timeline()!));
    this.pause();
    this.signals.stops();
  }

  /** Something was felt that is only said at the end. */
  feltIn({ symptom, item, side }: FeltSymptom): void {
    this.noteSymptom(newId(), { item, side, symptom });
  }

  /** Sends a symptom, and goes by it at once: here and, on a phone, in every other session, with a network or without. */
  private noteSymptom(id: string, felt: FeltSymptom): void {
    const s = this.session()!;
    const form = this.runLog.forms()[felt.item] ?? null;
    const body: SymptomBody = { ...felt, ...(form !== null && { form }), at: new Date().toISOString() };
    this.gateway.post({ kind: 'symptom', runId: this.runId()!, id, body });
    const { side, symptom } = felt;
    if (!isStopSign(symptom)) return;
    const { clientId, clientName, id: sessionId, date } = s;
    const about = feltExercise(s.items[felt.item]!, form);
    const report: SymptomReport = {
      id,
      clientId,
      clientName,
      sessionId,
      ...about,
      side,
      symptom,
      date,
      clearedAt: null,
    };
    this.session.set({ ...s, openSymptoms: [...s.openSymptoms, report] });
    this.gateway.felt(report);
  }

  /** Says something more of the log sent last. */
  readonly amend = this.runLog.amend.bind(this.runLog);

  setBreath(seconds: number | null): void {
    this.breath.set(seconds);
    this.gateway.post({ kind: 'breath', clientId: this.gateway.clientOf(this.session()!), body: { seconds } });
  }

  /** Regions that the session works on. */
  readonly regions = computed(() =>
    workedRegions((this.session()?.items ?? []).map((i) => this.gateway.find(i.exerciseId).primary)),
  );

  /** How stiff the client feels around the session; nothing said sends nothing. */
  sayStiffness(moment: 'before session' | 'after session', stiffness: readonly RegionScore[]): void {
    const session = this.session();
    if (!session || stiffness.length === 0) return;
    const body: CheckInBody = {
      ...{ date: session.date, moment, sessionId: session.id, stiffness },
      ...{ complaints: [], inTheWay: [], away: [], note: '' },
    };
    this.gateway.post({ kind: 'check-in', clientId: this.gateway.clientOf(session), id: newId(), body });
  }

  async finish(
    sensation: number | null,
    feltTighter: FeltSide | null,
    note: string,
    tighterIn: readonly TighterIn[] = [],
  ): Promise<void> {
    const endedAt = new Date().toISOString();
    const body: FinishRunBody = { endedAt, sensation, feltTighter, note: note.trim(), tighterIn };
    this.gateway.post({ kind: 'finish', runId: this.runId()!, body });
    forgetRun(this.session()!.id);
    this.clock.stop();
    await this.gateway.settled();
    this.sent.set(true);
  }

  ngOnDestroy(): void {
    this.clock.destroy();
    this.headset.release();
    this.signals.voice.stop();
  }

  /** Nobody was counting while the device slept: stop at the last tick and ask. */
  private onSleep(): void {
    this.interrupted.set(true);
    this.pause();
  }

  private onTick(ms: number): void {
    if (this.countIn() > 0) return this.tickIn(ms);
    const secondsBefore = this.left();
    const beatBefore = this.beat()?.beat ?? null;
    const cueBefore = this.player().cue;
    this.apply(tick(this.player(), this.timeline()!, ms));
    if (this.isSafetyCheck()) this.clock.stop();
    this.speak();
    if (this.player().cue !== cueBefore) return;
    const left = this.left();
    this.signals.ticked(this.last5() && left !== secondsBefore, left, beatBefore, this.beat()?.beat ?? null);
  }

  private tickIn(ms: number): void {
    const past = this.countDown.tick(ms);
    if (past === false) return;
    if (past === true) return this.signals.sounds.count();
    this.player.update((p) => resume(p, this.timeline()!));
    this.leaveOutOnHold();
    // What the last tick went past the count belongs to the session.
    this.apply(tick(this.player(), this.timeline()!, past));
  }

  private change(work: (p: PlayerState, t: Timeline) => PlayerState): void {
    this.player.update((p) => work(p, this.timeline()!));
    this.leaveOutOnHold();
    this.signals.moved();
    this.keep();
  }

  private apply(step: PlayerStep): void {
    const before = this.cue();
    this.player.set(step.state);
    for (const done of step.ended) this.runLog.add(done, this.view.items()[done.item]!);
    this.leaveOutOnHold();
    const now = this.cue();
    if (now !== before) {
      this.signals.changed(before, now);
      this.keep();
    }
    if (before && now && asksEasy(this.session()!, before.round, now.round)) {
      this.pause();
      this.asksEasy.set(true);
    }
    if (this.finished()) {
      this.clock.stop();
      this.signals.finishes();
    }
  }

  /** What is on hold is never come to: its cues are left behind, and the rest goes on. */
  private leaveOutOnHold(): void {
    const hold = this.view.hold();
    for (let place = this.place(); place !== null; place = this.place()) {
      // What is done in place of the planned exercise counts, not what it stands for.
      const { exerciseId } = this.view.items()[place]!;
      const done = [exerciseId, this.runLog.forms()[place] ?? exerciseId];
      const out = this.leftOut().includes(place) || done.some((id) => isOnHold(hold, this.gateway.find(id)));
      if (!out) return;
      this.player.set(skipItem(this.player(), this.timeline()!).state);
    }
  }

  private speak(): void {
    if (!this.finished()) this.signals.speak(this.view.lesson(), this.player().cue, this.view.seconds());
  }

  private keep(): void {
    const runId = this.runId();
    if (!runId || this.sent()) return;
    keepRun(this.session()!.id, {
      runId,
      player: this.player(),
      wellness: this.wellness() ?? 'well',
      ...this.runLog.kept,
    });
  }
}
