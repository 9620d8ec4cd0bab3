import { Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Problem, Session } from '@yandle/contract';
import {
  buildTimeline,
  DEFAULT_TIMINGS,
  formatClock,
  formatDate,
  isRedSymptom,
  itemSeconds,
  muscleGroupName,
  runningList,
  sensationWords,
  SIDES,
  symptomName,
  type Side,
  type SessionItem,
} from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { AccountService } from '../data/account.service';
import { Api } from '../data/api';
import { ClientContext } from '../data/client-context';
import { problemOf } from '../data/problem';
import { MirrorRow } from '../ui/mirror/mirror-row';
import { doseRow } from '../ui/mirror/mirror-row.model';
import { ProblemNote } from '../ui/problem-note';
import { FigureView } from '../ui/figure';
import { StopSigns } from '../ui/stop-signs';
import { SessionScale } from './session-scale';
import { LibraryService } from '../library/library.service';

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
    return `warm-up ${formatClock(k['warm-up'])} · stretch ${formatClock(k.hold)} · set-up and changes ${formatClock(setUp)} · rests ${formatClock(k.rest)}`;
  });
  /** Planned against done of each exercise, once there is a run. */
  protected readonly doneRows = computed(() => {
    const s = this.session();
    if (!s?.run) return [];
    const sets = s.run.sets.filter((x) => x.replacedBy === null);
    const top = Math.max(...s.items.map((i) => i.sets * i.holdSeconds)) * 1.1;
    return s.items.map((item, place) => {
      const planned = item.sets * item.holdSeconds;
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
        `planned ${planned} s a side`,
        { left: planned, right: planned },
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
    const times = item.sets === 1 ? 'once' : `${item.sets} times`;
    const each = this.library.find(item.exerciseId).sides === 'each';
    return `Hold ${item.holdSeconds} s, ${times}${each ? ` on each side, ${item.firstSide} first` : ''}. Sensation ${item.sensation} of 10: ${sensationWords(item.sensation)}.`;
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
