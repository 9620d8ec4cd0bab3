import { createHash, randomBytes } from 'node:crypto';

/** A token for a link: 192 bits, given out once. */
export function newLinkToken(): string {
  return randomBytes(24).toString('base64url');
}

/** What is kept of it. Hexadecimal SHA-256. */
export function hashLinkToken(token: string): string {
  return createHash('sha256').update(token).digest('hex');
}
