import { Requests } from '../data/requests';
import { Component, computed, effect, inject, input, output, signal, untracked } from '@angular/core';
import type { BlockBody, Revision, RevisionSummary } from '@yandle/contract';
import {
  type BlockComparison,
  cellWords,
  compareBlocks,
  type ComparedLane,
  laneChangeWords,
  muscleGroupName,
} from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { Api } from '../data/api';
import { ProblemNote } from '../ui/problem-note';

/** Every published state of a block: who, when, why; compare two, or take one back. */
@Component({
  selector: 'y-revisions-panel',
  imports: [ProblemNote],
  templateUrl: './revisions-panel.html',
})
export class VersionsPanel {
  private readonly api = inject(Api);
  readonly blockId = input.required<string>();
  /** Number of the newest revision: the list is read again when it changes. */
  readonly newest = input.required<number>();
  /** The draft's plan, compared as "the draft". */
  readonly draft = input<readonly ComparedLane[] | null>(null);
  /** A block that has ended: nothing is brought back, and there is no panel to close. */
  readonly past = input(false);
  readonly restored = output<{ readonly choices: BlockBody; readonly number: number }>();
  readonly closed = output();
  /** Cells that differ, for the board to mark; null when nothing is compared. */
  readonly compared = output<BlockComparison | null>();
  protected readonly list = signal<readonly RevisionSummary[]>([]);
  protected readonly requests = new Requests();
  protected readonly problem = this.requests.problem;
  private readonly loaded = signal<Readonly<Record<number, Revision>>>({});
  /** 0 is the draft. */
  protected readonly from = signal<number | null>(null);
  protected readonly to = signal<number | null>(null);
  protected readonly groupName = muscleGroupName;
  protected readonly laneWords = laneChangeWords;
  protected readonly cellWords = cellWords;

  constructor() {
    effect(() => {
      const id = this.blockId();
      this.newest();
      untracked(() => void this.load(id));
    });
    effect(() => {
      this.compared.emit(this.comparison());
    });
  }

  protected readonly comparison = computed((): BlockComparison | null => {
    const [a, b] = [this.lanesOf(this.from()), this.lanesOf(this.to())];
    return a && b ? compareBlocks(a, b) : null;
  });

  private lanesOf(number: number | null): readonly ComparedLane[] | null {
    if (number === null) return null;
    return number === 0 ? this.draft() : (this.loaded()[number]?.laneWeeks ?? null);
  }

  protected when(at: string): string {
    return new Date(at).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' });
  }

  protected signed(seconds: number): string {
    return seconds === 0 ? 'no change of dose' : `${seconds > 0 ? '+' : '−'}${Math.abs(seconds)} s`;
  }

  protected async choose(which: 'from' | 'to', number: number): Promise<void> {
    await this.fetch(number);
    (which === 'from' ? this.from : this.to).set(number);
  }

  protected async restore(number: number): Promise<void> {
    const revision = await this.fetch(number);
    if (revision) this.restored.emit({ choices: revision.choices, number });
  }

  private async load(id: string): Promise<void> {
    await this.requests.run(async () => {
      const list = await firstValueFrom(this.api.revisions(id));
      this.list.set(list);
      const newest = list[0];
      const before = list[1];
      if (this.draft()) {
        if (newest) await this.choose('from', newest.number);
        this.to.set(0);
      } else if (newest && before) {
        await this.choose('from', before.number);
        await this.choose('to', newest.number);
      }
    });
  }

  private async fetch(number: number): Promise<Revision | null> {
    if (number === 0) return null;
    const there = this.loaded()[number];
    if (there) return there;
    return (
      (await this.requests.run(async () => {
        const revision = await firstValueFrom(this.api.revision(this.blockId(), number));
        this.loaded.update((l) => ({ ...l, [number]: revision }));
        return revision;
      })) ?? null
    );
  }
}
