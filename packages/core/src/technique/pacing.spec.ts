import { describe, expect, it } from 'vitest';
import { clientPace, isAsClient, pacedTimings } from './pacing.js';
import { DEFAULT_TIMINGS, type StudioTimings } from './timings.js';

/** Domain 2.7: the studio's timings, a second set "brisk" (position 8, same 4, switch 3, exit 2), changeable per client and per session. */

const { breath: _, ...studio } = DEFAULT_TIMINGS;
const of = ({ newPosition, samePosition, sideSwitch, exit, rest }: StudioTimings) => [
  ...[newPosition, samePosition, sideSwitch, exit, rest],
];

describe('whose timings a session has', () => {
  const plain = clientPace(studio, { brisk: false, own: {} });
  const brisk = clientPace(studio, { brisk: true, own: {} });
  const slow = clientPace(studio, { brisk: false, own: { newPosition: 40 } });

  it('are the studio’s, or brisk for a practised client', () => {
    expect(of(pacedTimings(plain, null))).toEqual([20, 8, 5, 5, 10]);
    expect(of(pacedTimings(brisk, null))).toEqual([8, 4, 3, 2, 10]);
  });

  it('are the client’s own where they were set, brisk or not', () => {
    expect(of(pacedTimings(slow, null))).toEqual([40, 8, 5, 5, 10]);
    expect(of(pacedTimings(clientPace(studio, { brisk: true, own: { newPosition: 40 } }), null))).toEqual([
      40, 4, 3, 2, 10,
    ]);
  });

  it('are brisk for one session, or unhurried for one', () => {
    expect(of(pacedTimings(plain, { brisk: true, own: {} }))).toEqual([8, 4, 3, 2, 10]);
    expect(of(pacedTimings(brisk, { brisk: false, own: {} }))).toEqual([20, 8, 5, 5, 10]);
    // Asked for by the session itself, brisk goes before what is usual for the client.
    expect(of(pacedTimings(slow, { brisk: true, own: {} }))).toEqual([8, 4, 3, 2, 10]);
  });

  it('are the session’s own before all', () => {
    expect(of(pacedTimings(brisk, { brisk: null, own: { rest: 30, exit: 9 } }))).toEqual([8, 4, 3, 9, 30]);
  });

  it('change nothing where nothing is said', () => {
    expect(isAsClient({ brisk: null, own: {} })).toBe(true);
    expect(isAsClient({ brisk: false, own: {} })).toBe(false);
    expect(isAsClient({ brisk: null, own: { rest: 0 } })).toBe(false);
    expect(pacedTimings(brisk, { brisk: null, own: {} })).toEqual(brisk.timings);
  });
});
