import { Component, model } from '@angular/core';
import {
  AFTER,
  BEFORE,
  BLOCK_BOUNDS,
  LOADED_TECHNIQUES,
  phaseFor,
  repsAfter,
  STYLE_BOUNDS,
  variablesOf,
  type StyleDefinition,
  type StylePhase,
  type Variable,
} from '@yandle/core';
import { PhaseForm } from './phase-form';

/** All of a style that a coach can change. */
@Component({
  selector: 'y-style-form',
  imports: [PhaseForm],
  templateUrl: './style-form.html',
})
export class StyleForm {
  readonly draft = model.required<StyleDefinition>();
  protected readonly bounds = STYLE_BOUNDS;
  protected readonly easierWeeks = Array.from(
    { length: BLOCK_BOUNDS.easierEvery.max - BLOCK_BOUNDS.easierEvery.min + 1 },
    (_, i) => BLOCK_BOUNDS.easierEvery.min + i,
  );
  protected readonly before = BEFORE;
  protected readonly after = AFTER;

  protected set(part: Partial<StyleDefinition>): void {
    this.draft.update((d) => ({ ...d, ...part }));
  }

  protected setPhase(at: number, phase: StylePhase): void {
    this.set({ phases: this.draft().phases.map((p, i) => (i === at ? phase : p)) });
  }

  protected variablesIn(p: StylePhase): Variable[] {
    return variablesOf(p, repsAfter(this.draft()) > 0);
  }

  protected addPhase(): void {
    this.set({ phases: [...this.draft().phases, phaseFor(LOADED_TECHNIQUES.at(-1)!)] });
  }

  protected removePhase(at: number): void {
    this.set({ phases: this.draft().phases.filter((_, i) => i !== at) });
  }
}
