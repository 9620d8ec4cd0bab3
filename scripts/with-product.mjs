import { createServer } from 'node:http';
import { zoneOfLateMorning } from './lib/late-morning.mjs';
import { prepareProducts, TestProduct } from './lib/test-product.mjs';
import { run } from './lib/run.mjs';
import { main, say, Stop } from './lib/say.mjs';

/** What a test may do to its product: crash it, start it again, have the demo data as they were. */
const CONTROLS = {
  '/kill': (product) => product.killServer(),
  '/kill-database': (product) => product.killDatabase(),
  '/start': (product) => product.startServer(),
  '/fresh': (product) => product.refresh(),
};

function controlOf(product) {
  const control = createServer((req, res) => {
    Promise.resolve(CONTROLS[req.url]?.(product)).then(
      () => res.end('ok'),
      (err) => res.writeHead(500).end(String(err)),
    );
  });
  return new Promise((resolve) => control.listen(0, '127.0.0.1', () => resolve(control)));
}

/**
 * Runs a command beside products of its own: `node scripts/with-product.mjs [--products N] COMMAND ARGS`. BASE_URLS and CONTROL_URLS say
 * where they are, comma-separated; BASE_URL is the first.
 */
main(async () => {
  const words = process.argv.slice(2);
  const wanted = words[0] === '--products' ? Number(words.splice(0, 2)[1]) : 1;
  const [command, ...args] = words;
  if (!command || !(wanted >= 1))
    throw new Stop('Say what to run: node scripts/with-product.mjs [--products N] COMMAND ARGS');
  process.env.DEMO_TIME_ZONE ??= zoneOfLateMorning(new Date());
  await prepareProducts();
  const products = [];
  const bases = [];
  const controls = [];
  say(wanted === 1 ? 'Starting a product for the browser ...' : `Starting ${wanted} products for the browser ...`);
  // One after the other: each looks for free ports.
  for (let i = 0; i < wanted; i++) {
    const product = new TestProduct();
    products.push(product);
    bases.push(await product.start());
    controls.push(await controlOf(product));
  }
  const env = {
    ...process.env,
    BASE_URL: bases[0],
    BASE_URLS: bases.join(','),
    CONTROL_URLS: controls.map((c) => `http://127.0.0.1:${c.address().port}`).join(','),
    // For benchmarks: the same data by the bare driver, and the memory of the server.
    PRODUCT_DATABASE_URL: products[0].database.url,
    SERVER_PID: String(products[0].child.pid),
  };
  const { code } = await run(command, args, { env });
  for (const c of controls) c.close();
  for (const p of products) await p.stop();
  process.exit(code);
});
