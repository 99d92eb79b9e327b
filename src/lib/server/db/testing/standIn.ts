import { randomUUID } from 'node:crypto';
import { createServer, type IncomingMessage, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import Database from 'libsql';
import { Replication } from './replication.js';

/**
 * A service that speaks SQL over HTTP as replicated libSQL does (Hrana, version 2, as JSON), and tells its replicas, over a file
 * of this machine, for tests. What can go wrong on the way is made to happen by `fault`.
 */
export class StandIn {
  readonly #server: Server;
  readonly #file: string;
  #replication: Replication | null = null;
  /** Whether replicas are told what is written. */
  tells = true;
  readonly #streams = new Map<string, Stream>();
  #asked = 0;
  /** What happens to a request, by its number since the last `again`, from 0; null for nothing. */
  fault: (request: number) => Fault | null = () => null;

  constructor(file: string) {
    this.#file = file;
    this.#server = createServer((request, response) => {
      void this.#answer(request).then(
        (answer) => {
          if (answer === 'lost') request.socket.destroy();
          else if (Buffer.isBuffer(answer))
            response.writeHead(200, { 'content-type': 'application/grpc-web+proto' }).end(answer);
          else
            response
              .writeHead(answer.status, { 'content-type': 'application/json' })
              .end(JSON.stringify(answer.body ?? {}));
        },
        () => request.socket.destroy(),
      );
    });
  }

  async start(): Promise<string> {
    await new Promise<void>((resolve) => this.#server.listen(0, '127.0.0.1', resolve));
    return `http://127.0.0.1:${(this.#server.address() as AddressInfo).port}`;
  }

  /** Counts requests anew. @returns how many there were */
  again(): number {
    const asked = this.#asked;
    this.#asked = 0;
    return asked;
  }

  stop(): void {
    this.#lead();
    this.#replication?.close();
    this.#server.closeAllConnections();
    this.#server.close();
  }

  /** Another leads from now on: whatever was under way is gone. */
  #lead(): void {
    for (const stream of this.#streams.values()) stream.close();
    this.#streams.clear();
  }

  /** What a replica asks. */
  #tell(method: string, body: Buffer): Answer | Buffer {
    this.#replication ??= new Replication(this.#file);
    return (this.tells ? this.#replication.answer(method, body) : null) ?? { status: 404 };
  }

  async #answer(request: IncomingMessage): Promise<Answer | Buffer | 'lost'> {
    if (request.url?.startsWith(REPLICAS))
      return this.#tell(request.url.slice(REPLICAS.length), await bytesOf(request));
    return this.#carryOut(request);
  }

  async #carryOut(request: IncomingMessage): Promise<Answer | 'lost'> {
    // Whether later versions of the protocol are spoken is asked first.
    if (request.method !== 'POST' || request.url !== '/v2/pipeline') return { status: 404 };
    const { baton, requests } = JSON.parse((await bytesOf(request)).toString()) as Pipeline;
    const fault = this.fault(this.#asked);
    this.#asked += 1;
    if (fault === 'lost before') return 'lost';
    if (fault === 'overloaded') return { status: 503 };
    if (fault === 'another leads') this.#lead();
    if (fault === 'slow') await new Promise((resolve) => setTimeout(resolve, 150));
    const stream = this.#taken(baton);
    if (!stream) return { status: 400, body: { message: 'The stream has expired', code: 'STREAM_EXPIRED' } };
    const results = fault === 'busy' ? requests.map(() => BUSY) : requests.map((one) => stream.carryOut(one));
    const open = fault !== 'lost after' && requests.at(-1)?.type !== 'close';
    const answer = { status: 200, body: { baton: open ? this.#put(stream) : null, base_url: null, results } };
    if (!open) stream.close();
    return fault === 'lost after' ? 'lost' : answer;
  }

  /** The stream that was put by under a name, or a new one without a name; null where there is none any more. */
  #taken(baton: string | null): Stream | null {
    if (!baton) return new Stream(this.#file);
    const stream = this.#streams.get(baton) ?? null;
    this.#streams.delete(baton);
    return stream;
  }

  /** Puts a stream by, until it is asked for again. */
  #put(stream: Stream): string {
    const baton = randomUUID();
    this.#streams.set(baton, stream);
    // Whoever does not come back holds up nobody: a service gives its streams up, after some seconds.
    setTimeout(() => this.#streams.delete(baton) && stream.close(), GIVEN_UP).unref();
    return baton;
  }
}

/** Where replicas ask. */
const REPLICAS = '/wal_log.ReplicationLog/';
/** Milliseconds. */
const GIVEN_UP = 500;

/** The request or its answer is lost on the way, comes late, meets somebody who writes, a service that has no room, or another leader. */
export type Fault = 'lost before' | 'lost after' | 'slow' | 'busy' | 'overloaded' | 'another leads';

interface Answer {
  readonly status: number;
  readonly body?: unknown;
}
interface Pipeline {
  readonly baton: string | null;
  readonly requests: readonly Asked[];
}
interface Asked {
  readonly type: string;
  readonly sql?: string;
  readonly sql_id?: number;
  readonly stmt?: Statement;
  readonly batch?: { readonly steps: readonly { readonly condition?: Condition; readonly stmt: Statement }[] };
}
interface Statement {
  readonly sql?: string;
  readonly sql_id?: number;
  readonly args?: readonly Value[];
  readonly named_args?: readonly { readonly name: string; readonly value: Value }[];
}
interface Condition {
  readonly type: 'ok' | 'error' | 'not' | 'and' | 'or';
  readonly step?: number;
  readonly cond?: Condition;
  readonly conds?: readonly Condition[];
}
type Value =
  | { readonly type: 'null' }
  | { readonly type: 'integer' | 'text'; readonly value: string }
  | { readonly type: 'float'; readonly value: number }
  | { readonly type: 'blob'; readonly base64: string };
type Told = { readonly type: 'ok'; readonly response: object } | typeof BUSY;
const BUSY = { type: 'error', error: { message: 'database is locked', code: 'SQLITE_BUSY' } };

/** One connection, on which statements follow each other. */
class Stream {
  readonly #database: Database.Database;
  readonly #stored = new Map<number, string>();

  constructor(file: string) {
    this.#database = new Database(file, { timeout: 50 });
    this.#database.exec('PRAGMA foreign_keys = ON');
  }

  close(): void {
    if (!this.#database.open) return;
    // What was not committed is gone with it.
    if (this.#database.inTransaction) this.#database.exec('ROLLBACK');
    this.#database.close();
  }

  carryOut(asked: Asked): Told {
    try {
      return { type: 'ok', response: { type: asked.type, ...this.#done(asked) } };
    } catch (error) {
      const { message, code } = error as { message: string; code?: string };
      return { type: 'error', error: { message, code: code ?? 'SQLITE_ERROR' } };
    }
  }

  #done({ type, sql = '', sql_id: id = 0, stmt, batch }: Asked): object {
    if (type === 'execute' && stmt) return { result: this.#run(stmt) };
    if (type === 'batch' && batch) return { result: this.#batch(batch.steps) };
    if (type === 'sequence') this.#database.exec(sql === '' ? (this.#stored.get(id) ?? '') : sql);
    if (type === 'store_sql') this.#stored.set(id, sql);
    if (type === 'close_sql') this.#stored.delete(id);
    return {};
  }

  #batch(steps: NonNullable<Asked['batch']>['steps']): object {
    const results: unknown[] = [];
    const errors: unknown[] = [];
    const holds = ({ type, step = 0, cond, conds = [] }: Condition): boolean => {
      if (type === 'ok') return (results[step] ?? null) !== null;
      if (type === 'error') return (errors[step] ?? null) !== null;
      if (type === 'not') return cond !== undefined && !holds(cond);
      return type === 'and' ? conds.every(holds) : conds.some(holds);
    };
    for (const { condition, stmt } of steps) {
      const [result, error] = condition && !holds(condition) ? [null, null] : this.#tried(stmt);
      results.push(result);
      errors.push(error);
    }
    return { step_results: results, step_errors: errors };
  }

  #tried(stmt: Statement): [result: object | null, error: object | null] {
    const told = this.carryOut({ type: 'execute', stmt });
    return 'response' in told ? [(told.response as { result: object }).result, null] : [null, told.error];
  }

  #run({ sql, sql_id: id = 0, args = [], named_args: named = [] }: Statement): object {
    const statement = this.#database.prepare(sql ?? this.#stored.get(id) ?? '').safeIntegers(true);
    const given =
      named.length === 0
        ? args.map(valueOf)
        : Object.fromEntries(named.map(({ name, value }) => [name.slice(1), valueOf(value)]));
    let returns = true;
    try {
      statement.raw(true);
    } catch {
      returns = false;
    }
    if (!returns) {
      const { changes, lastInsertRowid } = statement.run(given);
      return { cols: [], rows: [], affected_row_count: changes, last_insert_rowid: String(lastInsertRowid) };
    }
    const cols = statement.columns().map(({ name, type }) => ({ name, decltype: type }));
    const rows = (statement.all(given) as unknown[][]).map((row) => row.map(toldOf));
    return { cols, rows, affected_row_count: 0, last_insert_rowid: null };
  }
}

function valueOf(value: Value): unknown {
  if (value.type === 'null') return null;
  if (value.type === 'integer') return BigInt(value.value);
  return value.type === 'blob' ? Buffer.from(value.base64, 'base64') : value.value;
}

function toldOf(cell: unknown): object {
  if (cell === null) return { type: 'null' };
  if (typeof cell === 'bigint') return { type: 'integer', value: String(cell) };
  if (typeof cell === 'number') return { type: 'float', value: cell };
  if (typeof cell === 'string') return { type: 'text', value: cell };
  return { type: 'blob', base64: Buffer.from(cell as Uint8Array).toString('base64') };
}

async function bytesOf(request: IncomingMessage): Promise<Buffer> {
  const parts: Buffer[] = [];
  for await (const part of request) parts.push(part as Buffer);
  return Buffer.concat(parts);
}
