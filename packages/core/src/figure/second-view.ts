import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import { drawFigure, type Figure } from './figure.js';
import { resolve } from './skeleton.js';
import { stripOf } from './stretched.js';
import { seen, VIEWS, type FigureView } from './view.js';

/** What is marked on a figure. */
interface Marked {
  readonly groups: readonly MuscleGroupId[];
  readonly both: boolean;
}

/** How long the marked strips are as they are seen, body height = 100; 0 where one of them lies behind the body. */
function shown(figure: Figure, view: FigureView, { groups, both }: Marked): number {
  const { shapes } = drawFigure({ ...figure, view }, { side: 'right', groups, both });
  if (shapes.some((s) => s.role === 'stretched-behind')) return 0;
  const s = resolve(figure.end);
  const lengths = groups.map((group) => {
    const places = stripOf(s, group, 'right').places.map((p) => seen(p, view));
    return places.slice(1).reduce((sum, p, i) => sum + Math.hypot(p.x - places[i]!.x, p.y - places[i]!.y), 0);
  });
  return Math.min(...lengths);
}

/** Views are told apart by what they show; one of the turned ones only where no plain one does. */
const PLAIN: readonly FigureView[] = VIEWS.filter((v) => v !== 'top-turned' && !v.endsWith('-high'));

/**
 * From where a figure is seen a second time: null where its own view shows what is stretched; else the view in which the strip is longest.
 * For the right side, as figures are drawn.
 */
export function secondView(figure: Figure, marked: Marked): FigureView | null {
  if (marked.groups.length === 0) return null;
  const { shapes } = drawFigure(figure, { side: 'right', ...marked });
  if (shapes.some((s) => s.role === 'stretched')) return null;
  const best = PLAIN.map((view) => ({ view, length: shown(figure, view, marked) })).sort((a, b) => b.length - a.length);
  return best[0] && best[0].length > 0 ? best[0].view : null;
}
