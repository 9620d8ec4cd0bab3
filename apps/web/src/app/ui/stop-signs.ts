import { Component, input } from '@angular/core';
import {
  CLIENT_DUTY_OF_CARE,
  DUTY_OF_CARE,
  EMERGENCY_SIGNS,
  SENSATION_ADVICE,
  STOP_ADVICE,
  STOP_SIGNS,
} from '@yandle/core';

/** Stop signs and duty of care: stands wherever something is prescribed. */
@Component({
  selector: 'y-stop-signs',
  template: `
    <section class="note text-sm" aria-label="Stop signs">
      <p class="font-semibold text-attention">
        {{ toClient() ? 'Stop at once if you feel:' : 'Stop signs:' }} {{ signs }}
      </p>
      <p>{{ advice }}</p>
      <p class="mt-1 font-semibold">Ambulance: {{ emergencies }}.</p>
      <p class="mt-1">{{ sensation }}</p>
      <p class="mt-1 text-soft">{{ toClient() ? clientDuty : duty }}</p>
    </section>
  `,
})
export class StopSigns {
  /** True on the client's own pages. */
  readonly toClient = input(false);
  protected readonly clientDuty = CLIENT_DUTY_OF_CARE;
  protected readonly signs = STOP_SIGNS.join(' · ').toLowerCase();
  protected readonly emergencies = EMERGENCY_SIGNS.join(' · ').toLowerCase();
  protected readonly advice = STOP_ADVICE;
  protected readonly sensation = SENSATION_ADVICE;
  protected readonly duty = DUTY_OF_CARE;
}
