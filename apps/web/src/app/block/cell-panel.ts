import { Component, computed, inject, input, output } from '@angular/core';
import {
  type Assistance,
  bonusWords,
  type DayPlan,
  doseArithmetic,
  doseRemarkOn,
  type Exercise,
  type Fix,
  type HandVariable,
  handVariables,
  isLoaded,
  type LaneDraft,
  leftOutWords,
  limitWords,
  LOAD_UNITS,
  type LoadUnit,
  muscleGroupName,
  type PlannedLane,
  prescriptionWords,
  pushAgainst,
  runningList,
  sensationWords,
  sourceWords,
  type Style,
  type Technique,
  USUAL_PLATE,
  VARIABLE_NAME,
  type Violation,
  volume,
  weekWords,
  doseRemarkWords,
  changePercent,
  formatPercentChange,
  formatWeight,
  shownUnits,
  type WeightUnit,
  notForWords,
  exercisesAt,
  givenWords,
  type PlacedDayPlan,
  placed,
} from '@yandle/core';
import { FigureView } from '../ui/figure';
import { StopSigns } from '../ui/stop-signs';
import { LibraryService } from '../library/library.service';
import { StylesService } from '../styles/styles.service';
import { RuleList } from './rule-list';

const HAND_NAME: Readonly<Partial<Record<HandVariable, string>>> = {
  holdSeconds: 'Seconds',
  sessionsPerWeek: 'Days per week',
  sensation: 'Target sensation',
  effort: 'Push effort, %',
  assistance: 'Assistance',
};

/** Plates at hand, kilograms; of a studio that counts in pounds: 1, 2.5, 5 and 10 lb. */
const PLATES: Readonly<Record<WeightUnit, readonly number[]>> = {
  kg: [0.5, 1, 1.25, 2, 2.5, 5],
  lb: [0.45, 1.13, 2.27, 4.54],
};

/** The arithmetic of one cell written out, why it is so, what can be turned, and what to watch. */
@Component({
  selector: 'y-cell-panel',
  imports: [FigureView, StopSigns, RuleList],
  templateUrl: './cell-panel.html',
})
export class CellPanel {
  private readonly library = inject(LibraryService);
  private readonly stylesService = inject(StylesService);
  readonly lane = input.required<LaneDraft>();
  readonly planned = input.required<PlannedLane>();
  readonly week = input.required<number>();
  readonly editable = input(false);
  /** How many cells are selected. */
  readonly selected = input(1);
  readonly active = input<HandVariable>('holdSeconds');
  readonly violations = input<readonly Violation[]>([]);
  /** Exercises to choose from for a technique. */
  readonly choices = input.required<(technique: Technique) => readonly Exercise[]>();
  readonly startingDoseWords = input<string | null>(null);
  readonly turned = output<{ readonly variable: HandVariable; readonly clicks: number }>();
  readonly activated = output<HandVariable>();
  readonly locked = output();
  readonly unlocked = output();
  readonly styled = output<{ readonly styleId: string; readonly week: number }>();
  /** One or two exercises of a technique. */
  readonly exercisePicked = output<{ readonly technique: Technique; readonly exerciseIds: readonly string[] }>();
  readonly loadSet = output<Partial<Pick<LaneDraft, 'startLoad' | 'startHelp' | 'loadMax'>>>();
  /** Names of the day plans, for exercises that are for one of them. */
  readonly dayPlans = input<readonly DayPlan[]>([]);
  readonly startingDoseUsed = output<boolean>();
  readonly plate = input(USUAL_PLATE);
  readonly loadCounted = output<LoadUnit>();
  readonly plateChosen = output<number>();
  readonly fixed = output<Fix>();
  protected readonly units = LOAD_UNITS;
  protected readonly plates = PLATES[shownUnits().weight];
  protected readonly weight = formatWeight;
  protected readonly loaded = computed(() => isLoaded(this.cell().prescription.technique));

  protected readonly reason = computed(() => weekWords(this.cell(), this.planned()));
  /** What routines of day plans do of the week. */
  protected readonly given = computed(() =>
    placed(this.dayPlans(), [], (id) => this.library.find(id)).flatMap(
      (p) => givenWords(p, this.cell(), this.planned().group, this.doneWith(p)) || [],
    ),
  );
  /** Exercises that the week is done with in a day plan. */
  private doneWith(plan: PlacedDayPlan): readonly Exercise[] {
    return exercisesAt(this.lane().exercises, this.cell().prescription.technique, plan, (id) => this.library.find(id));
  }
  protected readonly limitWords = limitWords;
  protected readonly leftOutWords = leftOutWords;
  protected readonly list = runningList;
  protected readonly notFor = notForWords;
  protected readonly sourceWords = sourceWords;
  protected readonly styles = this.stylesService.styles;
  protected readonly cell = computed(() => this.planned().weeks[this.week() - 1]!);
  protected readonly name = computed(() => muscleGroupName(this.planned().group));
  protected readonly words = computed(() => prescriptionWords(this.cell().prescription));
  protected readonly bonus = computed(() => bonusWords(this.cell().prescription));
  protected readonly arithmetic = computed(() => doseArithmetic(this.cell().prescription));
  protected readonly style = computed((): Style => this.stylesService.find(this.cell().styleId));
  protected readonly remark = computed(() => {
    const p = this.cell().prescription;
    if (this.cell().kind === 'rest' || this.cell().dose === 0) return null;
    const remark = doseRemarkOn(p, this.style());
    return remark && doseRemarkWords(remark);
  });
  protected readonly sensation = computed(() => sensationWords(this.cell().prescription.sensation));
  protected readonly variables = computed(() =>
    handVariables(this.cell().prescription).map((v) => ({
      id: v,
      name: HAND_NAME[v] ?? `${VARIABLE_NAME[v].charAt(0).toUpperCase()}${VARIABLE_NAME[v].slice(1)}`,
      value:
        v === 'assistance'
          ? ['none', 'light', 'full'][this.cell().prescription.assistance ?? 0]!
          : String(this.cell().prescription[v] ?? 0),
    })),
  );
  /** Every technique of this week with its exercise. */
  protected readonly exercises = computed(() => {
    const c = this.cell();
    const techniques = [...new Set([c.prescription, ...c.beforeAndAfter].map((b) => b.technique))];
    return techniques.map((technique) => {
      const all = this.lane().exercises.filter((e) => e.technique === technique);
      const everywhere = all.filter((e) => e.dayPlanId === null);
      const [exercise = null, second = null] = (everywhere.length > 0 ? everywhere : all).map((e) =>
        this.library.find(e.exerciseId),
      );
      const elsewhere = all.flatMap((e) => {
        const plan = this.dayPlans().find((p) => p.id === e.dayPlanId);
        return plan ? [`${plan.name}: ${this.library.find(e.exerciseId).name}`] : [];
      });
      return { technique, exercise, second, elsewhere, push: exercise ? pushAgainst(exercise) : null };
    });
  });

  protected readonly helps = ['none', 'light', 'full'];

  protected pick(technique: Technique, first: string, second: string): void {
    const exerciseIds = [first, second].filter((id) => id !== '');
    if (exerciseIds.length > 0) this.exercisePicked.emit({ technique, exerciseIds });
  }

  protected number(text: string): number | null {
    return text.trim() === '' ? null : Math.max(0, Number(text) || 0);
  }

  protected setHelp(value: string): void {
    this.loadSet.emit({ startHelp: value === '' ? null : (Number(value) as Assistance) });
  }

  /** The full week before, to compare with. */
  protected readonly before = computed(() => {
    const c = this.cell();
    const earlier = this.planned()
      .weeks.slice(0, this.week() - 1)
      .filter((w) => w.kind === 'build')
      .at(-1);
    if (!earlier || c.kind === 'rest' || earlier.prescription.technique !== c.prescription.technique) return null;
    const [then, now] = [volume(earlier.prescription), volume(c.prescription)];
    const percent = changePercent(then, now);
    return percent === null ? null : { week: earlier.week, dose: then, words: formatPercentChange(percent) };
  });
}
