import { hash, verify } from '@node-rs/argon2';
import { passkey } from '@better-auth/passkey';
import { betterAuth } from 'better-auth';
import { drizzleAdapter } from 'better-auth/adapters/drizzle';
import { LONGEST_PASSWORD, SHORTEST_PASSWORD } from '../../people.js';
import type { Database, Writing } from '../db/client.js';
import { credentials, passkeys, people, sessions, verifications } from '../db/schema.js';

/** A browser stays signed in for so long without being used, and is noted as used so often; seconds. */
const SIGNED_IN = 60 * 60 * 24 * 30;
const NOTED = 60 * 60 * 24;

export interface AuthOptions {
  readonly secret: string;
  /** Over https: the cookie is sent over nothing else. */
  readonly secure: boolean;
  /** The name that the server is asked for: a key of a device is for one name. */
  readonly host?: string;
}

/**
 * Accounts, sessions and passwords, by the library that carries them. None of its own addresses is open to the outside: it is
 * asked by our routes alone.
 * @param db for writing, a transaction: nobody else may write at the same time
 */
export function authOver(db: Database | Writing, { secret, secure, host = 'localhost' }: AuthOptions) {
  return betterAuth({
    database: drizzleAdapter(db, {
      provider: 'sqlite',
      schema: { user: people, session: sessions, account: credentials, verification: verifications, passkey: passkeys },
    }),
    // Its addresses are not served, and no address is made from this one.
    baseURL: 'http://localhost',
    secret,
    telemetry: { enabled: false },
    logger: { disabled: true },
    rateLimit: { enabled: false },
    user: { additionalFields: { role: { type: 'string', required: true, input: false } } },
    session: { expiresIn: SIGNED_IN, updateAge: NOTED },
    emailAndPassword: {
      enabled: true,
      disableSignUp: true,
      minPasswordLength: SHORTEST_PASSWORD,
      maxPasswordLength: LONGEST_PASSWORD,
      // Argon2id with 19 MiB, two passes and one lane, which OWASP asks for at the least, are the defaults of the package.
      password: { hash: (password) => hash(password), verify: ({ hash: kept, password }) => verify(kept, password) },
    },
    plugins: [passkey({ rpID: host, rpName: 'Dostik', advanced: { webAuthnChallengeCookie: 'dostik.asked' } })],
    advanced: { cookiePrefix: 'dostik', useSecureCookies: secure },
  });
}

export type Auth = ReturnType<typeof authOver>;
