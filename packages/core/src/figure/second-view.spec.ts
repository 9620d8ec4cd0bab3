import { describe, expect, it } from 'vitest';
import { EXERCISES } from '../catalogue/exercises.js';
import { viewWords } from '../words/view.js';
import { FIGURES, figureGroups } from './catalogue/index.js';
import { drawFigure, type Figure } from './figure.js';
import { secondView } from './second-view.js';

const marks = (figure: Figure, id: string, side: 'left' | 'right') =>
  drawFigure(figure, { side, ...figureGroups(id) }).shapes.filter((s) => s.role.startsWith('stretched'));

// Issue "Safe hands" 3: a second view of the figure where one hides the point.
describe('a second view', () => {
  const drawn = EXERCISES.filter((e) => e.figure !== null && FIGURES[e.figure]);

  it('is there for every exercise whose stretched muscle is hidden, for no other, and shows it on both sides', () => {
    for (const { figure: id } of drawn) {
      const figure = FIGURES[id!]!;
      const hidden = marks(figure, id!, 'right').every((s) => s.role === 'stretched-behind');
      const view = secondView(figure, figureGroups(id!));
      expect(view !== null, id!).toBe(hidden);
      if (view === null) continue;
      expect(view, id!).not.toBe(figure.view);
      for (const side of ['left', 'right'] as const)
        expect(
          marks({ ...figure, view }, id!, side).map((s) => s.role),
          `${id} ${side}`,
        ).not.toContain('stretched-behind');
    }
  });
  it('of a twist on the back is from the side, of the sides of the shoulder blades from behind', () => {
    // Seen by eye: from above a lying body hides its back, from the front a standing one does.
    const of = (id: string) => viewWords(secondView(FIGURES[id]!, figureGroups(id))!);
    expect(of('lying-twist')).toBe('from the side');
    expect(of('wall-slide')).toBe('from behind');
    expect(of('band-pull-apart')).toBe('from behind');
  });
});
