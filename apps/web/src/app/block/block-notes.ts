import { Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Block } from '@yandle/contract';
import { cautionTitle, formatDate, lowerFirst, muscleGroupName } from '@yandle/core';
import { BlockStore } from './block.store';

/** What else belongs to the block: exercises left out for this client, dates of the retests, earlier blocks. */
@Component({
  selector: 'y-block-notes',
  imports: [RouterLink],
  template: `
    @if (leftOut().length > 0) {
      <details class="mt-3 text-sm">
        <summary class="font-semibold">
          Left out for this client: {{ leftOut().length }} {{ leftOut().length === 1 ? 'exercise' : 'exercises' }}
        </summary>
        <ul class="mt-1 flex flex-col gap-0.5">
          @for (l of leftOut(); track l.name) {
            <li>
              {{ l.name }} <span class="text-soft">– {{ l.why }}</span>
            </li>
          }
        </ul>
      </details>
    }
    @if (store.running(); as running) {
      @if (!store.changed()) {
        <p class="mt-3 text-sm text-soft">
          Retests:
          @for (r of running.retests; track r.week) {
            <span class="mr-3 inline-block"
              >{{ day(r.date) }} ({{ r.week === 1 ? 'baseline' : 'week ' + r.week }})</span
            >
          }
        </p>
      }
    }
    @if (store.past().length > 0) {
      <details class="mt-3 text-sm">
        <summary class="font-semibold">Earlier blocks ({{ store.past().length }})</summary>
        <ul class="mt-1">
          @for (b of store.past(); track b.id) {
            <li class="py-0.5">
              <a class="link" [routerLink]="['/clients', b.clientId, 'block', 'earlier', b.id]"
                >{{ day(b.startDate) }} – {{ day(b.endDate) }}</a
              >: {{ b.weeks }} weeks, {{ names(b) }}
            </li>
          }
        </ul>
      </details>
    }
  `,
})
export class BlockNotes {
  protected readonly store = inject(BlockStore);
  protected readonly leftOut = computed(() =>
    this.store.leftOut().map((l) => ({ name: l.exercise.name, why: l.because.map(cautionTitle).join(', ') })),
  );

  protected names(b: Block): string {
    return b.lanes.map((l) => lowerFirst(muscleGroupName(l.group))).join(', ');
  }

  protected day(date: string): string {
    return formatDate(date, 'EEE d MMM');
  }
}
