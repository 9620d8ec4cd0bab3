import type { OwnStyleBody } from '@yandle/contract';
import { styleById } from '@yandle/core';
import { Screen } from '../testing/screen';
import { StylesScreen } from './styles';

const definitionOf = (id: string) => {
  const { id: _, ...rest } = styleById(id);
  return rest;
};

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
    expect(doses(screen).slice(0, 4)).toEqual(['180 s', '210 s', '240 s', '120 s']);
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
      phases: [{ start: { sets: 1, holdSeconds: 40 } }],
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

  it('changes what progresses: adds a variable, takes one out, sets its step and cap', async () => {
    const screen = await open();
    await screen.press('Copy and change');
    const order = () =>
      [...screen.el.querySelectorAll('fieldset tbody td:first-child')].map((d) => d.textContent.trim());
    expect(order()).toEqual([
      '1. hold',
      '2. sets',
      '3. sessions per week',
      '4. hold',
      '5. sets',
      '6. sessions per week',
      '7. target sensation',
    ]);
    screen.el.querySelector<HTMLButtonElement>('button[aria-label="sets no longer progresses"]')!.click();
    await screen.settle();
    expect(order().slice(0, 3)).toEqual(['1. hold', '2. sessions per week', '3. hold']);
    const more = [...screen.el.querySelectorAll('select')].find((x) => x.textContent.includes('add a variable'))!;
    more.value = 'sets';
    more.dispatchEvent(new Event('change'));
    await screen.settle();
    expect(order().at(-1)).toBe('7. sets');
    await screen.fill('input[aria-label="hold, step"]', '15');
    await screen.fill('input[aria-label="hold, cap"]', '75');
    await screen.press('Save this style');
    const put = screen.http.expectOne((r) => r.method === 'PUT' && r.url.startsWith('/api/v1/own-styles/'));
    const body = put.request.body as OwnStyleBody;
    expect(body.phases[0]!.order.map((t) => t.variable).slice(-2)).toEqual(['sensation', 'sets']);
    expect(body.phases[0]).toMatchObject({
      step: { holdSeconds: 15 },
      caps: { holdSeconds: 75 },
    });
  });

  it('puts rolling before and activation after, and leaves the easier weeks out', async () => {
    const screen = await open();
    await screen.press('Copy and change');
    const choose = async (label: string, value: string) => {
      const field = [...screen.el.querySelectorAll('label')]
        .find((l) => l.textContent.trim().startsWith(label))!
        .querySelector('select')!;
      field.value = value;
      field.dispatchEvent(new Event('change'));
      await screen.settle();
    };
    await choose('Before the stretch', '1');
    await choose('After the stretch', '1');
    await choose('Easier week', 'none');
    // Without easier weeks nothing falls: every week asks at least what the one before did.
    const seconds = doses(screen).map((d) => Number.parseInt(d, 10));
    seconds.forEach((s, i) => expect(s).toBeGreaterThanOrEqual(seconds[i - 1] ?? 0));
    await screen.press('Save this style');
    const put = screen.http.expectOne((r) => r.method === 'PUT' && r.url.startsWith('/api/v1/own-styles/'));
    expect(put.request.body).toMatchObject({ easierWeeks: false, easierEvery: null });
    expect((put.request.body as OwnStyleBody).before).not.toBeNull();
    expect((put.request.body as OwnStyleBody).after).not.toBeNull();
  });

  it('shows earlier versions of an own style, archives it, and brings a version into the draft', async () => {
    const own = { ...definitionOf('upkeep'), name: 'Our upkeep', id: 's1', version: 2, archived: false };
    const screen = await Screen.open(StylesScreen);
    await screen.answer('/own-styles', [own]);
    await screen.press('Our upkeep');
    await screen.press('Earlier versions');
    const before = { version: 1, at: '2026-03-01T09:00:00.000Z', definition: { ...own, name: 'First upkeep' } };
    await screen.answer('/own-styles/s1/versions', [before]);
    expect(screen.text).toContain('Version 1, until 1 Mar 2026');
    await screen.press('Restore');
    expect(screen.text).toContain('First upkeep');
    await screen.press('Leave');
    await screen.press('Archive');
    const put = screen.request('PUT', '/own-styles/s1');
    expect(put.request.body).toMatchObject({ version: 2, archived: true, name: 'Our upkeep' });
  });
});
