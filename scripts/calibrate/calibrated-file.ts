import { FORECAST_CLASSES } from '@yandle/core';
import { shareHeld, type Held } from './courses';

/** Fewer simulated forecasts of a class say nothing of it. */
const LEAST = 100;

/**
 * Shares of forecasts that held, by class, in the order of the classes: of the rate at which they hold least, since nobody knows the true one.
 * @param byCourse classes of each true course, errors pooled within a class
 */
export function coverOf(byCourse: readonly ReadonlyMap<string, Held>[]): [name: string, held: number][] {
  const { dates, error, strength } = FORECAST_CLASSES;
  const names = dates.flatMap((d) => error.flatMap((e) => strength.map((s) => [d, e, s].join(' '))));
  return names.flatMap((name): [string, number][] => {
    const enough = byCourse.flatMap((classes) => classes.get(name) ?? []).filter((h) => h.all >= LEAST);
    return enough.length === 0 ? [] : [[name, Math.floor(Math.min(...enough.map(shareHeld)) * 100) / 100]];
  });
}

/** What the product is told of its own errors, as a file of the computation. @param wrongly in 100 */
export function calibratedFile(
  cover: readonly (readonly [string, number])[],
  wrongly: { readonly improved: number; readonly worse: number; readonly plateau: number },
): string {
  return `/** What \`npm run calibrate\` measured on simulated clients, and wrote here. See docs/calibration.md. */

/** How often something untrue is said, in 100; the worst of the errors simulated. */
export const SAID_WRONGLY = { improved: ${wrongly.improved}, worse: ${wrongly.worse}, plateau: ${wrongly.plateau} } as const;

/** Share of 90 % forecasts with two ends that held the day, by the lower ends of dates, error and strength (see forecast.ts). */
export const FORECAST_COVER: Readonly<Record<string, number>> = {
${cover.map(([name, held]) => `  '${name}': ${held},`).join('\n')}
};
`;
}
