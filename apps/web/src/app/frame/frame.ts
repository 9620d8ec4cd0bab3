import { Component, computed, inject } from '@angular/core';
import { Router, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { NgIcon, provideIcons } from '@ng-icons/core';
import { lucideLogOut, lucideMoon, lucideSun, lucideUser } from '@ng-icons/lucide';
import { AccountService } from '../data/account.service';
import { ThemeService } from '../data/theme.service';
import { ClientPicker } from './client-picker';

/** Top of every screen: name, client picker, what is aside, who is signed in. */
@Component({
  selector: 'y-frame',
  imports: [RouterOutlet, RouterLink, RouterLinkActive, ClientPicker, NgIcon],
  providers: [provideIcons({ lucideSun, lucideMoon, lucideLogOut, lucideUser })],
  template: `
    <a
      class="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:m-2 focus:bg-sheet focus:p-2"
      href="#main"
      (click)="toMain($event)"
    >
      Skip to the screen
    </a>
    <header
      class="flex min-h-13 flex-wrap items-center gap-x-4 gap-y-2 border-b border-line px-4 py-1.5 print:hidden sm:px-6"
    >
      <a routerLink="/" class="font-serif text-xl font-bold" aria-label="Yandle, to Today"
        >Yand<span class="text-action">le</span></a
      >
      <y-client-picker class="order-3 w-full sm:order-none sm:w-56" />
      <nav
        class="order-2 -mx-2 flex w-full flex-wrap items-center gap-x-1 sm:order-none sm:mx-0 sm:ml-auto sm:w-auto"
        aria-label="Main"
      >
        <a
          class="rounded px-2 py-1.5 hover:bg-shade"
          routerLink="/"
          routerLinkActive="font-semibold text-action"
          [routerLinkActiveOptions]="{ exact: true }"
          >Today</a
        >
        <a
          class="rounded px-2 py-1.5 hover:bg-shade"
          routerLink="/clients"
          routerLinkActive="font-semibold text-action"
          [routerLinkActiveOptions]="{ exact: true }"
          >Clients</a
        >
        <a class="rounded px-2 py-1.5 hover:bg-shade" routerLink="/library" routerLinkActive="font-semibold text-action"
          >Library</a
        >
        <a
          class="rounded px-2 py-1.5 hover:bg-shade"
          routerLink="/routines"
          routerLinkActive="font-semibold text-action"
          >Routines</a
        >
        <a class="rounded px-2 py-1.5 hover:bg-shade" routerLink="/styles" routerLinkActive="font-semibold text-action"
          >Styles</a
        >
        <a class="rounded px-2 py-1.5 hover:bg-shade" routerLink="/tests" routerLinkActive="font-semibold text-action"
          >Tests</a
        >
        <a class="rounded px-2 py-1.5 hover:bg-shade" routerLink="/error" routerLinkActive="font-semibold text-action"
          >Measurement error</a
        >
        <a class="rounded px-2 py-1.5 hover:bg-shade" routerLink="/data" routerLinkActive="font-semibold text-action"
          >Import &amp; export</a
        >
        @if (account.me()?.coach?.role === 'owner') {
          <a
            class="rounded px-2 py-1.5 hover:bg-shade"
            routerLink="/studio"
            routerLinkActive="font-semibold text-action"
            >Studio</a
          >
        }
      </nav>
      <div class="order-1 ml-auto flex items-center sm:order-none sm:ml-0">
        <button
          type="button"
          class="inline-flex rounded p-2 hover:bg-shade"
          [attr.aria-label]="dark() ? 'Light theme' : 'Dark theme'"
          [title]="dark() ? 'Light theme' : 'Dark theme'"
          (click)="theme.toggle()"
        >
          <ng-icon [name]="dark() ? 'lucideSun' : 'lucideMoon'" size="18" aria-hidden="true" />
        </button>
        <a
          class="inline-flex items-center gap-1.5 rounded p-2 text-sm text-soft hover:bg-shade"
          routerLink="/account"
          routerLinkActive="text-action"
          [attr.aria-label]="'Your account: ' + account.me()?.coach?.name"
          title="Your account"
        >
          <ng-icon name="lucideUser" size="18" aria-hidden="true" />
          <span class="hidden 2xl:inline" aria-hidden="true">{{ account.me()?.coach?.name }}</span>
        </a>
        <button
          type="button"
          class="inline-flex rounded p-2 hover:bg-shade"
          aria-label="Sign out"
          title="Sign out"
          (click)="signOut()"
        >
          <ng-icon name="lucideLogOut" size="18" aria-hidden="true" />
        </button>
      </div>
    </header>
    <main id="main" tabindex="-1" class="outline-none"><router-outlet /></main>
  `,
})
export class Frame {
  protected readonly account = inject(AccountService);
  protected readonly theme = inject(ThemeService);
  private readonly router = inject(Router);
  protected readonly dark = computed(() => this.theme.theme() === 'dark');

  protected toMain(event: Event): void {
    event.preventDefault();
    document.getElementById('main')?.focus();
  }

  protected async signOut(): Promise<void> {
    await this.account.signOut();
    await this.router.navigate(['/sign-in']);
  }
}
