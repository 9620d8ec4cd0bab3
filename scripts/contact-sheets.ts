import { mkdirSync } from 'node:fs';
import { chromium } from '@playwright/test';
import { drawFigure, FIGURES, figureGroups, type Drawing, type Shape } from '@yandle/core';
import { CHROMIUM } from '../e2e/browser';

/**
 * Pictures of all figures, twelve a sheet, to look at: `node --import tsx scripts/contact-sheets.ts FOLDER [PART-OF-ID] [dark]`.
 * Figures that move show their start, pale, beside their end.
 */
const [folder = 'figures', filter = '', theme = ''] = process.argv.slice(2);
const A_SHEET = 12;
const dark = theme === 'dark';
const FILL: Readonly<Record<Shape['role'], string>> = dark
  ? {
      near: '#d9d3c6',
      far: '#8b959b',
      face: '#1d252b',
      stretched: '#e5703a',
      'stretched-behind': '#e5703a88',
      thing: '#46535c',
      'thing-soft': '#5c6a72',
      held: '#9fb0b8',
      floor: '#46535c',
      mat: '#27313a',
      arrow: '#5cc2a2',
    }
  : {
      near: '#3d4a54',
      far: '#8d979d',
      face: '#fffef9',
      stretched: '#d6673b',
      'stretched-behind': '#d6673b99',
      thing: '#cfc4ae',
      'thing-soft': '#ddd3bf',
      held: '#8d6a3a',
      floor: '#b9ad97',
      mat: '#f0e9db',
      arrow: '#0f6752',
    };
const PAPER = dark ? '#1d252b' : '#fffef9';
const SOLID: readonly Shape['role'][] = ['near', 'far', 'thing', 'thing-soft', 'mat'];

function svg(d: Drawing, height: number): string {
  const paths = d.shapes.map((s) =>
    SOLID.includes(s.role)
      ? `<path d="${s.d}" fill="${FILL[s.role]}" stroke="${PAPER}" stroke-width="1.6" paint-order="stroke"/>`
      : `<path d="${s.d}" fill="none" stroke="${FILL[s.role]}" stroke-width="${s.width ?? 1}" stroke-linecap="round" stroke-linejoin="round"/>`,
  );
  const { x, y, width, height: h } = d.box;
  return `<svg viewBox="${x} ${y} ${width} ${h}" style="height:${height}px;max-width:100%">${paths.join('')}</svg>`;
}

const ids = Object.keys(FIGURES).filter((id) => filter.split(',').some((f) => id.includes(f)));
mkdirSync(folder, { recursive: true });
const browser = await chromium.launch(CHROMIUM);
const page = await browser.newPage({ viewport: { width: 1240, height: 900 } });
for (let i = 0; i < ids.length; i += A_SHEET) {
  const cells = ids.slice(i, i + A_SHEET).map((id) => {
    const { groups, both } = figureGroups(id);
    const figure = FIGURES[id]!;
    const at = (t: number) => drawFigure(figure, { side: 'right', groups, both, t });
    const start = figure.start ? `<span style="opacity:.55">${svg(at(0), 110)}</span>` : '';
    return `<div><div class="p">${start}${svg(at(1), figure.start ? 170 : 215)}</div><small>${id}</small></div>`;
  });
  await page.setContent(
    `<style>body{margin:8px;background:${PAPER};color:${FILL.near};font:13px sans-serif;display:grid;grid-template-columns:repeat(4,1fr);gap:6px}
    .p{height:250px;display:flex;align-items:center;justify-content:center;gap:4px;border:1px solid ${FILL.floor}} .p>*{min-width:0;flex:0 1 auto}</style>${cells.join('')}`,
  );
  const file = `${folder}/sheet-${String(i / A_SHEET + 1).padStart(2, '0')}.png`;
  await page.screenshot({ path: file, fullPage: true });
  console.log(file, ids.slice(i, i + A_SHEET).join(' '));
}
await browser.close();
