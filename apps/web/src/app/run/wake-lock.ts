/** Keeps the screen awake while a session runs. Does nothing where the browser cannot. */
export class WakeLock {
  private lock: WakeLockSentinel | null = null;
  private wanted = false;

  constructor() {
    document.addEventListener('visibilitychange', this.again);
  }

  async hold(): Promise<void> {
    this.wanted = true;
    try {
      this.lock = await navigator.wakeLock?.request('screen');
    } catch {
      this.lock = null;
    }
  }

  release(): void {
    this.wanted = false;
    void this.lock?.release();
    this.lock = null;
  }

  destroy(): void {
    this.release();
    document.removeEventListener('visibilitychange', this.again);
  }

  // The browser drops the lock whenever the page is hidden.
  private readonly again = () => {
    if (this.wanted && document.visibilityState === 'visible') void this.hold();
  };
}
