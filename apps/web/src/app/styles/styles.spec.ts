import { Screen } from '../testing/screen';
import { StylesScreen } from './styles';

describe('StylesScreen', () => {
  async function open(): Promise<Screen<StylesScreen>> {
    const screen = await Screen.open(StylesScreen);
    await screen.answer('/own-styles', []);
    return screen;
  }
  const doses = (screen: Screen<StylesScreen>) =>
    [...screen.el.querySelectorAll('.cell .dose')].map((d) => d.textContent.trim());

  it('shows the seven with what they make of twelve weeks, and where it comes from', async () => {
    const screen = await open();
    expect(screen.el.querySelectorAll('ul button[aria-pressed]')).toHaveLength(7);
    expect(doses(screen).slice(0, 4)).toEqual(['180 s', '210 s', '240 s', '160 s']);
    expect(screen.text).toContain('Garber CE et al. 2011');
    await screen.press('Long hold');
    expect(doses(screen).slice(0, 3)).toEqual(['180 s', '200 s', '240 s']);
    await screen.press('Loaded range');
    expect(screen.text).toContain('full help');
    expect(screen.text).toContain('Phase 2 loaded isometric');
  });

  it('redraws the weeks while a copy is changed, says what is wrong, and keeps it', async () => {
    const screen = await open();
    await screen.press('Copy and change');
    const number = (label: string) =>
      [...screen.el.querySelectorAll('label')].find((l) => l.textContent.trim() === label)!.querySelector('input')!;
    const set = async (label: string, value: string) => {
      const field = number(label);
      field.value = value;
      field.dispatchEvent(new Event('change'));
      await screen.settle();
    };
    await set('Sets', '1');
    await set('Hold, s', '40');
    expect(doses(screen).slice(0, 2)).toEqual(['120 s', '135 s']);
    await set('Hold, s', '80');
    expect(screen.text).toContain('Hold: the cap is below the start.');
    expect(screen.button('Save this style').disabled).toBe(true);
    await set('Hold, s', '40');
    screen.el.querySelector<HTMLButtonElement>('button[aria-label="sets earlier"]')!.click();
    await screen.settle();
    await screen.press('Save this style');
    const put = screen.http.expectOne((r) => r.method === 'PUT' && r.url.startsWith('/api/v1/own-styles/'));
    expect(put.request.body).toMatchObject({
      name: 'Copy of Steady hold',
      version: null,
      phases: [{ start: { sets: 1, holdSeconds: 40 }, order: ['sets', 'holdSeconds', 'sessionsPerWeek', 'sensation'] }],
    });
    put.flush({ ...(put.request.body as object), id: 's1', version: 1, archived: false });
    await screen.settle();
    await screen.answer('/own-styles', [{ ...(put.request.body as object), id: 's1', version: 1, archived: false }]);
    expect(screen.text).toContain('Copy of Steady hold · studio');
  });

  it('writes one of another technique from nothing, with phases', async () => {
    const screen = await open();
    await screen.press('Add a style');
    expect(screen.text).toContain('Give the style a name.');
    await screen.press('Add a phase');
    expect(screen.text).toContain('Phase 2');
    await screen.press('Remove this phase');
    const technique = screen.el.querySelector<HTMLSelectElement>('fieldset select')!;
    technique.value = 'contract-relax';
    technique.dispatchEvent(new Event('change'));
    await screen.settle();
    expect(screen.text).toContain('Cycles');
    // 2 sets × 3 cycles × 15 s × 3 days.
    expect(doses(screen)[0]).toBe('270 s');
  });
});
