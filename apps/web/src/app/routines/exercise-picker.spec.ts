import { EXERCISES, type Exercise } from '@yandle/core';
import { Screen, textOf } from '../testing/screen';
import { ExercisePicker } from './exercise-picker';

describe('ExercisePicker', () => {
  const opened = async (exercises: readonly Exercise[] = EXERCISES) => {
    const screen = await Screen.open(ExercisePicker, { exercises });
    const picked: string[] = [];
    screen.fixture.componentInstance.picked.subscribe((e) => picked.push(e.id));
    const box = screen.el.querySelector('input')!;
    const key = async (name: string, shiftKey = false) => {
      box.dispatchEvent(new KeyboardEvent('keydown', { key: name, shiftKey }));
      await screen.settle();
    };
    const listed = () => [...screen.el.querySelectorAll('[role=option]')].map((o) => textOf(o));
    return { screen, picked, key, listed };
  };
  const mine = { favourites: ['knee-hug', 'thread-through'], recent: ['lying-twist', 'knee-hug'] };

  it('lists nothing before something is typed or the star is pressed', async () => {
    const { screen, listed, picked, key } = await opened();
    await key('Enter');
    expect([listed(), picked]).toEqual([[], []]);
    await screen.fill('input', 'front of thigh');
    expect(listed().length).toBeGreaterThan(1);
  });

  it('lists the favourites, marked, then what is in use, each once, and takes them by key', async () => {
    const { screen, listed, picked, key } = await opened();
    await screen.press('★');
    await screen.answer('/library/mine', mine);
    expect(listed()).toHaveLength(3);
    expect(listed().map((l) => l.includes('★'))).toEqual([true, true, false]);
    expect(listed()[2]).toMatch(/twist/i);
    await key('ArrowDown');
    await key('Enter', true);
    await key('Enter');
    expect(picked).toEqual(['thread-through', 'lying-twist']);
    expect(listed()).toEqual([]);
  });

  it('is empty for the next even where one is typed and taken before the screen is drawn', async () => {
    const { screen, picked } = await opened();
    const box = screen.el.querySelector('input')!;
    for (const text of ['strap hamstring', 'half-kneeling h']) {
      box.value += text;
      box.dispatchEvent(new Event('input'));
      box.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
    }
    await screen.settle();
    expect(box.value).toBe('');
    expect(picked).toEqual(['supine-strap-hamstring', 'half-kneeling-hip-flexor']);
  });

  it('lists only what can be taken here', async () => {
    const { screen, listed } = await opened(EXERCISES.filter((e) => e.id !== 'knee-hug'));
    await screen.press('★');
    await screen.answer('/library/mine', mine);
    expect(listed()).toHaveLength(2);
  });

  it('says where favourites come from when there are none, and typing takes over', async () => {
    const { screen, listed, picked, key } = await opened();
    await screen.press('★');
    await screen.answer('/library/mine', { favourites: [], recent: [] });
    expect(listed()).toEqual(['Nothing is kept at hand yet: in the library each exercise has a star.']);
    await key('Enter');
    await screen.fill('input', 'strap hamstring');
    await key('Enter');
    expect(picked).toEqual(['supine-strap-hamstring']);
  });
});
