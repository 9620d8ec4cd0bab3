import { buildTimeline, exerciseById, type Cue } from '@yandle/core';
import { RunSignals } from './run-signals';

const timeline = buildTimeline(
  [{ exerciseId: 'bent-knee-wall-calf', sets: 1, holdSeconds: 30, sensation: 5, firstSide: 'left' }],
  { alreadyWarm: true },
);
const cue = (kind: Cue['kind']): Cue => timeline.cues.find((c) => c.kind === kind)!;

describe('RunSignals', () => {
  let signals: RunSignals;
  const heard: string[] = [];

  beforeEach(() => {
    signals = new RunSignals();
    heard.length = 0;
    for (const name of ['begin', 'end', 'change', 'count'] as const)
      vi.spyOn(signals.sounds, name).mockImplementation(() => void heard.push(name));
    vi.spyOn(signals.sounds, 'beat').mockImplementation((counts) => void heard.push(counts ? 'beat' : 'soft beat'));
    vi.spyOn(signals.voice, 'say').mockImplementation((text) => void heard.push(text));
  });

  it('sounds where a hold begins and where it ends', () => {
    signals.changed(cue('entry'), cue('hold'));
    expect(heard).toEqual(['begin']);
    heard.length = 0;
    signals.changed(cue('hold'), cue('exit'));
    expect(heard).toEqual(['end']);
  });
  it('has a sound of its own for the other side', () => {
    signals.changed(cue('exit'), cue('switch'));
    expect(heard).toEqual(['change']);
  });
  it('is quiet between cues that are no work', () => {
    signals.changed(cue('position'), cue('entry'));
    expect(heard).toEqual([]);
  });
  it('ends with the last hold when nothing follows', () => {
    signals.changed(cue('hold'), null);
    expect(heard).toEqual(['end']);
  });
  it('counts the last seconds, and hears each new beat, louder where it counts', () => {
    signals.ticked(true, null, null);
    const out = { kind: 'out', seconds: 2, counts: false } as const;
    const pause = { kind: 'pause', seconds: 2, counts: true } as const;
    signals.ticked(false, out, out);
    signals.ticked(false, out, pause);
    signals.ticked(false, pause, out);
    expect(heard).toEqual(['count', 'beat', 'soft beat']);
  });
  it('says a cue with its side', () => {
    signals.announce(cue('switch'), exerciseById('bent-knee-wall-calf'));
    expect(heard[0]).toContain('right');
    signals.announce(null, null);
    expect(heard).toHaveLength(1);
  });
  it('says how it starts, stops and ends', () => {
    signals.begins();
    signals.stops();
    signals.finishes();
    expect(heard).toEqual(['count', 'Starting in three.', 'Stop. Come out slowly.', 'Session finished.']);
  });
});
