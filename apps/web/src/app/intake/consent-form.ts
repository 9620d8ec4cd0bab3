import { Component, computed, input, output, signal } from '@angular/core';
import type { ConsentBody } from '@yandle/contract';
import { CONSENT_VERSION, consenterAt, consentText } from '@yandle/core';

/** The text that a client, or a guardian, agrees to before answers about health are kept; nothing is ticked beforehand. */
@Component({
  selector: 'y-consent-form',
  template: `
    <section class="sheet p-4" aria-labelledby="consent">
      <h2 id="consent">{{ toClient() ? 'May we keep your answers?' : 'Consent to keep the answers' }}</h2>
      @if (!toClient()) {
        <p class="text-sm text-soft">Read it out, or let the client read it. It is recorded before the first answer.</p>
      }
      <ul class="mt-2 list-disc pl-5">
        @for (t of text(); track t) {
          <li>{{ t }}</li>
        }
      </ul>
      <label class="field mt-3 max-w-sm">
        <span class="label">{{
          guardian() ? 'Name of the parent or guardian' : toClient() ? 'Your name' : 'Name of who agrees'
        }}</span>
        <input class="input" maxlength="120" [value]="name()" #who (input)="say(who.value, agreed())" />
      </label>
      <label class="choice mt-3">
        <input type="checkbox" [checked]="agreed()" #box (change)="say(name(), box.checked)" />
        {{ agreement() }}
      </label>
      <ng-content />
    </section>
  `,
})
export class ConsentForm {
  readonly studio = input.required<string>();
  /** Age of the client in years: under 18 a guardian agrees. */
  readonly age = input.required<number>();
  readonly toClient = input(false);
  /** The consent as it stands in the form; null until it is complete. */
  readonly given = output<ConsentBody | null>();
  protected readonly name = signal('');
  protected readonly agreed = signal(false);
  protected readonly text = computed(() => consentText(this.studio()));
  protected readonly guardian = computed(() => consenterAt(this.age()) === 'guardian');
  protected readonly agreement = computed(() => {
    if (this.toClient()) return this.guardian() ? 'I agree for my child' : 'I agree';
    return this.guardian() ? 'The guardian has read this and agrees' : 'The client has read this and agrees';
  });

  protected say(name: string, agreed: boolean): void {
    this.name.set(name);
    this.agreed.set(agreed);
    const whole = agreed && name.trim() !== '';
    const body = { version: CONSENT_VERSION, by: consenterAt(this.age()), name: name.trim() };
    this.given.emit(whole ? body : null);
  }
}
