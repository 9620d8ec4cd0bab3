import { Component, computed, input, output, inject } from '@angular/core';
import {
  doseRemark,
  muscleGroupName,
  runningList,
  sensationWords,
  sessionDose,
  sourceWords,
  STYLES,
  type Exercise,
  type MuscleGroupId,
  type PlannedWeek,
} from '@yandle/core';
import { FigureView } from '../ui/figure';
import { StopSigns } from '../ui/stop-signs';
import { LibraryService } from '../library/library.service';

/** The arithmetic of one cell written out, why it is so, and what to watch. */
@Component({
  selector: 'y-cell-panel',
  imports: [FigureView, StopSigns],
  templateUrl: './cell-panel.html',
})
export class CellPanel {
  private readonly library = inject(LibraryService);
  readonly group = input.required<MuscleGroupId>();
  readonly styleId = input.required<string>();
  readonly exerciseId = input.required<string>();
  readonly weeks = input.required<readonly PlannedWeek[]>();
  readonly limitReasons = input.required<readonly string[]>();
  readonly week = input.required<number>();
  /** Stretches to choose from; empty when the plan stands. */
  readonly choices = input<readonly Exercise[]>([]);
  readonly exercisePicked = output<string>();

  protected readonly cell = computed(() => this.weeks()[this.week() - 1]!);
  protected readonly name = computed(() => muscleGroupName(this.group()));
  protected readonly exercise = computed(() => this.library.find(this.exerciseId()));
  protected readonly style = computed(() => STYLES.find((s) => s.id === this.styleId())!);
  protected readonly perSession = computed(() => sessionDose(this.cell().prescription));
  protected readonly remark = computed(() => doseRemark(this.cell().dose));
  protected readonly sensation = computed(() => sensationWords(this.cell().prescription.sensation));
  protected readonly list = runningList;
  protected readonly sourceWords = sourceWords;

  /** The build week before, to compare with. */
  protected readonly before = computed(() => {
    const earlier = this.weeks()
      .slice(0, this.week() - 1)
      .filter((w) => w.kind === 'build')
      .at(-1);
    if (!earlier) return null;
    const percent = Math.round((this.cell().dose / earlier.dose - 1) * 100);
    return {
      week: earlier.week,
      dose: earlier.dose,
      words: `${percent > 0 ? '+' : percent < 0 ? '−' : ''}${Math.abs(percent)} %`,
    };
  });
}
