import { COUNT_IN } from './run-clock';
import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { exerciseById, EXERCISES } from '@yandle/core';
import { Outbox } from '../data/outbox/outbox';
import { wireOf, type QueuedRequest } from '../data/outbox/queued-request';
import { aSession } from '../testing/a-session';
import { RunStore } from './run.store';

const session = aSession({
  items: [{ exerciseId: 'bent-knee-wall-calf', sets: 1, holdSeconds: 30, sensation: 5, firstSide: 'left' }],
  forms: [{ easier: 'seated-strap-calf', harder: null, choice: null }],
});

/** An exercise that begins with a check without hands. */
const STAGED = EXERCISES.find((e) => e.check !== null)!;

/** Seconds from the beginning to the first hold: position, prop, settling, entry. */
const TO_HOLD = 20 + 10 + 5 + 3;

describe('RunStore', () => {
  let store: RunStore;
  let sent: QueuedRequest[];
  let now: number;

  beforeEach(async () => {
    localStorage.clear();
    vi.useFakeTimers();
    now = 0;
    vi.spyOn(performance, 'now').mockImplementation(() => now);
    sent = [];
    await open();
  });
  afterEach(() => {
    vi.useRealTimers();
    vi.restoreAllMocks();
  });

  async function open(shown = session): Promise<void> {
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({
      providers: [
        RunStore,
        provideHttpClient(),
        provideHttpClientTesting(),
        {
          provide: Outbox,
          useValue: { post: (l: QueuedRequest) => sent.push(l), pending: () => 0, offline: () => false },
        },
      ],
    });
    store = TestBed.inject(RunStore);
    const loaded = store.open('s1');
    TestBed.inject(HttpTestingController).expectOne('/api/v1/sessions/s1').flush(shown);
    await loaded;
  }
  /** Lets seconds pass, clock and timer together. */
  function pass(seconds: number): void {
    for (let i = 0; i < seconds * 5; i++) {
      now += 200;
      vi.advanceTimersByTime(200);
    }
  }
  const sets = () =>
    sent.filter((l) => wireOf(l).path.includes('/sets/')).map((l) => l.body as Record<string, unknown>);

  // After a count of 3 s: prop 10, position 20, settling 5, then entry 3, hold 30, exit 5; switch 5; entry 3, hold 30, exit 5.
  it('runs to the end and sends each side once', () => {
    store.begin('well');
    pass(COUNT_IN + TO_HOLD);
    expect(store.cue()!.kind).toBe('hold');
    expect(store.left()).toBe(30);
    pass(25);
    expect(store.last5()).toBe(true);
    pass(5 + 5 + 5 + 3 + 30 + 5);
    expect(store.finished()).toBe(true);
    expect(sent[0]).toMatchObject({ kind: 'start', sessionId: 's1' });
    expect(sets().map((s) => [s['side'], s['doneSeconds'], s['replaces']])).toEqual([
      ['left', 30, null],
      ['right', 30, null],
    ]);
  });

  it('counts nothing while paused', () => {
    store.begin('well');
    pass(COUNT_IN + 10);
    store.pause();
    pass(60);
    expect(store.left()).toBe(20);
    store.begin('well');
    pass(1);
    expect(store.left()).toBe(19);
  });

  it('stops at the last tick when the device slept, and asks', () => {
    store.begin('well');
    pass(COUNT_IN + 10);
    now += 30_000;
    vi.advanceTimersByTime(200);
    expect(store.interrupted()).toBe(true);
    expect(store.running()).toBe(false);
    expect(store.left()).toBe(20);
  });

  it('names the log that a redone hold replaces', () => {
    store.begin('well');
    pass(COUNT_IN + TO_HOLD + 10);
    store.skip();
    store.back();
    store.back();
    pass(3 + 30);
    const [first, second] = sets();
    expect(first).toMatchObject({ doneSeconds: 10, replaces: null });
    const firstLog = sent.find((l) => l.kind === 'log' && l.body === (first as unknown))!;
    const firstId = firstLog.kind === 'log' && firstLog.id;
    expect(second).toMatchObject({ side: 'left', doneSeconds: 30, replaces: firstId });
  });

  it('notes a symptom and leaves the exercise', () => {
    store.begin('well');
    pass(COUNT_IN + TO_HOLD + 8);
    store.stop('numbness');
    expect(
      sent.some((l) => wireOf(l).path.includes('/symptoms/') && (l.body as { symptom: string }).symptom === 'numbness'),
    ).toBe(true);
    expect(sets()).toMatchObject([{ doneSeconds: 8 }]);
    expect(store.finished()).toBe(true);
  });

  it('goes on after a reload where it was', async () => {
    store.begin('well');
    pass(COUNT_IN + TO_HOLD + 12);
    store.pause();
    const run = sent[0]!.body;
    await open();
    expect(store.begun()).toBe(true);
    expect(store.running()).toBe(false);
    expect(store.left()).toBe(18);
    store.begin('well');
    pass(18);
    expect(sent.filter((l) => wireOf(l).path.endsWith('/runs')).map((l) => l.body)).toEqual([run]);
    expect(sets()).toMatchObject([{ doneSeconds: 30 }]);
  });

  it('logs the form, the load and the help that were in use', async () => {
    await open(
      aSession({
        items: [
          {
            exerciseId: 'step-heel-drop',
            sets: 1,
            holdSeconds: 2,
            reps: 6,
            lowerSeconds: 3,
            load: 5,
            assistance: 2,
            sensation: 5,
            firstSide: 'left',
          },
        ],
        alreadyWarm: true,
        forms: [{ easier: 'seated-heel-raise-lower', harder: null, choice: null }],
      }),
    );
    store.begin('well');
    pass(COUNT_IN + 1);
    expect(store.load()).toEqual({ load: 5, assistance: 2 });
    store.setLoad({ load: 4 });
    store.setLoad({ assistance: 1 });
    store.take({ kind: 'harder', exercise: exerciseById('bent-knee-wall-calf') });
    expect(store.exercise()!.id).toBe('bent-knee-wall-calf');
    expect(store.view.others().map((o) => o.kind)).toContain('own');
    pass(200);
    expect(sets()[0]).toMatchObject({ form: 'bent-knee-wall-calf', load: 4, loadUnit: 'kg', assistance: 1, reps: 6 });
  });

  it('lets the clock follow what the client chooses, until the first bout is over', async () => {
    const items = [
      { ...{ exerciseId: 'bound-soles-sit', sets: 1, holdSeconds: 30, sensation: 5 }, firstSide: 'left' as const },
      { ...session.items[0]! },
    ];
    await open(
      aSession({
        items: [{ ...items[0]!, choice: 'side-lunge' }, items[1]!],
        forms: [{ easier: null, harder: null, choice: 'side-lunge' }, session.forms[0]!],
        alreadyWarm: true,
      }),
    );
    store.begin('well');
    pass(COUNT_IN + 5);
    const planned = store.timeline()!.totalSeconds;
    const [other] = store.view.others();
    expect(store.view.nameOf(other!)).toMatch(/\(moving stretch\)$/);
    store.take(other!);
    expect(store.exercise()!.id).toBe('side-lunge');
    expect(store.timeline()!.totalSeconds).not.toBe(planned);
    // Back and forth as long as nothing is done.
    expect(store.view.others().map((o) => o.kind)).toEqual(['own']);
    store.take(store.view.others()[0]!);
    expect(store.timeline()!.totalSeconds).toBe(planned);
    store.take(store.view.others()[0]!);
    const first = store.timeline()!.cues.findIndex((c) => c.ends);
    while (store.timeline()!.cues.indexOf(store.cue()!) <= first) pass(1);
    expect(sets()[0]).toMatchObject({ item: 0, form: 'side-lunge', set: 1 });
    expect(sets()[0]!['side']).not.toBeNull();
    expect(store.view.others()).toEqual([]);
    // After a restart it goes on with what was chosen.
    const left = store.left();
    await open(store.session()!);
    expect(store.exercise()!.id).toBe('side-lunge');
    expect(Math.abs(store.left() - left)).toBeLessThanOrEqual(1);
  });

  it('holds what was being done when it hurt: the choice, or the exercise with the form of it', async () => {
    const plain = { sets: 1, holdSeconds: 30, sensation: 5, firstSide: 'left' as const };
    const item = { ...plain, exerciseId: 'bound-soles-sit', choice: 'side-lunge' };
    const forms = [0, 1, 2].map(() => ({ easier: null, harder: null, choice: 'side-lunge' }));
    await open(aSession({ items: [item, item, { ...plain, exerciseId: 'frog' }], forms, alreadyWarm: true }));
    store.begin('well');
    pass(COUNT_IN + 5);
    store.take(store.view.others()[0]!);
    store.stop('pinching');
    const felt = sent.find((l) => l.kind === 'symptom')!.body;
    expect(felt).toMatchObject({ item: 0, form: 'side-lunge', symptom: 'pinching' });
    expect(store.session()!.openSymptoms).toMatchObject([{ exerciseId: 'side-lunge' }]);
    // What was planned goes on the next time; the choice is not offered again.
    store.begin('well');
    pass(1);
    expect(store.place()).toBe(1);
    expect(store.exercise()!.id).toBe('bound-soles-sit');
    expect(store.view.others()).toEqual([]);
  });

  it('asks after each round whether it felt easy, and is done when it did', async () => {
    const item = { exerciseId: 'frog', sets: 1, holdSeconds: 20, sensation: 4, firstSide: 'left' as const };
    const asking = async () => {
      await open(
        aSession({ items: [item], forms: [session.forms[0]!], rounds: 4, untilEasy: true, alreadyWarm: true }),
      );
      store.begin('well');
      pass(COUNT_IN + 100);
    };
    await asking();
    // It stands before the second round, however long the client thinks.
    expect([store.asksEasy(), store.running(), sets().length]).toEqual([true, false, 1]);
    pass(200);
    store.answerEasy(false);
    pass(100);
    expect([store.asksEasy(), sets().length]).toEqual([true, 2]);
    store.answerEasy(true);
    expect([store.asksEasy(), store.finished(), sets().length]).toEqual([false, true, 2]);
  });

  it('makes a hold longer, and redoes a side with logs that replace', () => {
    store.begin('well');
    pass(COUNT_IN + TO_HOLD + 5);
    store.longer();
    expect(store.left()).toBe(35);
    pass(35);
    store.redo();
    expect(store.cue()).toMatchObject({ kind: 'entry', side: 'left' });
    pass(3 + 30);
    expect(sets().map((s) => [s['doneSeconds'], s['replaces'] !== null])).toEqual([
      [40, false],
      [30, true],
    ]);
  });

  it('ends the session at a stop sign, the exercise at another', async () => {
    const two = aSession({ alreadyWarm: true });
    await open(two);
    store.begin('well');
    pass(COUNT_IN + 40);
    store.stop('too-strong');
    expect(store.finished()).toBe(false);
    expect(store.place()).toBe(1);
    expect(sent.some((l) => wireOf(l).path.includes('/symptoms/'))).toBe(false);
    store.begin('well');
    pass(40);
    store.stop('dizziness');
    expect(store.finished()).toBe(true);
    expect(sent.some((l) => wireOf(l).path.includes('/symptoms/'))).toBe(true);
  });

  it('waits at a check without hands until the client answers', async () => {
    await open(
      aSession({
        items: [{ exerciseId: STAGED.id, sets: 1, holdSeconds: 30, sensation: 3, firstSide: 'left' }],
        alreadyWarm: true,
      }),
    );
    store.begin('well');
    pass(COUNT_IN + 120);
    expect(store.isSafetyCheck()).toBe(true);
    expect(store.running()).toBe(false);
    expect(sets()).toEqual([]);
    store.passSafetyCheck();
    pass(30);
    expect(sets()[0]).toMatchObject({ side: 'left', doneSeconds: 30 });
  });

  it('says depth and sensation of the last set afterwards, and keeps the log before', () => {
    store.begin('well');
    pass(COUNT_IN + TO_HOLD + 31);
    store.amend({ depthCm: -4 });
    store.amend({ sensation: 7 });
    const [first, deep, strong] = sets();
    expect(deep).toMatchObject({ doneSeconds: first!['doneSeconds'], depthCm: -4 });
    expect(strong).toMatchObject({ depthCm: -4, sensation: 7 });
    expect([deep!['replaces'], strong!['replaces']].every((r) => typeof r === 'string')).toBe(true);
  });

  it('keeps time over half an hour of uneven ticks: less than a fifth of a second is lost', async () => {
    await open(
      aSession({
        items: [{ exerciseId: 'bent-knee-wall-calf', sets: 20, holdSeconds: 120, sensation: 5, firstSide: 'left' }],
        alreadyWarm: true,
      }),
    );
    store.begin('well');
    pass(COUNT_IN);
    const begun = store.view.sessionLeft();
    const start = now;
    for (let i = 0; now - start < 1_800_000; i++) {
      now += 60 + ((i * 7919) % 700);
      vi.advanceTimersByTime(200);
    }
    expect(Math.abs(begun - store.view.sessionLeft() - (now - start) / 1000)).toBeLessThan(1.2);
    // To the tick: what the player holds is what the clock has.
    const cue = store.cue()!;
    const passed = cue.start + store.view.share() * cue.seconds;
    expect(Math.abs(passed - (now - start) / 1000)).toBeLessThan(0.2);
  });

  it('times breathing by the client’s own breath, and sends it', () => {
    store.setBreath(7);
    expect(sent.at(-1)).toMatchObject({ kind: 'breath', clientId: 'c1', body: { seconds: 7 } });
  });
});
