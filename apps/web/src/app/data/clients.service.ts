import { inject, Injectable, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { ClientListItem } from '@yandle/contract';
import { combineLatest, debounceTime, firstValueFrom, switchMap } from 'rxjs';
import { Api } from './api';
import { asLoadable, LOADING } from './loadable';
import { WhoseService } from './whose';
import { ToastService } from './toast.service';

/** The client list with its search, and archiving with undo. */
@Injectable()
export class ClientsService {
  private readonly api = inject(Api);
  private readonly toasts = inject(ToastService);
  private readonly whose = inject(WhoseService).whose;
  readonly search = signal('');
  readonly archived = signal(false);
  private readonly again = signal(0);
  private readonly more = signal<{ after: string; items: readonly ClientListItem[]; next: string | null } | null>(null);

  readonly page = toSignal(
    combineLatest([
      toObservable(this.search),
      toObservable(this.archived),
      toObservable(this.whose),
      toObservable(this.again),
    ]).pipe(
      debounceTime(60),
      switchMap(([search, archived, whose]) => this.api.clients({ search, archived, whose }).pipe(asLoadable())),
    ),
    { initialValue: LOADING },
  );

  /** Lines of the first page and of those fetched after it. */
  lines(): readonly ClientListItem[] {
    const first = this.page().value;
    const more = this.more();
    if (!first) return [];
    return more && more.after === first.nextCursor ? [...first.items, ...more.items] : first.items;
  }

  nextCursor(): string | null {
    const first = this.page().value;
    const more = this.more();
    return more && more.after === first?.nextCursor ? more.next : (first?.nextCursor ?? null);
  }

  async loadMore(): Promise<void> {
    const cursor = this.nextCursor();
    const first = this.page().value?.nextCursor;
    if (!cursor || !first) return;
    const page = await firstValueFrom(
      this.api.clients({ search: this.search(), archived: this.archived(), whose: this.whose(), cursor }),
    );
    const before = this.more()?.after === first ? this.more()!.items : [];
    this.more.set({ after: first, items: [...before, ...page.items], next: page.nextCursor });
  }

  refresh(): void {
    this.more.set(null);
    this.again.update((n) => n + 1);
  }

  async archive(item: Pick<ClientListItem, 'id' | 'name'>): Promise<void> {
    const { client } = await firstValueFrom(this.api.client(item.id));
    const now = await firstValueFrom(this.api.archiveClient(item.id, client.version));
    this.refresh();
    this.toasts.show(`${item.name} is archived.`, {
      label: 'Undo',
      run: () => void this.restore({ ...item, version: now.version }),
    });
  }

  async restore(item: Pick<ClientListItem, 'id' | 'name'> & { version?: number }): Promise<void> {
    const version = item.version ?? (await firstValueFrom(this.api.client(item.id))).client.version;
    await firstValueFrom(this.api.restoreClient(item.id, version));
    this.refresh();
    this.toasts.show(`${item.name} is back in the list.`);
  }
}
