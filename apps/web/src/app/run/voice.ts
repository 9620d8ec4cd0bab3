/**
 * Says sentences aloud with the browser's speech synthesis; silent where there is none. One sentence never cuts another off: what comes
 * while the voice still speaks waits for its turn, and what may be left out is left out.
 */
export class Voice {
  on = false;

  /** True where the device has a voice. */
  static available(): boolean {
    return typeof speechSynthesis !== 'undefined' && speechSynthesis.getVoices().length > 0;
  }

  /** @param spare true for a sentence that is left out when the voice is behind */
  say(text: string, spare = false): void {
    if (!this.on || text === '' || typeof speechSynthesis === 'undefined') return;
    if (spare && speechSynthesis.pending) return;
    const words = new SpeechSynthesisUtterance(text);
    words.lang = 'en';
    words.rate = 0.95;
    speechSynthesis.speak(words);
  }

  /** Silent at once: the client went elsewhere, or the session stopped. */
  stop(): void {
    if (typeof speechSynthesis !== 'undefined') speechSynthesis.cancel();
  }
}
