import { createHash, randomBytes } from 'node:crypto';

/** The token of a private link: 192 random bits, given out once. */
export function newToken(): string {
  return randomBytes(24).toString('base64url');
}

/** What of a token is kept: hexadecimal SHA-256. */
export function hashOfToken(token: string): string {
  return createHash('sha256').update(token).digest('hex');
}

/** True for what may be a token at all: anything else is not looked up. */
export function mayBeToken(token: unknown): token is string {
  return typeof token === 'string' && token.length >= 20 && token.length <= 100;
}
