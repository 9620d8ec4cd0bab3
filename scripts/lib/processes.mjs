import { readFileSync } from 'node:fs';

/** True when a process is alive (a zombie is not). */
export function isAlive(pid) {
  try {
    process.kill(pid, 0);
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
    return !/\) Z /.test(stat);
  } catch (err) {
    return err?.code === 'ENOENT' ? process.platform !== 'linux' : false;
  }
}

/** The command line of a process, '' when it cannot be read: a pid in a file may have been given to another program since. */
export function commandLine(pid) {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').replaceAll('\0', ' ');
  } catch {
    return '';
  }
}

export const sleep = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

/** Ends a process: asks first, kills after `patience` ms. Resolves when it is gone. */
export async function end(pid, patience = 15_000) {
  const signal = (s) => {
    try {
      process.kill(pid, s);
    } catch {
      /* gone already */
    }
  };
  signal('SIGTERM');
  for (let waited = 0; isAlive(pid) && waited < patience; waited += 50) await sleep(50);
  if (isAlive(pid)) signal('SIGKILL');
  while (isAlive(pid)) await sleep(50);
}
