import { asc, and, eq } from 'drizzle-orm';
import type { NewPasskey, Passkey } from '../../people.js';
import { Refused } from '../answers.js';
import type { OpenDatabase } from '../db/client.js';
import { passkeys } from '../db/schema.js';
import { authOver, type Auth } from './auth.js';
import { personOf, type Entered } from './people.js';

/** How somebody has come: what their browser has sent, whether by https, and the name that it asked for. */
export interface Coming {
  readonly headers: Headers;
  readonly secure: boolean;
  readonly host: string;
}

/** What a device is asked, and the cookie by which its answer is known. */
export interface Question {
  readonly options: unknown;
  readonly cookies: readonly string[];
}

/** Keys of devices, by which people sign in without a password; all that is cryptography is the library's. */
export class PasskeyStore {
  readonly #database: OpenDatabase;
  readonly #secret: string;

  constructor(database: OpenDatabase, secret: string) {
    this.#database = database;
    this.#secret = secret;
  }

  #asking<Given>({ secure, host }: Coming, work: (auth: Auth) => Promise<Given>): Promise<Given> {
    return this.#database.write((db) => work(authOver(db, { secret: this.#secret, secure, host })));
  }

  /** Those of somebody, the oldest first. */
  async of(person: string): Promise<Passkey[]> {
    const rows = await this.#database.db
      .select()
      .from(passkeys)
      .where(eq(passkeys.userId, person))
      .orderBy(asc(passkeys.createdAt));
    return rows.map(({ id, name, createdAt }) => ({ id, name: name ?? '', at: createdAt?.getTime() ?? null }));
  }

  /** Takes a key out. @returns false where there is none like that */
  async remove(person: string, id: string): Promise<boolean> {
    const gone = await this.#database.write((db) =>
      db
        .delete(passkeys)
        .where(and(eq(passkeys.userId, person), eq(passkeys.id, id)))
        .returning({ id: passkeys.id }),
    );
    return gone.length > 0;
  }

  /** What a device is asked to make a key for who is signed in. @throws Refused where they signed in too long ago */
  begin(coming: Coming): Promise<Question> {
    return this.#asking(coming, (auth) =>
      refusing(403, SIGN_IN_ANEW, async () => {
        const { headers } = coming;
        const made = await auth.api.generatePasskeyRegistrationOptions({ headers, query: {}, returnHeaders: true });
        return { options: made.response, cookies: made.headers.getSetCookie() };
      }),
    );
  }

  /** Keeps a key that a device has made. @throws Refused where its answer is not right */
  async add({ name, answer }: NewPasskey, coming: Coming): Promise<void> {
    await this.#asking(coming, (auth) =>
      refusing(422, NOT_RIGHT, () =>
        auth.api.verifyPasskeyRegistration({ headers: coming.headers, body: { name, response: answer } }),
      ),
    );
  }

  /** What a device is asked to sign in somebody, whoever they are. */
  ask(coming: Coming): Promise<Question> {
    return this.#asking(coming, async (auth) => {
      const asked = await auth.api.generatePasskeyAuthenticationOptions({
        headers: coming.headers,
        returnHeaders: true,
      });
      return { options: asked.response, cookies: asked.headers.getSetCookie() };
    });
  }

  /** Signs in by a key. @throws Refused where it is nobody's, or its answer is not right */
  enter(answer: NewPasskey['answer'], coming: Coming): Promise<Entered> {
    return this.#asking(coming, (auth) =>
      refusing(401, NOT_RIGHT, async () => {
        const { headers, response } = await auth.api.verifyPasskeyAuthentication({
          headers: coming.headers,
          // Whether it is a right one is for the library to say.
          body: { response: answer as never },
          returnHeaders: true,
        });
        return { person: personOf(response.user), cookies: headers.getSetCookie() };
      }),
    );
  }
}

const SIGN_IN_ANEW = 'It is more than a day since you signed in here. Sign out and in again, then add the key.';
const NOT_RIGHT = 'This key was not taken: it is not known here, or it took too long. Try again, or use your password.';

/** What the library refuses, in words of our own. */
async function refusing<Given>(status: number, words: string, work: () => Promise<Given>): Promise<Given> {
  try {
    return await work();
  } catch (error) {
    if (error instanceof Error && 'status' in error) throw new Refused(status, words);
    throw error;
  }
}
