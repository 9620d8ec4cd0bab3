import type { CheckInBody } from '@yandle/contract';
import { Screen, TODAY } from '../testing/screen';
import { WeekCheckIn } from './week-check-in';

describe('WeekCheckIn', () => {
  async function open() {
    const known = [{ region: 'low-back', score: 4 }];
    const screen = await Screen.open(WeekCheckIn, { today: TODAY, regions: ['thigh-back'], known });
    const said: CheckInBody[] = [];
    screen.fixture.componentInstance.said.subscribe((b) => said.push(b));
    const press = async (label: string) => {
      screen.el.querySelector<HTMLButtonElement>(`button[aria-label="${label}"]`)!.click();
      await screen.settle();
    };
    return { screen, said, press };
  }

  it('sends what was said, and nothing that was not', async () => {
    const { screen, said, press } = await open();
    expect(screen.button('Tell my coach').disabled).toBe(true);
    await press('Back of the thigh 6');
    // The complaint known is asked about; another press takes an answer back.
    await press('Low back 3');
    await press('Low back 3');
    await screen.press('No time');
    await screen.press('Tell my coach');
    expect(said).toEqual([
      {
        ...{ date: TODAY, moment: 'day', sessionId: null, complaints: [], inTheWay: ['time'], away: [], note: '' },
        stiffness: [{ region: 'thigh-back', score: 6 }],
      },
    ]);
  });

  it('takes one day away as one day, and refuses a last day before the first', async () => {
    const { screen, said } = await open();
    const [from, to] = screen.el.querySelectorAll<HTMLInputElement>('input[type=date]');
    const type = async (field: HTMLInputElement, value: string) => {
      field.value = value;
      field.dispatchEvent(new Event('change'));
      await screen.settle();
    };
    await type(from!, '2026-03-20');
    await type(to!, '2026-03-18');
    expect(screen.text).toContain('The last day away is before the first.');
    expect(screen.button('Tell my coach').disabled).toBe(true);
    await type(to!, '');
    await screen.press('Tell my coach');
    expect(said[0]!.away).toEqual([{ from: '2026-03-20', to: '2026-03-20' }]);
  });

  it('sends a strong complaint to licensed help', async () => {
    const { screen, press } = await open();
    expect(screen.text).not.toContain('doctor or physiotherapist');
    await press('Low back 8');
    expect(screen.text).toContain('belongs with a doctor or physiotherapist');
  });
});
