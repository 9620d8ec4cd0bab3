import { spokenCue, type Beat, type Cue, type Exercise } from '@yandle/core';
import { Sounds } from './sounds';
import { Voice } from './voice';

/** What a session is heard by: sounds at the beginning and end of a bout, on its beats and last seconds, and a voice for the cues. */
export class RunSignals {
  readonly sounds = new Sounds();
  readonly voice = new Voice();

  /** From one cue to another; null before the first and after the last. */
  changed(before: Cue | null, now: Cue | null): void {
    if (before?.ends) this.sounds.end();
    if (now && now.bout !== null) this.sounds.begin();
    if (now?.kind === 'switch' || now?.kind === 'push') this.sounds.change();
  }

  /** A second later within a cue: the last five are counted, and a new beat is heard. */
  ticked(counted: boolean, before: Beat | null, now: Beat | null): void {
    if (counted) this.sounds.count();
    if (now && before && now.kind !== before.kind) this.sounds.beat(now.counts);
  }

  announce(cue: Cue | null, exercise: Exercise | null): void {
    if (cue) this.voice.say(spokenCue(cue, exercise));
  }

  begins(): void {
    this.sounds.count();
    this.voice.say('Starting in three.');
  }

  stops(): void {
    this.voice.say('Stop. Come out slowly.');
  }

  finishes(): void {
    this.voice.say('Session finished.');
  }
}
