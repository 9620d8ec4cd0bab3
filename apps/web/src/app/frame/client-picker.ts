import { Component, computed, effect, ElementRef, inject, input, output, signal, viewChild } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router } from '@angular/router';
import type { ClientListItem } from '@yandle/contract';
import { Subject, switchMap, timer } from 'rxjs';
import { Api } from '../data/api';
import { ClientContext } from '../data/client-context';
import { asLoadable, LOADING } from '../data/loadable';

/** Type to find a client. Arrow keys choose, Enter opens or picks, Escape leaves. */
@Component({
  selector: 'y-client-picker',
  host: { class: 'relative block' },
  template: `
    <input
      #box
      class="input"
      type="text"
      role="combobox"
      [attr.aria-label]="label()"
      aria-autocomplete="list"
      [attr.aria-controls]="listId()"
      autocomplete="off"
      [placeholder]="label()"
      [attr.aria-expanded]="open()"
      [attr.aria-activedescendant]="open() && found()[active()] ? listId() + active() : null"
      [value]="open() ? typed() : shown()"
      (focus)="begin()"
      (input)="type(box.value)"
      (keydown)="key($event)"
      (blur)="open.set(false)"
    />
    @if (open()) {
      <ul
        [id]="listId()"
        role="listbox"
        aria-label="Clients"
        class="sheet absolute z-40 mt-1 max-h-96 w-full overflow-auto p-1 shadow-lg"
      >
        @for (c of found(); track c.id; let i = $index) {
          <li
            role="option"
            class="cursor-pointer rounded px-3 py-1.5"
            [id]="listId() + i"
            [attr.aria-selected]="i === active()"
            [class.bg-action-wash]="i === active()"
            (mousedown)="$event.preventDefault(); choose(c)"
          >
            <span class="font-semibold">{{ c.name }}</span> <span class="text-soft">· {{ c.age }}</span>
            <span class="block truncate text-sm text-soft">{{ c.aim }}</span>
          </li>
        } @empty {
          <li role="option" aria-selected="false" aria-disabled="true" class="px-3 py-1.5 text-soft">
            {{ searching() ? 'Searching …' : 'No client of that name' }}
          </li>
        }
      </ul>
    }
  `,
})
export class ClientPicker {
  private readonly api = inject(Api);
  private readonly router = inject(Router);
  private readonly context = inject(ClientContext);
  private readonly box = viewChild.required<ElementRef<HTMLInputElement>>('box');
  private readonly search$ = new Subject<string>();
  readonly label = input('Find a client');
  /** True to hand the client over instead of opening them. */
  readonly picks = input(false);
  readonly picked = output<ClientListItem>();
  protected readonly listId = computed(() => (this.picks() ? 'pick-option-' : 'client-option-'));

  protected readonly open = signal(false);
  protected readonly typed = signal('');
  protected readonly active = signal(0);
  protected readonly shown = computed(() => {
    const c = this.context.client();
    return !this.picks() && c && this.router.url.includes(c.id) ? `${c.name} · ${c.age}` : '';
  });
  /** Null while the list is on its way. */
  private readonly answer = toSignal(
    this.search$.pipe(
      switchMap((search) =>
        timer(80).pipe(
          switchMap(() => this.api.clients({ search, limit: 8 })),
          asLoadable(),
        ),
      ),
    ),
    { initialValue: LOADING },
  );
  protected readonly searching = computed(() => this.answer().state === 'loading');
  protected readonly found = computed(() => this.answer().value?.items ?? []);
  /** Enter was pressed before the list came: it opens the first one then. */
  private readonly hasty = signal(false);

  constructor() {
    effect(() => {
      const first = this.found()[0];
      if (this.hasty() && !this.searching()) {
        this.hasty.set(false);
        if (first) this.choose(first);
      }
    });
  }

  protected begin(): void {
    this.type('');
  }

  protected type(text: string): void {
    this.typed.set(text);
    this.active.set(0);
    this.open.set(true);
    this.search$.next(text);
  }

  protected key(event: KeyboardEvent): void {
    const last = this.found().length - 1;
    if (event.key === 'ArrowDown') this.active.update((i) => Math.min(last, i + 1));
    else if (event.key === 'ArrowUp') this.active.update((i) => Math.max(0, i - 1));
    else if (event.key === 'Escape') this.box().nativeElement.blur();
    else if (event.key === 'Enter') {
      const c = this.found()[this.active()];
      if (this.searching()) this.hasty.set(true);
      else if (c) this.choose(c);
    } else return;
    event.preventDefault();
  }

  protected choose(client: ClientListItem): void {
    this.open.set(false);
    this.box().nativeElement.blur();
    if (this.picks()) this.picked.emit(client);
    else void this.router.navigate(['/clients', client.id]);
  }
}
