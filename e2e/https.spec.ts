import type { NewPhoneLink, Session } from '@yandle/contract';
import { chromium } from '@playwright/test';
import { request as forward } from 'node:http';
import { createServer, type Server } from 'node:https';
import type { AddressInfo } from 'node:net';
import { generate } from 'selfsigned';
import { CHROMIUM } from './browser';
import { clientCalled, expect, productUrl, signInQuietly, test } from './support';

/** A reverse proxy with a certificate of its own before the product, as a studio would have one. */
async function tlsBefore(base: string): Promise<{ server: Server; url: string }> {
  const { private: key, cert } = await generate([{ name: 'commonName', value: 'localhost' }]);
  const { hostname, port } = new URL(base);
  const server = createServer({ key, cert }, (req, res) => {
    const onward = forward({ hostname, port, path: req.url, method: req.method, headers: req.headers }, (answer) => {
      res.writeHead(answer.statusCode!, answer.headers);
      answer.pipe(res);
    });
    onward.on('error', () => res.writeHead(502).end());
    req.pipe(onward);
  });
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  return { server, url: `https://localhost:${(server.address() as AddressInfo).port}` };
}

test('over HTTPS with a certificate of its own a phone keeps the list, and a run begun offline arrives', async ({
  page,
}) => {
  test.setTimeout(120_000);
  await signInQuietly(page);
  const { client } = await clientCalled(page.request, 'Ottoline');
  const answer = await page.request.post(`/api/v1/clients/${client.id}/phone-link`, { data: {} });
  const { token } = (await answer.json()) as NewPhoneLink;
  const { server, url } = await tlsBefore(productUrl());
  // A service worker's scripts go by the browser's own trust: the context's setting does not reach them.
  const browser = await chromium.launch({ ...CHROMIUM, args: [...CHROMIUM.args, '--ignore-certificate-errors'] });
  const context = await browser.newContext({ ignoreHTTPSErrors: true, viewport: { width: 390, height: 844 } });
  const phone = await context.newPage();
  try {
    await phone.goto(`${url}/s/start#${token}`);
    await expect(phone.getByText('Works offline.')).toBeVisible({ timeout: 40_000 });
    expect(await phone.evaluate(() => isSecureContext)).toBe(true);
    await context.setOffline(true);
    await phone.reload();
    const link = phone.getByRole('link', { name: /^(Start|Resume)$/ });
    const id = (await link.getAttribute('href'))!.split('/').at(-1)!;
    await link.click();
    await phone.getByRole('button', { name: 'Start', exact: true }).click();
    await phone.getByRole('button', { name: 'I’m well' }).click();
    await expect(phone.getByText(/Offline: 1 change saved here, sent later/)).toBeVisible();
    await context.setOffline(false);
    await phone.evaluate(() => dispatchEvent(new Event('online')));
    await expect(phone.getByText('Saved', { exact: true })).toBeVisible({ timeout: 40_000 });
    const session = (await (await page.request.get(`/api/v1/sessions/${id}`)).json()) as Session;
    expect(session).toMatchObject({ status: 'started', run: { source: 'client' } });
  } finally {
    await browser.close();
    server.close();
  }
});
