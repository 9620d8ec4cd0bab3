import { expect, it } from 'vitest';
import { changeBetween } from '../measuring/change.js';
import { changeSentence } from './change.js';

// Weir 2005: 1.96·√2·3° = 8.3°.
it.each([
  [39, 29, '10° freer: a real change.'],
  [29, 39, '10° tighter: a real change.'],
  [30.5, 24, '6.5° freer, not sure yet: a change is sure from 8.3° on.'],
  [30, 32, '2° tighter, not sure yet: a change is sure from 8.3° on.'],
  [30, 30, 'The same as before; a change is sure from 8.3° on.'],
])('says of %s to %s what is sure, and nothing against it', (before, now, words) => {
  expect(changeSentence(changeBetween(before, now, 'less', [3, 3]), { unit: 'deg' })).toBe(words);
});
