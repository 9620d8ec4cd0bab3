import { Component, computed, input, model, output } from '@angular/core';
import {
  moved,
  phaseFor,
  START_LABEL,
  startFields,
  STYLE_TECHNIQUES,
  VARIABLE_NAME,
  withoutTurn,
  withStart,
  withUntil,
  withVariable,
  type StylePhase,
  type StyleStart,
  type Technique,
  type Variable,
} from '@yandle/core';

/** One phase of a style: its technique, its start, and what progresses, in order, by how much and up to where. */
@Component({
  selector: 'y-phase-form',
  templateUrl: './phase-form.html',
})
export class PhaseForm {
  readonly phase = model.required<StylePhase>();
  readonly title = input.required<string>();
  /** All variables that can progress in it. */
  readonly variables = input.required<readonly Variable[]>();
  readonly removable = input(false);
  readonly removed = output();

  protected readonly techniques = STYLE_TECHNIQUES;
  protected readonly variableName = VARIABLE_NAME;
  protected readonly startLabel = START_LABEL;
  protected readonly fields = startFields;
  protected readonly addable = computed(() => this.variables());

  protected set(part: Partial<StylePhase>): void {
    this.phase.update((p) => ({ ...p, ...part }));
  }

  protected setTechnique(technique: string): void {
    this.phase.set(phaseFor(technique as Technique));
  }

  protected setStart(key: keyof StyleStart, value: number): void {
    this.phase.update((p) => withStart(p, key, value));
  }

  protected setStep(v: Variable, value: number): void {
    this.set({ step: { ...this.phase().step, [v]: value } });
  }

  protected setCap(v: Variable, value: number): void {
    this.set({ caps: { ...this.phase().caps, [v]: value } });
  }

  protected move(place: number, by: number): void {
    this.phase.update((p) => moved(p, place, by));
  }

  protected leave(place: number): void {
    this.phase.update((p) => withoutTurn(p, place));
  }

  /** Value at which a turn ends; empty for the variable's cap. */
  protected setUntil(place: number, value: string): void {
    this.phase.update((p) => withUntil(p, place, value === '' ? null : +value));
  }

  protected add(field: HTMLSelectElement): void {
    if (field.value) this.phase.update((p) => withVariable(p, field.value as Variable));
    field.value = '';
  }
}
