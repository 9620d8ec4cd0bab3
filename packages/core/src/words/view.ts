import type { FigureView } from '../figure/view.js';

const WORDS: Readonly<Record<FigureView, string>> = {
  side: 'from the side',
  'side-left': 'from the side',
  front: 'from the front',
  back: 'from behind',
  top: 'from above',
  'top-turned': 'from above',
  quarter: 'at an angle',
  'quarter-left': 'at an angle',
  'front-high': 'from the front, above',
  'back-high': 'from behind, above',
};

/** From where a figure is seen. */
export function viewWords(view: FigureView): string {
  return WORDS[view];
}
