import { Component, computed, inject, input } from '@angular/core';
import {
  startingDoseWords,
  templateOf,
  USUAL_PLATE,
  withLoadUnit,
  withStartingDose,
  type BlockDraft,
  type Exercise,
  type LoadUnit,
  type Technique,
} from '@yandle/core';
import { ToastService } from '../data/toast.service';
import { BlockPublisher } from './block-publisher';
import { BlockSelection } from './block-selection';
import { BlockTool } from './block-tool';
import { BlockStore } from './block.store';
import { CellPanel } from './cell-panel';
import { ConflictPanel } from './conflict-panel';
import { PublishPanel } from './publish-panel';
import { VersionsPanel } from './revisions-panel';
import { TemplatesPanel } from './templates-panel';
import { WhatIfPanel } from './what-if-panel';

/** Beside the block: the arithmetic of the selected cell, or the tool that is open. */
@Component({
  selector: 'y-block-aside',
  imports: [CellPanel, ConflictPanel, PublishPanel, TemplatesPanel, VersionsPanel, WhatIfPanel],
  templateUrl: './block-aside.html',
  host: { class: 'contents' },
})
export class BlockAside {
  protected readonly store = inject(BlockStore);
  protected readonly publisher = inject(BlockPublisher);
  protected readonly selection = inject(BlockSelection);
  protected readonly tool = inject(BlockTool);
  private readonly toasts = inject(ToastService);
  readonly draft = input.required<BlockDraft>();
  protected readonly usualPlate = USUAL_PLATE;

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
    const plan = this.selection.plan();
    if (!plan || !(this.store.changed() || this.store.renewing())) return null;
    return plan.lanes.map((l, i) => ({ id: this.draft().lanes[i]!.id, group: l.group, weeks: l.weeks }));
  });
  protected readonly makeTemplate = computed(() => {
    const draft = this.draft();
    const plan = this.selection.plan();
    if (!plan) return null;
    return (name: string, summary: string) =>
      templateOf(draft, name, summary, (i) => plan.lanes[i]!.weeks.find((w) => w.dose > 0)?.dose ?? null);
  });

  protected useStartingDose(used: boolean): void {
    const lane = this.selection.lane();
    if (!lane) return;
    const seconds = used ? this.store.startingDose(lane.draft.group) : null;
    this.store.edit((d) => withStartingDose(d, this.selection.selection().head.lane, seconds));
  }

  /** In what the loads of the selected lane are counted. */
  protected countLoad(unit: LoadUnit): void {
    this.store.edit((d) => withLoadUnit(d, this.selection.selection().head.lane, unit));
  }

  protected changeWhatIf(part: object): void {
    this.store.whatIf.update((d) => (d ? { ...d, ...part } : d));
  }

  protected styleWhatIf(styleId: string): void {
    const { lane, week } = this.selection.selection().head;
    this.store.whatIf.update((d) => (d ? this.store.withStyle(d, lane, styleId, week) : d));
  }

  protected resolve(choose: (key: string) => 'mine' | 'theirs'): void {
    this.publisher.resolve(choose);
    this.tool.open('cell');
    this.toasts.show('Combined. Check it, then publish.');
  }

  protected async publish(reason: string): Promise<void> {
    const first = !this.store.running();
    if (!(await this.publisher.publish(reason))) return;
    this.tool.reason.set('');
    this.tool.open('cell');
    this.toasts.show(first ? 'The block is planned and its sessions have dates.' : 'The changes are published.');
  }
}
