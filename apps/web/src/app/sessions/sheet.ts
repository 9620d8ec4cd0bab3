import { Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Problem, Session } from '@yandle/contract';
import {
  bonusWords,
  boutOf,
  boutWords,
  buildTimeline,
  DEFAULT_TIMINGS,
  formatClock,
  formatDate,
  isRedSymptom,
  itemSeconds,
  muscleGroupName,
  PUSH_AGAINST,
  runningList,
  sensationWords,
  SIDES,
  supportWords,
  symptomName,
  type Side,
  type SessionItem,
  type Technique,
} from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { AccountService } from '../data/account.service';
import { Api } from '../data/api';
import { ClientContext } from '../data/client-context';
import { Outbox } from '../data/outbox.service';
import { problemOf } from '../data/problem';
import { MirrorRow } from '../ui/mirror/mirror-row';
import { doseRow } from '../ui/mirror/mirror-row.model';
import { ProblemNote } from '../ui/problem-note';
import { FigureView } from '../ui/figure';
import { StopSigns } from '../ui/stop-signs';
import { SessionScale } from './session-scale';
import { LibraryService } from '../library/library.service';

/** A bout said to the client, by technique. */
const WORK: Readonly<Record<Technique, (bout: string) => string>> = {
  'static hold': (b) => `Hold ${b}`,
  'loaded isometric': (b) => `Hold the loaded end ${b}`,
  'contract-relax': (b) => `Push, let go, stretch: ${b}`,
  'loaded eccentric': (b) => `Lower slowly: ${b}`,
  'moving stretch': (b) => `Move in and out: ${b}`,
  release: (b) => `Roll ${b}`,
  activation: (b) => `Work the muscle: ${b}`,
  breathing: (b) => `Breathe: ${b}`,
  'nerve glide': (b) => `Glide: ${b}`,
};

/** One session: what is done in which order, to scale and in words, and afterwards what was done. */
@Component({
  selector: 'y-session-sheet',
  imports: [FigureView, RouterLink, SessionScale, StopSigns, ProblemNote, MirrorRow],
  templateUrl: './sheet.html',
})
export class SessionSheet {
  private readonly library = inject(LibraryService);
  private readonly api = inject(Api);
  private readonly context = inject(ClientContext);
  private readonly outbox = inject(Outbox);
  protected readonly today = inject(AccountService).me()?.today ?? '';
  readonly sessionId = input.required<string>();
  protected readonly session = signal<Session | null>(null);
  protected readonly problem = signal<Problem | null>(null);

  protected readonly clock = formatClock;
  protected readonly list = runningList;
  protected readonly symptom = symptomName;
  protected readonly isRed = isRedSymptom;

  constructor() {
    effect(() => {
      const id = this.sessionId();
      untracked(() => void this.load(id));
    });
    // What was still on its way when the sheet opened is on it once it has arrived.
    let waiting = 0;
    effect(() => {
      const pending = this.outbox.pending();
      if (waiting > 0 && pending === 0) untracked(() => void this.load(this.sessionId()));
      waiting = pending;
    });
  }

  protected readonly timeline = computed(() => {
    const s = this.session();
    return s ? buildTimeline(s.items, false, DEFAULT_TIMINGS, (id) => this.library.find(id)) : null;
  });
  protected readonly minutes = computed(() => {
    const s = this.session();
    const t = this.timeline();
    return s && t ? itemSeconds(t, s.items.length) : [];
  });
  protected readonly over = computed(() => {
    const s = this.session();
    return s ? s.totalSeconds - s.minutesBudget * 60 : 0;
  });
  protected readonly totals = computed(() => {
    const t = this.timeline();
    if (!t) return '';
    const k = t.byKind;
    const setUp = k.position + k.prop + k.entry + k.exit + k.switch;
    const work = k.hold + k.repetitions + k.roll + k.breaths + k.push + k['let go'];
    return `warm-up ${formatClock(k['warm-up'])} · work ${formatClock(work)} · set-up and changes ${formatClock(setUp)} · rests ${formatClock(k.rest)}`;
  });
  /** Planned against done of each exercise, once there is a run. */
  protected readonly doneRows = computed(() => {
    const s = this.session();
    if (!s?.run) return [];
    const sets = s.run.sets.filter((x) => x.replacedBy === null);
    const plannedOn = (place: number, side: Side) =>
      this.timeline()!
        .cues.filter((c) => c.item === place && (c.side === side || c.side === null))
        .reduce((sum, c) => sum + c.counts, 0);
    const top = Math.max(...s.items.flatMap((_, i) => SIDES.map((side) => plannedOn(i, side)))) * 1.1;
    return s.items.map((item, place) => {
      const planned = { left: plannedOn(place, 'left'), right: plannedOn(place, 'right') };
      const done = Object.fromEntries(
        SIDES.map((side) => [
          side,
          sets
            .filter((x) => x.item === place && (x.side === side || x.side === null))
            .reduce((sum, x) => sum + x.doneSeconds, 0),
        ]),
      ) as Record<Side, number>;
      return doseRow(
        muscleGroupName(this.library.find(item.exerciseId).primary),
        planned.left === planned.right
          ? `planned ${planned.left} s a side`
          : `planned left ${planned.left}, right ${planned.right} s`,
        planned,
        done,
        top,
      );
    });
  });

  protected exercise(item: SessionItem) {
    return this.library.find(item.exerciseId);
  }

  protected exerciseName(id: string): string {
    return this.library.find(id).name;
  }

  protected group(item: SessionItem): string {
    return muscleGroupName(this.library.find(item.exerciseId).primary);
  }

  protected inWords(item: SessionItem): string {
    const exercise = this.library.find(item.exerciseId);
    const bout = boutOf(item, exercise);
    const times = item.sets === 1 ? 'once' : `${item.sets} times`;
    const sides = exercise.sides === 'each' ? ` on each side, ${item.firstSide} first` : '';
    const support = supportWords(bout);
    const bonus = bonusWords(bout);
    const what = WORK[bout.technique](boutWords(bout));
    return `${what}, ${times}${sides}${support ? `, ${support}` : ''}${bonus ? `; ${bonus}` : ''}. Sensation ${item.sensation} of 10: ${sensationWords(item.sensation)}.`;
  }

  /** What is pushed against, when the stretch is done as contract-relax. */
  protected push(item: SessionItem): string | null {
    return item.technique === 'contract-relax' ? (PUSH_AGAINST[item.exerciseId] ?? null) : null;
  }

  protected long(date: string): string {
    return formatDate(date, 'EEEE d MMMM yyyy');
  }

  protected short(date: string): string {
    return formatDate(date, 'd MMM');
  }

  protected print(): void {
    window.print();
  }

  protected async clear(symptomId: string, note: string): Promise<void> {
    try {
      await firstValueFrom(this.api.clearSymptom(symptomId, note));
      await this.load(this.sessionId());
    } catch (err) {
      this.problem.set(problemOf(err));
    }
  }

  private async load(id: string): Promise<void> {
    try {
      this.session.set(await firstValueFrom(this.api.session(id)));
      this.problem.set(null);
      this.context.refresh();
    } catch (err) {
      this.problem.set(problemOf(err));
    }
  }
}
