import { computed, inject, Injectable, signal } from '@angular/core';
import { WHOSE, type Whose } from '@yandle/contract';
import { oneOf } from '../ui/one-of';
import { AccountService } from './account.service';

const KEY = 'yandle.whose';

/** Whose clients the lists show: the coach's own with those they stand in for, or everybody's. Kept in this browser. */
@Injectable({ providedIn: 'root' })
export class WhoseService {
  private readonly account = inject(AccountService);
  private readonly chosen = signal<Whose>(oneOf(WHOSE, localStorage.getItem(KEY) ?? '') ?? 'all');
  /** One coach alone has no choice to make. */
  readonly isAsked = computed(() => (this.account.me()?.coaches.length ?? 0) > 1);
  readonly whose = computed((): Whose => (this.isAsked() ? this.chosen() : 'all'));

  choose(whose: Whose): void {
    this.chosen.set(whose);
    localStorage.setItem(KEY, whose);
  }
}
