import { createHash, randomBytes, timingSafeEqual } from 'node:crypto';
import { asc, count, eq, max } from 'drizzle-orm';
import type { First, Invited, JoiningAddress, Member, OtherPassword, Person, Role, SignIn } from '../../people.js';
import { Refused } from '../answers.js';
import type { OpenDatabase, Writing } from '../db/client.js';
import { usedUp, type AddressStore } from '../addresses.js';
import { practiceCards, practices, credentials, people, sessions } from '../db/schema.js';
import { authOver, type Auth } from './auth.js';

/** How many accounts there are is looked at again after so long: another process may have made one; milliseconds. */
const LOOKED_AT = 5000;

/** Somebody who has signed in, and the cookies that say so. */
export interface Entered {
  readonly person: Person;
  readonly cookies: readonly string[];
}

/** Who is in the house, and who is at the door. */
export class PeopleStore {
  readonly #database: OpenDatabase;
  readonly #secret: string;
  readonly #addresses: AddressStore;
  readonly #reading = new Map<boolean, Auth>();
  #counted: { readonly at: number; readonly all: number } | null = null;
  /**
   * Who makes the first account from outside has to type it: it stands on the terminal, where who runs the server alone sees it.
   */
  readonly word = randomBytes(9).toString('base64url');

  constructor(database: OpenDatabase, secret: string, addresses: AddressStore) {
    this.#database = database;
    this.#secret = secret;
    this.#addresses = addresses;
  }

  /** How many accounts there are. */
  async count(): Promise<number> {
    if (this.#counted && Date.now() - this.#counted.at < LOOKED_AT) return this.#counted.all;
    return this.look();
  }

  /** The same, asked of the database itself. */
  async look(): Promise<number> {
    const [row] = await this.#database.db.select({ all: count() }).from(people);
    this.#counted = { at: Date.now(), all: row?.all ?? 0 };
    return this.#counted.all;
  }

  /** Who a request is from; null where nobody is signed in. With cookies where it is to be kept signed in for longer. */
  async asking(headers: Headers, secure: boolean): Promise<Entered | null> {
    if (!headers.get('cookie')?.includes('dostik.')) return null;
    const kept = await this.#auth(secure).api.getSession({ headers, query: { disableRefresh: true } });
    if (!kept) return null;
    const person = personOf(kept.user);
    const due = Date.now() - kept.session.updatedAt.getTime() > NOTED_AFTER;
    if (!due) return { person, cookies: [] };
    const noted = await this.#writing(secure, (auth) => auth.api.getSession({ headers, returnHeaders: true }));
    return noted.response ? { person, cookies: noted.headers.getSetCookie() } : null;
  }

  #auth(secure: boolean): Auth {
    const known = this.#reading.get(secure);
    if (known) return known;
    const auth = authOver(this.#database.db, { secret: this.#secret, secure });
    this.#reading.set(secure, auth);
    return auth;
  }

  /** Everything is written one after the other, as all else in the house. */
  #writing<Given>(secure: boolean, work: (auth: Auth, db: Writing) => Promise<Given>): Promise<Given> {
    this.#counted = null;
    return this.#database.write((db) => work(authOver(db, { secret: this.#secret, secure }), db));
  }

  /** @throws Refused where the two don't belong together; it says no more than that. */
  async signIn({ mail, password }: SignIn, headers: Headers, secure: boolean): Promise<Entered> {
    return this.#writing(secure, (auth) => entering(auth, mail, password, headers));
  }

  /**
   * Sets another password for who is signed in, who stays so here and nowhere else.
   * @throws Refused where the one before is another.
   */
  async changePassword(
    person: Person,
    { before, password }: OtherPassword,
    headers: Headers,
    secure: boolean,
  ): Promise<Entered> {
    return this.#writing(secure, async (auth) => {
      try {
        const { headers: given } = await auth.api.changePassword({
          body: { currentPassword: before, newPassword: password, revokeOtherSessions: true },
          headers,
          returnHeaders: true,
        });
        return { person, cookies: given.getSetCookie() };
      } catch (error) {
        if (error instanceof Error && 'status' in error) throw new Refused(403, 'This is not your password so far.');
        throw error;
      }
    });
  }

  /** @returns the cookies that end it */
  async signOut(headers: Headers, secure: boolean): Promise<readonly string[]> {
    const done = await this.#writing(secure, (auth) => auth.api.signOut({ headers, returnHeaders: true }));
    return done.headers.getSetCookie();
  }

  /**
   * Makes the first account, whose owner owns the house.
   * @throws Refused where there is one already, or the word is another.
   */
  async first(first: First, atHome: boolean, headers: Headers, secure: boolean): Promise<Entered> {
    if (!atHome && !same(first.word, this.word))
      throw new Refused(403, 'This is not the word that stands on the terminal. It is made anew at each start.');
    return this.#writing(secure, async (auth, db) => {
      const [row] = await db.select({ all: count() }).from(people);
      if ((row?.all ?? 0) > 0) throw new Refused(409, 'There is an account already. Sign in, or ask its owner.');
      await make(auth, { ...first, role: 'owner' }, first.password);
      return entering(auth, first.mail, first.password, headers);
    });
  }

  /** Everybody of the house. */
  async all(): Promise<Member[]> {
    const rows = await this.#database.db
      .select({
        id: people.id,
        name: people.name,
        mail: people.email,
        role: people.role,
        password: credentials.id,
        seenAt: max(sessions.updatedAt),
      })
      .from(people)
      .leftJoin(credentials, eq(credentials.userId, people.id))
      .leftJoin(sessions, eq(sessions.userId, people.id))
      .groupBy(people.id)
      .orderBy(asc(people.name));
    return rows.map(({ password, seenAt, ...person }) => ({
      ...person,
      joined: password !== null,
      seenAt: seenAt === null ? null : Number(seenAt),
    }));
  }

  /**
   * Asks somebody into the house: an account without a password, and an address to set one.
   * @throws Refused where somebody has this mail address already.
   */
  async invite(invited: Invited): Promise<JoiningAddress> {
    return this.#writing(false, async (auth, db) => {
      const [there] = await db.select({ id: people.id }).from(people).where(eq(people.email, invited.mail));
      if (there) throw new Refused(409, 'Somebody with this mail address is in the house already.');
      return this.#addresses.make(db, { purpose: 'join', personId: await make(auth, invited, null) });
    });
  }

  /** A new address to set a password by; those before it lead nowhere any more. Null where there is no such person. */
  async address(id: string): Promise<JoiningAddress | null> {
    return this.#database.write(async (db) => {
      const [there] = await db.select({ id: people.id }).from(people).where(eq(people.id, id));
      return there ? this.#addresses.make(db, { purpose: 'join', personId: id }) : null;
    });
  }

  /** Who an address to join by is for; null where it leads nowhere, or not any more. */
  async invited(secret: string): Promise<Person | null> {
    const address = await this.#addresses.opened('join', secret);
    if (typeof address === 'string' || address.personId === null) return null;
    const [row] = await this.#database.db.select().from(people).where(eq(people.id, address.personId));
    return row ? personOf(row) : null;
  }

  /** Sets a password by an address, once, and signs in; whoever was signed in with another is so no longer. */
  async join(secret: string, password: string, headers: Headers, secure: boolean): Promise<Entered | null> {
    return this.#writing(secure, async (auth, db) => {
      const id = (await usedUp(db, 'join', secret))?.personId;
      const [person] = id ? await db.select().from(people).where(eq(people.id, id)) : [];
      if (!person) return null;
      await db.delete(sessions).where(eq(sessions.userId, person.id));
      await db.delete(credentials).where(eq(credentials.userId, person.id));
      await setPassword(auth, person.id, password);
      return entering(auth, person.email, password, headers);
    });
  }

  /** What somebody is called; empty where nobody is like that. */
  async nameOf(id: string): Promise<string> {
    const [row] = await this.#database.db.select({ name: people.name }).from(people).where(eq(people.id, id));
    return row?.name ?? '';
  }

  /** @throws Refused where nobody would own the house any more. */
  async setRole(id: string, role: Role): Promise<boolean> {
    return this.#database.write(async (db) => {
      if (role !== 'owner') await keepAnOwner(db, id);
      const set = await db.update(people).set({ role, updatedAt: new Date() }).where(eq(people.id, id)).returning();
      return set.length > 0;
    });
  }

  /** @throws Refused where nobody would own the house any more. */
  async remove(id: string): Promise<boolean> {
    this.#counted = null;
    return this.#database.write(async (db) => {
      await keepAnOwner(db, id);
      // What they have practised is nobody else's business.
      for (const table of [practices, practiceCards]) await db.delete(table).where(eq(table.person, id));
      return (await db.delete(people).where(eq(people.id, id)).returning()).length > 0;
    });
  }
}

/** So long after it was noted last, somebody is noted as seen; milliseconds. */
const NOTED_AFTER = 24 * 60 * 60 * 1000;

/** Somebody as the library of the accounts has them. */
export function personOf(row: { id: string; name: string; email: string; role?: unknown }): Person {
  return { id: row.id, name: row.name, mail: row.email, role: row.role as Role };
}

async function entering(auth: Auth, mail: string, password: string, headers: Headers): Promise<Entered> {
  try {
    const { headers: given, response } = await auth.api.signInEmail({
      body: { email: mail, password },
      headers,
      returnHeaders: true,
    });
    return { person: personOf(response.user), cookies: given.getSetCookie() };
  } catch (error) {
    // Whether it is the address or the password is said to nobody.
    if (error instanceof Error && 'status' in error) throw new Refused(401, NOT_TOGETHER);
    throw error;
  }
}

const NOT_TOGETHER = 'This mail address and this password do not belong together.';

async function make(auth: Auth, { name, mail, role }: Invited, password: string | null): Promise<string> {
  const { internalAdapter } = await auth.$context;
  const user = await internalAdapter.createUser({ name, email: mail, emailVerified: false, role }, { method: 'email' });
  if (password !== null) await setPassword(auth, user.id, password);
  return user.id;
}

async function setPassword(auth: Auth, id: string, password: string): Promise<void> {
  const { internalAdapter, password: hashing } = await auth.$context;
  await internalAdapter.linkAccount({
    userId: id,
    providerId: 'credential',
    accountId: id,
    password: await hashing.hash(password),
  });
}

async function keepAnOwner(db: Writing, without: string): Promise<void> {
  const owners = await db.select({ id: people.id }).from(people).where(eq(people.role, 'owner'));
  if (owners.length === 1 && owners[0]?.id === without)
    throw new Refused(409, 'Nobody else owns this house: make somebody else its owner first.');
}

/** Compared in the same time whatever they are. */
function same(a: string, b: string): boolean {
  const [left, right] = [a, b].map((words) => createHash('sha256').update(words.trim()).digest()) as [Buffer, Buffer];
  return timingSafeEqual(left, right);
}
