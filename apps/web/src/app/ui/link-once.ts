import { Component, computed, input, signal } from '@angular/core';

/** A private link that is shown this once, to be copied and handed over. */
@Component({
  selector: 'y-link-once',
  template: `
    <div class="mt-3 rounded-lg bg-shade p-3">
      <label class="field">
        <span class="label">{{ label() }}</span>
        <input class="input" readonly [value]="url()" #address (focus)="address.select()" />
      </label>
      <p class="mt-1 text-sm text-soft">{{ hint() }}</p>
      <button type="button" class="btn mt-2" (click)="copy()">{{ copied() ? 'Copied' : 'Copy' }}</button>
    </div>
  `,
})
export class LinkOnce {
  readonly label = input.required<string>();
  readonly hint = input('');
  /** Path below the address of this Yandle. */
  readonly path = input.required<string>();
  protected readonly url = computed(() => new URL(this.path(), document.baseURI).href);
  protected readonly copied = signal(false);

  protected async copy(): Promise<void> {
    await navigator.clipboard?.writeText(this.url()).then(() => this.copied.set(true));
  }
}
