/** Seconds of silence in the loop that keeps a headset's keys with this page: browsers pass them on only to a page that plays something. */
const SILENCE_SECONDS = 10;
const RATE = 8000;

/** A WAV file of silence, 8 bit mono. */
function silence(): Blob {
  const size = SILENCE_SECONDS * RATE;
  const head = new DataView(new ArrayBuffer(44));
  const text = (at: number, s: string): void => [...s].forEach((c, i) => head.setUint8(at + i, c.charCodeAt(0)));
  text(0, 'RIFF');
  head.setUint32(4, 36 + size, true);
  text(8, 'WAVEfmt ');
  head.setUint32(16, 16, true);
  head.setUint16(20, 1, true);
  head.setUint16(22, 1, true);
  head.setUint32(24, RATE, true);
  head.setUint32(28, RATE, true);
  head.setUint16(32, 1, true);
  head.setUint16(34, 8, true);
  text(36, 'data');
  head.setUint32(40, size, true);
  return new Blob([head.buffer, new Uint8Array(size).fill(128)], { type: 'audio/wav' });
}

/** The play and pause key of a headset or a lock screen runs and stops the session (Media Session). Does nothing where a browser has none. */
export class Headset {
  private audio: HTMLAudioElement | null = null;

  constructor(
    private readonly play: () => void,
    private readonly pause: () => void,
  ) {}

  /** From the first press of Start on. @param title what a lock screen shows */
  hold(title: string): void {
    if (this.audio || typeof navigator === 'undefined' || !('mediaSession' in navigator)) return;
    this.audio = new Audio(URL.createObjectURL(silence()));
    this.audio.loop = true;
    void this.audio.play()?.catch(() => undefined);
    if (typeof MediaMetadata !== 'undefined') navigator.mediaSession.metadata = new MediaMetadata({ title });
    navigator.mediaSession.setActionHandler('play', this.play);
    navigator.mediaSession.setActionHandler('pause', this.pause);
    this.running(true);
  }

  running(now: boolean): void {
    if (!this.audio) return;
    navigator.mediaSession.playbackState = now ? 'playing' : 'paused';
    if (now) void this.audio.play()?.catch(() => undefined);
  }

  release(): void {
    if (!this.audio) return;
    this.audio.pause();
    URL.revokeObjectURL(this.audio.src);
    this.audio = null;
    navigator.mediaSession.setActionHandler('play', null);
    navigator.mediaSession.setActionHandler('pause', null);
  }
}
