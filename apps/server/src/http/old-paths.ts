import { downgradeStored, SEE_SOMEONE } from '@yandle/core';
import type { RequestHandler } from 'express';

type Answer = Readonly<Record<string, unknown>>;

interface OldPath {
  /** The path of before; its groups go into the new one. */
  readonly from: RegExp;
  readonly to: string;
  /** The answer of today in the words of before; left out where they are alike. */
  readonly answer?: (body: Answer) => unknown;
}

function withNames(names: Readonly<Record<string, string>>): (body: Answer) => unknown {
  return (body) => Object.fromEntries(Object.entries(body).map(([key, value]) => [names[key] ?? key, value]));
}

/** What a phone of the version before knows: its own words for soreness, techniques and exercises. */
function oldProgramme(body: Answer): unknown {
  const { sorenessEntries, sessions, exercises, onHold, ...rest } = body;
  return {
    ...rest,
    onHold: onHold === 'refer' ? SEE_SOMEONE : '',
    sessions: downgradeStored('items', sessions),
    exercises: downgradeStored('exercise', exercises),
    dayNotes: sorenessEntries,
  };
}

const withFocus = withNames({ priorities: 'focus', selfReports: 'felt' });

/** Paths that have another name now. They answer for one release, so that what waits in a browser or phone still arrives. */
const OLD_PATHS: readonly OldPath[] = [
  {
    from: /^\/assessments\/([^/]+)\/trials\//,
    to: '/assessments/$1/readings/',
    answer: withNames({ readings: 'trials' }),
  },
  { from: /^\/clients\/([^/]+)\/felt\//, to: '/clients/$1/self-reports/', answer: withFocus },
  { from: /^\/clients\/([^/]+)\/focus$/, to: '/clients/$1/priorities', answer: withFocus },
  { from: /^\/clients\/([^/]+)\/day-notes/, to: '/clients/$1/soreness' },
  { from: /^\/shared\/day-notes\//, to: '/shared/soreness/' },
  { from: /^\/shared\/programme$/, to: '/shared/block', answer: oldProgramme },
  { from: /^\/clients\/([^/]+)\/share-link/, to: '/clients/$1/phone-link' },
  { from: /^\/clients\/([^/]+)\/late-runs/, to: '/clients/$1/late-logs' },
  { from: /^\/test-book$/, to: '/test-catalogue' },
];

/** Sends a request with an old path on to the new one, and gives its answer the old names. Goes with the next release. */
export const oldPaths: RequestHandler = (req, res, next) => {
  const old = OLD_PATHS.find((p) => p.from.test(req.path));
  if (!old) return next();
  const query = req.url.slice(req.path.length);
  req.url = req.path.replace(old.from, old.to) + query;
  res.set('deprecation', 'true');
  if (old.answer) {
    const { answer } = old;
    const json = res.json.bind(res);
    res.json = (body: unknown) =>
      json(res.statusCode < 300 && typeof body === 'object' && body !== null ? answer(body as Answer) : body);
  }
  next();
};
