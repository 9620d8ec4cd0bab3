import { Component, computed, input, output } from '@angular/core';
import { FIELD } from '@yandle/contract';
import { OnePlace } from './one-place';
import { PlacesForm } from './places-form';
import {
  BODY_REGIONS,
  PREFERRED_TIMES,
  romTestById,
  testsOfAims,
  AIMS,
  type About,
  type BodyRegionId,
  type Side,
  parseNumber,
  roundTo,
  shownLength,
  shownUnits,
  shownWeight,
  typedLength,
  typedWeight,
} from '@yandle/core';

/** A kept value as it is shown, to a tenth; empty for none. */
const inUnit = (value: number | null, shown: (v: number) => number): string =>
  value === null ? '' : String(roundTo(shown(value), 1));

/** What is known of a client besides the questions: aims, days, things at hand. */
@Component({
  selector: 'y-about-form',
  imports: [OnePlace, PlacesForm],
  templateUrl: './about-form.html',
})
export class AboutForm {
  readonly about = input.required<About>();
  readonly toClient = input(false);
  readonly changed = output<About>();
  protected readonly aims = AIMS;
  protected readonly times = PREFERRED_TIMES;
  protected readonly field = FIELD;
  protected readonly measured = computed(() =>
    testsOfAims(this.about().aims)
      .map((id) => romTestById(id).name)
      .join(', '),
  );

  protected set(part: Partial<About>): void {
    this.changed.emit({ ...this.about(), ...part });
  }
  protected toggle<T extends string>(key: 'aims' | 'times', id: T): void {
    const now: readonly string[] = this.about()[key];
    this.set({ [key]: now.includes(id) ? now.filter((x) => x !== id) : [...now, id] });
  }
  /** A number within its bounds, or null when the field is empty or says something else. */
  protected number(key: 'sittingHours', text: string, min: number, max: number): void {
    const value = parseNumber(text);
    this.set({ [key]: value !== null && value >= min && value <= max ? value : null });
  }
  /** A length or weight typed in the unit shown, kept in whole centimetres or tenths of a kilogram. */
  protected size(key: 'heightCm' | 'massKg', text: string): void {
    const typed = parseNumber(text);
    const [value, { min, max }] =
      key === 'heightCm'
        ? [typed === null ? NaN : roundTo(typedLength(typed), 0), FIELD.height]
        : [typed === null ? NaN : roundTo(typedWeight(typed), 1), FIELD.mass];
    this.set({ [key]: value >= min && value <= max ? value : null });
  }
  protected readonly heightShown = computed(() => inUnit(this.about().heightCm, shownLength));
  protected readonly weightShown = computed(() => inUnit(this.about().massKg, shownWeight));
  protected readonly shownLength = (cm: number) => roundTo(shownLength(cm), 1);
  protected readonly shownWeight = (kg: number) => roundTo(shownWeight(kg), 1);
  protected get units() {
    return shownUnits();
  }
  protected readonly regions = BODY_REGIONS;
  protected readonly scores = Array.from({ length: 11 }, (_, i) => i);

  protected scoreOf(region: BodyRegionId): number | null {
    return this.about().complaints.find((c) => c.region === region)?.score ?? null;
  }
  protected bothers(region: BodyRegionId): void {
    const others = this.about().complaints.filter((c) => c.region !== region);
    this.set({ complaints: this.scoreOf(region) === null ? [...others, { region, score: 3 }] : others });
  }
  protected scored(region: BodyRegionId, score: number): void {
    this.set({ complaints: this.about().complaints.map((c) => (c.region === region ? { region, score } : c)) });
  }
  protected side(value: string): void {
    this.set({ dominantSide: value === '' ? null : (value as Side) });
  }
}
