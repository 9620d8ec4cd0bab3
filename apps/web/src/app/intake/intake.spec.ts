import {
  cautionTitle,
  NOTHING_KNOWN,
  QUESTION_IDS,
  QUESTIONS,
  screeningOn,
  type QuestionId,
  NO_ANSWERS,
} from '@yandle/core';
import type { ClearanceBody, IntakeBody, ScreeningView } from '@yandle/contract';
import { ClientContext } from '../data/client-context';
import { FillInScreen } from '../fill-in/fill-in';
import { PATH, Screen, TODAY } from '../testing/screen';
import { Intake } from './intake';
import {
  askedQuestions,
  groupStates,
  withAnswer,
  withDate,
  withDetail,
  withNoToTheRest,
  withRegion,
  withSide,
} from './question-groups';

const answers = (yes: readonly QuestionId[] = []) => ({
  yes,
  no: QUESTION_IDS.filter((q) => !yes.includes(q)),
  regions: {},
  details: {},
  dates: {},
});
const viewOf = (yes: readonly QuestionId[] | null, over: Partial<ScreeningView> = {}): ScreeningView => ({
  ...screeningOn(yes && answers(yes), 46, [], TODAY),
  intakes: yes
    ? [{ id: 'i1', askedOn: '2026-01-05', by: 'Mara Thornebrook', at: '', answers: answers(yes), about: NOTHING_KNOWN }]
    : [],
  clearances: [],
  consent: {
    version: 1,
    by: 'client',
    name: 'Ottoline Varga',
    at: '2026-01-05T09:00:00.000Z',
    recordedBy: 'Mara Thornebrook',
  },
  dueOn: yes ? '2027-01-05' : null,
  link: null,
  ...over,
});
const text = (id: QuestionId) => QUESTIONS.find((q) => q.id === id)!.text;

describe('answers', () => {
  it('are yes or no, never both, and forget the regions of a yes taken back', () => {
    const yes = withRegion(withAnswer(NO_ANSWERS, 'tear', 'yes'), 'tear', 'knee');
    expect(yes).toMatchObject({ yes: ['tear'], no: [], regions: { tear: ['knee'] } });
    expect(withAnswer(yes, 'tear', 'no')).toEqual({ ...NO_ANSWERS, no: ['tear'] });
    expect(withRegion(yes, 'tear', 'knee').regions).toEqual({ tear: [] });
  });
  it('name the side of a region that has two, and forget it with the region or the yes', () => {
    const knee = withSide(withRegion(withAnswer(NO_ANSWERS, 'tear', 'yes'), 'tear', 'knee'), 'tear', 'knee', 'left');
    expect(knee.sides).toEqual({ tear: { knee: 'left' } });
    expect(withSide(knee, 'tear', 'knee', null).sides).toEqual({});
    expect(withRegion(knee, 'tear', 'knee').sides).toEqual({});
    expect(withAnswer(knee, 'tear', 'no').sides).toEqual({});
    const asked = askedQuestions('Bones, joints and muscles', withRegion(knee, 'tear', 'neck'), 40, TODAY);
    const tear = asked.find((q) => q.id === 'tear')!;
    expect(tear.regions!.filter((r) => r.chosen).map((r) => [r.id, r.sided, r.side])).toEqual([
      ['knee', true, 'left'],
      ['neck', false, null],
    ]);
    expect(cautionTitle(tear.caution!)).toMatch(/left knee, neck$/);
  });
  it('a no to the rest leaves what was answered, and other groups, alone', () => {
    const a = withNoToTheRest(withAnswer(NO_ANSWERS, 'heart', 'yes'), 'Heart, blood and breath');
    expect(a.yes).toEqual(['heart']);
    expect(groupStates(a).map((g) => g.answered)).toEqual([6, 0, 0, 0, 0]);
  });
  it('are told apart in one way, or in several where several may be true, and forget it with the yes', () => {
    const pressure = withDetail(
      withDetail(withAnswer(NO_ANSWERS, 'pressure', 'yes'), 'pressure', 'unknown'),
      'pressure',
      'controlled',
    );
    expect(pressure.details).toEqual({ pressure: ['controlled'] });
    const tendon = ['heel', 'knee', 'heel'].reduce(
      (a, d) => withDetail(a, 'tendon', d),
      withAnswer(NO_ANSWERS, 'tendon', 'yes'),
    );
    expect(tendon.details).toEqual({ tendon: ['knee'] });
    const due = withDate(withAnswer(NO_ANSWERS, 'pregnancy', 'yes'), 'pregnancy', '2026-09-01');
    expect(due.dates).toEqual({ pregnancy: '2026-09-01' });
    expect(withAnswer(due, 'pregnancy', 'no').dates).toEqual({});
  });
  it('of a client who denied what is on record, stand until the coach answers', () => {
    const kept = { ...withAnswer(NO_ANSWERS, 'heart', 'yes'), denied: ['heart' as const] };
    const [asked] = askedQuestions('Heart, blood and breath', kept, 40, TODAY);
    expect(asked).toMatchObject({ id: 'heart', answer: 'yes', denied: true });
    expect(withAnswer(kept, 'heart', 'no')).toEqual({ ...NO_ANSWERS, no: ['heart'] });
  });
});

describe('Intake', () => {
  beforeEach(() => sessionStorage.clear());

  async function open(view: ScreeningView): Promise<Screen<Intake>> {
    const screen = await Screen.open(Intake);
    screen.fixture.componentRef.injector.get(ClientContext).open('c1');
    await screen.settle();
    await screen.answer('/clients/c1', PATH);
    await screen.answer('/clients/c1/screening', view);
    return screen;
  }
  const answer = async (screen: Screen<unknown>, id: QuestionId, to: 'Yes' | 'No') => {
    const group = [...screen.el.querySelectorAll('[role=radiogroup]')].find(
      (g) => g.getAttribute('aria-label') === text(id),
    )!;
    group.querySelectorAll('input')[to === 'Yes' ? 0 : 1]!.click();
    await screen.settle();
  };

  it('shows what a yes changes beside its question and at the side, before anything is saved', async () => {
    const screen = await open(viewOf(null));
    expect(screen.text).toContain('questions not answered yet');
    await answer(screen, 'pressure', 'Yes');
    const aside = screen.el.querySelector('aside')!;
    expect(screen.el.querySelector('y-question-list')!.textContent).toContain('the head below the heart');
    expect(aside.textContent).toContain('Limits: High blood pressure');
    expect(aside.textContent).toContain('Answer every question to start planning.');
    expect(screen.text).toContain('Not saved yet. Closing this tab loses it.');
  });

  it('keeps unsent answers over a reload, sends them once, and then shows what is on record', async () => {
    let screen = await open(viewOf(null));
    await answer(screen, 'heart', 'Yes');
    screen = await open(viewOf(null));
    await screen.press('Answer no to the remaining 5');
    await screen.press('Save today’s answers');
    const put = screen.http.expectOne((r) => r.method === 'PUT' && r.url.startsWith('/api/v1/clients/c1/intakes/'));
    const body = put.request.body as IntakeBody;
    expect(body.answers.yes).toEqual(['heart']);
    expect(body.answers.no).toHaveLength(5);
    expect(body.askedOn).toBe(TODAY);
    put.flush(viewOf(['heart']));
    await screen.settle();
    expect(sessionStorage.length).toBe(0);
    expect(screen.text).toContain('Doctor or physiotherapist first');
  });

  it('wants to know who cleared, and records it for the caution', async () => {
    const screen = await open(viewOf(['leg-pain']));
    await screen.press('Record a clearance');
    await screen.press('Record it');
    expect(screen.text).toContain('Required.');
    await screen.fill('aside input', 'Dr. Maude Ferrant, physician');
    await screen.press('Record it');
    const put = screen.http.expectOne((r) => r.method === 'PUT' && r.url.includes('/clearances/'));
    expect(put.request.body).toEqual({
      cautionId: 'leg-pain',
      who: 'Dr. Maude Ferrant, physician',
      on: TODAY,
      note: '',
      lifts: [],
    });
  });

  it('lifts of a caution only what the coach ticks by name', async () => {
    const screen = await open(viewOf(['leg-pain']));
    await screen.press('Record a clearance');
    await screen.fill('aside input', 'Dr. Maude Ferrant, physician');
    const boxes = [...screen.el.querySelectorAll<HTMLInputElement>('aside fieldset input')];
    expect(boxes.map((b) => b.parentElement!.textContent.trim())).toContain('rounding the back to its end');
    boxes.find((b) => b.parentElement!.textContent.includes('rounding the back'))!.click();
    await screen.press('Record it');
    const put = screen.http.expectOne((r) => r.method === 'PUT' && r.url.includes('/clearances/'));
    expect((put.request.body as ClearanceBody).lifts).toEqual(['demand:spine-forward']);
  });

  it('takes what hurts with its score, and forgets it again', async () => {
    const screen = await open(viewOf([]));
    await screen.press('Aims and equipment');
    const box = () =>
      [...screen.el.querySelectorAll<HTMLInputElement>('y-about-form input[type=checkbox]')].find((b) =>
        b.parentElement!.textContent.includes('Low back'),
      )!;
    box().click();
    await screen.settle();
    expect(screen.text).toContain('Low back: how bad, from 0 (not at all) to 10 (worst)');
    await screen.press('Save today’s answers');
    const put = screen.http.expectOne((r) => r.method === 'PUT' && r.url.includes('/intakes/'));
    expect((put.request.body as IntakeBody).about.complaints).toEqual([{ region: 'low-back', score: 3 }]);
    put.flush(viewOf([]));
    await screen.settle();
    expect(box().checked).toBe(false);
  });

  it('takes a second place with what is there, and what stands in for what is not', async () => {
    const screen = await open(viewOf([]));
    await screen.press('Aims and equipment');
    await screen.press('Add a place');
    const box = (label: string) =>
      [...screen.el.querySelectorAll<HTMLInputElement>('y-places-form input[type=checkbox]')].find(
        (b) => b.parentElement!.textContent.trim() === label,
      )!;
    expect(box('Wall').checked).toBe(false);
    box('Strap').click();
    await screen.settle();
    const instead = [...screen.el.querySelectorAll<HTMLLabelElement>('y-places-form label')].find((l) =>
      l.textContent.includes('Instead of the roller'),
    )!;
    const input = instead.querySelector('input')!;
    input.value = 'a full bottle';
    input.dispatchEvent(new Event('change'));
    await screen.settle();
    expect(screen.text).toContain('a full bottle for the roller');
    await screen.press('Save today’s answers');
    const put = screen.http.expectOne((r) => r.method === 'PUT' && r.url.includes('/intakes/'));
    const [, second] = (put.request.body as IntakeBody).about.places;
    expect(second).toMatchObject({
      kind: 'bed',
      things: ['cushion', 'strap'],
      substitutes: [{ thing: 'roller', instead: 'a full bottle' }],
    });
  });

  it('asks again after a year, and starts empty then', async () => {
    const screen = await open(viewOf(['balance'], { dueOn: TODAY }));
    expect(screen.text).toContain('The questions are due again.');
    await screen.press('Ask them again');
    expect(screen.text).toContain('0 of 6 answered');
    await screen.press('Back to what is on record');
    expect(screen.text).toContain('✓ 6 of 6, all no');
  });

  it('shows a link once, and ends it', async () => {
    const screen = await open(viewOf([]));
    await screen.press('Let the client fill it in');
    await screen.answer('/clients/c1/intake-link', { token: 'abc', expiresAt: '' }, 201);
    expect(screen.el.querySelector<HTMLInputElement>('[aria-label="Link for the client"]')!.value).toMatch(
      /\/fill-in\/abc$/,
    );
    await screen.press('End the link');
    await screen.answer('/clients/c1/intake-link/revoke', viewOf([]));
    expect(screen.el.querySelector('[aria-label="Link for the client"]')).toBeNull();
  });

  it('keeps what was typed when somebody else saved the person, and offers both ways', async () => {
    const screen = await open(viewOf([]));
    await screen.press('Person and days');
    const field = '[formcontrolname="notes"]';
    await screen.fill(field, 'mine');
    await screen.press('Save');
    const put = screen.request('PUT', '/clients/c1');
    expect(put.request.body).toMatchObject({ version: 3, notes: 'mine' });
    put.flush(
      { code: 'stale-version', title: 'x', detail: 'y', current: { ...PATH.client, version: 4, notes: 'theirs' } },
      { status: 409, statusText: 'conflict' },
    );
    await screen.settle();
    expect(screen.text).toContain('Someone else saved this client while you were editing');
    await screen.press('Save mine over it');
    expect(screen.request('PUT', '/clients/c1').request.body).toMatchObject({ version: 4, notes: 'mine' });
  });
});

describe('FillInScreen', () => {
  beforeEach(() => sessionStorage.clear());
  const WHO = {
    firstName: 'Wilma',
    studio: 'Harbour Lane',
    units: { length: 'cm', weight: 'kg' },
    askedOn: TODAY,
    age: 60,
    consented: false,
  };

  it('goes group by group, speaks to the client, and sends all', async () => {
    const screen = await Screen.open(FillInScreen, { token: 'tok' });
    await screen.answer('/fill-in/tok', WHO);
    const yes = screen.el.querySelector<HTMLInputElement>('input[type=radio]')!;
    yes.click();
    await screen.settle();
    expect(screen.text).toContain('Please see a doctor or physiotherapist before you start.');
    for (let i = 0; i < 5; i++) {
      // A client answers each question: no press answers all of them.
      expect(screen.el.textContent).not.toContain('Answer no to');
      const groups = [...screen.el.querySelectorAll('[role=radiogroup]')];
      if (i > 0) for (const g of groups) g.querySelectorAll<HTMLInputElement>('input[type=radio]')[1]!.click();
      await screen.settle();
      await screen.press('Next');
    }
    expect(screen.text).toContain('5 answers are missing; your coach will ask.');
    // Nothing is sent before the client agrees, and nothing is ticked for them.
    expect(screen.button('Send to my coach').disabled).toBe(true);
    expect(screen.text).toContain('Harbour Lane keeps my answers about my health');
    await screen.fill('y-consent-form input.input', 'Wilma Thorne');
    const box = screen.el.querySelector<HTMLInputElement>('y-consent-form input[type=checkbox]')!;
    expect(box.checked).toBe(false);
    box.click();
    await screen.settle();
    await screen.press('Send to my coach');
    const put = screen.http.expectOne((r) => r.method === 'PUT' && r.url.startsWith('/api/v1/fill-in/tok/'));
    expect(put.request.body).toMatchObject({
      answers: { yes: ['heart'] },
      consent: { version: 1, by: 'client', name: 'Wilma Thorne' },
    });
    put.flush({});
    await screen.settle();
    expect(screen.text).toContain('Thank you, Wilma');
  });

  it('does not let an emergency wait for the coach', async () => {
    sessionStorage.setItem('yandle-intake:tok', JSON.stringify({ answers: answers(['saddle']), about: NOTHING_KNOWN }));
    const screen = await Screen.open(FillInScreen, { token: 'tok' });
    await screen.answer('/fill-in/tok', WHO);
    expect(screen.el.querySelector('[role=alert]')!.textContent).toContain('Call an ambulance');
  });

  it('says when the link has ended', async () => {
    const screen = await Screen.open(FillInScreen, { token: 'old' });
    await screen.answer('/fill-in/old', { code: 'not-found', title: 'Not found', detail: 'Ask for a new one.' }, 404);
    expect(screen.text).toContain('Ask for a new one.');
  });
});
