import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import Database from 'libsql';

/**
 * What a replicated libSQL service tells its embedded replicas (`wal_log.ReplicationLog`, as gRPC over the web): after each
 * change here the whole database, page by page, where a real one tells the pages that were written.
 */
export class Replication {
  readonly #database: Database.Database;
  /** Of the last page that was told, counted from 1 over all that ever were. */
  #told = 0n;
  #seen: unknown = null;

  constructor(file: string) {
    this.#database = new Database(file, { timeout: 1000 });
  }

  close(): void {
    this.#database.close();
  }

  /** @param method the last word of the path that was asked. @returns the body of an answer; null where that is nothing of it */
  answer(method: string, body: Buffer): Buffer | null {
    if (method === 'Hello') return message(Buffer.concat([bytes(3, LOG), bytes(4, LOG), number(5, this.#told)]));
    if (method === 'BatchLogEntries') return message(this.#since(offsetIn(body)));
    return null;
  }

  #since(next: bigint): Buffer {
    const [row] = this.#database.prepare('PRAGMA data_version').raw().all() as unknown[][];
    const now = row?.[0];
    if (now === this.#seen && next > this.#told) return Buffer.alloc(0);
    this.#seen = now;
    const copy = this.#copy();
    const size = copy.readUInt16BE(16);
    const count = copy.length / size;
    const first = next > 0n ? next : 1n;
    this.#told = first + BigInt(count) - 1n;
    const pages = Array.from({ length: count }, (_, i) => {
      const head = Buffer.alloc(24);
      head.writeBigUInt64LE(first + BigInt(i), 0);
      head.writeUInt32LE(i + 1, 16);
      // The last page of a transaction says how large the database is then.
      head.writeUInt32LE(i === count - 1 ? count : 0, 20);
      return bytes(1, bytes(1, Buffer.concat([head, copy.subarray(i * size, (i + 1) * size)])));
    });
    return Buffer.concat(pages);
  }

  /** The database as one file, whatever of it stands in its log. */
  #copy(): Buffer {
    const folder = mkdtempSync(path.join(tmpdir(), 'dostik-replication-'));
    const file = path.join(folder, 'copy.db');
    try {
      this.#database.exec(`VACUUM INTO '${file}'`);
      return readFileSync(file);
    } finally {
      rmSync(folder, { recursive: true });
    }
  }
}

const LOG = '6f9619ff-8b86-4011-b42d-00c04fc964ff';

/** Integers and fields as protocol buffers write them. */
function varint(value: bigint): Buffer {
  const digits: number[] = [];
  for (let rest = value; digits.length === 0 || rest > 0n; rest >>= 7n)
    digits.push(Number(rest & 127n) | (rest > 127n ? 128 : 0));
  return Buffer.from(digits);
}

function number(field: number, value: bigint): Buffer {
  return Buffer.concat([varint(BigInt(field << 3)), varint(value)]);
}

function bytes(field: number, value: Buffer | string): Buffer {
  const content = Buffer.from(value);
  return Buffer.concat([varint(BigInt((field << 3) | 2)), varint(BigInt(content.length)), content]);
}

/** The first field of a request, behind five bytes of frame; where it is left out it is 0. */
function offsetIn(request: Buffer): bigint {
  let offset = 0n;
  let shift = 0n;
  for (const digit of request.subarray(6)) {
    offset |= BigInt(digit & 127) << shift;
    shift += 7n;
    if (digit < 128) break;
  }
  return offset;
}

/** A message and the trailer that says it is all, each in its frame. */
function message(content: Buffer): Buffer {
  const framed = (kind: number, part: Buffer) => {
    const head = Buffer.alloc(5);
    head[0] = kind;
    head.writeUInt32BE(part.length, 1);
    return Buffer.concat([head, part]);
  };
  return Buffer.concat([framed(0, content), framed(128, Buffer.from('grpc-status:0\r\n'))]);
}
