import { gzipSync } from 'node:zlib';
import { expect, test } from './support';

/** Initial JS of a bare Angular application of the same version (router, HttpClient, CDK Dialog, Tailwind), gzip −9, bytes: measured once. */
const BARE_ANGULAR = 87_676;

test('a browser gets little before the first screen: the library and its figures come when they are asked for', async ({
  request,
}) => {
  const textAt = async (path: string): Promise<string> => {
    const answer = await request.get(path);
    expect(answer.ok(), path).toBe(true);
    return answer.text();
  };
  const html = await textAt('/sign-in');
  const wanted = new Set([...html.matchAll(/(?:src|href)="([^"]+\.js)"/g)].map((m) => m[1]!));
  expect(wanted.size).toBeGreaterThan(0);
  let bytes = 0;
  // What a script imports before it runs is added while the set is gone through.
  for (const file of wanted) {
    const script = await textAt(`/${file}`);
    for (const m of script.matchAll(/(?:from|import)"\.\/([^"]+\.js)"/g)) wanted.add(m[1]!);
    bytes += gzipSync(script, { level: 9 }).length;
    expect(script, `${file} holds the library`).not.toContain('supine-strap-hamstring');
  }
  expect(bytes).toBeLessThanOrEqual(1.8 * BARE_ANGULAR);
});
