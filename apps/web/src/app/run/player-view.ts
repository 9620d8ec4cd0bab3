import { computed, type Signal } from '@angular/core';
import type { Session } from '@yandle/contract';
import {
  beatAt,
  choiceWords,
  buildTimeline,
  isLastSeconds,
  isOnHold,
  onHoldAfter,
  soreGroups,
  isLoaded,
  isSafetyCheck,
  itemsTaken,
  lessonOf,
  secondsLeft,
  sessionSecondsLeft,
  type Exercise,
  type OnHold,
  otherSide,
  type PlayerState,
  type SessionItem,
  type Side,
} from '@yandle/core';
import { sessionTimings } from '../data/session-timings';
import type { UsedLoad } from './kept-run';
import type { RunLog } from './run-log';

/** Which other form of an exercise is taken. */
export type FormKind = 'easier' | 'harder' | 'choice';
/** Something else than what is done now; `own`: what was planned. */
export interface OtherForm {
  readonly kind: FormKind | 'own';
  readonly exercise: Exercise;
}

/** What a screen shows of a running session, all of it made from session, clock and log. */
export class PlayerView {
  constructor(
    private readonly session: Signal<Session | null>,
    private readonly player: Signal<PlayerState>,
    private readonly breath: Signal<number | null>,
    private readonly log: RunLog,
    private readonly find: (id: string) => Exercise,
  ) {}

  /** The list as it is done: with what the client chose on the spot. */
  readonly items = computed((): readonly SessionItem[] =>
    itemsTaken(this.session()?.items ?? [], this.log.forms(), (id) => this.find(id)),
  );
  readonly timeline = computed(() => {
    const s = this.session();
    return s ? buildTimeline(this.items(), s, sessionTimings(s, this.breath()), (id) => this.find(id)) : null;
  });
  readonly cue = computed(() => this.timeline()?.cues[this.player().cue] ?? null);
  readonly place = computed(() => this.cue()?.item ?? null);
  readonly item = computed(() => {
    const i = this.place();
    return i === null ? null : (this.items()[i] ?? null);
  });
  /** The exercise as it is done now: another form when one was taken. */
  readonly exercise = computed(() => {
    const i = this.place();
    const item = this.item();
    return i === null || !item ? null : this.find(this.log.forms()[i] ?? item.exerciseId);
  });
  /** The side a symptom is logged for: a cue without one belongs to the first side of an exercise that has sides. */
  logSide(): Side | null {
    const item = this.item();
    if (!item || this.find(item.exerciseId).sides !== 'each') return null;
    return this.cue()?.side ?? item.firstSide;
  }

  /** Groups that rest in this session because they are very sore. */
  readonly sore = computed(() => soreGroups(this.session()?.sore ?? [], this.session()?.date ?? ''));
  /** What rests after the stop signs that are open, those felt just now among them, and because it is very sore. */
  readonly hold = computed((): OnHold =>
    onHoldAfter(this.session()?.openSymptoms ?? [], (id) => this.find(id), this.sore()),
  );

  /**
   * Other forms that can be taken for the running exercise, its choice, and back to its own. A choice is made before the first bout has ended:
   * its sides and sets may be others.
   */
  readonly others = computed((): readonly OtherForm[] => {
    const i = this.place();
    const planned = i === null ? undefined : this.session()?.items[i];
    const forms = i === null ? undefined : this.session()?.forms[i];
    if (i === null || !planned || !forms) return [];
    const taken = this.log.forms()[i] ?? null;
    const chosen = taken !== null && taken === planned.choice;
    const cues = this.timeline()!.cues;
    const undecided = this.player().cue <= cues.findIndex((c) => c.item === i && c.ends);
    const offer = (kind: FormKind | 'own', id: string | null): OtherForm[] =>
      id === null || id === taken || isOnHold(this.hold(), this.find(id)) ? [] : [{ kind, exercise: this.find(id) }];
    return [
      ...(chosen ? [] : [...offer('easier', forms.easier), ...offer('harder', forms.harder)]),
      ...(undecided && !chosen && forms.choice !== null ? offer('choice', forms.choice) : []),
      ...(taken === null || (chosen && !undecided)
        ? []
        : [{ kind: 'own', exercise: this.find(planned.exerciseId) } as const]),
    ];
  });
  /** What another form is called on its button. */
  nameOf({ kind, exercise }: OtherForm): string {
    const planned = this.session()?.items[this.place() ?? -1];
    return kind === 'choice' && planned ? choiceWords(planned, (id) => this.find(id)) : exercise.name;
  }

  /** Load and help in use at a loaded exercise; null elsewhere. */
  readonly load = computed((): UsedLoad | null => {
    const i = this.place();
    const item = this.item();
    if (i === null || !item) return null;
    const technique = item.technique ?? this.find(item.exerciseId).technique;
    if (!isLoaded(technique)) return null;
    return this.log.used()[i] ?? { load: item.load ?? null, assistance: item.assistance ?? null };
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
  /** Place of the running cue: changes only when another begins, where the clock changes all the time. */
  private readonly at = computed(() => this.player().cue);
  /** What is taught while the running cue lasts. */
  readonly lesson = computed(() =>
    lessonOf(this.timeline()?.cues ?? [], this.at(), this.exercise(), this.session()?.place ?? null),
  );
  /** Seconds since the running cue began. */
  readonly seconds = computed(() => this.player().elapsedMs / 1000);
  /** The side that works: of sides in turn the one whose repetition runs. */
  readonly side = computed((): Side | null => {
    const c = this.cue();
    const beat = this.beat();
    if (!c?.alternatesFrom || !beat) return c?.side ?? null;
    return beat.repetition % 2 === 1 ? c.alternatesFrom : otherSide(c.alternatesFrom);
  });
  /** Part of the running cue that has passed, 0-1. */
  readonly share = computed(() => {
    const c = this.cue();
    return c ? Math.min(1, this.player().elapsedMs / (c.seconds * 1000 + this.player().addedMs)) : 0;
  });
  readonly added = computed(() => this.player().addedMs / 1000);
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
}
