import { Component, computed, effect, inject, input, untracked } from '@angular/core';
import { RouterLink } from '@angular/router';
import {
  easierWeeksOf,
  formatDate,
  moveEasierWeek,
  muscleGroupName,
  rangeBetween,
  setWeeks,
  type BlockDraft,
  type CellPlace,
} from '@yandle/core';
import { ToastService } from '../data/toast.service';
import { SCREENING_WORDS } from '../intake/screening-words';
import { StylesService } from '../styles/styles.service';
import { ProblemNote } from '../ui/problem-note';
import { BlockAside } from './block-aside';
import { BlockBelow } from './block-below';
import { BlockData } from './block-data';
import { BlockNotes } from './block-notes';
import { BlockPlanner } from './block-planner';
import { BlockPublisher } from './block-publisher';
import { BlockSelection } from './block-selection';
import { BlockSettings } from './block-settings';
import { BlockTool } from './block-tool';
import { BlockStore } from './block.store';
import { DayPlans } from './day-plans';
import { Proposals } from './proposals';
import { Stave } from './stave';
import type { Selection, StaveLane } from './stave.model';
import { UndoButtons } from './undo-buttons';

/** The block: what the coach chooses above, the stave below, beside it the arithmetic of the selected cell or a tool. */
@Component({
  selector: 'y-block',
  imports: [
    BlockAside,
    BlockBelow,
    BlockNotes,
    BlockSettings,
    DayPlans,
    ProblemNote,
    Proposals,
    RouterLink,
    Stave,
    UndoButtons,
  ],
  providers: [BlockData, BlockPlanner, BlockStore, BlockPublisher, BlockSelection, BlockTool],
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
  /** An earlier block to start from. */
  readonly from = input<string>();

  protected readonly groupName = muscleGroupName;
  protected readonly screening = SCREENING_WORDS;
  protected readonly tool = inject(BlockTool);
  private readonly publisher = inject(BlockPublisher);

  constructor() {
    effect(() => {
      const id = this.clientId();
      const groups = (this.groups() ?? '').split(',');
      const from = this.from();
      untracked(() => void this.open(id, groups, from));
    });
  }

  private async open(id: string, groups: readonly string[], from: string | undefined): Promise<void> {
    await this.store.load(id, groups);
    const earlier = this.store.past().find((b) => b.id === from);
    if (!earlier) return;
    if (this.store.running()) this.toasts.show('A block is running. End it first, then start from the earlier one.');
    else await this.tool.startFrom(earlier);
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
    const marked = this.tool.shown() === 'versions' ? this.tool.compared() : null;
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
  /** What stands in the way of publishing; null when nothing does. */
  protected readonly missing = computed((): string | null => {
    const lanes = this.store.draft()?.lanes.length ?? 0;
    if (this.store.running() === null && this.blocked())
      return 'Before this block can start: answer the intake’s questions, or record the clearance.';
    if (lanes === 0) return 'Before this block can start: add at least one lane.';
    const refusal = this.store.preview()?.refusal;
    if (refusal) return refusal;
    const n = this.stops();
    return n === 0
      ? null
      : `Before this can be published: fix the ${n === 1 ? 'rule' : `${n} rules`} marked “stop” below.`;
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
    const dates = r ? `${formatDate(r.startDate, 'd MMM')} – ${formatDate(r.endDate, 'd MMM yyyy')} · ` : '';
    return `${dates}${r ? `version ${r.revision}` : 'new'}`;
  });

  protected pick(selection: Selection): void {
    this.selection.pick(selection);
    this.tool.cellPicked();
  }

  protected show(cell: CellPlace): void {
    this.pick({ head: cell, range: rangeBetween(cell, cell) });
  }

  protected moveEasier(move: { readonly from: number; readonly to: number }): void {
    if (move.to >= this.store.fromWeek()) this.store.edit((d) => moveEasierWeek(d, move.from, move.to));
  }

  protected stretch(weeks: number): void {
    if (weeks >= this.store.fromWeek() - 1) this.store.edit((d) => setWeeks(d, weeks));
  }

  /** A suggestion becomes the draft; undo brings back what was there. */
  protected useProposal(draft: BlockDraft): void {
    this.store.edit(() => draft);
    this.store.suggesting.set(false);
    this.show({ lane: 0, week: 1 });
    this.toasts.show('The lanes are in the draft. Change what you like, then start the block.');
  }

  protected async end(): Promise<void> {
    const ended = await this.publisher.end();
    if (!ended) return;
    this.toasts.show('Block ended. Its logs are saved.', {
      label: 'Undo',
      run: () => void this.publisher.resume(ended),
    });
  }
}
