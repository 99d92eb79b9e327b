import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible';

/** Within so many seconds. */
const WITHIN = 60;
type Share = Readonly<Record<'reads' | 'writes', number>>;
/** Somebody who types, ticks and takes in a folder of files stays far below it. */
const PERSON: Share = { reads: 3000, writes: 600 };
/** Behind one address may be a proxy, with forty testers. */
const ADDRESS: Share = { reads: 6000, writes: 3000 };

/** How much one may ask of the server: nobody takes all of it. */
export class Pace {
  readonly #limits: Readonly<Record<keyof Share, RateLimiterMemory>>;

  constructor(share: Share) {
    const limit = (points: number) => new RateLimiterMemory({ points, duration: WITHIN });
    this.#limits = { reads: limit(share.reads), writes: limit(share.writes) };
  }

  /** Notes a request. @returns for how many seconds who asks has to wait; 0 where they need not */
  async wait(who: string, method: string): Promise<number> {
    const kind = method === 'GET' || method === 'HEAD' || method === 'OPTIONS' ? 'reads' : 'writes';
    try {
      await this.#limits[kind].consume(who);
      return 0;
    } catch (refused) {
      if (refused instanceof RateLimiterRes) return Math.max(1, Math.ceil(refused.msBeforeNext / 1000));
      throw refused;
    }
  }
}

/** Paces of everybody: by account, and by address who has none. */
export class Paces {
  readonly #people = new Pace(PERSON);
  readonly #addresses = new Pace(ADDRESS);

  /** @returns for how many seconds who asks has to wait; 0 where they need not */
  wait(person: string | undefined, address: string, method: string): Promise<number> {
    return person === undefined ? this.#addresses.wait(address, method) : this.#people.wait(person, method);
  }
}
