import { describe, expect, it } from 'vitest';
import { exerciseById } from '../catalogue/exercises.js';
import { placeOfKind, withSubstitute } from '../screening/place.js';
import { barsWords, placeLine, thingsWords } from './place.js';

describe('words of places', () => {
  const raise = exerciseById('supine-strap-hamstring');
  it('name a thing, and what stands in for it where it is not there', () => {
    expect(thingsWords(raise, null)).toBe('needs strap (or a towel or a belt)');
    expect(thingsWords(raise, placeOfKind('home', 'home', ['strap']))).toBe('needs strap');
    const scarf = withSubstitute(placeOfKind('home'), 'strap', 'a scarf');
    expect(thingsWords(raise, scarf)).toBe('needs a scarf (for the strap)');
    expect(thingsWords({ props: [], substitute: '' }, scarf)).toBe('nothing needed');
  });
  it('tell a place in a line', () => {
    expect(placeLine(placeOfKind('bed'))).toBe('supine, side-lying, prone and not on the floor; at hand: cushion');
    expect(placeLine(withSubstitute({ ...placeOfKind('home'), things: [] }, 'strap', 'a scarf'))).toBe(
      'every position; at hand: a scarf for the strap',
    );
    expect(placeLine({ ...placeOfKind('bed'), positions: [], things: [] })).toBe(
      'no position possible; nothing at hand',
    );
  });
  it('say what is missing', () => {
    expect(
      barsWords([
        { code: 'position', position: 'prone' },
        { code: 'thing', thing: 'ball' },
      ]),
    ).toBe('prone is not possible there and needs small ball');
  });
});
