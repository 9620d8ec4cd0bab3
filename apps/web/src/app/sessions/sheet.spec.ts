import type { Session } from '@yandle/contract';
import { aRun, aSession } from '../testing/a-session';
import { Screen } from '../testing/screen';
import { SessionSheet } from './sheet';

const session = aSession();

describe('SessionSheet', () => {
  async function open(over: Partial<Session> = {}): Promise<Screen<SessionSheet>> {
    const screen = await Screen.open(SessionSheet, { sessionId: 's1' });
    await screen.answer('/sessions/s1', { ...session, ...over });
    return screen;
  }

  // 2 × 212 s and 120 s of warm-up: the worked example of docs/calculations.md.
  it('adds up to the second and says each exercise in words', async () => {
    const screen = await open();
    expect(screen.text).toContain('9:04 of 20:00 min');
    expect(screen.text).toContain('warm-up 2:00 · work 4:00 · set-up and changes 2:24 · rests 0:40');
    expect(screen.text).toContain('Hold 30 s, 2 times on each side, right first. Sensation 5 of 10');
    expect(screen.el.querySelectorAll('y-session-scale rect')).toHaveLength(1 + 2 * 18);
    expect(screen.text).not.toContain('over the time');
  });

  it('always shows stop signs, cautions and the duty of care', async () => {
    const screen = await open();
    expect(screen.text).toContain('Stop signs: numbness or tingling');
    expect(screen.text).toContain('Not for: a fresh calf or Achilles tear');
    expect(screen.text).toContain('not medical advice');
  });

  it('says how much it is over the client’s time', async () => {
    expect((await open({ minutesBudget: 8 })).text).toContain('1:04 over the time there is');
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
    expect(rows[0]).toBe('Soleus: left 30 s; right 25 s. planned 60 s a side');
    expect(rows[1]).toBe('Hamstrings: left 0 s; right 0 s. planned 60 s a side');
    expect(screen.text).toContain('Sensation: not said · “a long day”');
  });

  it('holds the session while a stop sign is open, and clears it with a note', async () => {
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
    expect(screen.button('On hold').disabled).toBe(true);
    await screen.fill('form.note input', 'gone at once');
    screen.el.querySelector('form.note')!.dispatchEvent(new Event('submit', { cancelable: true }));
    const clear = screen.request('POST', '/symptoms/y1/clear');
    expect(clear.request.body).toEqual({ note: 'gone at once' });
    clear.flush({});
    await screen.settle();
    await screen.answer('/sessions/s1', session);
    expect(screen.text).toContain('Run this session');
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
});
