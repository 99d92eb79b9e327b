/** A press at work: people who read, type and test, each as fast as people are, over HTTP alone. */
import type { Server } from '../../e2e/server.js';
import { Asked, type Person } from './person.js';

export const OWNER = { name: 'Una', mail: 'una@example.org', password: 'four quiet grey stones' };

/** How many people there are of each kind. */
export interface Size {
  readonly readers: number;
  readonly typers: number;
  readonly testers: number;
}

/** What people were told is kept: it has to be there, whatever happens to the server. */
export interface Kept {
  /** Of each pattern that is typed at: the last text that was confirmed, and those that were sent after it. */
  readonly texts: ReadonlyMap<string, { readonly confirmed: string; readonly sent: ReadonlySet<string> }>;
  /** Of each tester: where they work, and the steps that were confirmed. */
  readonly steps: ReadonlyMap<string, ReadonlySet<string>>;
}

/** A press, and what it has been told. */
export class Press {
  readonly asked = new Asked();
  readonly #server: Server;
  readonly #texts = new Map<string, { confirmed: string; sent: Set<string> }>();
  readonly #steps = new Map<string, Set<string>>();
  #going = true;
  #cookie = '';
  #shared = '';

  constructor(server: Server) {
    this.#server = server;
  }

  get kept(): Kept {
    return { texts: this.#texts, steps: this.#steps };
  }

  /** Makes the accounts, the patterns and the test, and gives back who comes to work. */
  async gather({ readers, typers, testers }: Size): Promise<Person[]> {
    const word = / word (\S+)/.exec(this.#server.said)?.[1] ?? '';
    const first = await this.#ask('POST', '/api/people/first', { ...OWNER, word });
    this.#cookie = cookieOf(first);
    const ids: string[] = [];
    for (let i = 0; i < typers + 1; i += 1) {
      const made = await this.#ask('POST', '/api/patterns', { text: textOf(i, 0), name: `Pattern ${i}` });
      ids.push(((await made.json()) as { id: string }).id);
    }
    this.#shared = ids[typers] ?? '';
    const people: Person[] = [];
    for (let i = 0; i < readers; i += 1) people.push(this.#reader(i, ids, await this.#account(`Reader ${i}`)));
    for (let i = 0; i < typers; i += 1) people.push(this.#typer(i, ids[i] ?? '', await this.#account(`Typer ${i}`)));
    if (testers > 0) {
      const secret = await this.#call();
      for (let i = 0; i < testers; i += 1) people.push(await this.#tester(i, secret));
    }
    return people;
  }

  /** Lets everybody work until something has happened, and waits until they have put down what they hold. */
  async work(people: readonly Person[], until: Promise<unknown>): Promise<void> {
    this.#going = true;
    const end = () => (this.#going = false);
    void until.then(end, end);
    // They don't all come through the door in the same moment.
    const come = async (person: Person) => {
      await pause(0, 3000);
      await person(() => this.#going);
    };
    await Promise.all([until, ...people.map(come)]);
  }

  /** Opens a test of one pattern. @returns the secret of its address */
  async #call(): Promise<string> {
    const wanted = { yarn: '', hook: '', gauge: '', by: '', photographs: '', smallParts: '' };
    await this.#ask('POST', `/api/patterns/${this.#shared}/calls`, wanted);
    // As an editor sees it.
    const page = await (await this.#ask('GET', `/tests/${this.#shared}/__data.json`)).text();
    const secret = /"([\w-]{24})"/.exec(page)?.[1];
    if (secret === undefined) throw new Error('The address of the test is not shown.');
    return secret;
  }

  /** Looks through the shelf, opens a Desk and what is beside it. */
  #reader(i: number, ids: readonly string[], cookie: string): Person {
    const words = ['', 'sc', 'pattern 1', 'moss', 'increase'];
    return async (going) => {
      for (let turn = i; going(); turn += 1) {
        const id = ids[(turn * 7) % ids.length] ?? '';
        const word = words[turn % words.length] ?? '';
        const pages = [`/?words=${encodeURIComponent(word)}`, `/desk/${id}`, `/queries/${id}`, `/history/${id}`];
        await this.#timed('reads', 'GET', pages[turn % pages.length] ?? '/', undefined, cookie);
        await pause(1000, 3000);
      }
    };
  }

  /** Types at a Desk: saves a moment after each pause, says every few seconds that they are there. */
  #typer(i: number, id: string, cookie: string): Person {
    let revision = 1;
    let confirmed = textOf(i, 0);
    const sent = new Set<string>();
    this.#texts.set(id, { confirmed, sent });
    return async (going) => {
      for (let turn = 1; going(); turn += 1) {
        const text = textOf(i, turn);
        sent.add(text);
        const saved = await this.#timed('types', 'PUT', `/api/patterns/${id}`, { text, base: revision }, cookie);
        if (saved?.ok) {
          ({ revision } = (await saved.json()) as { revision: number });
          confirmed = text;
          sent.clear();
          this.#texts.set(id, { confirmed, sent });
        } else if (saved?.status === 409) {
          // What was sent before the server went had arrived: one goes on from there.
          const { current } = (await saved.json()) as { current: { revision: number } };
          ({ revision } = current);
        }
        if (turn % 4 === 0)
          await this.#timed(
            'is there',
            'POST',
            `/api/patterns/${id}/here`,
            { window: `window-${i}`, at: `Rnd ${turn}` },
            cookie,
          );
        await pause(800, 1600);
      }
    };
  }

  /** Works rounds at the Bench: a few steps go up every few seconds, again and again until they are confirmed. */
  async #tester(i: number, secret: string): Promise<Person> {
    const joined = await this.#ask('POST', `/api/bench/${secret}/testers`, { name: `Tester ${i}` }, '');
    const { token } = (await joined.json()) as { token: string };
    const path = `/api/bench/${secret}/${token}/steps`;
    const confirmed = new Set<string>();
    this.#steps.set(path, confirmed);
    let order = 0;
    let after = 0;
    let waiting: unknown[] = [];
    return async (going) => {
      while (going()) {
        for (let n = 0; n < 3; n += 1) waiting.push(stepOf(i, (order += 1)));
        const sent = waiting;
        const answer = await this.#timed('tests', 'POST', path, { after, steps: sent }, '');
        if (answer?.ok) {
          ({ after } = (await answer.json()) as { after: number });
          for (const { id } of sent as { id: string }[]) confirmed.add(id);
          waiting = [];
        }
        await pause(1500, 2500);
      }
    };
  }

  async #timed(
    kind: string,
    method: string,
    path: string,
    body?: unknown,
    cookie = this.#cookie,
  ): Promise<Response | null> {
    const start = performance.now();
    try {
      const answer = await this.#ask(method, path, body, cookie);
      this.asked.add(kind, performance.now() - start, answer.status);
      return answer;
    } catch {
      this.asked.add(kind, performance.now() - start, 0);
      return null;
    }
  }

  /** Gives somebody an account. @returns the cookie by which they are known */
  async #account(name: string): Promise<string> {
    const mail = `${name.toLowerCase().replace(' ', '-')}@example.org`;
    const invited = await this.#ask('POST', '/api/people', { name, mail, role: 'editor' });
    const { secret } = (await invited.json()) as { secret: string };
    return cookieOf(await this.#ask('POST', `/api/join/${secret}`, { password: 'a long word of theirs' }, ''));
  }

  async #ask(method: string, path: string, body?: unknown, cookie = this.#cookie): Promise<Response> {
    const answer = await fetch(this.#server.url + path, {
      method,
      headers: { origin: this.#server.url, 'content-type': 'application/json', ...(cookie === '' ? {} : { cookie }) },
      redirect: 'manual',
      signal: AbortSignal.timeout(20_000),
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
    // A page is there when all of it is.
    if (method === 'GET') return new Response(await answer.text(), { status: answer.status, headers: answer.headers });
    return answer;
  }

  /** What a tester has noted, as the server has it. */
  async stepsAt(path: string): Promise<ReadonlySet<string>> {
    const all = new Set<string>();
    for (let after = 0, more = true; more;) {
      const answer = await this.#ask('POST', path, { after, steps: [] }, '');
      const said = (await answer.json()) as { after: number; more: boolean; steps: { id: string }[] };
      for (const { id } of said.steps) all.add(id);
      ({ after, more } = said);
    }
    return all;
  }

  /** A text as the server has it. */
  async textAt(id: string): Promise<string> {
    return ((await (await this.#ask('GET', `/api/patterns/${id}`)).json()) as { text: string }).text;
  }
}

/** What an answer lets its browser be known by. */
function cookieOf({ headers }: Response): string {
  return headers
    .getSetCookie()
    .map((cookie) => cookie.split(';')[0])
    .join('; ');
}

const pause = (least: number, most: number): Promise<void> =>
  new Promise((resolve) => setTimeout(resolve, least + Math.random() * (most - least)));

/** A pattern of some 60 rounds, as it stands after so many changes. */
function textOf(i: number, turn: number): string {
  const rounds = Array.from({ length: 60 }, (_, n) => {
    const repeats = 1 + (n % 9);
    return `Rnd ${n + 3}: (sc ${repeats}, inc) x 6 (${6 * (repeats + 2)})`;
  });
  return `Pattern ${i}\nUS terms, change ${turn}\n\nBODY\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\n${rounds.join('\n')}\nFasten off after ${turn}.\n`;
}

function stepOf(tester: number, order: number): unknown {
  const what = { kind: 'go', spot: { part: 0, copy: 0, ring: order % 60 } };
  return {
    id: `load-${tester}-${String(order).padStart(6, '0')}`,
    device: `load-phone-${tester}`,
    order,
    at: 1.8e12,
    spent: 900,
    what,
  };
}
