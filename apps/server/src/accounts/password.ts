import { hash, verify } from '@node-rs/argon2';
import { dictionary } from '@zxcvbn-ts/language-common';
import { invalidField } from '../http/problem.js';

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

/** Some 49,000 passwords that are tried first, from lists of stolen ones. */
const COMMON: ReadonlySet<string> = new Set(dictionary['passwords-common']);

/** Only what follows a common password, and repeats of it, change nothing: `password1234`, `sunshinesunshine`. */
function isCommon(password: string): boolean {
  const plain = password.toLowerCase();
  const core = plain.replace(/[\d\W_]+$/, '');
  const half = plain.slice(0, plain.length / 2);
  return COMMON.has(plain) || COMMON.has(core) || (half + half === plain && COMMON.has(half)) || /^(.)\1*$/.test(plain);
}

/**
 * @param about what the account is called: it is no password
 * @throws HttpProblem `validation` for a password that is guessed at once
 */
export function assertGoodPassword(password: string, about: readonly string[]): void {
  const plain = password.toLowerCase();
  if (isCommon(password) || about.some((a) => a !== '' && plain === a.toLowerCase()))
    throw invalidField('password', 'This is one of the passwords that are tried first. Choose another, as four words.');
}
