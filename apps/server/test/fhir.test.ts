import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { aClient, harness, TODAY, type Harness } from './harness.js';
import { measured } from './reviewing.js';

let h: Harness;
beforeAll(async () => (h = await harness()));
afterAll(() => h.close());

interface Bundle {
  readonly entry: readonly { readonly fullUrl: string; readonly resource: Record<string, unknown> }[];
}

describe('results for another professional', () => {
  it('are all that stands of one client, the same however often they are asked for', async () => {
    const client = await aClient(h);
    await measured(h, client, TODAY, 31, 29);
    const get = async (name: string) =>
      h.agent
        .get(`/api/v1/clients/${client}/results.fhir.json?name=${name}`)
        .buffer(true)
        .parse((res, done) => {
          let text = '';
          res.on('data', (c: Buffer) => (text += c.toString()));
          res.on('end', () => done(null, text));
        });
    const answer = await get('first');
    expect(answer.headers['content-type']).toContain('application/fhir+json');
    expect(answer.headers['content-disposition']).toContain('yandle-results.fhir.json');
    const bundle = JSON.parse(answer.body as string) as Bundle;
    expect(bundle.entry.map((e) => e.resource['resourceType'])).toEqual(['Patient', 'Observation', 'Observation']);
    expect(bundle.entry[0]!.resource['name']).toEqual([{ given: ['Ottoline'] }]);
    expect(bundle.entry.slice(1).map((e) => (e.resource['valueQuantity'] as { value: number }).value)).toEqual([
      31, 29,
    ]);
    const again = JSON.parse((await get('first')).body as string) as Bundle;
    expect(again.entry.map((e) => e.fullUrl)).toEqual(bundle.entry.map((e) => e.fullUrl));
    // A pseudonym says nothing of the person.
    const hidden = (await get('pseudonym')).body as string;
    expect(hidden).not.toContain('Ottoline');
    expect(hidden).not.toContain('1980');
    await h.other.get(`/api/v1/clients/${client}/results.fhir.json`).expect(404);
    await h.agent.get(`/api/v1/clients/${client}/results.fhir.json?name=whole`).expect(400);
  });
});
