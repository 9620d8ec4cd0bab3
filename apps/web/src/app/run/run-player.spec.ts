import { TestBed } from '@angular/core/testing';
import { EXERCISES } from '@yandle/core';
import { Outbox } from '../data/outbox/outbox';
import { wireOf, type QueuedRequest } from '../data/outbox/queued-request';
import { aSession } from '../testing/a-session';
import { textOf } from '../testing/screen';
import { RunGateway } from './run-gateway';
import { RunPlayer } from './run-player';
import { exerciseById } from '@yandle/core';
import type { Session } from '@yandle/contract';

describe('RunPlayer', () => {
  let now: number;
  let sent: QueuedRequest[];

  beforeEach(() => {
    localStorage.clear();
    vi.useFakeTimers();
    now = 0;
    sent = [];
    vi.spyOn(performance, 'now').mockImplementation(() => now);
  });
  afterEach(() => {
    vi.useRealTimers();
    vi.restoreAllMocks();
  });

  async function open(session: Session) {
    const gateway = {
      load: () => Promise.resolve(session),
      find: exerciseById,
      post: (l: QueuedRequest) => sent.push(l),
      pending: () => 0,
      offline: () => false,
      settled: () => Promise.resolve(),
      felt: () => undefined,
      breathPath: () => '/breath',
    };
    const box = { pending: () => 0, offline: () => false, state: () => 'saved', refusals: () => [] };
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({
      providers: [
        { provide: RunGateway, useValue: gateway },
        { provide: Outbox, useValue: box },
      ],
    });
    const fixture = TestBed.createComponent(RunPlayer);
    fixture.componentRef.setInput('sessionId', session.id);
    fixture.detectChanges();
    await vi.advanceTimersByTimeAsync(0);
    fixture.detectChanges();
    const el = fixture.nativeElement as HTMLElement;
    const text = (): string => {
      fixture.detectChanges();
      return textOf(el);
    };
    const press = (name: string): void => {
      const button = [...el.querySelectorAll('button')].find((b) => b.textContent.trim().startsWith(name));
      if (!button) throw new Error(`No button "${name}" in: ${text()}`);
      button.click();
      fixture.detectChanges();
    };
    const pass = (seconds: number): void => {
      for (let i = 0; i < seconds * 5; i++) {
        now += 200;
        vi.advanceTimersByTime(200);
      }
      fixture.detectChanges();
    };
    return { fixture, el, text, press, pass };
  }

  it('counts in, says what to do on which side, and what comes next', async () => {
    const p = await open(aSession({ alreadyWarm: true }));
    expect(p.text()).toContain('Stop if you feel: numbness or tingling');
    p.press('Start');
    p.press('I’m well');
    expect(p.text()).toContain('Starting');
    p.pass(3);
    // Things are fetched before the position is taken.
    expect(p.text()).toContain('You need: wall.');
    p.pass(10);
    expect(p.text()).toContain('Get into position');
    expect(p.text()).toContain('Right: the right leg is the back one; its calf is stretched.');
    p.pass(20 + 5 + 3);
    expect(p.text()).toContain('Hold ○ Right set 1 of 2');
    expect(p.text()).toContain('Next: rest 10 s');
    expect(p.text()).toContain('1 of 2 · Soleus');
  });

  it('shows all steps up to the end of the first bout with the one that is taught, then one reminder a bout', async () => {
    const p = await open(aSession({ alreadyWarm: true }));
    const steps = exerciseById('bent-knee-wall-calf').steps;
    const now = () => textOf(p.el.querySelector('[aria-current=step]') ?? document.createElement('p'));
    for (const s of steps) expect(p.text()).toContain(s);
    p.press('Start');
    p.press('I’m well');
    // Fetching 10 s, then the name and the side, then the first step.
    p.pass(3 + 10 + 9);
    expect(now()).toContain(steps[0]);
    p.pass(11 + 5 + 3 + 15);
    expect(now()).toContain(steps.at(-1));
    expect(p.text()).not.toContain('Watch for this');
    p.pass(15 + 5 + 10 + 3 + 1);
    expect(p.text()).toContain('set 2 of 2');
    expect(p.text()).toContain('Watch for this: heel lifting.');
    expect(p.el.querySelector('[aria-current=step]')).toBeNull();
  });

  it('asks how the client is before it begins; a little unwell is lighter, unwell is no session', async () => {
    const push = {
      exerciseId: 'supine-strap-hamstring',
      technique: 'contract-relax',
      sets: 1,
      holdSeconds: 15,
      cycles: 2,
      pushSeconds: 6,
      effort: 30,
      sensation: 5,
      firstSide: 'left',
    } as const;
    const session = aSession({ alreadyWarm: true, items: [push] });
    const p = await open(session);
    (p.el.querySelector('.btn-go') as HTMLButtonElement).click();
    p.fixture.detectChanges();
    expect(p.text()).toContain('How are you today?');
    expect(sent).toEqual([]);
    p.press('A little unwell');
    p.pass(3 + 10 + 20 + 15 + 3 + 1);
    expect(sent[0]!.body).toMatchObject({ wellness: 'lighter' });
    expect(p.text()).toContain('Hold ● Left');
    expect(p.text()).not.toContain('Push');

    const q = await open(session);
    localStorage.clear();
    sent = [];
    const r = await open(session);
    let left = 0;
    r.fixture.componentInstance.left.subscribe(() => left++);
    (r.el.querySelector('.btn-go') as HTMLButtonElement).click();
    r.fixture.detectChanges();
    r.press('Fever, chest complaints');
    expect(r.text()).toContain('No session today');
    r.press('Tell my coach');
    await vi.advanceTimersByTimeAsync(0);
    expect(sent.map((x) => x.kind)).toEqual(['start', 'finish']);
    expect(sent[0]!.body).toMatchObject({ wellness: 'unwell' });
    expect(left).toBe(1);
    q.fixture.destroy();
  });

  it('leaves out what is very sore, and says why', async () => {
    const p = await open(
      aSession({ alreadyWarm: true, sore: [{ date: '2026-03-11', region: 'thigh-back', soreness: 8 }] }),
    );
    expect(p.text()).toContain('Left out today, because it is very sore: lying hamstring stretch with a strap.');
  });

  it('asks for the symptom where it was very strong or there is a remark, and not before that is answered goes on', async () => {
    const p = await open(
      aSession({
        alreadyWarm: true,
        items: [{ exerciseId: 'bent-knee-wall-calf', sets: 1, holdSeconds: 10, sensation: 5, firstSide: 'left' }],
      }),
    );
    p.press('Start');
    p.press('I’m well');
    p.pass(130);
    expect(p.el.querySelector('y-symptom-question')).toBeNull();
    p.press('8');
    const save = [...p.el.querySelectorAll('button')].find((b) => b.textContent.includes('Finish and save'))!;
    expect(save.disabled).toBe(true);
    const what = p.el.querySelector<HTMLSelectElement>('y-symptom-question select')!;
    what.value = 'pinching';
    what.dispatchEvent(new Event('change'));
    p.fixture.detectChanges();
    p.press('Finish and save');
    expect(sent.slice(-2)).toMatchObject([
      { kind: 'symptom', body: { item: 0, side: 'left', symptom: 'pinching' } },
      { kind: 'finish', body: { sensation: 8 } },
    ]);
  });

  it('announces each phase to a screen reader, once', async () => {
    const p = await open(aSession({ alreadyWarm: true }));
    const said = () => textOf(p.el.querySelector('[aria-live=polite].sr-only')!);
    expect(said()).toBe('');
    p.press('Start');
    p.press('I’m well');
    p.pass(3 + 10 + 20 + 5 + 3 + 1);
    expect(said()).toBe('Hold, right, 30 seconds');
  });

  it('says the parts of a repetition, how many, and of which side when they take turns', async () => {
    const p = await open(
      aSession({
        alreadyWarm: true,
        items: [{ exerciseId: 'march-on-the-spot', sets: 1, reps: 4, holdSeconds: 2, sensation: 3, firstSide: 'left' }],
      }),
    );
    p.press('Start');
    p.press('I’m well');
    p.pass(3 + 20 + 5 + 3 + 1);
    expect(p.text()).toContain('Out ● Left rep 1 of 4 · set 1 of 1');
    p.pass(5);
    expect(p.text()).toContain('Out ○ Right rep 1 of 4');
    p.pass(2);
    expect(p.text()).toContain('Stay ○ Right');
  });

  it('asks after the check without hands, and “I feel something” leads to what was felt', async () => {
    const staged = EXERCISES.find((e) => e.check !== null)!;
    const p = await open(
      aSession({
        alreadyWarm: true,
        items: [{ exerciseId: staged.id, sets: 1, holdSeconds: 30, sensation: 3, firstSide: 'left' }],
      }),
    );
    p.press('Start');
    p.press('I’m well');
    p.pass(90);
    expect(p.text()).toContain('Any pain, pinching, dizziness or tingling?');
    p.press('I feel something');
    expect(p.text()).toContain('What do you feel?');
    p.press('Dizziness, faintness or trouble seeing');
    expect(p.text()).toContain('We stop here for today');
    expect(p.text()).toMatch(/doctor or physiotherapist/);
    expect(sent.some((l) => wireOf(l).path.includes('/symptoms/'))).toBe(true);
  });

  it('offers the easier form when it is too strong, and asks how strong without guessing', async () => {
    const p = await open(
      aSession({
        alreadyWarm: true,
        forms: [
          { easier: 'seated-strap-calf', harder: null, choice: null },
          { easier: null, harder: null, choice: null },
        ],
      }),
    );
    p.press('Start');
    p.press('I’m well');
    p.pass(3 + 45);
    p.press('Stop: I feel something');
    p.press('Too strong');
    expect(p.el.querySelector<HTMLSelectElement>('[role=dialog] select')!.value).toBe('');
    const easier = [...p.el.querySelectorAll<HTMLButtonElement>('[role=dialog] button')].find((b) =>
      b.textContent.includes('Easier'),
    )!;
    easier.click();
    expect(p.text()).toContain('Seated calf stretch with a strap');
    expect(p.text()).toContain('a little shaking is fine');
  });

  it('calls an ambulance with a sign that is an emergency, and goes on without the exercise after one that is not', async () => {
    const p = await open(aSession({ alreadyWarm: true }));
    p.press('Start');
    p.press('I’m well');
    p.pass(40);
    p.press('Stop');
    p.press('Sharp or shooting pain');
    expect(p.text()).toMatch(/We left out “.+” until your coach has looked at it. Carry on with the rest./);
    expect(p.text()).not.toContain('We stop here for today');
    p.press('Resume');
    p.pass(40);
    p.press('Stop');
    p.press('Chest pain or short of breath');
    expect(p.text()).toContain('We stop here for today');
    expect(p.text()).toContain('Call an ambulance now.');
  });

  it('does not begin a session that is on hold', async () => {
    const symptom = {
      id: 'y',
      clientId: 'c1',
      clientName: '',
      sessionId: 's1',
      exerciseId: 'bent-knee-wall-calf',
      side: null,
      symptom: 'numbness' as const,
      date: '2026-03-11',
      clearedAt: null,
    };
    const held = await open(aSession({ openSymptoms: [{ ...symptom, symptom: 'chest' }] }));
    expect(held.text()).toContain('This session is on hold');
    expect(held.text()).not.toContain('Pause');
  });

  it('never fills in how strong it felt', async () => {
    const p = await open(
      aSession({
        alreadyWarm: true,
        items: [{ exerciseId: 'bent-knee-wall-calf', sets: 1, holdSeconds: 10, sensation: 5, firstSide: 'left' }],
      }),
    );
    p.press('Start');
    p.press('I’m well');
    p.pass(120);
    expect(p.text()).toContain('Session finished');
    expect(p.el.querySelectorAll('[aria-pressed=true]')).toHaveLength(0);
    p.press('Finish and save');
    expect(sent.at(-1)!.body).toMatchObject({ sensation: null, feltTighter: null, note: '' });
  });
});
