import { Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { RouterLink } from '@angular/router';
import {
  applyFix,
  BLOCK_BOUNDS,
  cutWords,
  easierWeeksOf,
  formatDate,
  moveEasierWeek,
  muscleGroupName,
  rangeBetween,
  setWeeks,
  startingDoseWords,
  templateNoteWords,
  templateOf,
  USUAL_PLATE,
  WEEKDAYS,
  withLoadUnit,
  withStartingDose,
  type BlockComparison,
  type BlockTemplate,
  type CellPlace,
  type Exercise,
  type Fix,
  type LoadUnit,
  type Technique,
} from '@yandle/core';
import { ToastService } from '../data/toast.service';
import { SCREENING_WORDS } from '../intake/screening-words';
import { StylesService } from '../styles/styles.service';
import { ProblemNote } from '../ui/problem-note';
import { BlockData } from './block-data';
import { BlockNotes } from './block-notes';
import { BlockPlanner } from './block-planner';
import { BlockBelow } from './block-below';
import { BlockSelection } from './block-selection';
import { BlockSettings } from './block-settings';
import { BlockStore } from './block.store';
import { UndoButtons } from './undo-buttons';
import { CellPanel } from './cell-panel';
import { ConflictPanel } from './conflict-panel';
import { PublishPanel } from './publish-panel';
import { VersionsPanel } from './revisions-panel';
import { Stave } from './stave';
import type { Selection, StaveLane } from './stave.model';
import { TemplatesPanel } from './templates-panel';
import { WhatIfPanel } from './what-if-panel';

/** What stands beside the stave. */
type Aside = 'cell' | 'publish' | 'revisions' | 'templates' | 'what-if';

/** The block: what the coach chooses above, the stave below, beside it the arithmetic of the selected cell or a tool. */
@Component({
  selector: 'y-block',
  imports: [
    RouterLink,
    Stave,
    CellPanel,
    ProblemNote,
    BlockBelow,
    BlockNotes,
    BlockSettings,
    UndoButtons,
    PublishPanel,
    VersionsPanel,
    TemplatesPanel,
    ConflictPanel,
    WhatIfPanel,
  ],
  providers: [BlockData, BlockPlanner, BlockStore, BlockSelection],
  templateUrl: './block.html',
})
export class BlockScreen {
  protected readonly store = inject(BlockStore);
  protected readonly selection = inject(BlockSelection);
  private readonly toasts = inject(ToastService);
  private readonly stylesService = inject(StylesService);
  readonly clientId = input.required<string>();
  /** Groups handed over by the findings, joined by commas. */
  readonly groups = input<string>();

  protected readonly bounds = BLOCK_BOUNDS;
  protected readonly groupName = muscleGroupName;
  protected readonly cutWords = cutWords;
  protected readonly screening = SCREENING_WORDS;
  protected readonly styles = this.stylesService.styles;
  protected readonly usualPlate = USUAL_PLATE;
  protected readonly aside = signal<Aside>('cell');
  protected readonly templateNotes = signal<readonly string[]>([]);
  protected readonly suggestedReason = signal('');
  private readonly compared = signal<BlockComparison | null>(null);
  constructor() {
    effect(() => {
      const id = this.clientId();
      const groups = (this.groups() ?? '').split(',');
      untracked(() => void this.store.load(id, groups));
    });
  }

  protected readonly blocked = computed(() => {
    const s = this.store.client()?.screening;
    return s === 'open' || s === 'refer';
  });
  protected readonly plan = this.selection.plan;

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

  protected readonly stops = computed(() => this.store.violations().filter((v) => v.severity === 'stop').length);
  protected readonly allowed = computed(() => {
    const lane = this.selection.lane();
    return (technique: Technique): readonly Exercise[] =>
      lane ? this.store.allowedFor(lane.draft.group, technique) : [];
  });
  protected readonly startingDoseWords = computed(() => {
    const lane = this.selection.lane();
    const dose = this.store.planning().startingDoses.find((b) => b.group === lane?.draft.group);
    return dose ? startingDoseWords(dose) : null;
  });
  protected readonly draftLanes = computed(() => {
    const draft = this.store.draft();
    const plan = this.plan();
    if (!draft || !plan || !(this.store.changed() || this.store.renewing())) return null;
    return plan.lanes.map((l, i) => ({ id: draft.lanes[i]!.id, group: l.group, weeks: l.weeks }));
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
    this.selection.pick(selection);
    if (this.aside() !== 'what-if') this.aside.set('cell');
  }

  protected show(cell: CellPlace): void {
    this.pick({ head: cell, range: rangeBetween(cell, cell) });
  }

  protected fix(fix: Fix): void {
    this.store.edit((d) => applyFix(d, fix));
    this.toasts.show('Fixed. You can undo this.');
  }

  protected moveEasier(move: { readonly from: number; readonly to: number }): void {
    if (move.to >= this.store.fromWeek()) this.store.edit((d) => moveEasierWeek(d, move.from, move.to));
  }

  protected stretch(weeks: number): void {
    if (weeks >= this.store.fromWeek() - 1) this.store.edit((d) => setWeeks(d, weeks));
  }

  protected useStartingDose(used: boolean): void {
    const lane = this.selection.lane();
    if (!lane) return;
    const seconds = used ? this.store.startingDose(lane.draft.group) : null;
    this.store.edit((d) => withStartingDose(d, this.selection.selection().head.lane, seconds));
  }

  /** The same choices with what has been measured and asked since; published like any change. */
  protected renew(): void {
    this.store.renewing.set(true);
    this.suggestedReason.set('Updated after the latest assessment');
  }

  /** In what the loads of the selected lane are counted. */
  protected countLoad(unit: LoadUnit): void {
    this.store.edit((d) => withLoadUnit(d, this.selection.selection().head.lane, unit));
  }

  protected openWhatIf(): void {
    this.store.whatIf.set(this.store.draft());
    this.aside.set('what-if');
  }

  protected changeWhatIf(part: object): void {
    this.store.whatIf.update((d) => (d ? { ...d, ...part } : d));
  }

  protected styleWhatIf(styleId: string): void {
    const { lane, week } = this.selection.selection().head;
    this.store.whatIf.update((d) => (d ? this.store.withStyle(d, lane, styleId, week) : d));
  }

  protected takeWhatIf(): void {
    const other = this.store.whatIf();
    if (other) this.store.edit(() => other);
    this.leaveAside();
  }

  protected takeTemplate(template: BlockTemplate): void {
    this.templateNotes.set(this.store.applyTemplate(template).map(templateNoteWords));
    this.selection.pickCell({ lane: 0, week: 1 });
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
    this.toasts.show(`Version ${from.number} is in the draft. Check it, then publish.`);
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
    this.toasts.show('Combined. Check it, then publish.');
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
    if (await this.store.end()) this.toasts.show('Block ended. Its logs are saved.');
  }
}
