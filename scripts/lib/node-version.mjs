import { Stop } from './say.mjs';

/** Refuses a Node that the packages do not run on. */
export function checkNode() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19))
    throw new Stop(
      `Yandle needs Node 20.19 or newer; this is ${process.versions.node}. Install a newer Node and start again.`,
    );
}
