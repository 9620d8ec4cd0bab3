import type { Signal } from '@angular/core';
import type { AngleSample } from '@yandle/core';
import type { Observable } from 'rxjs';

/** `failed` says what to do. */
export type SourceState =
  | { readonly kind: 'off' }
  | { readonly kind: 'connecting' }
  | { readonly kind: 'live' }
  | { readonly kind: 'failed'; readonly message: string };

export const SOURCE_KINDS = ['typed', 'phone', 'inclinometer'] as const;
export type SourceKind = (typeof SOURCE_KINDS)[number];

/** Where angles come from. The bench knows only this; a new device is a new implementation. */
export interface AngleSource {
  readonly kind: SourceKind;
  readonly name: string;
  /** `steady`: a reading is taken when the angle holds still. `entry`: each sample is a reading. */
  readonly taking: 'steady' | 'entry';
  readonly state: Signal<SourceState>;
  /** Samples while started, with the time of a steady clock in milliseconds. Never ends by itself. */
  readonly samples: Observable<AngleSample>;
  /** Asks for permission or connects. Never throws: what went wrong is in the state. */
  start(): Promise<void>;
  stop(): void;
}
