import { Component, inject, model, signal } from '@angular/core';
import { NgIcon, provideIcons } from '@ng-icons/core';
import { lucideEye, lucideEyeOff, lucideMic, lucideMicOff, lucideVolume2, lucideVolumeX } from '@ng-icons/lucide';
import { RunStore } from './run.store';
import { Voice } from './voice';

/** Sounds, voice and seconds of a running session: each on or off. */
@Component({
  selector: 'y-run-tools',
  imports: [NgIcon],
  providers: [provideIcons({ lucideVolume2, lucideVolumeX, lucideEye, lucideEyeOff, lucideMic, lucideMicOff })],
  host: { class: 'flex' },
  template: `
    <button
      type="button"
      class="tool"
      [attr.aria-label]="soundOn() ? 'Sounds off' : 'Sounds on'"
      (click)="toggleSound()"
    >
      <ng-icon [name]="soundOn() ? 'lucideVolume2' : 'lucideVolumeX'" size="22" aria-hidden="true" />
    </button>
    @if (voiceThere()) {
      <button
        type="button"
        class="tool"
        [attr.aria-label]="voiceOn() ? 'Voice off' : 'Voice on'"
        (click)="toggleVoice()"
      >
        <ng-icon [name]="voiceOn() ? 'lucideMic' : 'lucideMicOff'" size="22" aria-hidden="true" />
      </button>
    }
    <button
      type="button"
      class="tool"
      [attr.aria-label]="secondsShown() ? 'Hide the seconds' : 'Show the seconds'"
      (click)="secondsShown.set(!secondsShown())"
    >
      <ng-icon [name]="secondsShown() ? 'lucideEye' : 'lucideEyeOff'" size="22" aria-hidden="true" />
    </button>
  `,
  styles: `
    .tool {
      display: inline-flex;
      border-radius: 0.25rem;
      padding: 0.5rem;
    }
    .tool:hover {
      background: var(--shade);
    }
  `,
})
export class RunTools {
  private readonly store = inject(RunStore);
  readonly secondsShown = model.required<boolean>();
  protected readonly soundOn = this.store.soundOn;
  protected readonly voiceOn = this.store.voiceOn;
  protected readonly voiceThere = signal(Voice.available());

  constructor() {
    // Voices come in later in some browsers.
    if (typeof speechSynthesis !== 'undefined')
      speechSynthesis.addEventListener?.('voiceschanged', () => this.voiceThere.set(Voice.available()));
  }

  protected toggleSound(): void {
    this.store.setSound(!this.soundOn());
  }

  protected toggleVoice(): void {
    this.store.setVoice(!this.voiceOn());
  }
}
