import { Component, computed, input, model, signal } from '@angular/core';
import { isNotedSymptom, SYMPTOMS, type FindExercise, type SessionItem, type Side, type SymptomId } from '@yandle/core';
import { oneOf } from './one-of';

/** An exercise that something may have been felt in. */
export interface FeltIn {
  readonly item: number;
  readonly name: string;
  readonly sided: boolean;
}

/**
 * The exercises of a session as they were done.
 * @param items what was chosen in place of what was planned among them
 * @param forms exercise by place where it was another form
 */
export function exercisesDone(
  items: readonly SessionItem[],
  forms: Readonly<Record<number, string>>,
  find: FindExercise,
): FeltIn[] {
  return items.map(({ exerciseId }, item) => {
    const { name, sides } = find(forms[item] ?? exerciseId);
    return { item, name, sided: sides === 'each' };
  });
}

/** What was felt, where. */
export interface FeltSymptom {
  readonly symptom: SymptomId;
  readonly item: number;
  readonly side: Side | null;
}

const NOTED = SYMPTOMS.filter((s) => isNotedSymptom(s.id));

/** Asks what was felt in a session that is over, and in which exercise. Null: none of it; undefined: not answered yet. */
@Component({
  selector: 'y-symptom-question',
  template: `
    <fieldset>
      <legend class="font-semibold">{{ question() }}</legend>
      <div class="mt-1 flex flex-wrap gap-3">
        <label class="field min-w-56 flex-1">
          <span class="label">What was felt</span>
          <select class="input" #what (change)="choose(what.value)">
            <option value="" [selected]="chosen() === ''">not answered</option>
            <option value="none" [selected]="chosen() === 'none'">none of these</option>
            @for (s of symptoms; track s.id) {
              <option [value]="s.id" [selected]="chosen() === s.id">{{ s.name }}</option>
            }
          </select>
        </label>
        @if (symptom()) {
          <label class="field min-w-56 flex-1">
            <span class="label">In which exercise</span>
            <select class="input" #where (change)="place(+where.value)">
              @for (e of exercises(); track e.item) {
                <option [value]="e.item" [selected]="e.item === item()">{{ e.name }}</option>
              }
            </select>
          </label>
          @if (sided()) {
            <label class="field !w-32">
              <span class="label">Side</span>
              <select class="input" #which (change)="turn(which.value)">
                <option value="left" [selected]="side() === 'left'">left</option>
                <option value="right" [selected]="side() === 'right'">right</option>
              </select>
            </label>
          }
        }
      </div>
    </fieldset>
  `,
})
export class SymptomQuestion {
  readonly exercises = input.required<readonly FeltIn[]>();
  readonly question = input('Did you feel any of these?');
  readonly felt = model<FeltSymptom | null | undefined>(undefined);
  protected readonly symptoms = NOTED;
  protected readonly chosen = signal('');
  protected readonly item = signal(0);
  protected readonly side = signal<Side>('left');
  protected readonly symptom = computed(() => NOTED.find((s) => s.id === this.chosen())?.id ?? null);
  protected readonly sided = computed(() => this.exercises().find((e) => e.item === this.item())?.sided ?? false);

  protected choose(text: string): void {
    this.chosen.set(text);
    this.tell();
  }

  protected place(item: number): void {
    this.item.set(item);
    this.tell();
  }

  protected turn(text: string): void {
    this.side.set(oneOf(['left', 'right'], text) ?? 'left');
    this.tell();
  }

  private tell(): void {
    const symptom = this.symptom();
    if (symptom) this.felt.set({ symptom, item: this.item(), side: this.sided() ? this.side() : null });
    else this.felt.set(this.chosen() === 'none' ? null : undefined);
  }
}
