import { Component, computed, inject, input, output, signal } from '@angular/core';
import type { ExerciseVersion, OwnExercise } from '@yandle/contract';
import {
  formatDate,
  DIFFICULTY_WORDS,
  kindWords,
  muscleGroupName,
  ORIGIN_NOTE,
  propName,
  pushAgainst,
  runningList,
  sideInWords,
  SECONDARY_SHARE,
  SIDES,
  type Exercise,
  type Side,
  formatShare,
  notForWords,
  whereDoneWords,
} from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { Api } from '../data/api';
import { FigureView } from '../ui/figure';
import { StopSigns } from '../ui/stop-signs';
import { LibraryService } from './library.service';

/** One exercise: figure, how, cautions, ladder. Prints as a card of one page. */
@Component({
  selector: 'y-exercise-detail',
  imports: [FigureView, StopSigns],
  templateUrl: './exercise-detail.html',
})
export class ExerciseDetail {
  private readonly library = inject(LibraryService);
  private readonly api = inject(Api);
  readonly exercise = input.required<Exercise>();
  readonly own = input<OwnExercise | null>(null);
  /** Why it does not suit the open client. */
  readonly against = input<readonly string[]>([]);
  readonly clientName = input('');
  /** True among the coach's favourites. */
  readonly favourite = input(false);
  readonly favour = output();
  readonly go = output<string>();
  readonly edit = output();
  readonly closed = output();
  protected readonly side = signal<Side>('right');
  protected readonly moving = signal(false);
  protected readonly percent = formatShare;
  protected readonly versions = signal<readonly ExerciseVersion[] | null>(null);
  protected readonly sides = SIDES;
  protected readonly levels = ['Easy', 'Some practice', 'Advanced'];
  /** What it is pushed against; null where nothing is, or its steps say so. */
  protected readonly push = computed(() => pushAgainst(this.exercise()));
  protected readonly list = runningList;
  protected readonly sideInWords = sideInWords;
  protected readonly notFor = notForWords;
  protected readonly groupName = muscleGroupName;
  protected readonly share = SECONDARY_SHARE;

  protected readonly facts = computed(() => {
    const e = this.exercise();
    const { unit, min, max } = e.amount;
    return [
      kindWords(e),
      whereDoneWords(e),
      `difficulty ${e.difficulty}, ${DIFFICULTY_WORDS[e.difficulty - 1]}`,
      `${min}-${max} ${unit === 'seconds' ? 's' : unit}`,
      e.sides === 'both' ? 'both sides at once' : e.sidePattern,
    ].join(' · ');
  });
  protected readonly needs = computed(() => {
    const e = this.exercise();
    const needed = e.props.length > 0 ? e.props.map((p) => propName(p).toLowerCase()).join(', ') : 'nothing';
    const nice =
      e.optionalProps.length > 0
        ? `; nice to have: ${e.optionalProps.map((p) => propName(p).toLowerCase()).join(', ')}`
        : '';
    const instead = e.props.length > 1 ? `Instead of the ${propName(e.props[0]!).toLowerCase()}` : 'Instead';
    return `${needed}${nice}.${e.substitute ? ` ${instead}: ${e.substitute.toLowerCase()}` : ''}`;
  });
  protected readonly ladder = computed(() => {
    const all = this.library.exercises();
    const e = this.exercise();
    const of = (id: string | null) => all.find((x) => x.id === id) ?? null;
    return { easier: of(e.easierForm), harder: of(e.harderForm) };
  });
  protected readonly origin = computed(() => ORIGIN_NOTE[this.exercise().origin]);

  protected print(): void {
    print();
  }

  protected async showVersions(own: OwnExercise): Promise<void> {
    this.versions.set(await firstValueFrom(this.api.exerciseVersions(own.id)));
  }

  protected day(instant: string): string {
    return formatDate(instant.slice(0, 10), 'd MMM yyyy');
  }
}
