import { DEFAULT_SETTINGS } from '@yandle/contract';
import { Screen } from '../testing/screen';
import { StudioDefaults } from './studio-defaults';

describe('StudioDefaults', () => {
  const field = (screen: Screen<StudioDefaults>, label: string): HTMLInputElement =>
    [...screen.el.querySelectorAll('y-text-field')].find((f) => f.textContent.includes(label))!.querySelector('input')!;
  const type = async (screen: Screen<StudioDefaults>, label: string, text: string) => {
    const input = field(screen, label);
    input.value = text;
    input.dispatchEvent(new Event('input'));
    await screen.settle();
  };
  const choose = async (screen: Screen<StudioDefaults>, label: string, option: string) => {
    const select = [...screen.el.querySelectorAll('label')]
      .find((l) => l.textContent.includes(label))!
      .querySelector('select')!;
    select.selectedIndex = [...select.options].findIndex((o) => o.text.trim() === option);
    select.dispatchEvent(new Event('change'));
    await screen.settle();
  };

  it('shows what holds now and sends what the owner makes of it', async () => {
    const screen = await Screen.open(StudioDefaults);
    expect(field(screen, 'Change to a new position').value).toBe('20');
    expect(field(screen, 'Weekly increase at most').value).toBe('20');
    await type(screen, 'Rest between sets', '7');
    await type(screen, 'Weekly increase at most', '15');
    await choose(screen, 'First day of the week', 'Sunday');
    await choose(screen, 'Lengths in', 'inches');
    await choose(screen, 'Weights in', 'pounds');
    await choose(screen, 'Easier week', 'none');
    await screen.press('Save defaults');
    const put = screen.request('PUT', '/studio/settings');
    expect(put.request.body).toEqual({
      ...DEFAULT_SETTINGS,
      timings: { ...DEFAULT_SETTINGS.timings, rest: 7 },
      firstWeekday: 7,
      units: { length: 'in', weight: 'lb' },
      block: { ...DEFAULT_SETTINGS.block, ramp: 0.15, easierEvery: null },
    });
  });

  it('says at the field what its bounds are when the server refuses', async () => {
    const screen = await Screen.open(StudioDefaults);
    await type(screen, 'Rest between loaded sets', '5');
    await screen.press('Save defaults');
    screen.request('PUT', '/studio/settings').flush(
      {
        type: 'about:blank',
        title: 'Invalid',
        status: 400,
        code: 'invalid-input',
        detail: '',
        errors: [{ path: 'timings.loadedRest', message: 'too small' }],
      },
      { status: 400, statusText: 'Bad Request' },
    );
    await screen.settle();
    expect(screen.text).toContain('Whole number, 20 to 180.');
    expect(field(screen, 'Rest between loaded sets').value).toBe('5');
  });
});
