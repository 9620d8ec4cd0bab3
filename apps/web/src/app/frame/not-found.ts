import { Component } from '@angular/core';
import { RouterLink } from '@angular/router';

/** An address that leads nowhere. */
@Component({
  selector: 'y-not-found',
  imports: [RouterLink],
  template: `
    <div class="mx-auto max-w-xl px-6 py-16">
      <h1>There is nothing at this address</h1>
      <p class="mt-2">
        It may have been removed. <a class="link" routerLink="/">Go to Today</a> or find the client above.
      </p>
    </div>
  `,
})
export class NotFound {}
