import { buildTimeline, exerciseById, lessonOf, type Cue } from '@yandle/core';
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
    for (const name of ['end', 'change', 'count'] as const)
      vi.spyOn(signals.sounds, name).mockImplementation(() => {
        heard.push(name);
      });
    vi.spyOn(signals.sounds, 'beat').mockImplementation((counts) => void heard.push(counts ? 'beat' : 'soft beat'));
    vi.spyOn(signals.sounds, 'signal').mockImplementation((kind) => void heard.push(kind));
    vi.spyOn(signals.voice, 'say').mockImplementation((text) => void heard.push(text));
  });

  it('sounds where a hold begins and where it ends', () => {
    signals.changed(cue('entry'), cue('hold'));
    expect(heard).toEqual(['start']);
    heard.length = 0;
    signals.changed(cue('hold'), cue('exit'));
    expect(heard).toEqual(['end']);
  });
  it('has a tone, a vibration and a shape for start, switch, rest and stop, each its own', () => {
    const felt: unknown[] = [];
    vi.stubGlobal('navigator', { vibrate: (p: number[]) => felt.push(p.join()) });
    const rest = { ...cue('exit'), kind: 'rest' as const };
    signals.changed(cue('entry'), cue('hold'));
    expect(signals.shape()).toBe('start');
    signals.changed(cue('exit'), cue('switch'));
    expect(signals.shape()).toBe('switch');
    signals.changed(cue('exit'), rest);
    expect(signals.shape()).toBe('rest');
    signals.stops();
    expect(signals.shape()).toBe('stop');
    expect(heard).toEqual(['start', 'switch', 'rest', 'stop', 'Stop. Come out slowly.']);
    expect(new Set(felt).size).toBe(4);
    vi.unstubAllGlobals();
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
    signals.ticked(true, 4, null, null);
    const out = { kind: 'out', seconds: 2, counts: false } as const;
    const pause = { kind: 'pause', seconds: 2, counts: true } as const;
    signals.ticked(false, 9, out, out);
    signals.ticked(false, 9, out, pause);
    signals.ticked(false, 9, pause, out);
    expect(heard).toEqual(['count', 'beat', 'soft beat']);
  });
  it('says each sentence of a lesson once, when it is due, and again after a jump', () => {
    const at = timeline.cues.findIndex((c) => c.kind === 'position');
    const lesson = lessonOf(timeline.cues, at, exerciseById('bent-knee-wall-calf'));
    signals.speak(lesson, at, 0);
    expect(heard).toEqual(['Bent-knee calf stretch at a wall.']);
    for (let t = 0; t < 20; t++) signals.speak(lesson, at, t);
    expect(heard).toEqual(lesson.spoken.map((s) => s.text));
    expect(heard[1]).toBe('Left: the left leg is the back one; its calf is stretched.');
    signals.moved();
    signals.speak(lesson, at, 0);
    expect(heard.at(-1)).toBe('Bent-knee calf stretch at a wall.');
  });
  it('says how it starts, stops and ends', () => {
    signals.begins();
    signals.stops();
    signals.finishes();
    expect(heard).toEqual(['count', 'Starting in three.', 'stop', 'Stop. Come out slowly.', 'Session finished.']);
  });
});
