import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import type { Assessment } from '@yandle/contract';
import { ClientContext } from '../data/client-context';
import { PATH, Screen } from '../testing/screen';
import { FindingsScreen } from './findings';

function visit(date: string, readings: readonly (readonly [string, 'left' | 'right' | null, number])[]): Assessment {
  return {
    id: date,
    clientId: 'c1',
    date,
    time: '09:40',
    warm: false,
    testerId: 'k1',
    testerName: 'Mara',
    note: '',
    battery: [],
    hoursSinceSession: null,
    trials: readings.map(([testId, side, value], i) => ({
      id: `${date}${i}`,
      testId,
      side,
      value,
      instrument: 'x',
      replaces: null,
      replacedBy: null,
    })),
  };
}

describe('FindingsScreen', () => {
  async function open(visits: Assessment[]): Promise<Screen<FindingsScreen>> {
    const screen = await Screen.open(FindingsScreen, { clientId: 'c1' });
    TestBed.inject(ClientContext).open('c1');
    await screen.answer('/clients/c1/assessments', visits);
    await screen.answer('/clients/c1', PATH);
    return screen;
  }

  it('ranks groups with the parts of each score and its reason, from the newest results', async () => {
    const screen = await open([
      visit('2026-01-05', [['active-knee-extension', 'left', 20]]),
      visit('2026-03-08', [
        ['active-knee-extension', 'left', 44],
        ['active-knee-extension', 'right', 32],
        ['weight-bearing-lunge', 'left', 3.3],
        ['weight-bearing-lunge', 'right', 3.3],
      ]),
    ]);
    const items = [...screen.el.querySelectorAll('ol h3')].map((h) => h.textContent);
    expect(items).toEqual(['Hamstrings', 'Soleus', 'Calf (gastrocnemius)']);
    // By hand: 1 against a single value, side 12°/8 · 0.5 = 0.75; 16° are 1.9 steps of 8.3°.
    expect(screen.text).toContain('1.8 = short 1.0 + side 0.8');
    expect(screen.text).toContain('Active knee extension: left 44°, 16° short of 28° (1.9 detectable steps)');
    expect(screen.text).toContain('the left side is notably tighter');
    expect(screen.text).toContain(
      '2 of 2 results with a band are called short. In a healthy client chance alone makes about 0.3.',
    );
  });

  it('hands the chosen groups over to the block', async () => {
    const screen = await open([
      visit('2026-03-08', [
        ['active-knee-extension', 'left', 44],
        ['weight-bearing-lunge', 'left', 3.3],
      ]),
    ]);
    // Both score 1: from the floor up.
    const go = vi.spyOn(TestBed.inject(Router), 'navigate').mockResolvedValue(true);
    const boxes = [...screen.el.querySelectorAll<HTMLInputElement>('ol input[type=checkbox]')];
    boxes[2]!.click();
    await screen.settle();
    await screen.press('Make 2 lanes');
    expect(go).toHaveBeenCalledWith(['/clients', 'c1', 'block'], { queryParams: { groups: 'soleus,hamstrings' } });
  });

  it('warns of very free joints, and says what a missing sex costs', async () => {
    const screen = await open([
      visit('2026-03-08', [
        ['hip-abduction', 'left', 66],
        ['weight-bearing-lunge', 'left', 15.9],
        ['bent-knee-fall-out', 'left', 3],
      ]),
    ]);
    expect(screen.text).toContain('Very free in 3 tests');
    expect(screen.text).toContain('no end-range loading');
    expect(screen.text).toContain('Every measured group reaches its target.');
    expect(screen.text).toContain('Some tables go by sex');
  });

  it('says what to do when nothing is measured', async () => {
    expect((await open([])).text).toContain('Measure a battery');
  });
});
