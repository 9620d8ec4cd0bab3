import { Component, computed, inject, input, output } from '@angular/core';
import type { Assessment } from '@yandle/contract';
import type { RomTest } from '@yandle/core';
import { AccountService } from '../data/account.service';
import type { Exception } from './measure.store';

/** How the open test is taken: cold or warm, who reads, with what. Recorded once for the assessment, changeable for each test. */
@Component({
  selector: 'y-conditions-line',
  template: `
    <details class="text-sm">
      <summary>
        <span class="font-semibold">{{ warm() ? 'Warm' : 'Cold' }} · {{ instrument() }} · {{ tester() }}</span>
        <span class="text-soft"> · change for this test</span>
      </summary>
      <div class="mt-2 flex flex-wrap items-center gap-x-4 gap-y-2">
        <label class="flex items-center gap-2">
          <span class="font-semibold">Body</span>
          <select class="input !min-h-8 !w-auto" #body (change)="change({ warm: body.value === 'warm' })">
            <option value="cold" [selected]="!warm()">cold</option>
            <option value="warm" [selected]="warm()">warm</option>
          </select>
        </label>
        <label class="flex items-center gap-2">
          <span class="font-semibold">Instrument</span>
          <select class="input !min-h-8 !w-auto" #tool (change)="instrumentChanged.emit(tool.value)">
            @for (i of test().instruments; track i) {
              <option [value]="i" [selected]="i === instrument()">{{ i }}</option>
            }
          </select>
        </label>
        <label class="flex items-center gap-2">
          <span class="font-semibold">Read by</span>
          <select class="input !min-h-8 !w-auto" #who (change)="change({ testerId: who.value })">
            @for (c of coaches(); track c.id) {
              <option [value]="c.id" [selected]="c.id === testerId()">{{ c.name }}</option>
            }
          </select>
        </label>
      </div>
    </details>
  `,
})
export class ConditionsLine {
  readonly assessment = input.required<Assessment>();
  readonly test = input.required<RomTest>();
  readonly except = input.required<Exception>();
  readonly instrument = input.required<string>();
  readonly exceptChanged = output<Exception>();
  readonly instrumentChanged = output<string>();
  private readonly account = inject(AccountService);
  protected readonly coaches = computed(() => this.account.me()?.coaches ?? []);
  protected readonly warm = computed(() => this.except().warm ?? this.assessment().warm);
  protected readonly testerId = computed(() => this.except().testerId ?? this.assessment().testerId);
  protected readonly tester = computed(
    () => this.coaches().find((c) => c.id === this.testerId())?.name ?? this.assessment().testerName,
  );

  protected change(by: Partial<Exception>): void {
    const next = { ...this.except(), ...by };
    this.exceptChanged.emit({
      warm: next.warm === this.assessment().warm ? null : next.warm,
      testerId: next.testerId === this.assessment().testerId ? null : next.testerId,
    });
  }
}
