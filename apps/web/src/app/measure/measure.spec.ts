import { TestBed } from '@angular/core/testing';
import type { Assessment } from '@yandle/contract';
import { ClientContext } from '../data/client-context';
import { ToastService } from '../data/toast.service';
import { Outbox } from '../data/outbox/outbox';
import { wireOf } from '../data/outbox/queued-request';
import { PATH, Screen, TODAY } from '../testing/screen';
import { aReading, anAssessment, NO_PRIORITIES } from '../testing/assessments';
import { CaptureStore } from '../instruments/capture.store';
import { MeasureScreen } from './measure';

const BATTERY = ['weight-bearing-lunge', 'active-knee-extension'];

/** Requests that the bench posts, without a server. */
interface Posted {
  readonly path: string;
  readonly body: Record<string, unknown>;
}

describe('MeasureScreen', () => {
  let posted: Posted[];
  async function open(assessments: Assessment[]): Promise<Screen<MeasureScreen>> {
    posted = [];
    const screen = await Screen.open(MeasureScreen, { clientId: 'c1' }, () => {
      TestBed.inject(Outbox).post = (queued) =>
        void posted.push({ path: wireOf(queued).path, body: queued.body as Posted['body'] });
    });
    TestBed.inject(ClientContext).open('c1');
    await screen.answer('/clients/c1/priorities', {
      ...NO_PRIORITIES,
      priorities: { ...NO_PRIORITIES.priorities, quickCheck: BATTERY },
    });
    await screen.answer('/clients/c1/assessments', assessments);
    for (const r of screen.http.match('/api/v1/clients/c1')) if (!r.cancelled) r.flush(PATH);
    await screen.settle();
    return screen;
  }
  const today = (over: Partial<Assessment> = {}) => anAssessment(TODAY, [], { battery: BATTERY, ...over });
  const capture = (screen: Screen<MeasureScreen>) => screen.fixture.debugElement.injector.get(CaptureStore);

  it('ends a test by a symptom: no box left, the rest of the battery goes on, a slip is taken back', async () => {
    const screen = await open([today()]);
    await screen.press('Pain or symptom');
    expect(screen.button('End this test').disabled).toBe(true);
    const sharp = [...screen.el.querySelectorAll('y-flag-panel label')].find((l) => l.textContent.includes('Sharp'))!;
    sharp.querySelector('input')!.dispatchEvent(new Event('change'));
    await screen.settle();
    expect(screen.text).toContain('see a doctor or physiotherapist');
    screen.el.querySelector('y-flag-panel form')!.dispatchEvent(new Event('submit', { cancelable: true }));
    await screen.settle();
    expect(posted.at(-1)).toMatchObject({
      body: { testId: 'weight-bearing-lunge', kind: 'stopped', symptom: 'sharp-pain', side: null },
    });
    expect(screen.text).toContain('Ended: sharp or shooting pain.');
    expect(screen.el.querySelector('y-side-card input')).toBeNull();
    expect(screen.text).toContain('■ ended');
    await screen.press('That was a slip');
    expect(posted.at(-1)!.body).toMatchObject({ kind: 'resumed' });
    expect(screen.el.querySelector('y-side-card input')).not.toBeNull();
  });

  const LAST = anAssessment('2026-03-01', [
    aReading('weight-bearing-lunge', 'left', 8, { instrument: 'tape' }),
    aReading('weight-bearing-lunge', 'right', 8, { instrument: 'tape' }),
  ]);
  const press = async (screen: Screen<MeasureScreen>, key: string) => {
    screen.el.querySelector('y-side-card input')!.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
    await screen.settle();
  };

  it('hides last time until a reading is kept; a key shows it and is written on the readings of that side', async () => {
    const screen = await open([LAST, today()]);
    expect(screen.text).not.toContain('last 8 cm');
    await press(screen, 's');
    expect(screen.text.match(/last 8 cm, 1 Mar/g)).toHaveLength(1);
    expect(screen.text).toContain('marked as not blind');
    const boxes = () => [...screen.el.querySelectorAll<HTMLInputElement>('y-side-card input')];
    for (const [i, value] of ['9', '9.5'].entries()) {
      boxes()[i]!.value = value;
      boxes()[i]!.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
      await screen.settle();
    }
    expect(posted.slice(-2).map((p) => p.body)).toMatchObject([
      { side: 'left', value: 9, seen: true },
      { side: 'right', value: 9.5, seen: false },
    ]);
  });

  it('says what differs from last time once, not once a side', async () => {
    const readings = (['left', 'right'] as const).map((s) =>
      aReading('weight-bearing-lunge', s, 9, { instrument: 'tape' }),
    );
    const screen = await open([LAST, anAssessment(TODAY, readings, { battery: BATTERY, warm: true })]);
    expect(screen.text.match(/Different from last time/g)).toHaveLength(1);
  });

  it('keeps a typed number when the test is left by a key', async () => {
    const screen = await open([today()]);
    screen.el.querySelector<HTMLInputElement>('y-side-card input')!.value = '7';
    await press(screen, 'PageDown');
    expect(posted.at(-1)!.body).toMatchObject({ testId: 'weight-bearing-lunge', value: 7 });
    expect(screen.el.querySelector('h1')!.textContent).toContain('Active knee extension');
  });

  it('takes a reading back with what it had replaced, and brings it back in its place', async () => {
    const of = (id: string, value: number, replaces: string | null, replacedBy: string | null) =>
      aReading('weight-bearing-lunge', 'left', value, { id, replaces, replacedBy });
    const readings = [of('a', 5, null, 'c'), of('b', 9, null, null), of('c', 8, 'a', null)];
    const screen = await open([anAssessment(TODAY, readings, { battery: BATTERY })]);
    const shown = () =>
      [...screen.el.querySelectorAll('y-side-card button[aria-label^="Correct reading"]')].map((b) =>
        b.textContent.trim(),
      );
    expect(shown()).toEqual(['8', '9']);
    screen.el.querySelector<HTMLElement>('[aria-label="Correct reading 8"]')!.click();
    await screen.settle();
    await screen.press('Take 8 back');
    expect(shown()).toEqual(['9']);
    expect(posted.at(-1)).toMatchObject({
      path: `/assessments/v-${TODAY}/readings/c/withdrawn`,
      body: { withdrawn: true },
    });
    TestBed.inject(ToastService).toasts().at(-1)!.action!.run();
    await screen.settle();
    expect(shown()).toEqual(['8', '9']);
    expect(posted.at(-1)!.body).toEqual({ withdrawn: false });
  });

  it('dates an assessment anew with the day checked at its field, and takes it back with undo', async () => {
    const reading = aReading('weight-bearing-lunge', 'left', 9);
    const screen = await open([anAssessment(TODAY, [reading], { battery: BATTERY })]);
    const date = screen.el.querySelector<HTMLInputElement>('y-assessment-record input[type=date]')!;
    date.value = '2999-01-01';
    date.dispatchEvent(new Event('input'));
    await screen.settle();
    expect(screen.el.querySelector('y-assessment-record .field-error')!.textContent).toContain('in the future');
    const form = screen.el.querySelector('y-assessment-record form')!;
    form.dispatchEvent(new Event('submit', { cancelable: true }));
    expect(posted).toEqual([]);
    date.value = '2026-01-02';
    form.dispatchEvent(new Event('submit', { cancelable: true }));
    await screen.settle();
    expect(posted.at(-1)!.body).toMatchObject({ date: '2026-01-02', warm: false });
    await screen.press('Take this assessment back');
    expect(posted.at(-1)!.body).toEqual({ removed: true });
    expect(screen.text).toContain('New assessment');
    TestBed.inject(ToastService).toasts().at(-1)!.action!.run();
    await screen.settle();
    expect(posted.at(-1)!.body).toEqual({ removed: false });
    expect(screen.text).toContain('Weight-bearing lunge');
  });

  it('begins one assessment, however often the button is pressed, and says at the field what day cannot be', async () => {
    const screen = await open([]);
    const date = screen.el.querySelector<HTMLInputElement>('input[type=date]')!;
    date.value = '2999-01-01';
    date.dispatchEvent(new Event('input'));
    await screen.settle();
    expect(screen.text).toContain('An assessment can’t be in the future.');
    date.value = TODAY;
    date.dispatchEvent(new Event('input'));
    const form = screen.el.querySelector('y-assessment-start form')!;
    form.dispatchEvent(new Event('submit', { cancelable: true }));
    form.dispatchEvent(new Event('submit', { cancelable: true }));
    await screen.settle();
    expect(posted.filter((p) => p.path.endsWith('/assessments'))).toHaveLength(1);
  });

  it('skips a test only with a reason', async () => {
    const screen = await open([today()]);
    await screen.press('Skip');
    expect(screen.button('Skip this test').disabled).toBe(true);
    await screen.fill('y-flag-panel input.input', 'no wall free');
    screen.el.querySelector('y-flag-panel form')!.dispatchEvent(new Event('submit', { cancelable: true }));
    await screen.settle();
    expect(screen.text).toContain('Skipped: no wall free.');
    expect(posted.at(-1)!.body).toMatchObject({ kind: 'skipped', reason: 'no wall free', symptom: null });
  });

  it('takes numbers from the large pad to the side that still wants one, and to the other by its key', async () => {
    const screen = await open([today()]);
    await screen.press('Large pad');
    const press = async (...keys: string[]) => {
      for (const key of keys)
        [...screen.el.querySelectorAll<HTMLButtonElement>('y-number-pad button')]
          .find((b) => b.textContent.trim() === key)!
          .click();
      await screen.settle();
    };
    expect(screen.text).toContain('Left 1');
    await press('8', '.', '5');
    await press('Save');
    expect(posted.at(-1)!.body).toMatchObject({ side: 'left', value: 8.5 });
    await press('L / R', '9');
    expect(screen.text).toContain('Right 1');
    await press('Erase', '7');
    await press('Save');
    expect(posted.at(-1)!.body).toMatchObject({ side: 'right', value: 7 });
    localStorage.clear();
  });

  it('changes side by one key, but not while a text is written', async () => {
    const screen = await open([today()]);
    document.body.append(screen.el);
    const main = screen.el.querySelector<HTMLElement>('#next-test')!;
    main.dispatchEvent(new KeyboardEvent('keydown', { key: 'r', bubbles: true }));
    expect(document.activeElement!.getAttribute('aria-label')).toContain('Right');
    main.dispatchEvent(new KeyboardEvent('keydown', { key: 'l', bubbles: true }));
    expect(document.activeElement!.getAttribute('aria-label')).toContain('Left');
    await screen.press('Skip');
    const text = screen.el.querySelector<HTMLInputElement>('y-flag-panel input.input')!;
    text.focus();
    text.dispatchEvent(new KeyboardEvent('keydown', { key: 'r', bubbles: true }));
    expect(document.activeElement).toBe(text);
    screen.el.remove();
  });

  it('goes to the side asked for when the side key comes before the next test is drawn', async () => {
    const screen = await open([today({ battery: ['weight-bearing-lunge', 'active-knee-extension'] })]);
    document.body.append(screen.el);
    const main = screen.el.querySelector<HTMLElement>('#next-test')!;
    for (const key of ['PageDown', 'r']) main.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
    await screen.settle();
    expect(screen.text).toContain('Active knee extension');
    expect(document.activeElement!.getAttribute('aria-label')).toMatch(/^Right, reading 1/);
    screen.el.remove();
  });

  it('keeps a reading of a sensor with the sensor as its instrument', async () => {
    const screen = await open([today({ battery: ['active-knee-extension'] })]);
    const store = capture(screen);
    // A phone that lies still at 36.4°, without a phone.
    await store.choose('phone');
    const phone = store.phone as unknown as { out: { next(s: { at: number; degrees: number }): void } };
    for (let i = 0; i <= 32; i++) phone.out.next({ at: i * 50, degrees: 36.42 });
    await screen.settle();
    expect(posted.at(-1)!.body).toMatchObject({
      testId: 'active-knee-extension',
      side: 'left',
      value: 36.4,
      instrument: 'phone sensor',
    });
  });

  it('records other conditions with the reading, and warns against last time', async () => {
    const last = anAssessment('2026-03-01', [aReading('weight-bearing-lunge', 'left', 8, { instrument: 'tape' })]);
    const screen = await open([last, today()]);
    const body = screen.el.querySelector<HTMLSelectElement>('y-conditions-line select')!;
    body.value = 'warm';
    body.dispatchEvent(new Event('change'));
    await screen.settle();
    expect(screen.text).toContain('Warm · tape · Mara Thornebrook');
    const box = screen.el.querySelector<HTMLInputElement>('y-side-card input')!;
    box.value = '9';
    box.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
    await screen.settle();
    expect(posted.at(-1)!.body).toMatchObject({ value: 9, warm: true, testerId: null });
    expect(screen.text).toContain('Different from last time: one was taken cold, the other warm.');
    // Single readings: 0.686² + (1/2.77)²/2 = 0.73². 1 cm: Φ(1/(√2·0.73)) = 0.83 by the normal table.
    expect(screen.text).toContain('Since last time no detectable change: 1 cm freer (83%)');
  });

  // Domain 2.2: readings are taken blind; what would lean on them is not in the page before the first one of a side.
  it('hides what was measured before, and the reference, until a side has its first reading', async () => {
    const last = anAssessment('2026-03-01', [
      aReading('weight-bearing-lunge', 'left', 7.3, { instrument: 'tape' }),
      aReading('weight-bearing-lunge', 'right', 8.7, { instrument: 'tape' }),
    ]);
    const screen = await open([last, today()]);
    // All that can be read or heard: without the paths that are drawn.
    const page = () => screen.el.innerHTML.replace(/ d="[^"]*"/g, '');
    expect(page()).not.toMatch(/7\.3|8\.7|is typical/);
    const [left, right] = [...screen.el.querySelectorAll<HTMLInputElement>('y-side-card input')];
    const keep = async (box: HTMLInputElement, value: string) => {
      box.value = value;
      box.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
      await screen.settle();
    };
    await keep(left!, '9');
    expect(page()).toContain('last 7.3');
    expect(page()).not.toMatch(/8\.7|is typical/);
    await keep(right!, '9');
    expect(page()).toContain('last 8.7');
    expect(page()).toContain('is typical');
  });

  it('keeps the Beighton score item by item and says when it is high', async () => {
    const screen = await open([today()]);
    await screen.press('Beighton score');
    for (let i = 0; i < 5; i++) {
      screen.el.querySelector<HTMLInputElement>(`input[name=b${i}]`)!.dispatchEvent(new Event('change'));
      await screen.settle();
    }
    expect(posted.at(-1)!.path).toContain('/beighton/');
    expect(posted.at(-1)!.body).toEqual({ items: [true, true, true, true, true, null, null, null, null] });
    expect(screen.text).toContain('5 of 9 4 not looked at yet');
    expect(screen.text).toContain('Generally very mobile at this age (from 5)');
  });

  it('offers the weekly quick check before an assessment', async () => {
    const screen = await open([]);
    expect(screen.text).toContain('Weekly quick check: about');
    const select = screen.el.querySelector<HTMLSelectElement>('select')!;
    select.value = 'quick-check';
    select.dispatchEvent(new Event('change'));
    await screen.settle();
    await screen.press('Start measuring');
    expect(posted.at(-1)!.body).toMatchObject({ battery: BATTERY });
  });
});
