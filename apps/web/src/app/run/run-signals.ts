import { signal } from '@angular/core';
import { isWork, type Beat, type Cue, type Lesson } from '@yandle/core';
import { vibrate, type SignalKind } from './signal-kind';
import { Sounds } from './sounds';
import { Voice } from './voice';

/** Milliseconds a shape stands on the screen. */
export const SHAPE_MS = 1200;

/** What a session is felt by without looking closely: tones, vibrations, shapes, and a voice that teaches. */
export class RunSignals {
  readonly sounds = new Sounds();
  readonly voice = new Voice();
  /** The shape that fills the screen now; null for none. */
  readonly shape = signal<SignalKind | null>(null);
  private fades: ReturnType<typeof setTimeout> | null = null;
  /** The cue that is being spoken of, and how many of its sentences are out. */
  private speaking: { cue: number; said: number } = { cue: -1, said: 0 };

  /** From one cue to another; null before the first and after the last. */
  changed(before: Cue | null, now: Cue | null): void {
    if (before?.ends) this.sounds.end();
    if (now?.kind === 'push') this.sounds.change();
    else if (now?.kind === 'switch') this.give('switch');
    else if (now?.kind === 'rest') this.give('rest');
    else if (now && isWork(now)) this.give('start');
  }

  /** A second later within a cue: the last five are counted, and a new beat is heard. */
  ticked(counted: boolean, left: number, before: Beat | null, now: Beat | null): void {
    if (counted) {
      this.sounds.count();
      if (left === 5) vibrate('last');
    }
    if (now && before && now.kind !== before.kind) this.sounds.beat(now.counts);
  }

  /**
   * Says what is due of a lesson. Steps and reminders are left out when the voice is behind.
   * @param cue place of the running cue
   * @param seconds since it began
   */
  speak(lesson: Lesson, cue: number, seconds: number): void {
    if (cue !== this.speaking.cue) this.speaking = { cue, said: 0 };
    for (const due of lesson.spoken.slice(this.speaking.said)) {
      if (due.at > seconds) return;
      this.voice.say(due.text, due.step !== null || due.text === lesson.reminder);
      this.speaking = { cue, said: this.speaking.said + 1 };
    }
  }

  /** The client went to another place: what was being said is over, and it is said again from there. */
  moved(): void {
    this.voice.stop();
    this.speaking = { cue: -1, said: 0 };
  }

  begins(): void {
    this.sounds.count();
    this.voice.say('Starting in three.');
  }

  stops(): void {
    this.moved();
    this.give('stop');
    this.voice.say('Stop. Come out slowly.');
  }

  finishes(): void {
    this.voice.say('Session finished.');
  }

  private give(kind: SignalKind): void {
    this.sounds.signal(kind);
    vibrate(kind);
    this.shape.set(kind);
    if (this.fades) clearTimeout(this.fades);
    this.fades = setTimeout(() => this.shape.set(null), SHAPE_MS);
  }
}
