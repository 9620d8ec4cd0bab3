import type { ClientBody } from '@yandle/contract';
import { PATH, Screen } from '../testing/screen';
import { ClientForm } from './client-form';
import { NewClient } from './new-client';

const field = (name: string) => `[formcontrolname="${name}"]`;

describe('ClientForm', () => {
  async function open(inputs: object = {}): Promise<{ screen: Screen<ClientForm>; saved: ClientBody[] }> {
    const screen = await Screen.open(ClientForm, { draftOf: 'new', ...inputs });
    const saved: ClientBody[] = [];
    screen.fixture.componentInstance.saved.subscribe((b) => saved.push(b));
    await screen.settle();
    return { screen, saved };
  }

  beforeEach(() => sessionStorage.clear());

  it('brings back what was typed before a reload, until it is saved or discarded', async () => {
    const first = await open();
    await first.screen.fill(field('name'), 'Ada');
    expect(first.screen.text).not.toContain('here again');
    const { screen } = await open();
    expect(screen.el.querySelector<HTMLInputElement>(field('name'))!.value).toBe('Ada');
    expect(screen.text).toContain('What you typed before is here again, not saved yet.');
    await screen.press('Discard it');
    expect(screen.el.querySelector<HTMLInputElement>(field('name'))!.value).toBe('');
    expect((await open()).screen.text).not.toContain('here again');
  });

  it('says at the field what is missing, and sends nothing', async () => {
    const { screen, saved } = await open();
    await screen.press('Save');
    expect(saved).toEqual([]);
    expect([...screen.el.querySelectorAll('.field-error')].map((e) => e.textContent)).toEqual([
      'Required.',
      'Required.',
    ]);
    expect(screen.el.querySelector(field('name'))!.getAttribute('aria-invalid')).toBe('true');
  });

  it.each([
    ['4', false],
    ['5', true],
    ['120', true],
    ['121', false],
    ['20.5', false],
    ['', false],
  ])('takes %j minutes: %s', async (minutes, ok) => {
    const { screen, saved } = await open();
    await screen.fill(field('name'), ' Ada ');
    await screen.fill(field('birthDate'), '1990-02-03');
    await screen.fill(field('minutesPerSession'), minutes);
    await screen.press('Save');
    expect(saved).toHaveLength(ok ? 1 : 0);
    if (ok)
      expect(saved[0]).toMatchObject({
        name: 'Ada',
        minutesPerSession: Number(minutes),
        trainingDays: [1, 3, 5],
        leadCoachId: 'k1',
        screening: 'open',
      });
  });

  it('wants a day, and keeps days in the order of the week', async () => {
    const { screen, saved } = await open();
    await screen.fill(field('name'), 'Ada');
    await screen.fill(field('birthDate'), '1990-02-03');
    const days = [...screen.el.querySelectorAll<HTMLInputElement>('fieldset input[type=checkbox][aria-label$="day"]')];
    for (const i of [0, 2, 4]) days[i]!.click();
    await screen.press('Save');
    expect(screen.text).toContain('Choose at least one day.');
    days[6]!.click();
    days[1]!.click();
    await screen.press('Save');
    expect(saved[0]!.trainingDays).toEqual([2, 7]);
  });

  it('shows what the server found at its field', async () => {
    const problem = {
      code: 'validation',
      title: 'x',
      detail: 'y',
      errors: [{ path: 'birthDate', message: 'In the future.' }],
    };
    const { screen } = await open({ problem });
    expect(screen.el.querySelector('.field-error')!.textContent).toBe('In the future.');
  });

  it('marks groups to go easy on', async () => {
    const { screen, saved } = await open({ value: { ...PATH.client, gentleGroups: ['hamstrings'] } });
    expect(screen.text).toContain('Go easy on 1 group');
    const boxes = [...screen.el.querySelectorAll<HTMLInputElement>('details input')];
    boxes.find((b) => b.parentElement!.textContent.includes('Soleus'))!.click();
    boxes.find((b) => b.parentElement!.textContent.includes('Hamstrings'))!.click();
    await screen.press('Save');
    expect(saved[0]!.gentleGroups).toEqual(['soleus']);
  });
});

describe('NewClient', () => {
  it('creates with one id for as long as the form is open', async () => {
    const screen = await Screen.open(NewClient);
    await screen.settle();
    await screen.fill(field('name'), 'Ada');
    await screen.fill(field('birthDate'), '1990-02-03');
    await screen.press('Add client');
    const first = screen.request('POST', '/clients');
    first.flush({}, { status: 503, statusText: 'down' });
    await screen.settle();
    await screen.press('Add client');
    const second = screen.request('POST', '/clients');
    expect((second.request.body as { id: string }).id).toBe((first.request.body as { id: string }).id);
  });
});
