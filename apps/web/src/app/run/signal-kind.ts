/** What a session signals: each has a tone, a vibration where the device has one, and a shape that fills the screen. */
export type SignalKind = 'start' | 'last' | 'switch' | 'rest' | 'stop';

/** Milliseconds of vibration and pauses in turn. */
export const VIBRATION: Readonly<Record<SignalKind, readonly number[]>> = {
  start: [250],
  last: [60],
  switch: [120, 90, 120],
  rest: [70, 70, 70, 70, 70],
  stop: [600],
};

/** Vibrates where the device can. */
export function vibrate(kind: SignalKind): void {
  if (typeof navigator !== 'undefined' && 'vibrate' in navigator) navigator.vibrate([...VIBRATION[kind]]);
}
