import { computed, inject, Injectable, signal } from '@angular/core';
import type { Block, PlanningView } from '@yandle/contract';
import {
  cautionsAgainst,
  DEFAULT_TIMINGS,
  runningBlock,
  splitAllowed,
  weekOn,
  type Caution,
  type MuscleGroupId,
  type Technique,
} from '@yandle/core';
import { firstValueFrom, forkJoin } from 'rxjs';
import { AccountService } from '../data/account.service';
import { Api } from '../data/api';
import { ClientContext } from '../data/client-context';
import { LibraryService } from '../library/library.service';
import { StylesService } from '../styles/styles.service';

/** What a plan depends on before anything is known. */
export const NO_PLANNING: PlanningView = {
  timings: DEFAULT_TIMINGS,
  hypermobile: false,
  tighter: [],
  turns: [],
  places: [],
  times: [],
  partWeeks: [],
  undoneWeeks: [],
  eased: [],
  handLists: [],
  wanted: [],
  startingDoses: [],
};

/** What is known of a client's blocks: those there are, the one that runs, and what a plan depends on. */
@Injectable()
export class BlockData {
  private readonly api = inject(Api);
  private readonly context = inject(ClientContext);
  private readonly account = inject(AccountService);
  private readonly library = inject(LibraryService);
  private readonly styles = inject(StylesService);

  readonly client = this.context.client;
  readonly cautions = computed((): readonly Caution[] => this.context.path().value?.cautions ?? []);
  /** Exercises that a caution rules out, with the reasons: a plan never holds one. */
  readonly leftOut = computed(() => splitAllowed(this.library.exercises(), this.cautions()).leftOut);
  /** Whether no caution rules out an exercise done with a technique. */
  mayBeDone(exerciseId: string, technique: Technique): boolean {
    return cautionsAgainst({ ...this.library.find(exerciseId), technique }, this.cautions()).length === 0;
  }
  readonly blocks = signal<readonly Block[] | null>(null);
  readonly planning = signal<PlanningView>(NO_PLANNING);

  /** The block that counts today; null when none is running. */
  readonly running = computed(() => runningBlock(this.blocks() ?? [], this.account.me()?.today ?? ''));
  readonly past = computed(() => this.blocks()?.filter((b) => b !== this.running()) ?? []);
  /** First week that may be changed. */
  readonly fromWeek = computed(() => this.running()?.changeableFrom ?? 1);
  readonly currentWeek = computed(() => {
    const r = this.running();
    const today = this.account.me()?.today;
    if (!r || !today) return null;
    const week = weekOn(r.startDate, today);
    return week >= 1 && week <= r.weeks ? week : null;
  });

  private loadedFor = '';
  /** The client whose blocks are shown; empty before any. */
  get clientId(): string {
    return this.loadedFor;
  }

  async load(clientId: string): Promise<void> {
    this.loadedFor = clientId;
    // A first day plan is made of the client's own days: without them nobody could begin.
    await Promise.all([this.library.ready(), this.styles.ready(), this.context.settled(clientId)]);
    const [blocks, planning] = await firstValueFrom(forkJoin([this.api.blocks(clientId), this.api.planning(clientId)]));
    this.blocks.set(blocks);
    this.planning.set(planning);
  }

  /** A block as somebody else published it. */
  replace(block: Block): void {
    this.blocks.update((all) => all?.map((b) => (b.id === block.id ? block : b)) ?? null);
  }

  async moveRetest(blockId: string, week: number, date: string): Promise<void> {
    this.replace(await firstValueFrom(this.api.moveRetest(blockId, week, date)));
  }

  /** Seconds a week that the client is used to from the block before; null for none. */
  startingDose(group: MuscleGroupId): number | null {
    return this.planning().startingDoses.find((d) => d.group === group)?.seconds ?? null;
  }
}
