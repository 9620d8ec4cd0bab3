/** Says cues aloud with the browser's speech synthesis; silent where there is none. */
export class Voice {
  on = false;

  /** True where the device has a voice. */
  static available(): boolean {
    return typeof speechSynthesis !== 'undefined' && speechSynthesis.getVoices().length > 0;
  }

  /** Says something at once; what was being said is cut off. */
  say(text: string): void {
    if (!this.on || text === '' || typeof speechSynthesis === 'undefined') return;
    speechSynthesis.cancel();
    const words = new SpeechSynthesisUtterance(text);
    words.lang = 'en';
    words.rate = 0.95;
    speechSynthesis.speak(words);
  }

  stop(): void {
    if (typeof speechSynthesis !== 'undefined') speechSynthesis.cancel();
  }
}
