import { signal } from '@angular/core';
import type { InclinometerEvent } from '@yandle/contract';
import type { AngleSample } from '@yandle/core';
import { Subject } from 'rxjs';
import { V1 } from '../data/api';
import type { AngleSource, SourceState } from './angle-source';

/** The simulated inclinometer: server-sent events, 20 a second. The browser connects again by itself when the stream breaks. */
export class InclinometerSource implements AngleSource {
  readonly kind = 'inclinometer';
  readonly name = 'Inclinometer (simulated)';
  readonly taking = 'steady';
  private readonly out = new Subject<AngleSample>();
  private readonly now = signal<SourceState>({ kind: 'off' });
  readonly state = this.now.asReadonly();
  readonly samples = this.out.asObservable();
  private stream: EventSource | null = null;

  start(): Promise<void> {
    this.stop();
    this.now.set({ kind: 'connecting' });
    const stream = new EventSource(`${V1}/devices/inclinometer/stream`);
    stream.addEventListener('sample', (e) => {
      this.now.set({ kind: 'live' });
      const { degrees } = JSON.parse((e as MessageEvent<string>).data) as InclinometerEvent;
      // The time of arrival is the browser's own clock, so that a new stream cannot run backwards.
      this.out.next({ at: performance.now(), degrees });
    });
    stream.onerror = () => {
      this.out.next({ at: performance.now(), degrees: null });
      this.now.set({
        kind: 'failed',
        message: 'The inclinometer does not answer. It is tried again; until then type the numbers.',
      });
    };
    this.stream = stream;
    return Promise.resolve();
  }

  stop(): void {
    this.stream?.close();
    this.stream = null;
    this.now.set({ kind: 'off' });
  }
}
