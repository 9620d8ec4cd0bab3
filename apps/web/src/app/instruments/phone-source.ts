import { signal } from '@angular/core';
import { edgeDown, phoneInclination, type AngleSample, type EdgeDown, type PhoneHold } from '@yandle/core';
import { Subject } from 'rxjs';
import type { AngleSource, SourceState } from './angle-source';

/** A device without the sensor never sends: after this long it is said. Milliseconds. */
const PATIENCE_MS = 1500;

type Asking = { requestPermission?: () => Promise<'granted' | 'denied'> };

/** The phone's own orientation sensor. */
export class PhoneSource implements AngleSource {
  readonly kind = 'phone';
  readonly name = 'This phone';
  readonly taking = 'steady';
  readonly hold = signal<PhoneHold>('flat');
  private readonly out = new Subject<AngleSample>();
  private readonly now = signal<SourceState>({ kind: 'off' });
  readonly state = this.now.asReadonly();
  readonly samples = this.out.asObservable();
  private timer: ReturnType<typeof setTimeout> | null = null;
  private edge: { readonly hold: PhoneHold; readonly down: EdgeDown } | null = null;

  private readonly listen = (e: DeviceOrientationEvent) => {
    if (e.beta === null || e.gamma === null) return;
    if (this.timer) clearTimeout(this.timer);
    this.timer = null;
    this.now.set({ kind: 'live' });
    // The edge that is down when it is put on stays the one it is read by, also past upright.
    if (this.edge?.hold !== this.hold()) this.edge = { hold: this.hold(), down: edgeDown(e.beta, e.gamma) };
    const degrees = phoneInclination(e.beta, e.gamma, this.hold(), this.edge.down);
    this.out.next({ at: performance.now(), degrees });
  };

  async start(): Promise<void> {
    if (!globalThis.isSecureContext || typeof DeviceOrientationEvent === 'undefined')
      return this.fail(
        'This browser gives no access to the motion sensor here. Open Yandle over HTTPS on a phone, or type the numbers.',
      );
    this.now.set({ kind: 'connecting' });
    const ask = (DeviceOrientationEvent as unknown as Asking).requestPermission;
    if (ask) {
      const answer = await ask.call(DeviceOrientationEvent).catch(() => 'denied' as const);
      if (answer !== 'granted')
        return this.fail(
          'The motion sensor was refused. Allow it in the settings of the browser, then choose it again.',
        );
    }
    addEventListener('deviceorientation', this.listen);
    this.timer = setTimeout(
      () => this.fail('This device sends no angle. Use a phone or tablet with a motion sensor, or type the numbers.'),
      PATIENCE_MS,
    );
  }

  stop(): void {
    this.edge = null;
    removeEventListener('deviceorientation', this.listen);
    if (this.timer) clearTimeout(this.timer);
    this.timer = null;
    this.now.set({ kind: 'off' });
  }

  private fail(message: string): void {
    this.stop();
    this.now.set({ kind: 'failed', message });
  }
}
