import { hash, verify } from '@node-rs/argon2';

/** Number of argon2id in the library's enum, which cannot be imported as a value here. */
const ARGON2ID = 2;

/** argon2id with the parameters of the OWASP password storage cheat sheet (19 MiB, 2 passes, 1 lane). */
const OPTIONS = { algorithm: ARGON2ID, memoryCost: 19_456, timeCost: 2, parallelism: 1 };

export function hashPassword(password: string): Promise<string> {
  return hash(password, OPTIONS);
}

let decoy: Promise<string> | null = null;

/** Checks a password. For an unknown account a decoy is checked, so that the answer takes as long. */
export async function verifyPassword(stored: string | null, password: string): Promise<boolean> {
  decoy ??= hashPassword('no account has this password');
  const ok = await verify(stored ?? (await decoy), password);
  return stored !== null && ok;
}
