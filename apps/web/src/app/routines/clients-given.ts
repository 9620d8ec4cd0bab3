import { Component, input, output } from '@angular/core';
import { RouterLink } from '@angular/router';

/** A client that something is about to be given to, with what is other for them. */
export interface ClientGiven {
  readonly clientId: string;
  readonly clientName: string;
  /** Said behind the name; empty for nothing. */
  readonly says: string;
  /** True where that is why they cannot have it. */
  readonly stops: boolean;
  /** What falls out, and what takes its place; by routine where there are several. */
  readonly parts: readonly { readonly name: string; readonly lines: readonly string[] }[];
}

/** Clients to give something to: what each of them can do of it, taken out again, ticked once it is on the calendar. */
@Component({
  selector: 'y-clients-given',
  imports: [RouterLink],
  template: `
    <ul class="flex flex-col divide-y divide-line">
      @for (c of clients(); track c.clientId) {
        <li class="flex items-start gap-3 py-2">
          <div class="min-w-0 flex-1">
            <p>
              <a class="font-semibold hover:underline" [routerLink]="['/clients', c.clientId, 'sessions']">{{
                c.clientName
              }}</a>
              @if (c.says) {
                <span [class]="c.stops ? 'font-semibold text-attention' : 'text-soft'"> · {{ c.says }}</span>
              }
            </p>
            @for (p of c.parts; track p.name) {
              @if (p.name) {
                <p class="mt-1 text-sm font-semibold">{{ p.name }}</p>
              }
              @for (line of p.lines; track $index) {
                <p class="text-sm">{{ line }}</p>
              }
            } @empty {
              <p class="text-sm text-soft">As it is.</p>
            }
          </div>
          @if (given().has(c.clientId)) {
            <span class="font-semibold text-action">✓ on the calendar</span>
          } @else {
            <button
              type="button"
              class="link"
              [attr.aria-label]="'Not ' + c.clientName"
              (click)="removed.emit(c.clientId)"
            >
              Take out
            </button>
          }
        </li>
      }
    </ul>
  `,
})
export class ClientsGiven {
  readonly clients = input.required<readonly ClientGiven[]>();
  /** Clients whose calendar has it. */
  readonly given = input.required<ReadonlySet<string>>();
  readonly removed = output<string>();
}
