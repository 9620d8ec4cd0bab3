import { signal } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import type { SharedBlock } from '@yandle/contract';
import { exerciseById } from '@yandle/core';
import { Outbox } from '../data/outbox/outbox';
import { aRun, aSession } from '../testing/a-session';
import { textOf } from '../testing/screen';
import { PhoneOutbox } from './phone-outbox';
import { PhoneStart } from './phone-start';
import { PhoneStore } from './phone.store';

const symptom = {
  id: 'y',
  clientId: 'c1',
  clientName: 'Ottoline',
  sessionId: 's1',
  exerciseId: 'bent-knee-wall-calf',
  side: null,
  symptom: 'numbness' as const,
  date: '2026-03-11',
  clearedAt: null,
};

describe('PhoneStart', () => {
  const said: [number, string | null][] = [];
  let last: ComponentFixture<PhoneStart> | null = null;

  function open(over: Partial<SharedBlock> = {}, state = 'fresh'): HTMLElement {
    const block: SharedBlock = {
      firstName: 'Ottoline',
      studio: 'A room',
      today: '2026-03-11',
      sessions: [aSession(), aSession({ id: 's2', date: '2026-03-13' })],
      exercises: [],
      sorenessEntries: [],
      progress: ['Knee to wall, left: better by 2.4 cm since 2 March.'],
      onHold: null,
      ...over,
    };
    const store = {
      block: signal(state === 'ended' ? null : block),
      state: signal(state),
      sessions: signal(block.sessions),
      find: exerciseById,
      load: () => Promise.resolve(),
      open: () => Promise.resolve(),
      saySore: (n: number, region: string | null) => said.push([n, region]),
    };
    const box = {
      pending: signal(0),
      state: signal('saved'),
      refusals: signal([]),
      keptForCoach: signal(0),
      offline: signal(false),
    };
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({
      providers: [
        provideRouter([]),
        { provide: PhoneStore, useValue: store },
        { provide: PhoneOutbox, useValue: box },
        { provide: Outbox, useValue: box },
      ],
    });
    const fixture = (last = TestBed.createComponent(PhoneStart));
    fixture.detectChanges();
    return fixture.nativeElement as HTMLElement;
  }

  it('shows what comes next in words, with cautions and stop signs, then the rest', () => {
    const text = textOf(open());
    expect(text).toContain('Hello Ottoline');
    expect(text).toContain('Hold for 30 seconds, twice on each side, right first. How strong: 5 of 10');
    expect(text).toContain('Stop at once if you feel: numbness or tingling');
    expect(text).toContain('Friday 13 March');
    expect(text).toContain('better by 2.4 cm');
    expect(text).not.toContain('How sore');
  });

  it('asks for soreness the day after, once, and where it is', () => {
    const done = aSession({
      id: 's0',
      date: '2026-03-10',
      status: 'done',
      run: aRun({ endedAt: '2026-03-10T17:00:00.000Z' }),
    });
    const el = open({ sessions: [done, aSession()] });
    const button = [...el.querySelectorAll('button')].find((b) => b.getAttribute('aria-label') === 'Soreness 4')!;
    button.click();
    // A number alone is not said: it goes with its place.
    expect(said).toEqual([]);
    last!.detectChanges();
    [...el.querySelectorAll('button')].find((b) => b.textContent.includes('All over'))!.click();
    expect(said).toEqual([[4, null]]);
    const asked = textOf(
      open({
        sessions: [done],
        sorenessEntries: [{ id: 'n', date: '2026-03-11', region: null, soreness: 8, note: '' }],
      }),
    );
    expect(asked).not.toContain('How sore');
    expect(asked).toContain('Soreness today: 8 of 10. Your coach can see this. That is a lot. Rest today');
  });

  it('leaves out what a stop sign of an exercise holds, and goes on with the rest', () => {
    const el = open({ sessions: [aSession({ openSymptoms: [symptom] })] });
    expect(textOf(el)).toMatch(/We left out .+ until your coach has looked at it. Carry on with the rest./);
    expect(el.querySelector('a.btn-go')).not.toBeNull();
  });

  it('does not let a session begin that is on hold', () => {
    const dizzy = aSession({ openSymptoms: [{ ...symptom, symptom: 'dizziness' }] });
    const held = textOf(open({ sessions: [dizzy] }));
    expect(held).toContain('Your sessions are on hold');
    expect(open({ sessions: [dizzy] }).querySelector('a.btn-go')).toBeNull();
    expect(textOf(open({ onHold: 'refer' }))).toContain('see a doctor or physiotherapist before you start');
  });

  it('says what is the matter when the link or the network is gone', () => {
    expect(textOf(open({}, 'ended'))).toContain('what you logged is safe and will reach your coach');
    expect(textOf(open({}, 'kept'))).toContain('You are offline. Everything works');
    expect(textOf(open({ sessions: [] }))).toContain('No sessions yet');
  });
});
