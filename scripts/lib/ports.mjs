import { createServer } from 'node:net';

/** True when a loopback port can be listened on. */
export function isFree(port, host = '127.0.0.1') {
  return new Promise((resolve) => {
    const server = createServer();
    server.once('error', () => resolve(false));
    server.listen({ port, host, exclusive: true }, () => server.close(() => resolve(true)));
  });
}

/** The first free port from `start` on. */
export async function freePort(start) {
  for (let port = start; port < start + 200; port++) if (await isFree(port)) return port;
  throw new Error(`No free port between ${start} and ${start + 199}.`);
}
