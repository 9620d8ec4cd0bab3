import { Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { RouterLink } from '@angular/router';
import {
  applyFix,
  BLOCK_BOUNDS,
  type BlockComparison,
  type BlockTemplate,
  type CellPlace,
  cellsOf,
  type Clipboard,
  copyCells,
  cutWords,
  easierWeeksOf,
  type Exercise,
  fillRight,
  type Fix,
  formatDate,
  type HandVariable,
  handVariables,
  type LoadUnit,
  lockCells,
  moveEasierWeek,
  moveLane,
  type MuscleGroupId,
  muscleGroupName,
  pasteCells,
  rangeBetween,
  setCells,
  setWeeks,
  sideWeeklyDose,
  startingDoseWords,
  type Technique,
  templateNoteWords,
  templateOf,
  toggleEasierWeek,
  trainableGroups,
  turn,
  unlockCells,
  USUAL_PLATE,
  WEEKDAYS,
  weeklyGroupDoses,
  cautionTitle,
} from '@yandle/core';
import { ToastService } from '../data/toast.service';
import { SCREENING_WORDS } from '../intake/screening-words';
import { LibraryService } from '../library/library.service';
import { StylesService } from '../styles/styles.service';
import { ProblemNote } from '../ui/problem-note';
import { BlockStore } from './block.store';
import { CellPanel } from './cell-panel';
import { ConflictPanel } from './conflict-panel';
import { DoseChart, type DoseLine } from './dose-chart';
import { PublishPanel } from './publish-panel';
import { VersionsPanel } from './revisions-panel';
import { RuleList } from './rule-list';
import { Stave } from './stave';
import type { Selection, StaveCommand, StaveLane } from './stave.model';
import { TemplatesPanel } from './templates-panel';
import { WhatIfPanel } from './what-if-panel';

/** What stands beside the stave. */
type Aside = 'cell' | 'publish' | 'revisions' | 'templates' | 'what-if';

const FIRST: CellPlace = { lane: 0, week: 1 };

/** The block: what the coach chooses above, the stave below, beside it the arithmetic of the selected cell or a tool. */
@Component({
  selector: 'y-block',
  imports: [
    RouterLink,
    Stave,
    CellPanel,
    ProblemNote,
    RuleList,
    PublishPanel,
    VersionsPanel,
    TemplatesPanel,
    ConflictPanel,
    WhatIfPanel,
    DoseChart,
  ],
  providers: [BlockStore],
  templateUrl: './block.html',
  host: { '(document:keydown)': 'shortcut($event)' },
})
export class BlockScreen {
  protected readonly store = inject(BlockStore);
  private readonly toasts = inject(ToastService);
  private readonly library = inject(LibraryService);
  private readonly stylesService = inject(StylesService);
  readonly clientId = input.required<string>();
  /** Groups handed over by the findings, joined by commas. */
  readonly groups = input<string>();

  protected readonly bounds = BLOCK_BOUNDS;
  protected readonly groupName = muscleGroupName;
  protected readonly cutWords = cutWords;
  protected readonly screening = SCREENING_WORDS;
  protected readonly styles = this.stylesService.styles;
  protected readonly ramps = [0, 0.05, 0.1, 0.15, 0.2, 0.25, 0.3, 0.4, 0.5];
  protected readonly weekChoices = range(BLOCK_BOUNDS.weeks.min, BLOCK_BOUNDS.weeks.max);
  protected readonly assessmentChoices = range(BLOCK_BOUNDS.lanesPerSession.min, BLOCK_BOUNDS.lanesPerSession.max);
  protected readonly usualPlate = USUAL_PLATE;
  protected readonly easierChoices = range(BLOCK_BOUNDS.easierEvery.min, BLOCK_BOUNDS.easierEvery.max);
  protected readonly aside = signal<Aside>('cell');
  protected readonly below = signal<'rules' | 'dose'>('rules');
  protected readonly templateNotes = signal<readonly string[]>([]);
  protected readonly suggestedReason = signal('');
  protected readonly styleToAdd = signal('steady-hold');
  private readonly compared = signal<BlockComparison | null>(null);
  /** What the coach selected; before that the running week of the first lane. */
  private readonly picked = signal<Selection | null>(null);
  private readonly activePicked = signal<HandVariable>('holdSeconds');
  private clipboard: Clipboard = [];

  constructor() {
    effect(() => {
      const id = this.clientId();
      const groups = (this.groups() ?? '').split(',');
      untracked(() => void this.store.load(id, groups));
    });
  }

  protected readonly leftOut = computed(() =>
    this.store.leftOut().map((l) => ({ name: l.exercise.name, why: l.because.map(cautionTitle).join(', ') })),
  );
  protected readonly blocked = computed(() => {
    const s = this.store.client()?.screening;
    return s === 'open' || s === 'refer';
  });
  /** Groups that have no lane yet. */
  protected readonly addable = computed(() => {
    const there = new Set(this.store.draft()?.lanes.map((l) => l.group));
    return trainableGroups().filter((g) => !there.has(g));
  });
  protected readonly plan = computed(() => this.store.preview()?.plan ?? null);

  protected readonly lanes = computed((): StaveLane[] => {
    const draft = this.store.draft();
    const plan = this.plan();
    if (!draft || !plan) return [];
    const overlay = this.store.overlay();
    const marked = this.aside() === 'revisions' ? this.compared() : null;
    return plan.lanes.map((l, i): StaveLane => {
      const d = draft.lanes[i]!;
      const names = [...new Set([d.styleId, ...d.laterStyles.map((s) => s.styleId)])];
      return {
        id: d.id,
        group: l.group,
        styleName: names.map((id) => this.stylesService.find(id).name).join(', then '),
        weeks: l.weeks,
        other: overlay?.lanes[i]?.weeks ?? null,
        marked: marked?.cells.filter((c) => c.laneId === d.id).map((c) => c.week) ?? [],
      };
    });
  });

  protected readonly easierWeeks = computed(() => {
    const d = this.store.draft();
    return d ? easierWeeksOf(d) : [];
  });

  /** The selection, kept inside the block when it shrinks. */
  protected readonly selection = computed((): Selection => {
    const begin = { lane: 0, week: this.store.currentWeek() ?? 1 };
    const { head, range: r } = this.picked() ?? { head: begin, range: rangeBetween(begin, begin) };
    const lanes = Math.max(0, this.lanes().length - 1);
    const weeks = this.store.draft()?.weeks ?? 1;
    const within = (c: CellPlace): CellPlace => ({ lane: Math.min(c.lane, lanes), week: Math.min(c.week, weeks) });
    const a = within({ lane: r.fromLane, week: r.fromWeek });
    const b = within({ lane: r.toLane, week: r.toWeek });
    return { head: within(head), range: rangeBetween(a, b) };
  });
  protected readonly selectedCount = computed(() => cellsOf(this.selection().range).length);
  /** Cells of the selection that may be changed. */
  private readonly changeable = computed(() => {
    const plan = this.plan();
    return cellsOf(this.selection().range).filter((c) => {
      const cell = plan?.lanes[c.lane]?.weeks[c.week - 1];
      return c.week >= this.store.fromWeek() && cell !== undefined && cell.kind !== 'rest';
    });
  });
  protected readonly selectedLane = computed(() => {
    const { lane } = this.selection().head;
    const draft = this.store.draft()?.lanes[lane];
    const planned = this.plan()?.lanes[lane];
    return draft && planned ? { draft, planned } : null;
  });
  protected readonly cellViolations = computed(() => {
    const { lane, week } = this.selection().head;
    return this.store.violations().filter((v) => v.lane === lane && v.week === week);
  });
  protected readonly stops = computed(() => this.store.violations().filter((v) => v.severity === 'stop').length);
  protected readonly active = computed((): HandVariable => {
    const { lane, week } = this.selection().head;
    const p = this.plan()?.lanes[lane]?.weeks[week - 1]?.prescription;
    const able = p ? handVariables(p) : [];
    const wanted = this.activePicked();
    return able.includes(wanted) ? wanted : (able[0] ?? 'holdSeconds');
  });
  /** A draft may always be shaped; what may not be done without a clearance is starting it. */
  protected readonly editable = signal(true);
  protected readonly allowed = computed(() => {
    const lane = this.selectedLane();
    return (technique: Technique): readonly Exercise[] =>
      lane ? this.store.allowedFor(lane.draft.group, technique) : [];
  });
  protected readonly startingDoseWords = computed(() => {
    const lane = this.selectedLane();
    const dose = this.store.planning().startingDoses.find((b) => b.group === lane?.draft.group);
    return dose ? startingDoseWords(dose) : null;
  });
  protected readonly groupsOfLanes = computed(() => this.lanes().map((l) => l.group));
  protected readonly draftLanes = computed(() => {
    const draft = this.store.draft();
    const plan = this.plan();
    if (!draft || !plan || !(this.store.changed() || this.store.renewing())) return null;
    return plan.lanes.map((l, i) => ({ id: draft.lanes[i]!.id, group: l.group, weeks: l.weeks }));
  });

  protected readonly doseLines = computed((): DoseLine[] => {
    const plan = this.plan();
    const draft = this.store.draft();
    if (!plan || !draft) return [];
    const lanes = draft.lanes.map((l) => ({
      group: l.group,
      styleId: l.styleId,
      exercises: Object.fromEntries(l.exercises.map((e) => [e.technique, this.library.find(e.exerciseId)])),
    }));
    const weeks = range(1, draft.weeks).map((w) => weeklyGroupDoses({ lanes }, plan, w));
    return plan.lanes
      .filter((l) => l.weeks.some((w) => sideWeeklyDose(w.prescription, 'left') > 0))
      .map((l) => ({
        group: l.group,
        left: weeks.map((w) => w.get(l.group)?.left ?? 0),
        right: weeks.map((w) => w.get(l.group)?.right ?? 0),
      }));
  });

  protected readonly title = computed(() => {
    const d = this.store.draft();
    if (!d) return '';
    const names = d.lanes.map((l) => muscleGroupName(l.group));
    const shown = names.length > 3 ? `${names.slice(0, 3).join(', ')} and ${names.length - 3} more` : names.join(', ');
    return shown ? `${shown}: ${d.weeks} weeks` : 'New block';
  });

  protected readonly facts = computed(() => {
    const c = this.store.client();
    const r = this.store.running();
    if (!c) return '';
    const days = c.trainingDays.map((d) => WEEKDAYS[d - 1]!.short).join(' ');
    const dates = r ? `${formatDate(r.startDate, 'd MMM')} – ${formatDate(r.endDate, 'd MMM yyyy')} · ` : '';
    return `${dates}${days} · ${c.minutesPerSession} min${r ? ` · version ${r.revision}` : ''}`;
  });

  protected pick(selection: Selection): void {
    this.picked.set(selection);
    if (this.aside() !== 'what-if') this.aside.set('cell');
  }

  protected show(cell: CellPlace): void {
    this.pick({ head: cell, range: rangeBetween(cell, cell) });
  }

  protected do(command: StaveCommand): void {
    const { head, range: r } = this.selection();
    switch (command.kind) {
      case 'turn':
        return this.turn(this.active(), command.clicks);
      case 'copy': {
        const plan = this.plan();
        if (plan) this.clipboard = copyCells(plan, r);
        this.toasts.show(`${this.selectedCount()} ${this.selectedCount() === 1 ? 'cell' : 'cells'} copied.`);
        return;
      }
      case 'paste':
        return this.store.edit((d, plan) => (plan ? this.keepPast(pasteCells(d, plan, head, this.clipboard), d) : d));
      case 'fill':
        return this.store.edit((d, plan) => (plan ? this.keepPast(fillRight(d, plan, r), d) : d));
      case 'lock': {
        const locked = this.changeable().every((c) => this.plan()!.lanes[c.lane]!.weeks[c.week - 1]!.locked);
        return this.store.edit((d, plan) =>
          locked || !plan ? unlockCells(d, this.changeable()) : lockCells(d, plan, this.changeable()),
        );
      }
      case 'unlock':
        return this.store.edit((d) => unlockCells(d, this.changeable()));
      case 'undo':
        return this.store.undo();
      case 'redo':
        return this.store.redo();
      case 'move-lane':
        return this.store.edit((d) => moveLane(d, command.from, command.to));
    }
  }

  /** Weeks that have begun stay as they are, whatever is pasted or filled over them. */
  private keepPast<D extends { readonly lanes: readonly { readonly locked: readonly { readonly week: number }[] }[] }>(
    next: D,
    before: D,
  ): D {
    const from = this.store.fromWeek();
    if (from === 1) return next;
    return {
      ...next,
      lanes: next.lanes.map((l, i) => ({
        ...l,
        locked: [
          ...(before.lanes[i]?.locked.filter((k) => k.week < from) ?? []),
          ...l.locked.filter((k) => k.week >= from),
        ],
      })),
    };
  }

  protected turn(variable: HandVariable, clicks: number): void {
    this.activePicked.set(variable);
    this.store.edit((d, plan) => {
      if (!plan) return d;
      const cells = this.changeable().map((c) => ({
        ...c,
        prescription: turn(
          plan.lanes[c.lane]!.weeks[c.week - 1]!.prescription,
          variable,
          clicks,
          d.smallestPlate ?? USUAL_PLATE,
        ),
      }));
      return setCells(d, cells);
    });
  }

  protected activate(variable: HandVariable): void {
    this.activePicked.set(variable);
  }

  protected fix(fix: Fix): void {
    this.store.edit((d) => applyFix(d, fix));
    this.toasts.show('Fixed. Undo brings it back.');
  }

  protected addLane(field: HTMLSelectElement): void {
    if (!field.value) return;
    this.store.toggleLane(field.value as MuscleGroupId, this.styleToAdd());
    const lane = (this.store.draft()?.lanes.length ?? 1) - 1;
    field.value = '';
    this.show({ lane, week: this.selection().head.week });
  }

  protected removeLane(): void {
    const lane = this.selectedLane();
    if (lane) this.store.toggleLane(lane.draft.group);
  }

  protected moveEasier(move: { readonly from: number; readonly to: number }): void {
    if (move.to >= this.store.fromWeek()) this.store.edit((d) => moveEasierWeek(d, move.from, move.to));
  }

  protected toggleEasier(): void {
    this.store.edit((d) => toggleEasierWeek(d, this.selection().head.week));
  }

  protected stretch(weeks: number): void {
    if (weeks >= this.store.fromWeek() - 1) this.store.edit((d) => setWeeks(d, weeks));
  }

  protected useStartingDose(used: boolean): void {
    const { lane } = this.selection().head;
    this.store.edit((d) => ({
      ...d,
      lanes: d.lanes.map((l, i) => {
        if (i !== lane) return l;
        const seconds = this.store.planning().startingDoses.find((b) => b.group === l.group)?.seconds ?? null;
        return { ...l, startingDose: used ? seconds : null };
      }),
    }));
  }

  /** The same choices with what has been measured and asked since; published like any change. */
  protected renew(): void {
    this.store.renewing.set(true);
    this.suggestedReason.set('Updated after the latest assessment');
  }

  /** In what the loads of the selected lane are counted; loads set by hand in another unit are given back. */
  protected countLoad(unit: LoadUnit): void {
    const { lane } = this.selection().head;
    this.store.edit((d) => ({
      ...d,
      lanes: d.lanes.map((l, i) =>
        i === lane
          ? { ...l, loadUnit: unit, locked: l.locked.filter((k) => (k.prescription.loadUnit ?? unit) === unit) }
          : l,
      ),
    }));
  }

  protected openWhatIf(): void {
    this.store.whatIf.set(this.store.draft());
    this.aside.set('what-if');
  }

  protected changeWhatIf(part: object): void {
    this.store.whatIf.update((d) => (d ? { ...d, ...part } : d));
  }

  protected styleWhatIf(styleId: string): void {
    const { lane, week } = this.selection().head;
    this.store.whatIf.update((d) => (d ? this.store.withStyle(d, lane, styleId, week) : d));
  }

  protected takeWhatIf(): void {
    const other = this.store.whatIf();
    if (other) this.store.edit(() => other);
    this.leaveAside();
  }

  protected takeTemplate(template: BlockTemplate): void {
    this.templateNotes.set(this.store.applyTemplate(template).map(templateNoteWords));
    this.picked.set({ head: FIRST, range: rangeBetween(FIRST, FIRST) });
    this.toasts.show(`“${template.name}” is in the draft. Undo removes it.`);
  }

  protected readonly makeTemplate = computed(() => {
    const draft = this.store.draft();
    const plan = this.plan();
    if (!draft || !plan) return null;
    return (name: string, summary: string) =>
      templateOf(draft, name, summary, (i) => plan.lanes[i]!.weeks.find((w) => w.dose > 0)?.dose ?? null);
  });

  protected restore(from: {
    readonly choices: NonNullable<ReturnType<BlockStore['draft']>>;
    readonly number: number;
  }): void {
    this.store.edit(() => from.choices);
    this.suggestedReason.set(`Back to version ${from.number}`);
    this.toasts.show(`Revision ${from.number} is in the draft. Look at it, then publish.`);
  }

  protected setCompared(c: BlockComparison | null): void {
    this.compared.set(c);
  }

  protected leaveAside(): void {
    this.store.whatIf.set(null);
    this.aside.set('cell');
  }

  protected resolve(choose: (key: string) => 'mine' | 'theirs'): void {
    this.store.resolve(choose);
    this.aside.set('cell');
    this.toasts.show('Brought together. Look at it, then publish.');
  }

  /** Undo and redo work wherever the focus is, except in a field of text. */
  protected shortcut(event: KeyboardEvent): void {
    if (!(event.ctrlKey || event.metaKey) || event.defaultPrevented) return;
    const target = event.target as HTMLElement | null;
    if (target?.matches('input:not([type=radio]):not([type=checkbox]), textarea')) return;
    const key = event.key.toLowerCase();
    if (key === 'z' && !event.shiftKey) this.store.undo();
    else if (key === 'y' || (key === 'z' && event.shiftKey)) this.store.redo();
    else return;
    event.preventDefault();
  }

  protected percent(ramp: number): string {
    return `${Math.round(ramp * 100)} %`;
  }

  protected day(date: string): string {
    return formatDate(date, 'EEE d MMM');
  }

  protected async publish(reason: string): Promise<void> {
    const first = !this.store.running();
    if (await this.store.save(reason)) {
      this.suggestedReason.set('');
      this.aside.set('cell');
      this.toasts.show(first ? 'The block is planned and its sessions have dates.' : 'The changes are published.');
    }
  }

  protected async end(): Promise<void> {
    if (await this.store.end()) this.toasts.show('The block has ended. What was done stays in the record.');
  }
}

function range(from: number, to: number): number[] {
  return Array.from({ length: to - from + 1 }, (_, i) => from + i);
}
