import { createHash } from 'node:crypto';

/** What is kept of a secret. One of 144 bits can't be guessed: it needs no salt, and no slow hash. */
export function hashed(secret: string): string {
  return createHash('sha256').update(secret).digest('base64url');
}
