import {
  BEAT_WORDS,
  CUE_HEADLINE,
  cueWords,
  capital,
  warmUpLine,
  exercisesOnHold,
  formatClock,
  CRAMP_ADVICE,
  EMERGENCY_ADVICE,
  endsSession,
  isEmergency,
  isSessionOnHold,
  isStopSign,
  muscleGroupName,
  nextCueWords,
  phaseWords,
  roundTo,
  setPlaceWords,
  runningList,
  SENSATION_ADVICE,
  STOP_ADVICE,
  repetitionsOf,
  usedLoadWords,
  type Exercise,
  type SymptomId,
  type Wellness,
  parseNumber,
  typedLength,
  typedWeight,
  unitSign,
} from '@yandle/core';
import { FeltDialog } from './felt-dialog';
import { RunControls } from './run-controls';
import { RunEnd } from './run-end';
import { RunShape } from './run-shape';
import { RunTeach } from './run-teach';
import { RunTools } from './run-tools';
import { Voice } from './voice';
import { WellnessDialog } from './wellness-dialog';
import { Component, computed, effect, inject, input, output, signal, untracked } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { RegionScore, Session } from '@yandle/contract';
import { ProblemNote } from '../ui/problem-note';
import { SaveState } from '../ui/save-state';
import { BreathDialog } from './breath-dialog';
import { RunGateway } from './run-gateway';
import type { OtherForm } from './player-view';
import { RunStore } from './run.store';

/** Breath of a client who has not been measured yet, seconds. Common practice, no source. */
const USUAL_BREATH = 5;
/** Kilograms or pounds, percent of body mass, or steps of a band that one press changes a load by. */
const LOAD_STEP = 1;

/** True for an exercise in which the screen is out of sight: face down, or the head low. */
function unseen(e: Exercise): boolean {
  return e.position === 'prone' || e.demands.includes('head-low');
}

/** What to do after what was felt, in the client's words. */
function adviceFor(symptom: SymptomId, exercise: string): string {
  if (isEmergency(symptom)) return EMERGENCY_ADVICE;
  if (endsSession(symptom)) return STOP_ADVICE;
  if (symptom === 'cramp') return CRAMP_ADVICE;
  if (isStopSign(symptom))
    return `We left out “${exercise}” until your coach has looked at it. Carry on with the rest.`;
  return 'Leave this one for today. Tell your coach about it.';
}

/** Runs a session, readable from two metres: what, which side, how long, what next. Space starts and pauses. */
@Component({
  selector: 'y-run-player',
  imports: [
    BreathDialog,
    ProblemNote,
    RouterLink,
    SaveState,
    FeltDialog,
    RunControls,
    RunEnd,
    RunShape,
    RunTeach,
    RunTools,
    WellnessDialog,
  ],
  providers: [RunStore],
  host: { 'data-theme': 'dark', 'data-focus-rest': '', '(document:keydown)': 'key($event)' },
  templateUrl: './run-player.html',
  styleUrl: './run-player.css',
})
export class RunPlayer {
  private readonly gateway = inject(RunGateway);
  protected readonly store = inject(RunStore);
  readonly sessionId = input.required<string>();
  readonly left = output<Session>();
  readonly done = output<Session>();

  protected readonly secondsShown = signal(true);
  /** What is asked now: what was felt, or how the client breathes. */
  protected readonly dialog = signal<'felt' | 'breath' | 'today' | null>(null);
  protected readonly advice = signal<string | null>(null);
  protected readonly endedByStopSign = signal(false);
  protected readonly sensationAdvice = SENSATION_ADVICE;
  protected readonly clock = formatClock;

  constructor() {
    effect(() => {
      const id = this.sessionId();
      untracked(() => void this.store.open(id));
    });
    effect(() => {
      const s = this.store.session();
      if (this.store.sent() && s) untracked(() => this.done.emit(s));
    });
  }

  protected readonly resting = computed(() => {
    const s = this.store.session();
    return s ? exercisesOnHold(s.items, s.openSymptoms, (id) => this.gateway.find(id), this.store.sore()) : [];
  });
  protected readonly allOnHold = computed(() => {
    const s = this.store.session();
    return s !== null && isSessionOnHold(s.items, s.openSymptoms, (id) => this.gateway.find(id), this.store.sore());
  });
  /** True where nothing but soreness speaks against the session: it rests for a day. */
  protected readonly onlySore = computed(() => {
    const s = this.store.session();
    if (!s) return false;
    const find = (id: string) => this.gateway.find(id);
    return (
      exercisesOnHold(s.items, s.openSymptoms, find).length === 0 && !isSessionOnHold(s.items, s.openSymptoms, find)
    );
  });
  protected readonly namesOnHold = computed(() => runningList(this.resting().map((e) => e.name)));
  protected readonly headline = computed(() => {
    const c = this.store.cue();
    const beat = this.store.beat();
    if (!c) return '';
    return beat ? BEAT_WORDS[beat.beat.kind] : CUE_HEADLINE[c.kind];
  });
  protected readonly side = this.store.view.side;
  /** Said to a screen reader when another phase begins. */
  protected readonly phase = computed(() => {
    const c = this.store.cue();
    return c && this.store.begun() && this.store.countIn() === 0 ? phaseWords(c, this.store.exercise()) : '';
  });
  /** Offered before a session in which the screen cannot be seen from the mat. */
  protected readonly voiceOffered = computed(() => {
    const s = this.store.session();
    return (
      s !== null &&
      !this.store.voiceOn() &&
      Voice.available() &&
      s.items.some((i) => unseen(this.gateway.find(i.exerciseId)))
    );
  });
  protected readonly setWords = computed(() => {
    const c = this.store.cue();
    const item = this.store.item();
    if (!c?.set || !item) return '';
    const alike = this.store
      .timeline()!
      .cues.filter((x) => x.item === c.item && x.side === c.side && x.round === c.round);
    const sets = Math.max(...alike.map((x) => x.set ?? 0));
    const beat = this.store.beat();
    const turns = c.alternatesFrom ? 2 : 1;
    return setPlaceWords({
      set: c.set,
      sets,
      repetition: beat && {
        at: Math.ceil(beat.repetition / turns),
        of: repetitionsOf(c),
        unit: c.kind === 'breaths' ? 'breaths' : 'repetitions',
      },
      round: this.store.session()!.rounds > 1 ? c.round : null,
    });
  });
  protected readonly placeWords = computed(() => {
    const i = this.store.place();
    const items = this.store.session()?.items ?? [];
    return i === null ? '' : `${i + 1} of ${items.length} · ${muscleGroupName(this.store.exercise()!.primary)}`;
  });
  protected readonly bigSeconds = computed(() => {
    const n = this.store.countIn() || (this.store.beat()?.left ?? this.store.left());
    return n > 99 ? formatClock(n) : String(n);
  });
  protected readonly text = computed(() => {
    const c = this.store.cue();
    const item = this.store.item();
    const now = this.store.exercise();
    if (c?.kind === 'rest') return '';
    if (c?.kind === 'warm-up') {
      const names = (this.store.session()?.warmUp ?? []).map((id) => this.gateway.find(id).name);
      return names.length === 0 ? cueWords(c, null) : `${cueWords(c, null)} ${capital(warmUpLine(names, c.seconds))}.`;
    }
    // Another form has its own way into position.
    if (c?.kind === 'position') return cueWords(c, now);
    return c ? cueWords(c, item && this.gateway.find(item.exerciseId), this.store.session()?.place ?? null) : '';
  });
  protected readonly nextWords = computed(() => {
    const n = this.store.view.next();
    const item = n?.item == null ? null : this.store.view.items()[n.item]!;
    return nextCueWords(n, item ? this.gateway.find(item.exerciseId).name : '');
  });
  /** A breath is shown where something is held: there it helps to let go. */
  protected readonly paced = computed(() => this.store.running() && this.store.cue()?.kind === 'hold');
  protected readonly breathSeconds = computed(() => this.store.breath() ?? USUAL_BREATH);
  protected readonly loadWords = computed(() => {
    const load = this.store.load();
    const loadUnit = this.store.item()?.loadUnit;
    return load
      ? usedLoadWords({ load: load.load ?? undefined, loadUnit, assistance: load.assistance ?? undefined })
      : '';
  });
  /** Depth is asked for when a set is over, where the exercise says what to read off. */
  protected readonly depthAsked = computed(() => {
    const c = this.store.cue();
    const last = this.store.lastLog();
    const e = this.store.exercise();
    if (!c || !last || !e?.depthMeasure || last.body.item !== c.item || last.body.depthCm != null) return null;
    return ['exit', 'rest', 'switch'].includes(c.kind) ? e.depthMeasure : null;
  });

  protected toggle(): void {
    if (this.store.isSafetyCheck()) return;
    if (this.store.running()) this.store.pause();
    else {
      this.advice.set(null);
      if (this.store.begun()) this.store.start();
      else this.dialog.set('today');
    }
  }

  protected changeLoad(by: number): void {
    const now = this.store.load();
    if (now) this.store.setLoad({ load: Math.max(0, (now.load ?? 0) + by * this.loadStep()) || null });
  }

  protected readonly unitSign = unitSign;

  private loadStep(): number {
    return (this.store.item()?.loadUnit ?? 'kg') === 'kg' ? typedWeight(LOAD_STEP) : LOAD_STEP;
  }

  protected changeHelp(): void {
    const now = this.store.load();
    const next = { 0: 2, 1: 0, 2: 1 } as const;
    if (now) this.store.setLoad({ assistance: next[now.assistance ?? 0] });
  }

  protected sayDepth(text: string): void {
    const typed = parseNumber(text);
    const depthCm = typed === null ? null : roundTo(typedLength(typed), 1);
    if (depthCm !== null && Math.abs(depthCm) <= 100) this.store.amend({ depthCm: depthCm });
  }

  protected ask(): void {
    this.store.pause();
    this.dialog.set('felt');
  }

  protected askBreath(): void {
    this.store.pause();
    this.dialog.set('breath');
  }

  protected say(symptom: SymptomId): void {
    this.dialog.set(null);
    const name = this.store.exercise()?.name ?? '';
    this.endedByStopSign.set(endsSession(symptom));
    this.advice.set(adviceFor(symptom, name));
    this.store.stop(symptom);
  }

  /** Too strong: an easier form, or this exercise ends. How strong it was is asked for, not guessed. */
  protected ease(form: OtherForm | null, sensation: number | null): void {
    this.dialog.set(null);
    if (form) {
      this.store.take(form);
      this.store.redo();
      this.advice.set('The easier form. Stay where you can talk easily; a little shaking is fine.');
    } else {
      this.advice.set('Leave this one for today. Next time stop a little earlier, where you can still talk easily.');
      this.store.stop('too-strong');
    }
    if (sensation !== null) this.store.amend({ sensation });
  }

  protected readonly stiffBefore = signal<readonly RegionScore[]>([]);

  /** How the client is today decides how the session is gone through, or whether. */
  protected async takeDay(wellness: Wellness): Promise<void> {
    this.dialog.set(null);
    this.store.sayStiffness('before session', this.stiffBefore());
    if (wellness !== 'unwell') return this.store.begin(wellness);
    await this.store.callOff();
    this.left.emit(this.store.session()!);
  }

  protected setBreath(seconds: number | null): void {
    this.dialog.set(null);
    this.store.setBreath(seconds);
  }

  protected key(event: KeyboardEvent): void {
    if (this.dialog() || this.store.finished() || !this.store.session()) return;
    const target = event.target as HTMLElement;
    if (target.closest('input, textarea')) return;
    const begun = this.store.begun();
    if (event.key === ' ' && !target.closest('button, a')) this.toggle();
    else if (event.key === 'ArrowRight' && begun) this.store.skip();
    else if (event.key === 'ArrowLeft' && begun) this.store.back();
    else if (event.key === '+' && begun) this.store.longer();
    else if (event.key === 'r' && begun) this.store.redo();
    else if (event.key === 's' && begun) this.ask();
    else return;
    event.preventDefault();
  }
}
