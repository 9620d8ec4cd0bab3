import { inject, Injectable, signal } from '@angular/core';
import type { Block } from '@yandle/contract';
import { mergeDrafts, type Clash } from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { Api } from '../data/api';
import { ClientContext } from '../data/client-context';
import { newId } from '../data/ids';
import { BlockData } from './block-data';
import { BlockStore } from './block.store';
import { draftKeeper } from './draft-keeper';

/** Someone else has published: what both changed, to choose from. */
export interface Conflict {
  readonly theirs: Block;
  readonly clashes: readonly Clash[];
}

/** Publishes the draft or ends the block, and brings two coaches' changes together. */
@Injectable()
export class BlockPublisher {
  private readonly api = inject(Api);
  private readonly context = inject(ClientContext);
  private readonly data = inject(BlockData);
  private readonly store = inject(BlockStore);
  private newBlockId = newId();
  readonly conflict = signal<Conflict | null>(null);

  /** @returns whether it was published */
  async publish(reason: string): Promise<boolean> {
    const draft = this.store.draft()!;
    const r = this.store.running();
    return this.attempt(async () => {
      const renew = this.store.renewing();
      const { version } = this.store.base ?? { version: 0 };
      if (r) await firstValueFrom(this.api.reviseBlock(r.id, { ...draft, version, reason, renew }));
      else {
        await firstValueFrom(this.api.createBlock(this.data.clientId, { ...draft, id: this.newBlockId, reason }));
        this.newBlockId = newId();
      }
    });
  }

  /** Ends the running block, which can be taken back. The block as it is then; null where it was refused. */
  async end(): Promise<Block | null> {
    const r = this.store.running()!;
    let ended: Block | null = null;
    await this.attempt(async () => {
      ended = await firstValueFrom(this.api.endBlock(r.id, r.version));
    });
    return ended;
  }

  /** Takes an end back. */
  async resume(block: Pick<Block, 'id' | 'version'>): Promise<boolean> {
    return this.attempt(() => firstValueFrom(this.api.resumeBlock(block.id, block.version)));
  }

  /** Takes over what someone else published, with this draft's changes on top; of what both changed, the coach's choice. */
  resolve(choose: (key: string) => 'mine' | 'theirs'): void {
    const c = this.conflict();
    const { base } = this.store;
    const mine = this.store.draft();
    if (!c || !base || !mine) return;
    const { draft } = mergeDrafts(base.choices, mine, c.theirs.choices, choose);
    this.conflict.set(null);
    this.store.rebase(c.theirs, draft);
  }

  /** Drops the draft for what someone else published. */
  async dropMine(): Promise<void> {
    await this.store.load(this.data.clientId);
    this.conflict.set(null);
  }

  private async attempt(work: () => Promise<unknown>): Promise<boolean> {
    const done = await this.store.requests.run(
      async () => {
        await work();
        draftKeeper.forget(this.data.clientId);
        return true;
      },
      (problem) => {
        if (problem.code === 'id-in-use') this.newBlockId = newId();
        return problem.code === 'stale-version' && this.meet(problem.current as Block | undefined);
      },
    );
    if (!done) return false;
    await this.store.load(this.data.clientId);
    this.context.refresh();
    return true;
  }

  /** Someone else has published meanwhile: shows where both changed. False where nothing can be brought together. */
  private meet(theirs: Block | undefined): boolean {
    const mine = this.store.draft();
    const { base } = this.store;
    if (!theirs || !mine || !base || theirs.endedAt !== null) return false;
    this.conflict.set({ theirs, clashes: mergeDrafts(base.choices, mine, theirs.choices).clashes });
    return true;
  }
}
