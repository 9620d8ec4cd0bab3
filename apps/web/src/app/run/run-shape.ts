import { Component, input } from '@angular/core';
import type { SignalKind } from './signal-kind';

/** A signal to be seen from the mat: a shape over the whole screen for a moment. It covers nothing that can be pressed. */
@Component({
  selector: 'y-run-shape',
  host: { 'aria-hidden': 'true', '[class]': '"shape " + kind()' },
  template: `
    <svg viewBox="0 0 100 100">
      @switch (kind()) {
        @case ('start') {
          <circle cx="50" cy="50" r="40" />
        }
        @case ('switch') {
          <path d="M8 36h60V22l26 22H8zM92 64H32v14L6 56h86z" />
        }
        @case ('rest') {
          <path d="M10 40h80v20H10z" />
        }
        @case ('stop') {
          <path d="M32 6h36l26 26v36L68 94H32L6 68V32z" />
        }
      }
    </svg>
  `,
  styles: `
    :host {
      position: fixed;
      inset: 0;
      z-index: 30;
      display: grid;
      place-items: center;
      pointer-events: none;
      color: var(--action);
      animation: away 1.2s ease-out forwards;
    }
    :host(.stop) {
      color: var(--attention);
    }
    :host(.rest) {
      color: var(--soft);
    }
    svg {
      width: min(90vw, 90vh);
      fill: currentColor;
      opacity: 0.4;
    }
    @keyframes away {
      to {
        opacity: 0;
      }
    }
    @media (prefers-reduced-motion: reduce) {
      :host {
        animation: none;
      }
    }
  `,
})
export class RunShape {
  readonly kind = input.required<SignalKind>();
}
