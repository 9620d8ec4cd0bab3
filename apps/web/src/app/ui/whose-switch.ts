import { Component, inject } from '@angular/core';
import { WhoseService } from '../data/whose';

/** My clients, or everybody's. */
@Component({
  selector: 'y-whose-switch',
  template: `
    @if (service.isAsked()) {
      <div class="inline-flex rounded-lg border border-line" role="group" aria-label="Whose clients">
        @for (o of options; track o.whose) {
          <button
            type="button"
            class="px-3 py-1.5 text-sm first:rounded-l-lg last:rounded-r-lg hover:bg-shade"
            [class.bg-action-wash]="service.whose() === o.whose"
            [class.font-semibold]="service.whose() === o.whose"
            [attr.aria-pressed]="service.whose() === o.whose"
            (click)="service.choose(o.whose)"
          >
            {{ o.label }}
          </button>
        }
      </div>
    }
  `,
})
export class WhoseSwitch {
  protected readonly service = inject(WhoseService);
  protected readonly options = [
    { whose: 'mine', label: 'Mine' },
    { whose: 'all', label: 'All' },
  ] as const;
}
