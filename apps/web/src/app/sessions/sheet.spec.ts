import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import type { Session } from '@yandle/contract';
import { aRun, aSession } from '../testing/a-session';
import { Screen } from '../testing/screen';
import { SessionSheet } from './sheet';
import { SheetStore } from './sheet.store';

const session = aSession();

describe('SessionSheet', () => {
  async function open(over: Partial<Session> = {}): Promise<Screen<SessionSheet>> {
    const screen = await Screen.open(SessionSheet, { sessionId: 's1' });
    await screen.answer('/sessions/s1', { ...session, ...over });
    return screen;
  }

  // 212 and 222 s: the worked example of docs/calculations.md.
  it('adds up to the second and says each exercise in words', async () => {
    const screen = await open();
    expect(screen.text).toContain('7:14 of 20 min');
    expect(screen.text).toContain('work 4:00 · set-up and changes 2:34 · rests 0:40');
    expect(screen.text).toContain('Hold 30 s, 2 times on each side, right first. Sensation 5 of 10');
    expect(screen.el.querySelectorAll('y-session-scale rect')).toHaveLength(2 * 18);
    expect(screen.text).not.toContain('over the time');
  });

  it('always shows stop signs, cautions and the duty of care', async () => {
    const screen = await open();
    expect(screen.text).toContain('Stop signs: numbness or tingling');
    expect(screen.text).toMatch(/Not for: .*a fresh tear \(foot and ankle, lower leg/);
    expect(screen.text).toContain('not medical advice');
  });

  it('says what rests because it is very sore, and that a session was a lighter one', async () => {
    const sore = [{ date: '2026-03-11', region: 'thigh-back' as const, soreness: 8 }];
    expect((await open({ sore })).text).toContain('because it is very sore: lying hamstring stretch with a strap.');
    expect((await open()).text).not.toContain('very sore');
    const run = aRun({ endedAt: '2026-03-11T17:09:00.000Z', wellness: 'lighter' });
    expect((await open({ status: 'done', run })).text).toContain('a lighter session, a little unwell');
  });

  it('says how much it is over the client’s time', async () => {
    expect((await open({ minutesBudget: 6 })).text).toContain('1:14 over the time there is');
  });

  it('sets done against planned, corrected logs left out, and the sensation', async () => {
    const set = { item: 0, side: 'left' as const, set: 1, plannedSeconds: 30, replaces: null };
    const screen = await open({
      status: 'done',
      run: aRun({
        endedAt: '2026-03-11T17:09:00.000Z',
        sensation: null,
        note: 'a long day',
        sets: [
          { ...set, id: 'a', doneSeconds: 10, replacedBy: 'b' },
          { ...set, id: 'b', doneSeconds: 30, replacedBy: null },
          { ...set, id: 'c', side: 'right', doneSeconds: 25, replacedBy: null },
        ],
      }),
    });
    const rows = [...screen.el.querySelectorAll('y-mirror-row [role=img]')].map((r) => r.getAttribute('aria-label'));
    expect(rows[0]).toBe('Soleus: left 30 s; right 25 s. planned 60 s per side');
    expect(rows[1]).toBe('Hamstrings: left 0 s; right 0 s. planned 60 s per side');
    expect(screen.text).toContain('Sensation: not answered · “a long day”');
  });

  it('leaves out what a stop sign holds until it is cleared with a note, and asks who agreed where all sessions are held', async () => {
    const symptom = {
      id: 'y1',
      clientId: 'c1',
      clientName: 'Ottoline Varga',
      sessionId: 's0',
      exerciseId: 'supine-strap-hamstring',
      side: 'right' as const,
      symptom: 'numbness' as const,
      date: '2026-03-09',
      clearedAt: null,
    };
    const screen = await open({ openSymptoms: [symptom] });
    expect(screen.text).toContain('The exercise is left out and the rest goes on.');
    await screen.fill('form.note input', 'gone at once');
    screen.el.querySelector('form.note')!.dispatchEvent(new Event('submit', { cancelable: true }));
    const clear = screen.request('POST', '/symptoms/y1/clear');
    expect(clear.request.body).toEqual({ note: 'gone at once', who: '' });
    clear.flush({});
    await screen.settle();
    await screen.answer('/sessions/s1', session);
    expect(screen.text).toContain('Start session');
    const held = await open({ openSymptoms: [{ ...symptom, symptom: 'dizziness' }] });
    expect(held.button('On hold').disabled).toBe(true);
    expect(held.text).toContain('All sessions are on hold: dizziness');
    expect(held.text).toContain('Who agreed: name and profession');
  });

  it('says what to do when the session cannot be had', async () => {
    const screen = await Screen.open(SessionSheet, { sessionId: 's1' });
    await screen.answer(
      '/sessions/s1',
      { code: 'not-found', title: 'Not found', detail: 'There is no such session.' },
      404,
    );
    expect(screen.text).toContain('There is no such session.');
  });

  it('saves a change at once, shows it, and takes it back', async () => {
    const screen = await open();
    (screen.el.querySelector('[aria-label="One set more"]') as HTMLButtonElement).click();
    await screen.settle();
    const saved = screen.request('PUT', '/sessions/s1/items');
    expect(saved.request.body).toMatchObject({
      version: 1,
      items: [{ sets: 3 }, { sets: 2 }],
      rounds: 1,
      minutes: null,
    });
    const items = (saved.request.body as { items: Session['items'] }).items;
    saved.flush(aSession({ version: 2, items, plannedItems: session.items }));
    await screen.settle();
    expect(screen.text).toContain('Hold 30 s, 3 times on each side, right first');
    expect(screen.text).toContain('Changed by hand, saved.');
    await screen.press('Undo');
    const undone = screen.request('PUT', '/sessions/s1/items');
    expect(undone.request.body).toMatchObject({ version: 2, items: [{ sets: 2 }, { sets: 2 }] });
    undone.flush(aSession({ version: 3 }));
    await screen.settle();
    expect(screen.text).toContain('As the plan has it.');
  });

  it('shows what stands when a change is refused', async () => {
    const screen = await open();
    await screen.press('Leave out');
    screen
      .request('PUT', '/sessions/s1/items')
      .flush(
        { code: 'stale-version', status: 409, title: 'Changed by someone else', detail: 'Load it again.' },
        { status: 409, statusText: 'x' },
      );
    await screen.settle();
    await screen.answer('/sessions/s1', aSession({ version: 5 }));
    expect(screen.text).toContain('Changed by someone else');
    expect(screen.el.querySelectorAll('y-sheet-item')).toHaveLength(2);
  });

  it('offers other exercises with the dose kept, and ways to fit the minutes', async () => {
    const screen = await open({ minutesBudget: 6 });
    expect(screen.text).toContain('Make it fit');
    expect(screen.text).toMatch(/Shorter holds: .* of 6:00\./);
    await screen.press('Swap');
    expect(screen.text).toContain('Instead of Bent-knee calf stretch');
    expect(screen.text).toContain('same dose');
  });

  it('lets the coach choose between two runs', async () => {
    const screen = await open({
      status: 'done',
      run: aRun({ endedAt: '2026-03-11T17:09:00.000Z' }),
      otherRuns: [aRun({ id: 'r2', source: 'client' })],
    });
    expect(screen.text).toContain('on the client’s phone, 0 s in all, not finished. Not counted.');
    await screen.press('Count this one instead');
    const chosen = screen.request('PUT', '/sessions/s1/counted-run');
    expect(chosen.request.body).toEqual({ runId: 'r2' });
    chosen.flush(session);
    await screen.settle();
  });

  it('keeps what was chosen when an answer from before it arrives late', async () => {
    const before = { status: 'done' as const, run: aRun(), otherRuns: [aRun({ id: 'r2', source: 'client' as const })] };
    const screen = await open(before);
    const store = screen.fixture.debugElement.injector.get(SheetStore);
    void store.load('s1');
    const late = screen.request('GET', '/sessions/s1');
    await screen.press('Count this one instead');
    screen
      .request('PUT', '/sessions/s1/counted-run')
      .flush(aSession({ ...before, run: before.otherRuns[0]!, otherRuns: [] }));
    await screen.settle();
    late.flush(aSession(before));
    await screen.settle();
    expect(store.session()!.run!.id).toBe('r2');
  });

  it('prints a page with boxes to tick, sides, stop signs and the warm-up', async () => {
    const print = (await open()).el.querySelector('y-print-sheet')!;
    expect(print.textContent).toContain('Begin easily');
    // Two rounds of 434 s, the second without fetching two things again: 848 s, and half of what is above 480 s, in tens.
    const long = async (over: Partial<Session>) =>
      (await open({ rounds: 2, ...over })).el.querySelector('y-print-sheet')!.textContent;
    expect(await long({})).toContain('3:00 to get warm – easy movement that makes you warm.');
    // What the server has found that can be done there, named on the page and on the sheet.
    const moves = { warmUp: ['march-on-the-spot', 'arm-circles'] };
    expect(await long(moves)).toContain('3:00 to get warm – marching on the spot, then arm circles, about 90 s each.');
    expect(await long({ ...moves, untilEasy: true })).toContain('until it feels easy, 2 times at most');
    expect(print.textContent).toContain('Stop at once if you feel:');
    // Two sets of two sides of two exercises.
    expect(print.querySelectorAll('li span.border')).toHaveLength(8);
  });

  it('prints what may be chosen, but not what a caution or the place rules out now', async () => {
    const items = session.items.map((i) => ({ ...i, choice: 'seated-strap-calf' }));
    const forms = [true, false].map((may) => ({
      easier: null,
      harder: null,
      choice: may ? 'seated-strap-calf' : null,
    }));
    const screen = await open({ items, forms });
    const printed = screen.el.querySelector('y-print-sheet')!.textContent;
    expect(printed.split('Or: ')).toHaveLength(2);
  });

  it('adds an exercise that is typed, and repeats one right after itself', async () => {
    const screen = await open();
    await screen.fill('y-exercise-picker input', 'strap hamstring');
    screen.el.querySelector('y-exercise-picker input')!.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
    await screen.settle();
    const added = screen.request('PUT', '/sessions/s1/items');
    expect((added.request.body as Session).items.map((i) => [i.exerciseId, i.sets])).toEqual([
      ['bent-knee-wall-calf', 2],
      ['supine-strap-hamstring', 2],
      ['supine-strap-hamstring', 1],
    ]);
    added.flush(aSession({ version: 2, items: (added.request.body as Session).items }));
    await screen.settle();
    screen.el.querySelector<HTMLButtonElement>('y-sheet-item [aria-label^="Repeat "]')!.click();
    await screen.settle();
    const repeated = screen.request('PUT', '/sessions/s1/items');
    expect((repeated.request.body as Session).items.map((i) => i.exerciseId)).toEqual([
      ...['bent-knee-wall-calf', 'bent-knee-wall-calf', 'supine-strap-hamstring', 'supine-strap-hamstring'],
    ]);
    repeated.flush(aSession({ version: 3 }));
    await screen.settle();
  });

  it('keeps the list as a routine of the client', async () => {
    const screen = await open();
    await screen.press('Save as a routine');
    await screen.answer('/routines', []);
    await screen.fill('y-save-routine .input', 'After the run');
    screen.el.querySelector<HTMLInputElement>('y-save-routine [type=checkbox]')!.click();
    await screen.press('Save the routine');
    const kept = screen.http.expectOne((r) => r.method === 'PUT' && r.url.startsWith('/api/v1/routines/'));
    expect(kept.request.body).toMatchObject({
      ...{ name: 'After the run', clientId: 'c1', version: null, rounds: 1, items: session.items },
    });
    kept.flush({});
    await screen.settle();
    await screen.answer('/routines', []);
    expect(screen.text).not.toContain('Name of the routine');
  });

  it('takes a session of its own off the calendar, and no other', async () => {
    expect((await open()).text).not.toContain('Remove this session');
    const screen = await open({ blockId: null, week: null, name: 'Desk break' });
    expect(screen.text).toContain('Ottoline Varga · Desk break');
    expect(screen.text).toContain('no block changes it');
    expect(screen.text).not.toContain('Back to the plan');
    const led = vi.spyOn(TestBed.inject(Router), 'navigate').mockResolvedValue(true);
    await screen.press('Remove this session');
    screen.request('DELETE', '/sessions/s1').flush(null, { status: 204, statusText: 'gone' });
    await screen.settle();
    expect(led).toHaveBeenCalledWith(['/clients', 'c1', 'sessions']);
  });
});
