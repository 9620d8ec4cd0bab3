import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import { OWN_TEST_PREFIX, type OwnTest, type TestBookView } from '@yandle/contract';
import { romTestOf, testBook, type RomTest } from '@yandle/core';
import { catchError, firstValueFrom, of } from 'rxjs';
import { AccountService } from './account.service';
import { Api } from './api';

const NOTHING: TestBookView = { ownTests: [], batteries: [], errors: [] };

/** An own test as the computation knows it. */
export function romTestOfOwn(own: OwnTest): RomTest {
  const { id, version: _v, retired: _r, used: _u, ...definition } = own;
  return romTestOf(OWN_TEST_PREFIX + id, definition);
}

/**
 * The tests the studio works with, the catalogue with its own tests and adopted errors. Until the server has answered, and when it does
 * not, the catalogue alone.
 */
@Injectable({ providedIn: 'root' })
export class TestBookService {
  private readonly api = inject(Api);
  private readonly account = inject(AccountService);
  private readonly state = signal<TestBookView>(NOTHING);
  readonly view = this.state.asReadonly();
  /** True once the server has answered. */
  readonly ready = signal(false);

  readonly book = computed(() => {
    const { ownTests, errors } = this.state();
    return testBook(
      ownTests.map((o) => ({ test: romTestOfOwn(o), retired: o.retired })),
      errors.map(({ testId, coachId, sem, source }) => ({ testId, coachId, sem, source })),
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
    const view = await firstValueFrom(this.api.testBook().pipe(catchError(() => of(null))));
    if (!view) return;
    this.state.set(view);
    this.ready.set(true);
  }
}
