import { Component, computed, inject } from '@angular/core';
import { taughtStep } from '@yandle/core';
import { FigureView } from '../ui/figure';
import { RunStore } from './run.store';

const MOVING = ['entry', 'position', 'set-up', 'repetitions', 'roll'];

/** How the running exercise is done: its figure, its steps in turn at the first bout, and one reminder at each later one. */
@Component({
  selector: 'y-run-teach',
  imports: [FigureView],
  template: `
    @if (store.exercise(); as e) {
      @if (e.figure; as f) {
        <div class="figures">
          <y-figure
            class="figure-box"
            [figure]="f"
            [side]="store.view.side() ?? 'right'"
            [moving]="moving()"
            [label]="'Figure of ' + e.name"
          />
          <y-figure class="second-box" [second]="true" [figure]="f" [side]="store.view.side() ?? 'right'" />
        </div>
      }
      @if (store.view.lesson().first) {
        <ol class="mt-2 grid w-full gap-1.5 text-left">
          @for (s of e.steps; track $index) {
            <li class="step" [class.now]="$index === step()" [attr.aria-current]="$index === step() ? 'step' : null">
              <span class="number">{{ $index + 1 }}</span>
              <span>{{ s }}</span>
            </li>
          }
        </ol>
      } @else {
        @if (store.view.lesson().reminder; as r) {
          <p class="reminder">{{ r }}</p>
        }
        <details class="mt-2 w-full px-3 text-left text-soft">
          <summary>Its steps</summary>
          <ol class="mt-1 list-decimal pl-6">
            @for (s of e.steps; track $index) {
              <li>{{ s }}</li>
            }
          </ol>
        </details>
      }
      <p class="mt-2 w-full px-3 text-left text-soft">Feel it {{ e.felt }}. Stop when {{ e.endPoint }}.</p>
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-direction: column;
      align-items: center;
      width: 100%;
      max-width: 34rem;
    }
    .figures {
      display: flex;
      justify-content: center;
      align-items: flex-end;
      gap: 0.75rem;
    }
    .second-box {
      width: min(7rem, 16vw);
    }
    .second-box:empty {
      display: none;
    }
    .figure-box {
      width: min(26rem, 60vw);
      height: clamp(5.5rem, 26vmin, 16rem);
    }
    .figures:has(.second-box:not(:empty)) .figure-box {
      width: min(18rem, 50vw);
    }
    .step {
      display: flex;
      gap: 0.7em;
      padding: 0.15rem 0.6rem;
      border-left: 4px solid transparent;
      font-size: clamp(1rem, 2.3vmin, 1.2rem);
      color: var(--soft);
    }
    .step.now {
      border-color: var(--action);
      color: var(--ink);
    }
    .number {
      min-width: 1.2em;
      font-variant-numeric: tabular-nums;
    }
    .reminder {
      margin-top: 0.5rem;
      font-size: clamp(1.1rem, 2.6vmin, 1.4rem);
    }
  `,
})
export class RunTeach {
  protected readonly store = inject(RunStore);
  protected readonly moving = computed(() => MOVING.includes(this.store.cue()?.kind ?? ''));
  protected readonly step = computed(() => taughtStep(this.store.view.lesson(), this.store.view.seconds()));
}
