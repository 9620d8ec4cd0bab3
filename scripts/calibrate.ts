// How often the product errs, on simulated clients through its own computation: writes docs/calibration.md with its pictures, and the table
// that forecasts read. Seeded: the same numbers every time. Fails when a bar is missed.
import { mkdirSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { FORECAST_COVER } from '@yandle/core';
import { format, resolveConfig } from 'prettier';
import { calibratedFile, coverOf } from './calibrate/calibrated-file';
import { changeShares, COMPARISONS } from './calibrate/changes';
import { flattening, NONE, relapse, straight, WEEKS } from './calibrate/client';
import { courseShares, forecastShares } from './calibrate/courses';
import { falsePicture, forecastPicture } from './calibrate/pictures';
import { Random } from './calibrate/random';
import { bars, onCourse, report } from './calibrate/report';
import { reviewShares, TAKERS } from './calibrate/reviewed';

const ROOT = fileURLToPath(new URL('..', import.meta.url));
const SEED = 20_261_128;
const CLIENTS = Number(process.env.CLIENTS ?? 4000);
const SEMS = [1.5, 3, 5];
const RATES = [0.5, 1, 1.5];
/** Clients a row whose block is planned week by week: each costs a hundred plans. */
const REVIEWED = Math.min(CLIENTS, 200);
const FILE = `${ROOT}packages/core/src/trend/calibrated.ts`;

const random = new Random(SEED);
const started = performance.now();

const changes = SEMS.flatMap((sem) => COMPARISONS.map((c) => changeShares(c, sem, CLIENTS, random)));
const rising = SEMS.flatMap((sem) =>
  [straight(1), flattening(12), relapse(1)].map((course) =>
    changeShares(COMPARISONS[0]!, sem, CLIENTS, random, course),
  ),
);
const courses = SEMS.flatMap((sem) => [
  ...RATES.map((rate) => courseShares(straight(rate), sem, rate * WEEKS, CLIENTS, random)),
  ...[NONE, flattening(12), relapse(1)].map((course) => courseShares(course, sem, WEEKS, CLIENTS, random)),
]);
const forecasts = SEMS.flatMap((sem) => RATES.map((rate) => forecastShares(straight(rate), sem, CLIENTS, random)));

const reviewed = TAKERS.flatMap((t) => reviewShares(t, REVIEWED, SEED));

const cover = coverOf(forecasts.map((f) => f.classes));
const found = { clients: CLIENTS, seed: SEED, changes, rising, courses, forecasts, reviewed, cover };

const inHundred = (shares: readonly number[]): number => Math.round(Math.max(...shares) * 1000) / 10;
const held = changes.filter((c) => c.held);
const wrongly = {
  improved: inHundred(held.map((c) => c.improved)),
  worse: inHundred(held.map((c) => c.worse)),
  plateau: inHundred(onCourse(found).map((c) => c.plateauEver)),
};
await write(FILE, calibratedFile(cover, wrongly));
mkdirSync(`${ROOT}docs/calibration`, { recursive: true });
writeFileSync(`${ROOT}docs/calibration/false-changes.svg`, falsePicture(changes));
writeFileSync(`${ROOT}docs/calibration/forecasts.svg`, forecastPicture(forecasts));
await write(`${ROOT}docs/calibration.md`, report(found));

/** A file in the form in which the repository keeps its files. */
async function write(path: string, text: string): Promise<void> {
  writeFileSync(path, await format(text, { ...(await resolveConfig(path)), filepath: path }));
}

const all = bars(found);
for (const b of all) console.log(`${b.held ? 'held  ' : 'MISSED'} ${b.words}`);
console.log(`${Math.round((performance.now() - started) / 1000)} s, ${CLIENTS} clients a row.`);
const known = cover.every(([name, share]) => FORECAST_COVER[name] === share);
if (!known)
  console.log('Forecasts have a new table. Run it again: what is shown with two ends was measured with the old one.');
process.exitCode = known && all.every((b) => b.held) ? 0 : 1;
