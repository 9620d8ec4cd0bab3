import { Component, computed, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { OWN_SERIES_PREFIX } from '@yandle/contract';
import {
  buildTimeline,
  DEFAULT_TIMINGS,
  formatClock,
  inDays,
  SERIES,
  type Routine,
  type Series,
  type SeriesDefinition,
} from '@yandle/core';
import { newId } from '../data/ids';
import { ToastService } from '../data/toast.service';
import { LibraryService } from '../library/library.service';
import { ProblemNote } from '../ui/problem-note';
import { StopSigns } from '../ui/stop-signs';
import { GiveSeries } from './give-series';
import { RoutinesService } from './routines.service';
import { SeriesEditor } from './series-editor';
import { SeriesService } from './series.service';

const EMPTY: SeriesDefinition = { name: '', note: '', entries: [] };

/** The series: runs of days and weeks of routines. Look, write, copy, change, give to clients. */
@Component({
  selector: 'y-series',
  imports: [GiveSeries, ProblemNote, RouterLink, SeriesEditor, StopSigns],
  templateUrl: './series.html',
})
export class SeriesScreen {
  protected readonly service = inject(SeriesService);
  private readonly library = inject(LibraryService);
  private readonly toasts = inject(ToastService);
  private readonly all = inject(RoutinesService);
  protected readonly shipped = SERIES;
  /** Routines of the studio and those that ship: a series is for anyone, so none of a single client. */
  protected readonly routines = computed((): readonly Routine[] => this.all.forClient(null));
  private readonly chosen = signal(SERIES[0]!.id);
  protected readonly own = computed(
    () => this.service.own().find((o) => OWN_SERIES_PREFIX + o.id === this.chosen()) ?? null,
  );
  protected readonly series = computed((): Series => this.service.find(this.chosen()));
  protected readonly days = computed(() =>
    inDays(this.series().entries).map((e) => {
      const routine = this.all.find(e.routineId);
      return { ...e, name: routine?.name ?? 'A routine that is gone', time: routine ? this.timeOf(routine) : '' };
    }),
  );
  protected readonly draft = signal<SeriesDefinition | null>(null);
  protected readonly giving = signal(false);
  private id = newId();
  private version: number | null = null;

  private timeOf(routine: Routine): string {
    const { totalSeconds } = buildTimeline(routine.items, routine, DEFAULT_TIMINGS, (id) => this.library.find(id));
    return `${formatClock(totalSeconds)} min`;
  }

  protected choose(id: string): void {
    this.chosen.set(id);
    this.draft.set(null);
    this.giving.set(false);
  }

  protected write(from: Series | null): void {
    this.id = newId();
    this.version = null;
    this.draft.set(from ? { ...from, name: `Copy of ${from.name}` } : EMPTY);
  }

  protected edit(): void {
    const own = this.own();
    if (!own) return;
    this.id = own.id;
    this.version = own.version;
    this.draft.set(own);
  }

  protected async keep(): Promise<void> {
    const d = this.draft();
    if (!d) return;
    const head = { version: this.version, archived: false };
    const kept = await this.service.keep(this.id, head, { ...d, name: d.name.trim() });
    if (!kept) return;
    this.choose(OWN_SERIES_PREFIX + kept.id);
    this.toasts.show(`“${kept.name}” is saved.`);
  }

  protected async archive(): Promise<void> {
    const own = this.own();
    if (!own) return;
    const archived = await this.service.keep(own.id, { version: own.version, archived: true }, own);
    if (!archived) return;
    this.choose(SERIES[0]!.id);
    const back = async (): Promise<void> => {
      const head = { version: archived.version, archived: false };
      if (await this.service.keep(own.id, head, own)) this.choose(OWN_SERIES_PREFIX + own.id);
    };
    this.toasts.show(`“${own.name}” is archived. Sessions made from it stay.`, {
      label: 'Undo',
      run: () => void back(),
    });
  }
}
