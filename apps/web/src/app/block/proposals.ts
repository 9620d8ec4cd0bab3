import { Component, computed, effect, inject, output, signal, untracked } from '@angular/core';
import {
  addedSessionsWords,
  daysAndMinutes,
  formatClock,
  handOverLine,
  leftWords,
  muscleGroupName,
  pickedGroups,
  PROPOSAL_TITLES,
  proposedWords,
  reachLine,
  type BlockDraft,
  type MuscleGroupId,
} from '@yandle/core';
import { StylesService } from '../styles/styles.service';
import { BlockPlanner } from './block-planner';
import { BlockStore } from './block.store';
import { PlanDesk } from './plan-desk';
import type { PlanTasks, TimedProposal } from './plan-messages';

/** Ways to begin a block with the groups that findings and wishes ask for, each with its reasons, to choose from and change. */
@Component({ selector: 'y-proposals', templateUrl: './proposals.html' })
export class Proposals {
  private readonly store = inject(BlockStore);
  private readonly planner = inject(BlockPlanner);
  private readonly styles = inject(StylesService);
  private readonly desk = inject(PlanDesk);
  readonly chosen = output<BlockDraft>();

  protected readonly name = muscleGroupName;
  protected readonly styleName = (id: string): string => this.styles.find(id).name;
  protected readonly words = proposedWords;
  protected readonly left = leftWords;
  protected readonly titles = PROPOSAL_TITLES;
  /** Groups in order, those picked in the findings where some were. */
  protected readonly wanted = computed(() => {
    const { wanted } = this.store.planning();
    const picked = this.store.picked();
    return picked.length > 0 ? pickedGroups(wanted, picked) : wanted;
  });
  protected readonly found = signal<readonly TimedProposal[] | null>(null);
  protected readonly failed = signal(false);
  /** Dates, days and minutes that proposals are made for: of the lanes that stand they know nothing. */
  private readonly base = computed(
    (): BlockDraft | null => {
      const d = this.store.draft();
      return d && { ...d, lanes: [] };
    },
    { equal: (a, b) => JSON.stringify(a) === JSON.stringify(b) },
  );
  protected readonly days = computed(() => daysAndMinutes(this.base()?.dayPlans ?? []));
  protected readonly handOver = computed(() => {
    const [first] = this.found() ?? [];
    const lengthen = this.wanted()
      .filter((w) => w.lengthen)
      .map((w): MuscleGroupId => w.group);
    return first ? handOverLine(first, lengthen) : '';
  });
  protected readonly cards = computed(() =>
    (this.found() ?? []).map((p) => ({
      ...p,
      added: addedSessionsWords(p, this.planner.placesOf()),
      reachLine: reachLine(p.reach),
      longest: formatClock(p.longestSeconds),
    })),
  );

  constructor() {
    effect(() => {
      const base = this.base();
      const wanted = this.wanted();
      const facts = base && this.planner.factsFor(base.startDate);
      if (!base || !facts) return;
      untracked(() => void this.propose({ base, facts, wanted }));
    });
  }

  private async propose(ask: PlanTasks['propose']['ask']): Promise<void> {
    this.found.set(null);
    this.failed.set(false);
    const made = await this.desk.do('propose', ask);
    if (ask.base !== this.base()) return;
    this.found.set(made);
    this.failed.set(made === null);
  }
}
