import { Component, inject } from '@angular/core';
import { Screen } from '../testing/screen';
import { CaptureStore, readingOfAngle } from './capture.store';
import { InclinometerSource } from './inclinometer-source';
import { PhoneSource } from './phone-source';
import { angleOf, moved, startPoints, zoomed } from './picture/picture-points';

@Component({ selector: 'y-host', template: '', providers: [CaptureStore] })
class Host {
  readonly store = inject(CaptureStore);
}

class FakeStream {
  static last: FakeStream;
  onerror: (() => void) | null = null;
  closed = false;
  private listener: ((e: MessageEvent<string>) => void) | null = null;
  constructor(readonly url: string) {
    FakeStream.last = this;
  }
  addEventListener(_: string, listener: (e: MessageEvent<string>) => void): void {
    this.listener = listener;
  }
  send(degrees: number | null): void {
    this.listener!(new MessageEvent('sample', { data: JSON.stringify({ at: 0, degrees }) }));
  }
  close(): void {
    this.closed = true;
  }
}

describe('readingOfAngle', () => {
  it('turns an angle into what the test reads, in tenths', () => {
    expect(readingOfAngle(36.449, 'angle')).toBe(36.4);
    expect(readingOfAngle(36.4, '−angle')).toBe(-36.4);
    expect(readingOfAngle(60, '90° − angle')).toBe(30);
    expect(readingOfAngle(144.2, '180° − angle')).toBe(35.8);
  });
});

describe('InclinometerSource', () => {
  beforeEach(() => vi.stubGlobal('EventSource', FakeStream));
  afterEach(() => vi.unstubAllGlobals());

  it('is live with the first sample, passes drop-outs on, and says when the stream breaks', async () => {
    const source = new InclinometerSource();
    const got: (number | null)[] = [];
    source.samples.subscribe((s) => got.push(s.degrees));
    await source.start();
    expect(source.state().kind).toBe('connecting');
    FakeStream.last.send(12.5);
    FakeStream.last.send(null);
    expect(source.state().kind).toBe('live');
    FakeStream.last.onerror!();
    expect(source.state()).toMatchObject({ kind: 'failed', message: expect.stringContaining('tried again') as string });
    FakeStream.last.send(13);
    expect(source.state().kind).toBe('live');
    expect(got).toEqual([12.5, null, null, 13]);
    source.stop();
    expect(FakeStream.last.closed).toBe(true);
  });
});

describe('PhoneSource', () => {
  const orientation = (beta: number | null, gamma: number | null) =>
    dispatchEvent(Object.assign(new Event('deviceorientation'), { beta, gamma }));
  afterEach(() => vi.unstubAllGlobals());

  it('says what to do where there is no sensor, or no secure page', async () => {
    vi.stubGlobal('isSecureContext', false);
    const source = new PhoneSource();
    await source.start();
    expect(source.state()).toMatchObject({ kind: 'failed', message: expect.stringContaining('HTTPS') as string });
  });
  it('asks for permission where it has to, and takes a refusal', async () => {
    vi.stubGlobal('isSecureContext', true);
    vi.stubGlobal('DeviceOrientationEvent', { requestPermission: () => Promise.resolve('denied') });
    const source = new PhoneSource();
    await source.start();
    expect(source.state()).toMatchObject({ kind: 'failed', message: expect.stringContaining('refused') as string });
  });
  it('reads the long edge of the phone, and stops when told', async () => {
    vi.stubGlobal('isSecureContext', true);
    vi.stubGlobal('DeviceOrientationEvent', { requestPermission: () => Promise.resolve('granted') });
    const source = new PhoneSource();
    const got: number[] = [];
    source.samples.subscribe((s) => got.push(Math.round(s.degrees!)));
    await source.start();
    orientation(null, null);
    orientation(40, 0);
    source.hold.set('edge');
    orientation(25, -90);
    source.stop();
    orientation(70, 0);
    expect(got).toEqual([40, 25]);
  });
  it('says so when a device stays silent', async () => {
    vi.useFakeTimers();
    vi.stubGlobal('isSecureContext', true);
    vi.stubGlobal('DeviceOrientationEvent', {});
    const source = new PhoneSource();
    await source.start();
    vi.advanceTimersByTime(2000);
    expect(source.state()).toMatchObject({ kind: 'failed', message: expect.stringContaining('no angle') as string });
    vi.useRealTimers();
  });
});

describe('CaptureStore', () => {
  beforeEach(() => vi.stubGlobal('EventSource', FakeStream));
  afterEach(() => vi.unstubAllGlobals());
  async function open(): Promise<{ store: CaptureStore; taken: number[] }> {
    const screen = await Screen.open(Host);
    const { store } = screen.fixture.componentInstance;
    const taken: number[] = [];
    store.taken.subscribe((t) => taken.push(t.degrees));
    return { store, taken };
  }
  const feed = (store: CaptureStore, degrees: number, from: number, n = 33) => {
    const { out } = store.inclinometer as unknown as { out: { next(s: { at: number; degrees: number }): void } };
    for (let i = 0; i < n; i++) out.next({ at: from + i * 50, degrees });
  };

  it('takes a steady angle once, against the zero that was set, and again when asked', async () => {
    const { store, taken } = await open();
    await store.choose('inclinometer');
    feed(store, 10, 0, 3);
    store.setZero();
    expect(store.zeroAt()).toBe(10);
    feed(store, 45, 1000);
    expect(taken).toEqual([35]);
    feed(store, 45, 3000);
    expect(taken).toEqual([35]);
    store.again();
    feed(store, 45, 6000);
    expect(taken).toEqual([35, 35]);
    store.clearZero();
    feed(store, 45, 9000);
    expect(taken).toEqual([35, 35, 45]);
  });
  it('takes what is entered at once, and nothing of a source that was left', async () => {
    const { store, taken } = await open();
    store.typed.enter(31);
    expect(taken).toEqual([31]);
    await store.choose('inclinometer');
    store.typed.enter(32);
    expect(taken).toEqual([31]);
    await store.choose('typed');
    expect(FakeStream.last.closed).toBe(true);
    feed(store, 20, 0);
    expect(taken).toEqual([31]);
  });
  it('remembers how an angle is read, a test by itself', async () => {
    const { store } = await open();
    store.setAs('active-knee-extension', '180° − angle');
    expect(store.angleFormula('active-knee-extension')).toBe('180° − angle');
    expect(store.angleFormula('thomas-hip')).toBe('angle');
    expect(JSON.parse(localStorage.getItem('yandle.reading-as')!)).toEqual({ 'active-knee-extension': '180° − angle' });
  });
});

describe('picture points', () => {
  it('stay inside the picture', () => {
    const start = startPoints(1000, 800);
    expect(moved(start, 1, { x: -5, y: 900 }, 1000, 800)[1]).toEqual({ x: 0, y: 800 });
    expect(moved(start, 1, { x: -5, y: 900 }, 1000, 800)[0]).toEqual(start[0]);
  });
  it('zoom about a place that stays where it is, never beyond the picture', () => {
    const whole = { x: 0, y: 0, width: 1000, height: 800 };
    const near = zoomed(whole, { x: 250, y: 200 }, 2, 1000, 800);
    expect(near).toEqual({ x: 125, y: 100, width: 500, height: 400 });
    expect(zoomed(near, { x: 250, y: 200 }, 0.1, 1000, 800)).toEqual(whole);
    expect(zoomed(whole, { x: 1000, y: 800 }, 100, 1000, 800).width).toBeCloseTo(1000 / 12, 6);
  });
  it('give an angle in tenths, or say what is wrong', () => {
    const at = (x: number, y: number) => ({ x, y });
    const points = [at(0, 100), at(0, 0), at(30, -40), at(0, 200), at(100, 200)] as const;
    expect(angleOf(points, 'to the horizontal', false)).toEqual({ angle: 53.1 });
    // The horizon falls by arctan(20/100) = 11.3° to the right: the arm stands that much steeper.
    const tilted = [...points.slice(0, 3), at(0, 200), at(100, 220)] as unknown as typeof points;
    expect(angleOf(tilted, 'to the horizontal', true)).toEqual({ angle: 64.4 });
    const same = [at(1, 1), at(1, 1), ...points.slice(2)] as unknown as typeof points;
    expect(angleOf(same, 'between', false)).toMatchObject({ error: expect.stringContaining('apart') as string });
  });
});
