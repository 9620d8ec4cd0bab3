import { expect, it } from 'vitest';
import * as core from '../index.js';

const sources = import.meta.glob<string>(['../**/*.ts', '!../**/*.spec.ts', '!../testing/**'], {
  query: '?raw',
  import: 'default',
  eager: true,
});
const modules = import.meta.glob<object>(['../**/*.ts', '!../**/*.spec.ts', '!../testing/**', '!../index.ts']);

/** A worked example of a docstring: "@example call // value". */
const EXAMPLE = /@example (.+?) \/\/ (.+?)(?: \*\/)?$/gm;
const examples = Object.entries(sources).flatMap(([file, text]) =>
  [...text.matchAll(EXAMPLE)].map((m) => ({ file, call: m[1]!, value: m[2]! })),
);

function evaluate(code: string, names: object): unknown {
  // The examples are our own sources, read by a test.
  // eslint-disable-next-line @typescript-eslint/no-implied-eval
  return new Function(...Object.keys(names), `return (${code});`)(...(Object.values(names) as unknown[])) as unknown;
}

it('finds the examples', () => {
  expect(examples.length).toBeGreaterThan(30);
  expect(
    Object.values(sources)
      .join()
      .match(/@example /g),
  ).toHaveLength(examples.length);
});

it.each(examples)('$call is $value ($file)', async ({ file, call, value }) => {
  const names = { ...core, ...(await modules[file]!()) };
  const got = evaluate(call, names);
  const wanted = evaluate(value, {});
  if (typeof wanted === 'number') expect(got).toBeCloseTo(wanted, 2);
  else expect(got).toEqual(wanted);
});
