import type { OwnBatteryBody, OwnTestBody } from '@yandle/contract';
import { Screen } from '../testing/screen';
import { EMPTY_CATALOGUE } from '../testing/assessments';
import { bodyOf, draftOf } from './own-test-form';
import { TestsScreen } from './tests';

describe('TestsScreen', () => {
  async function open(catalogue: object = EMPTY_CATALOGUE): Promise<Screen<TestsScreen>> {
    const screen = await Screen.open(TestsScreen);
    await screen.answer('/test-catalogue', catalogue);
    return screen;
  }
  const field = (screen: Screen<TestsScreen>, label: string) =>
    [...screen.el.querySelectorAll('label')].find((l) => l.textContent.trim().startsWith(label))!
      .control as HTMLInputElement;
  const fill = async (screen: Screen<TestsScreen>, label: string, value: string) => {
    const f = field(screen, label);
    f.value = value;
    f.dispatchEvent(new Event('input'));
    await screen.settle();
  };

  it('shows protocol, error and reference with their sources, and finds a test by its words', async () => {
    const screen = await open();
    expect(screen.text).toContain('Weight-bearing lunge');
    expect(screen.text).toContain('0.7 cm; a change above 1.9 cm is real');
    expect(screen.text).toContain('from memory, check the source');
    await screen.fill('input[type=search]', 'wrist');
    const found = [...screen.el.querySelectorAll('nav[aria-label=Tests] button')].map((b) => b.textContent.trim());
    expect(found.length).toBeGreaterThan(1);
    expect(found.every((n) => n.toLowerCase().includes('wrist'))).toBe(true);
  });

  it('keeps a test of one’s own, its numbers read from the text', async () => {
    const screen = await open();
    await screen.press('Add a test');
    await fill(screen, 'Name', 'Wall slide');
    await fill(screen, 'Steps', 'Stand.\n\nSlide up.');
    await fill(screen, 'Measurement error', '1,5');
    await fill(screen, 'Source of the error', 'our studio');
    screen.el.querySelector('y-own-test-form form')!.dispatchEvent(new Event('submit', { cancelable: true }));
    await screen.settle();
    const put = screen.http.expectOne((r) => r.url.startsWith('/api/v1/own-tests/'));
    const body = put.request.body as OwnTestBody;
    expect(body).toMatchObject({
      version: null,
      name: 'Wall slide',
      steps: ['Stand.', 'Slide up.'],
      error: { sem: 1.5, source: { origin: 'practice', text: 'our studio' } },
      reference: null,
    });
    put.flush(
      { code: 'validation', detail: 'Fix.', errors: [{ path: 'endPoint', message: 'Required.' }] },
      { status: 400, statusText: 'x' },
    );
    await screen.settle();
    expect(field(screen, 'Stop reading when').getAttribute('aria-invalid')).toBe('true');
    expect(screen.text).toContain('Required.');
  });

  it('edits a draft and comes back to the same test', () => {
    const own = {
      ...bodyOf(draftOf(OWN), 1, false),
      id: 'x',
      version: 1,
      used: false,
    };
    expect(own).toEqual({ ...OWN, used: false });
  });

  it('puts a battery together in the order of positions, with its minutes', async () => {
    const screen = await open();
    await screen.press('Add a battery');
    const tick = async (name: string) => {
      const label = [...screen.el.querySelectorAll('y-battery-form label')].find((l) => l.textContent.includes(name))!;
      label.querySelector('input')!.dispatchEvent(new Event('change'));
      await screen.settle();
    };
    await tick('Prone knee bend');
    await tick('Finger to floor');
    expect(screen.text).toMatch(/2 tests, about \d+ min\. In this order: Finger to floor, Prone knee bend/);
    await fill(screen, 'Name', 'Two');
    screen.el.querySelector('y-battery-form form')!.dispatchEvent(new Event('submit', { cancelable: true }));
    await screen.settle();
    const put = screen.http.expectOne((r) => r.url.startsWith('/api/v1/own-batteries/'));
    expect(put.request.body as OwnBatteryBody).toMatchObject({
      name: 'Two',
      testIds: ['finger-to-floor', 'prone-knee-bend'],
      archived: false,
    });
  });
});

const OWN = {
  id: 'x',
  version: 1,
  archived: false,
  used: true,
  name: 'Wall slide',
  motion: 'Shoulder',
  purpose: '',
  position: 'standing' as const,
  landmarks: ['wrist'],
  steps: ['Stand.', 'Slide.'],
  endPoint: 'the back leaves',
  instruments: ['tape'],
  unit: 'cm' as const,
  reads: 'wrist to wall',
  better: 'less' as const,
  sides: 'body' as const,
  valueRule: 'mean' as const,
  repeatTolerance: 1,
  resolution: 0.5,
  plausible: { min: 0, max: 60 },
  error: { sem: 1.2, source: { origin: 'own' as const, text: 'us' } },
  reference: { mean: 5, sd: null, source: { origin: 'practice' as const, text: 'trade' } },
  limits: [{ group: 'lats' as const, weight: 1 }],
  cautions: ['Stop.'],
  notFor: [],
  faults: ['arch'],
};
