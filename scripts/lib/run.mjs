import { spawn } from 'node:child_process';
import { ROOT } from './paths.mjs';

/**
 * Runs a program to its end.
 * @returns {Promise<{code: number, output: string}>} exit code and, when `quiet`, what it printed
 */
export function run(command, args, { quiet = false, cwd = ROOT, env = process.env } = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd, env, stdio: quiet ? ['ignore', 'pipe', 'pipe'] : 'inherit' });
    let output = '';
    child.stdout?.on('data', (d) => (output += d));
    child.stderr?.on('data', (d) => (output += d));
    child.on('error', (err) => resolve({ code: 127, output: String(err.message) }));
    child.on('close', (code) => resolve({ code: code ?? 1, output }));
  });
}

/** True when a program is on the PATH. */
export async function has(program) {
  return (await run('sh', ['-c', `command -v ${program}`], { quiet: true })).code === 0;
}
