import { createServer } from 'node:http';
import { TestProduct } from './lib/test-product.mjs';
import { run } from './lib/run.mjs';
import { main, say, Stop } from './lib/say.mjs';

/**
 * Runs a command beside a product of its own: `node scripts/with-product.mjs COMMAND ARGS`. BASE_URL says where it is.
 * CONTROL_URL lets a test kill and restart the server (POST /kill, POST /start).
 */
main(async () => {
  const [command, ...args] = process.argv.slice(2);
  if (!command) throw new Stop('Say what to run: node scripts/with-product.mjs COMMAND ARGS');
  const product = new TestProduct();
  say('Starting a product for the browser ...');
  const base = await product.start();
  const control = createServer((req, res) => {
    const work =
      req.url === '/kill' ? product.killServer() : req.url === '/start' ? product.startServer() : Promise.resolve();
    work.then(
      () => res.end('ok'),
      (err) => res.writeHead(500).end(String(err)),
    );
  });
  await new Promise((resolve) => control.listen(0, '127.0.0.1', resolve));
  const env = {
    ...process.env,
    BASE_URL: base,
    CONTROL_URL: `http://127.0.0.1:${control.address().port}`,
    // For benchmarks: the same data by the bare driver, and the memory of the server.
    PRODUCT_DATABASE_URL: product.database.url,
    SERVER_PID: String(product.child.pid),
  };
  const { code } = await run(command, args, { env });
  control.close();
  await product.stop();
  process.exit(code);
});
