import { TestBed } from '@angular/core/testing';
import { buildBlock } from '@yandle/core';
import { DoseGlyph } from './dose-glyph';
import { fullScaleFor, glyphOf, sensationColour, type GlyphModel } from './glyph.model';

const base: GlyphModel = {
  strokes: [30, 30],
  bonus: null,
  cycles: 1,
  sensation: 5,
  easier: false,
  load: null,
  help: 0,
  roll: null,
  activate: null,
};

async function render(over: Partial<GlyphModel>, fullScale = 60): Promise<SVGElement> {
  const fixture = TestBed.createComponent(DoseGlyph);
  fixture.componentRef.setInput('model', { ...base, ...over });
  fixture.componentRef.setInput('fullScale', fullScale);
  fixture.componentRef.setInput('width', 60);
  await fixture.whenStable();
  return (fixture.nativeElement as HTMLElement).querySelector('svg')!;
}
const widths = (svg: SVGElement) => [...svg.querySelectorAll('rect')].map((r) => Number(r.getAttribute('width')));

describe('DoseGlyph', () => {
  it('draws one stroke a set, as long as its seconds on the scale', async () => {
    expect(widths(await render({}))).toEqual([30, 30]);
    expect(widths(await render({ strokes: [45] }, 90))).toEqual([30]);
  });

  it('breaks a stroke into its cycles without changing its length', async () => {
    const svg = await render({ strokes: [60], cycles: 3 });
    const rects = [...svg.querySelectorAll('rect')];
    expect(rects).toHaveLength(3);
    const last = rects[2]!;
    expect(Number(last.getAttribute('x')) + Number(last.getAttribute('width'))).toBeCloseTo(60, 6);
  });

  it('outlines the extra set of the tighter side', async () => {
    const rects = (await render({ bonus: 30 })).querySelectorAll('rect');
    expect(rects).toHaveLength(3);
    expect((rects[2] as SVGElement).style.fill).toBe('none');
  });

  it('puts load and help below the strokes, never over them', async () => {
    const svg = await render({ load: '4 kg', help: 1 });
    const bottom = Math.max(
      ...[...svg.querySelectorAll('rect')].map((r) => Number(r.getAttribute('y')) + Number(r.getAttribute('height'))),
    );
    expect(svg.querySelector('text')!.textContent).toContain('4 kg');
    expect(Number(svg.querySelector('line')!.getAttribute('y1'))).toBeGreaterThan(bottom);
    const top = Number(/M3 (\d+(\.\d+)?)/.exec(svg.querySelector('path')!.getAttribute('d')!)![1]);
    expect(top).toBeGreaterThanOrEqual(bottom);
  });

  it('is paler in easier weeks', async () => {
    expect(Number((await render({ easier: true })).style.opacity)).toBeLessThan(1);
    expect(Number((await render({})).style.opacity)).toBe(1);
  });
});

describe('glyphOf', () => {
  const first = (styleId: string, over: object = {}) =>
    glyphOf(
      buildBlock({
        client: { age: 40, experience: 'regular', trainingDays: [1, 3, 5], gentleGroups: [] },
        lanes: [{ group: 'hamstrings', styleId, ...over }],
        weeks: 4,
        ramp: 0.2,
        easierEvery: null,
      }).lanes[0]!.weeks[0]!,
    );
  it('draws every technique by its seconds of stretch, and what stands around it', () => {
    // Push-relax: 3 cycles of 15 s; Loaded range: 6 × (3 + 2) s, helped where the coach says so; Move through: 6 × 2 s.
    expect(first('push-relax')).toMatchObject({ strokes: [45], cycles: 3 });
    expect(first('loaded-range', { startHelp: 2 })).toMatchObject({ strokes: [30, 30], help: 2, load: null });
    expect(first('move-through')).toMatchObject({ strokes: [12] });
    expect(first('release-lengthen-activate')).toMatchObject({ strokes: [30], roll: 60, activate: 10 });
    expect(first('steady-hold', { tighterSide: 'left' })).toMatchObject({ strokes: [30, 30], bonus: 30 });
    expect(first('steady-hold', { fromWeek: 2 })).toMatchObject({ strokes: [] });
  });

  it('takes sets, seconds, sensation and kind from the plan', () => {
    const weeks = buildBlock({
      client: { age: 40, experience: 'regular', trainingDays: [1, 3, 5], gentleGroups: [] },
      lanes: [{ group: 'soleus', styleId: 'steady-hold' }],
      weeks: 4,
      ramp: 0.2,
      easierEvery: 4,
    }).lanes[0]!.weeks;
    expect(glyphOf(weeks[0]!)).toMatchObject({ strokes: [30, 30], sensation: 5, easier: false });
    expect(glyphOf(weeks[3]!)).toMatchObject({ strokes: [40], sensation: 4, easier: true });
    expect(fullScaleFor(weeks.map(glyphOf))).toBe(60);
    expect(fullScaleFor([])).toBe(30);
  });
  it('warms with the sensation and stays inside the ramp', () => {
    expect([1, 4, 5, 6, 9].map(sensationColour)).toEqual([3, 4, 5, 6, 6].map((n) => `var(--sense-${n})`));
  });
});
