import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';

/** What happens to one request: it is not heard, its answer is lost, or the store says to come later. */
export type Fault = 'lost before' | 'lost after' | 'slow down' | null;

/** A store that speaks S3 as far as files need it, for tests: objects are put and fetched by path, signed by whoever asks. */
export class BucketStandIn {
  readonly #server: Server;
  /** By "bucket/key". */
  readonly objects = new Map<string, Uint8Array>();
  /** What happens to a request, by its number from 0. */
  fault: (request: number) => Fault = () => null;
  asked = 0;

  /** @param person whose key is let in */
  constructor(person: string) {
    this.#server = createServer((request, response) => {
      void this.#answer(request, response, person);
    });
  }

  /** @returns its address */
  async start(): Promise<string> {
    await new Promise<void>((resolve) => this.#server.listen(0, '127.0.0.1', resolve));
    return `http://127.0.0.1:${(this.#server.address() as AddressInfo).port}`;
  }

  stop(): void {
    this.#server.closeAllConnections();
    this.#server.close();
  }

  async #answer(request: IncomingMessage, response: ServerResponse, person: string): Promise<void> {
    const pieces: Buffer[] = [];
    for await (const piece of request) pieces.push(piece as Buffer);
    const fault = this.fault(this.asked);
    this.asked += 1;
    if (fault === 'lost before') {
      request.socket.destroy();
      return;
    }
    const known = request.headers.authorization?.startsWith(`AWS4-HMAC-SHA256 Credential=${person}/`);
    if (fault === 'slow down' || !known) {
      if (known) refuse(response, 503, 'SlowDown');
      else refuse(response, 403, 'InvalidAccessKeyId');
      return;
    }
    const name = decodeURIComponent(new URL(request.url ?? '', 'http://store').pathname.slice(1));
    if (request.method === 'PUT') this.objects.set(name, new Uint8Array(Buffer.concat(pieces)));
    const found = this.objects.get(name);
    if (fault === 'lost after') request.socket.destroy();
    else if (!found) refuse(response, 404, 'NoSuchKey');
    else answer(request, response, found);
  }
}

function answer(request: IncomingMessage, response: ServerResponse, found: Uint8Array): void {
  response.writeHead(200, { 'content-length': request.method === 'PUT' ? 0 : found.length });
  response.end(request.method === 'PUT' ? undefined : found);
}

function refuse(response: ServerResponse, status: number, code: string): void {
  response.writeHead(status, { 'content-type': 'application/xml' });
  response.end(`<?xml version="1.0" encoding="UTF-8"?><Error><Code>${code}</Code><Message>${code}</Message></Error>`);
}
