import { createHash, randomBytes, timingSafeEqual } from 'node:crypto';
import { Secret, TOTP } from 'otpauth';
import type { OfferedFactor } from '@yandle/contract';

/** RFC 6238 as every authenticator app takes it: SHA-1, six digits, thirty seconds. */
const PERIOD = 30;
/** Steps a clock may be off, either way. */
const WINDOW = 1;
const RECOVERY_CODES = 10;

function totp(secret: string, label = 'Yandle'): TOTP {
  return new TOTP({
    issuer: 'Yandle',
    label,
    algorithm: 'SHA1',
    digits: 6,
    period: PERIOD,
    secret: Secret.fromBase32(secret),
  });
}

export function newSecret(): string {
  return new Secret({ size: 20 }).base32;
}

/** A secret as text, and as the address that an app reads from a picture. */
export function offer(secret: string, email: string): OfferedFactor {
  return { secret, uri: totp(secret, email).toString() };
}

/**
 * The time step a code is of; null for a wrong one.
 * @param after step of the last code that was taken: that one, and those before it, work no more
 */
export function stepOf(secret: string, code: string, now: Date, after: number | null): number | null {
  const token = code.replace(/\s/g, '');
  if (!/^\d{6}$/.test(token)) return null;
  const delta = totp(secret).validate({ token, timestamp: now.getTime(), window: WINDOW });
  if (delta === null) return null;
  const step = Math.floor(now.getTime() / 1000 / PERIOD) + delta;
  return after !== null && step <= after ? null : step;
}

const hashOfCode = (code: string): string =>
  createHash('sha256')
    .update(code.toLowerCase().replace(/[^a-z0-9]/g, ''))
    .digest('hex');

/** Ten codes of 50 random bits, to be written down; and their hashes, to be kept. */
export function newRecoveryCodes(): { readonly codes: string[]; readonly hashes: string[] } {
  const alphabet = 'abcdefghijkmnpqrstuvwxyz23456789';
  const codes = Array.from({ length: RECOVERY_CODES }, () =>
    Array.from(randomBytes(10), (byte, i) => (i === 5 ? '-' : '') + alphabet[byte & 31]).join(''),
  );
  return { codes, hashes: codes.map(hashOfCode) };
}

/** The hashes that are left after a recovery code was used; null where it is none of them. */
export function withoutCode(hashes: readonly string[], code: string): string[] | null {
  const given = Buffer.from(hashOfCode(code));
  const used = hashes.findIndex((h) => timingSafeEqual(Buffer.from(h), given));
  return used === -1 ? null : hashes.filter((_, i) => i !== used);
}
