import { Component, model } from '@angular/core';
import type { SessionSettings } from '@yandle/contract';
import { PURPOSE_IDS, purposeName, purposeRules, settingsOf, type PurposeId } from '@yandle/core';
import { PacingField } from '../ui/pacing-field';
import { RoundsField } from '../ui/rounds-field';

/** How a list is gone through: what for, how many rounds, and whether the body is warm already. */
@Component({
  selector: 'y-settings-form',
  imports: [PacingField, RoundsField],
  template: `
    <div class="flex flex-wrap items-end gap-3">
      <label class="field !w-52">
        <span class="label">Purpose</span>
        <select class="input" #what (change)="setPurpose(what.value)">
          @for (p of purposes; track p.id) {
            <option [value]="p.id" [selected]="p.id === settings().purpose">{{ p.name }}</option>
          }
        </select>
      </label>
      <y-rounds-field [settings]="settings()" (chosen)="set($event)" />
      <y-pacing-field [pacing]="settings().pacing" (chosen)="set({ pacing: $event })" />
      <label class="mb-2 flex items-center gap-2 text-sm">
        <input
          type="checkbox"
          class="accent-(--action)"
          [checked]="settings().alreadyWarm"
          (change)="set({ alreadyWarm: !settings().alreadyWarm })"
        />
        Already warm
      </label>
    </div>
  `,
})
export class SettingsForm {
  protected readonly purposes = PURPOSE_IDS.map((id) => ({ id, name: purposeName(id) }));
  readonly settings = model.required<SessionSettings>();

  protected setPurpose(id: string): void {
    const purpose = id as PurposeId;
    const rules = purposeRules(purpose);
    this.settings.update((s) => ({ ...s, purpose, alreadyWarm: rules.warm, minutes: rules.minutes ?? s.minutes }));
  }

  protected set(part: Partial<SessionSettings>): void {
    this.settings.update((s) => settingsOf({ ...s, ...part }));
  }
}
