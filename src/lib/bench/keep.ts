import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { Counting, Step } from '../../core/index.js';
import type { BenchCall } from '../bench.js';

/** A test call that this browser follows. */
export interface KeptCall {
  readonly secret: string;
  readonly call: BenchCall;
  /** Of the tester; null until they have joined. */
  readonly token: string | null;
  readonly tester: string;
  /** Of this browser. */
  readonly device: string;
  /** The server's steps are known as far as this. */
  readonly after: number;
  readonly counting: Counting;
  readonly at: number;
}

interface KeptStep {
  readonly secret: string;
  readonly id: string;
  /** 1 where the server has it. */
  readonly sent: 0 | 1;
  readonly step: Step;
}

interface KeptPhotograph {
  readonly secret: string;
  readonly id: string;
  readonly sent: 0 | 1;
  readonly file: Blob;
}

interface Bench extends DBSchema {
  calls: { key: string; value: KeptCall };
  steps: { key: [string, string]; value: KeptStep; indexes: { sent: [string, number] } };
  photographs: { key: [string, string]; value: KeptPhotograph; indexes: { sent: [string, number] } };
}

/** What the browser keeps for the bench: all of it, whether there is a network or not. */
export class Keep {
  readonly #db: IDBPDatabase<Bench>;

  private constructor(db: IDBPDatabase<Bench>) {
    this.#db = db;
  }

  /** @throws where the browser keeps nothing, as in some private windows. */
  static async open(name = 'dostik-bench'): Promise<Keep> {
    const db = await openDB<Bench>(name, 1, {
      upgrade(fresh) {
        fresh.createObjectStore('calls', { keyPath: 'secret' });
        fresh.createObjectStore('steps', { keyPath: ['secret', 'id'] }).createIndex('sent', ['secret', 'sent']);
        fresh.createObjectStore('photographs', { keyPath: ['secret', 'id'] }).createIndex('sent', ['secret', 'sent']);
      },
    });
    return new Keep(db);
  }

  close(): void {
    this.#db.close();
  }

  calls(): Promise<KeptCall[]> {
    return this.#db.getAll('calls');
  }

  call(secret: string): Promise<KeptCall | undefined> {
    return this.#db.get('calls', secret);
  }

  /** How far the server's steps are known is not put back. */
  async setCall(call: KeptCall): Promise<void> {
    const all = this.#db.transaction('calls', 'readwrite');
    const after = Math.max(call.after, (await all.store.get(call.secret))?.after ?? 0);
    await all.store.put({ ...call, after });
    await all.done;
  }

  async steps(secret: string): Promise<Step[]> {
    const all = await this.#db.getAll('steps', IDBKeyRange.bound([secret, ''], [secret, '￿']));
    return all.map(({ step }) => step);
  }

  /** Keeps a step that was made here; `instead` goes, where the step takes its place. */
  async add(secret: string, step: Step, instead?: string): Promise<void> {
    const all = this.#db.transaction('steps', 'readwrite');
    if (instead !== undefined) await all.store.delete([secret, instead]);
    await all.store.put({ secret, id: step.id, sent: 0, step });
    await all.done;
  }

  /** Those that have not gone up, in the order in which they were made. */
  async waiting(secret: string): Promise<Step[]> {
    const waiting = await this.#db.getAllFromIndex('steps', 'sent', [secret, 0]);
    return waiting.map(({ step }) => step).sort((a, b) => a.order - b.order);
  }

  waitingCount(secret: string): Promise<number> {
    return this.#db.countFromIndex('steps', 'sent', [secret, 0]);
  }

  /** The server has these: some that were sent, and some of other devices. */
  async arrived(secret: string, steps: readonly Step[], after: number): Promise<void> {
    const all = this.#db.transaction(['steps', 'calls'], 'readwrite');
    const store = all.objectStore('steps');
    for (const step of steps) await store.put({ secret, id: step.id, sent: 1, step });
    const call = await all.objectStore('calls').get(secret);
    if (call && call.after < after) await all.objectStore('calls').put({ ...call, after });
    await all.done;
  }

  async addPhotograph(secret: string, id: string, file: Blob): Promise<void> {
    await this.#db.put('photographs', { secret, id, sent: 0, file });
  }

  async photograph(secret: string, id: string): Promise<Blob | null> {
    return (await this.#db.get('photographs', [secret, id]))?.file ?? null;
  }

  waitingPhotographs(secret: string): Promise<{ readonly id: string; readonly file: Blob }[]> {
    return this.#db.getAllFromIndex('photographs', 'sent', [secret, 0]);
  }

  async photographArrived(secret: string, id: string): Promise<void> {
    const all = this.#db.transaction('photographs', 'readwrite');
    const kept = await all.store.get([secret, id]);
    if (kept) await all.store.put({ ...kept, sent: 1 });
    await all.done;
  }
}
