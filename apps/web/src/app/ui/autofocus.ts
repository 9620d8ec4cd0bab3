import { afterNextRender, Directive, ElementRef, inject } from '@angular/core';

/** Takes the focus when it comes up: what is done next is one key away. */
@Directive({ selector: '[yAutofocus]' })
export class Autofocus {
  constructor() {
    const el = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    afterNextRender(() => el.focus());
  }
}
