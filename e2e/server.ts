import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { copyFileSync, cpSync, mkdtempSync, rmSync } from 'node:fs';
import { createServer, type AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { createClient } from '@libsql/client';
import { test as base, type Page } from '@playwright/test';

/** The built application with the demo patterns, on a database and a port of its own. */
export class Server {
  readonly #folder = mkdtempSync(path.join(tmpdir(), 'dostik-e2e-'));
  #process: ChildProcess | null = null;
  readonly #stocked: string | null;
  readonly #settings: Readonly<Record<string, string>>;
  /** What it has said on its terminal. */
  said = '';
  url = '';
  #port = 0;

  /**
   * @param stocked a database to begin with; without one the demo patterns are brought in
   * @param settings that it is started with, as in the environment
   */
  constructor(stocked: string | null = null, settings: Readonly<Record<string, string>> = {}) {
    this.#stocked = stocked;
    this.#settings = settings;
  }

  async start(): Promise<void> {
    if (this.#port === 0) {
      this.#port = await freePort();
      this.url = `http://127.0.0.1:${this.#port}`;
      this.#stock();
    }
    const child = spawn(process.execPath, ['scripts/start.mjs'], {
      env: this.#env(),
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    this.#process = child;
    child.stderr.on('data', (words: Buffer) => {
      this.said += words.toString();
      process.stderr.write(words);
    });
    await new Promise<void>((resolve, reject) => {
      child.stdout.on('data', (words: Buffer) => {
        if (words.toString().includes('Dostik is at')) resolve();
      });
      child.once('exit', () => reject(new Error('The server ended before it was ready.')));
    });
  }

  #stock(): void {
    if (this.#stocked !== null) {
      copyFileSync(this.#stocked, this.database);
      cpSync(besides(this.#stocked), besides(this.database), { recursive: true });
      return;
    }
    const seeded = spawnSync(process.execPath, ['--import', 'tsx', 'scripts/seed.ts'], {
      env: this.#env(),
      encoding: 'utf8',
    });
    if (seeded.status !== 0) throw new Error(seeded.stderr);
  }

  /** Ends the server at once, as a crash would. */
  async kill(): Promise<void> {
    const child = this.#process;
    this.#process = null;
    if (!child || child.exitCode !== null) return;
    const gone = new Promise((resolve) => child.once('exit', resolve));
    child.kill('SIGKILL');
    await gone;
  }

  /** Tells the server to end, as a machine does that is shut down. Gives its status. */
  async end(): Promise<number | null> {
    const child = this.#process;
    this.#process = null;
    if (!child) return null;
    const gone = new Promise<number | null>((resolve) => child.once('exit', resolve));
    child.kill('SIGTERM');
    return gone;
  }

  /** The number of its process, while it runs. */
  get pid(): number | undefined {
    return this.#process?.pid;
  }

  /** The file that everything is kept in. */
  get database(): string {
    return path.join(this.#folder, 'e2e.db');
  }

  /** Takes in a text, and returns its id. */
  async takeIn(text: string, name = ''): Promise<string> {
    const answer = await this.ask('POST', '/api/patterns', { text, name });
    return ((await answer.json()) as { id: string }).id;
  }

  /** A pattern as it is kept. */
  async pattern(id: string): Promise<{ text: string; name: string; revision: number }> {
    return (await (await this.ask('GET', `/api/patterns/${id}`)).json()) as {
      text: string;
      name: string;
      revision: number;
    };
  }

  ask(method: string, address: string, body?: unknown): Promise<Response> {
    return fetch(this.url + address, {
      method,
      ...(body === undefined ? {} : { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }),
    });
  }

  /** Waits until every pattern has its figures, and all stands in the one file. */
  async counted(): Promise<void> {
    const client = createClient({ url: `file:${this.database}` });
    for (let open = 1; open > 0;) {
      await new Promise((resolve) => setTimeout(resolve, 100));
      open = (await client.execute('select 1 from patterns where counted is null')).rows.length;
    }
    await client.execute('pragma wal_checkpoint(truncate)');
    client.close();
  }

  /** Puts many more patterns on the shelf, as they would stand there after they were counted: "Pattern 1" and so on. */
  async fill(many: number): Promise<void> {
    await this.counted();
    const client = createClient({ url: `file:${this.database}` });
    const { rows } = await client.execute("select name from pragma_table_info('patterns')");
    const own: Record<string, string> = { id: "'fill-' || i", name: "'Pattern ' || i", demo_key: 'null' };
    const columns = rows.map(({ name }) => name as string);
    await client.execute(
      `with recursive n(i) as (select 1 union all select i + 1 from n where i < ${many})
       insert into patterns (${columns.join(', ')})
       select ${columns.map((column) => own[column] ?? `one.${column}`).join(', ')}
       from n, (select * from patterns where counted is not null limit 1) one`,
    );
    client.close();
  }

  async close(): Promise<void> {
    await this.kill();
    rmSync(this.#folder, { recursive: true, force: true });
  }

  #env(): NodeJS.ProcessEnv {
    return { ...process.env, PORT: String(this.#port), DATABASE_URL: `file:${this.database}`, ...this.#settings };
  }
}

/** The folder of the files that go with a database. */
function besides(database: string): string {
  return path.join(path.dirname(database), 'files');
}

function freePort(): Promise<number> {
  return new Promise((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as AddressInfo;
      probe.close(() => resolve(port));
    });
  });
}

/** Opens and loads anew only what answers to keys: a page of the house is there as words before its scripts have run. */
function onceAwake(page: Page): Page {
  for (const way of ['goto', 'reload'] as const) {
    const go = page[way].bind(page) as (...given: unknown[]) => ReturnType<Page['reload']>;
    page[way] = async (...given: unknown[]) => {
      const answer = await go(...given);
      await page.locator('body[data-awake], body:not([data-person])').waitFor({ state: 'attached' });
      return answer;
    };
  }
  return page;
}

export const test = base.extend<{ server: Server }, { stocked: string }>({
  browser: [
    async ({ browser }, use) => {
      const newContext = browser.newContext.bind(browser);
      browser.newContext = async (options) => {
        const context = await newContext(options);
        const newPage = context.newPage.bind(context);
        context.newPage = async () => onceAwake(await newPage());
        return context;
      };
      await use(browser);
    },
    { scope: 'worker' },
  ],
  // Stocked and counted once for all tests that one worker carries out.
  stocked: [
    async ({ browserName: _ }, use) => {
      const first = new Server();
      await first.start();
      await first.counted();
      await first.kill();
      await use(first.database);
      await first.close();
    },
    { scope: 'worker' },
  ],
  server: async ({ stocked }, use) => {
    const server = new Server(stocked);
    await server.start();
    await use(server);
    await server.close();
  },
});
