import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import { OWN_TEST_PREFIX, type OwnTest, type TestCatalogueView } from '@yandle/contract';
import { romTestOf, testCatalogue, type RomTest } from '@yandle/core';
import { catchError, firstValueFrom, of } from 'rxjs';
import { AccountService } from './account.service';
import { Api } from './api';

const NOTHING: TestCatalogueView = { ownTests: [], batteries: [], errors: [] };

/** An own test as the computation knows it. */
export function romTestOfOwn(own: OwnTest): RomTest {
  const { id, version: _v, archived: _r, used: _u, ...definition } = own;
  return romTestOf(OWN_TEST_PREFIX + id, definition);
}

/**
 * The tests the studio works with, the catalogue with its own tests and adopted errors. Until the server has answered, and when it does
 * not, the catalogue alone.
 */
@Injectable({ providedIn: 'root' })
export class TestCatalogueService {
  private readonly api = inject(Api);
  private readonly account = inject(AccountService);
  private readonly state = signal<TestCatalogueView>(NOTHING);
  readonly view = this.state.asReadonly();
  /** True once the server has answered. */
  readonly ready = signal(false);

  readonly catalogue = computed(() => {
    const { ownTests, errors } = this.state();
    return testCatalogue(
      ownTests.map((o) => ({ test: romTestOfOwn(o), archived: o.archived })),
      errors.map(({ testId, coachId, sem, clients, source }) => ({ testId, coachId, sem, clients, source })),
    );
  });

  constructor() {
    effect(() => {
      const coach = this.account.me()?.coach.id;
      untracked(() => {
        this.state.set(NOTHING);
        this.ready.set(false);
        if (coach) void this.load();
      });
    });
  }

  async load(): Promise<void> {
    const view = await firstValueFrom(this.api.testCatalogue().pipe(catchError(() => of(null))));
    if (!view) return;
    this.state.set(view);
    this.ready.set(true);
  }
}
