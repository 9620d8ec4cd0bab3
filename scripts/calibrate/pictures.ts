import type { ChangeShares } from './changes';
import { shareHeld, type ForecastShares } from './courses';

/** One bar of a picture: a share of 100. */
interface Mark {
  readonly label: string;
  readonly value: number;
  readonly fill: string;
}

const [WIDTH, LEFT, ROW] = [760, 330, 26];

/** Bars from the left on one scale, with a line at a value that is wanted. */
function bars(title: string, marks: readonly Mark[], most: number, wanted: number, wantedWords: string): string {
  const height = 70 + marks.length * ROW;
  const x = (value: number): number => LEFT + ((WIDTH - LEFT - 60) * value) / most;
  const rows = marks.map((m, i) => {
    const y = 58 + i * ROW;
    return `<text x="${LEFT - 8}" y="${y + 4}" text-anchor="end">${m.label}</text><rect x="${LEFT}" y="${y - 8}" width="${(x(m.value) - LEFT).toFixed(1)}" height="16" rx="2" fill="${m.fill}"/><text x="${(x(m.value) + 6).toFixed(1)}" y="${y + 4}">${m.value.toFixed(1)}</text>`;
  });
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${WIDTH}" height="${height}" viewBox="0 0 ${WIDTH} ${height}" font-family="sans-serif" font-size="12" fill="#222">
<rect width="100%" height="100%" fill="#fff"/>
<text x="12" y="22" font-size="14" font-weight="bold">${title}</text>
<line x1="${x(wanted).toFixed(1)}" y1="40" x2="${x(wanted).toFixed(1)}" y2="${height - 14}" stroke="#222" stroke-dasharray="4 3"/>
<text x="${x(wanted).toFixed(1)}" y="36" text-anchor="middle">${wantedWords}</text>
${rows.join('\n')}
</svg>
`;
}

const FILL = { improved: '#2f6f5e', worse: '#a8572f', all: '#35618f', shown: '#7a9cc4' };

/** "Improved" and "worse" said of no change. */
export function falsePicture(changes: readonly ChangeShares[]): string {
  const marks = changes.flatMap((c) =>
    (['improved', 'worse'] as const).map((what) => ({
      label: `SEM ${c.sem}°, ${c.comparison}: ${what}`,
      value: c[what] * 100,
      fill: FILL[what],
    })),
  );
  return bars('Said of no change, in 100 comparisons', marks, 10, 2.5, '2.5');
}

/** Forecasts that held the true day. */
export function forecastPicture(forecasts: readonly ForecastShares[]): string {
  const marks = forecasts.flatMap((f) => [
    { label: `SEM ${f.sem}°, ${f.course}: all`, value: shareHeld(f.looks) * 100, fill: FILL.all },
    ...(f.shown.all > 0 ? [{ label: 'shown with two ends', value: shareHeld(f.shown) * 100, fill: FILL.shown }] : []),
  ]);
  return bars('90 % forecasts that hold the true day, in 100', marks, 100, 90, '90');
}
