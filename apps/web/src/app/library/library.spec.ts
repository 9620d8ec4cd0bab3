import {
  EXERCISES,
  exerciseById,
  exerciseIndex,
  NOTHING_KNOWN,
  placeOfKind,
  screeningOn,
  QUESTION_IDS,
  type QuestionId,
  whereDoneWords,
} from '@yandle/core';
import type { MyExercises, OwnExercise, OwnExerciseBody } from '@yandle/contract';
import { TestBed } from '@angular/core/testing';
import { ToastService } from '../data/toast.service';
import { ClientContext } from '../data/client-context';
import { PATH, Screen, TODAY } from '../testing/screen';
import { EVERYTHING, found, unsuitable } from './filter.model';
import { LibraryScreen } from './library';

const cautionsOf = (...yes: QuestionId[]) =>
  screeningOn({ yes, no: QUESTION_IDS.filter((q) => !yes.includes(q)), regions: {} }, 46, [], TODAY).current;
const own = (over: Partial<OwnExercise> = {}): OwnExercise => {
  const { id: _, ...definition } = exerciseById('bent-knee-wall-calf');
  return { ...definition, id: 'o1', version: 2, archived: false, name: 'Landing calf', ...over };
};

describe('what is found', () => {
  const index = exerciseIndex(EXERCISES);
  const ids = (over: object, mine: Parameters<typeof found>[2] = null) =>
    found(index, { ...EVERYTHING, ...over }, mine).map((e) => e.id);

  it('by words, all of them, wherever they stand', () => {
    expect(ids({ words: 'strap HAMSTRING' })).toContain('supine-strap-hamstring');
    expect(ids({ words: 'strap hamstring' })).not.toContain('chair-hamstring-hinge');
    expect(ids({ words: 'zebra' })).toEqual([]);
    expect(ids({})).toHaveLength(EXERCISES.length);
  });
  it('by group, the ones made for it first', () => {
    const list = ids({ group: 'lats' });
    expect(list.slice(0, 3).every((id) => exerciseById(id).primary === 'lats')).toBe(true);
    expect(list).toContain('standing-side-bend');
  });
  it('by what clients call a place of the body', () => {
    expect(
      ids({ words: 'front of the thigh' })
        .slice(0, 3)
        .map((id) => exerciseById(id).primary),
    ).toEqual(Array(3).fill('quadriceps'));
  });
  it('by place, minutes, favourites and what is in use', () => {
    const bed = ids({ place: 'bed' });
    expect(bed).toContain('knee-hug');
    expect(bed).not.toContain('standing-quadriceps');
    // A roll of the outer thigh is set up on the floor and done on both sides: more than a minute.
    expect(ids({ minutes: 1 }).length).toBeLessThan(ids({ minutes: 3 }).length);
    const mine = { favourites: ['knee-hug'], recent: ['frog', 'knee-hug'] };
    expect(ids({ among: 'favourites' }, mine)).toEqual(['knee-hug']);
    expect(new Set(ids({ among: 'recent' }, mine))).toEqual(new Set(['frog', 'knee-hug']));
    expect(ids({ among: 'favourites' })).toEqual([]);
  });
  it('by technique, position, thing and level', () => {
    expect(ids({ technique: 'nerve glide' })).toEqual(['sciatic-glide']);
    expect(ids({ position: 'prone', difficulty: 3 })).toEqual(['prone-chest-roll']);
    expect(new Set(ids({ prop: 'stick' }))).toEqual(
      new Set(['stick-shin-roll', 'stick-pass-over', 'stick-lift-behind', 'stick-outward-turn']),
    );
    // What is made for pushing first, then holds that something is pushed against.
    const pushed = ids({ technique: 'contract-relax' });
    expect(new Set(pushed.slice(0, 2))).toEqual(new Set(['strap-push-relax-hamstring', 'half-fold-push-up']));
    expect(pushed).toContain('doorway-pectorals');
    expect(ids({ prop: 'none' })).not.toContain('stick-pass-over');
  });
  it('for a client: cautions, things at hand, and place', () => {
    const client = { cautions: cautionsOf('thinners'), about: { ...NOTHING_KNOWN, places: [placeOfKind('chair')] } };
    const list = ids({}).filter((id) => unsuitable(exerciseById(id), client).length === 0);
    for (const id of list) expect(whereDoneWords(exerciseById(id)), id).toMatch(/sitting on a chair|standing/);
    expect(list.some((id) => exerciseById(id).technique === 'rolling')).toBe(false);
    expect(unsuitable(exerciseById('ball-foot-roll'), client)).toEqual(['Blood thinners or varicose veins']);
    expect(unsuitable(exerciseById('outer-thigh-roll'), client).at(-1)).toContain('needs roller');
    // A towel stands in for the strap, so its lack is no reason.
    const bare = { cautions: cautionsOf(), about: NOTHING_KNOWN };
    expect(unsuitable(exerciseById('supine-strap-hamstring'), bare)).toEqual([]);
    expect(unsuitable(exerciseById('sciatic-glide'), bare)).toEqual(['Nerve glides']);
  });
});

describe('LibraryScreen', () => {
  async function open(
    exercises: OwnExercise[] = [],
    mine: MyExercises = { favourites: [], recent: [] },
  ): Promise<Screen<LibraryScreen>> {
    const screen = await Screen.open(LibraryScreen);
    await screen.answer('/own-exercises', exercises);
    await screen.answer('/library/mine', mine);
    return screen;
  }

  it('shows the figures a page at a time, and goes up and down the ladder', async () => {
    const screen = await open();
    expect(screen.el.querySelectorAll('ul svg.figure')).toHaveLength(24);
    await screen.press('Show more of');
    expect(screen.el.querySelectorAll('ul svg.figure')).toHaveLength(48);
    await screen.fill('input[type=search]', 'half-kneeling hip');
    await screen.press('Half-kneeling hip flexor stretch');
    expect(screen.text).toContain('Caution:');
    expect(screen.text).toContain('Stop signs');
    await screen.press('Standing hip flexor stretch');
    expect(screen.el.querySelector('article h2')!.textContent).toBe('Standing hip flexor stretch');
  });

  it('draws the other side as the mirror, and moves only on demand', async () => {
    const screen = await open();
    await screen.press('Half-kneeling ankle rock');
    const box = () => screen.el.querySelector('article svg')!.getAttribute('viewBox')!.split(' ').map(Number);
    const right = box();
    await screen.press('● Left');
    const left = box();
    expect(left[0]!).toBeCloseTo(-(right[0]! + right[2]!), 3);
    expect(screen.el.querySelectorAll('article path[fill="var(--fig-shadow)"]').length).toBeGreaterThan(0);
    await screen.press('Move');
    expect(screen.el.querySelectorAll('article path[fill="var(--fig-shadow)"]')).toHaveLength(0);
    await screen.press('Stop');
  });

  it('says why an exercise does not suit the open client, and can leave such ones out', async () => {
    const screen = await open();
    screen.fixture.componentRef.injector.get(ClientContext).open('c1');
    await screen.settle();
    await screen.answer('/clients/c1', { ...PATH, cautions: cautionsOf('hip-replacement') });
    await screen.fill('input[type=search]', 'knee chest');
    // By default what does not suit is left out, and said how many.
    expect(screen.text).not.toContain('Knee to the chest');
    const before = screen.el.querySelectorAll('ul li').length;
    await screen.press('Show them and why');
    expect(screen.el.querySelectorAll('ul li').length).toBeGreaterThan(before);
    await screen.press('Knee to the chest');
    expect(screen.text).toContain('Not for Ottoline Varga: artificial hip.');
  });

  it('keeps favourites at hand, and puts the star back where the server says no', async () => {
    const screen = await open([], { favourites: ['knee-hug'], recent: ['frog'] });
    await screen.press('★ Favourites');
    expect(screen.el.querySelectorAll('ul li')).toHaveLength(1);
    await screen.press('Knee to the chest');
    screen.el.querySelector<HTMLButtonElement>('[aria-label="Take out of the favourites"]')!.click();
    await screen.settle();
    const put = () =>
      screen.http.expectOne((r) => r.method === 'PUT' && r.url.endsWith('/library/favourites/knee-hug'));
    const sent = put();
    expect(sent.request.body).toEqual({ favourite: false });
    expect(screen.text).toContain('No favourites yet');
    sent.flush({ title: 'x', detail: 'Try again.', status: 503 }, { status: 503, statusText: 'no' });
    await screen.settle();
    expect(screen.el.querySelectorAll('ul li')).toHaveLength(1);
    // Two stars pressed quickly: the refused one alone goes back.
    const star = () => screen.el.querySelector<HTMLButtonElement>('article [aria-label*="favourites"]')!.click();
    await screen.press('All');
    star();
    await screen.fill('input[type=search]', 'wide-knee rock');
    await screen.press('Wide-knee rock-back');
    star();
    put().flush({ title: 'x', detail: 'Try again.', status: 503 }, { status: 503, statusText: 'no' });
    screen.http.expectOne((r) => r.url.endsWith('/library/favourites/frog')).flush(['frog']);
    await screen.settle();
    await screen.fill('input[type=search]', '');
    await screen.press('★ Favourites');
    expect(screen.el.querySelectorAll('ul li')).toHaveLength(2);
    await screen.press('In use');
    expect(screen.text).toContain('Wide-knee rock-back');
  });

  it('says why there is nothing of a kind for a group, where that is on purpose', async () => {
    const screen = await open();
    const choose = (label: string, value: string) => {
      const field = [...screen.el.querySelectorAll('aside label')].find((l) => l.textContent?.includes(label))!;
      const select = field.querySelector('select')!;
      select.value = value;
      select.dispatchEvent(new Event('change'));
      return screen.settle();
    };
    await choose('Muscle group', 'neck-side');
    await choose('Technique', 'rolling');
    expect(screen.text).toContain('Nothing of this kind for Neck, side, on purpose: the neck is neither pushed');
    // On a narrow screen the two are folded away again: the button still says that they are set.
    expect(screen.text).toContain('Body map and filters (2 set)');
  });

  it('copies an exercise as one of one’s own, with one id however often it is pressed', async () => {
    const screen = await open();
    await screen.press('Bent-knee calf stretch');
    await screen.press('Copy and edit');
    const name = screen.el.querySelector<HTMLInputElement>('form input')!;
    expect(name.value).toBe('Bent-knee calf stretch at a wall, own');
    await screen.fill('form input', 'Landing calf');
    await screen.press('Save');
    const puts = () => screen.http.expectOne((r) => r.method === 'PUT' && r.url.startsWith('/api/v1/own-exercises/'));
    const first = puts();
    expect(first.request.body as OwnExerciseBody).toMatchObject({
      name: 'Landing calf',
      origin: 'own',
      version: null,
      steps: exerciseById('bent-knee-wall-calf').steps,
    });
    first.flush(
      { code: 'validation', title: 'x', detail: 'y', errors: [{ path: 'steps.2', message: 'At most 300.' }] },
      { status: 400, statusText: 'no' },
    );
    await screen.settle();
    expect(screen.text).toContain('At most 300.');
    await screen.press('Save');
    const second = puts();
    expect(second.request.url).toBe(first.request.url);
    second.flush(own());
    await screen.settle();
    await screen.answer('/own-exercises', [own()]);
    expect(screen.el.querySelector('article h2')!.textContent).toBe('Landing calf');
  });

  it('edits and archives by version, and shows what it was before', async () => {
    const screen = await open([own()]);
    await screen.fill('input[type=search]', 'landing');
    await screen.press('Landing calf');
    await screen.press('Earlier versions');
    const { id: _i, version: _v, archived: _r, ...definition } = own({ name: 'Old name' });
    await screen.answer('/own-exercises/o1/versions', [{ version: 1, at: '2026-03-01T08:00:00.000Z', definition }]);
    expect(screen.text).toContain('Version 1 until 1 Mar 2026: Old name.');
    await screen.press('Edit');
    await screen.press('Archive it');
    const put = screen.request('PUT', '/own-exercises/o1');
    expect(put.request.body).toMatchObject({ version: 2, archived: true });
    put.flush(own({ archived: true, version: 3 }));
    await screen.settle();
    await screen.answer('/own-exercises', [own({ archived: true, version: 3 })]);
    expect(screen.text).toContain('Nothing fits.');

    TestBed.inject(ToastService).toasts().at(-1)!.action!.run();
    await screen.settle();
    const back = screen.request('PUT', '/own-exercises/o1');
    expect(back.request.body).toMatchObject({ version: 3, archived: false, name: 'Landing calf' });
    back.flush(own({ version: 4 }));
    await screen.settle();
    await screen.answer('/own-exercises', [own({ version: 4 })]);
    expect(screen.text).not.toContain('Nothing fits.');
  });
});
