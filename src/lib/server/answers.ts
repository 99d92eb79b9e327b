import { json, type RequestEvent } from '@sveltejs/kit';
import type * as z from 'zod/mini';
import { TOLD } from '../release.js';
import { TooMuch } from './counting/counting.js';
import { Missing, sentenceOf } from './db/failures.js';
import { NotTaken, TOO_LARGE_A_FILE } from './documents/document.js';
import { log } from './log.js';
import { Spoilt } from './patterns.js';
import type { Form } from './publishing/form.js';
import { Refused } from './refused.js';
import type { ReleaseFile } from './releaseFiles.js';

export { Refused };

export const GONE = 'This pattern is no longer on the shelf.';

/** What a person is told of a failure, and the status that goes with it. What nobody expected goes to the terminal too. */
export function troubleOf(error: unknown): { status: number; message: string } {
  if (error instanceof Refused) return { status: error.status, message: error.message };
  if (error instanceof TooMuch || error instanceof NotTaken) return { status: 422, message: error.message };
  if (error instanceof Spoilt) return { status: 500, message: error.message };
  if (!(error instanceof Missing)) log.error(error);
  return { status: error instanceof Missing ? 503 : 507, message: sentenceOf(error) };
}

/** Answers a request; whatever fails is told in words. */
export function answering<Event extends RequestEvent>(
  answer: (event: Event) => Promise<Response>,
): (event: Event) => Promise<Response> {
  return async (event) => {
    try {
      return await answer(event);
    } catch (error) {
      const { status, message } = troubleOf(error);
      return json({ message }, { status });
    }
  };
}

/** Answers a request that notes something: 204 where that was done. */
export function noting<Event extends RequestEvent, Note>(
  schema: z.ZodMiniType<Note>,
  note: (event: Event, value: Note) => Promise<boolean>,
  otherwise = GONE,
): (event: Event) => Promise<Response> {
  return answering(async (event) => {
    if (!(await note(event, await bodyOf(event.request, schema)))) throw new Refused(404, otherwise);
    return done();
  });
}

/** What is said line by line while something is done, as JSON; the last line is what came of it. */
export function told<Said>(work: (say: (said: Said) => void) => Promise<Said>): Response {
  const encoder = new TextEncoder();
  const stream = new ReadableStream<Uint8Array>({
    async start(controller) {
      const say = (said: unknown) => controller.enqueue(encoder.encode(`${JSON.stringify(said)}\n`));
      try {
        say(await work(say));
      } catch (error) {
        say({ message: troubleOf(error).message });
      }
      controller.close();
    },
  });
  return new Response(stream, { headers: { 'content-type': 'application/x-ndjson' } });
}

/**
 * The file that a request brings.
 * @throws Refused where it is too large.
 */
export async function bytesOf(request: Request): Promise<Uint8Array> {
  try {
    return new Uint8Array(await request.arrayBuffer());
  } catch (error) {
    if (isTooLarge(error)) throw new Refused(413, TOO_LARGE_A_FILE);
    throw new Refused(400, 'This file has not arrived whole. Try it once more.');
  }
}

function isTooLarge(error: unknown): boolean {
  return typeof error === 'object' && error !== null && 'status' in error && error.status === 413;
}

/** A number in an address. @throws Refused where it is none */
export function numberIn(words: string): number {
  if (!/^\d{1,9}$/.test(words)) throw new Refused(404, 'There is nothing here.');
  return Number(words);
}

/** What an address asks for, checked. @throws Refused */
export function queryOf<Query>(url: URL, schema: z.ZodMiniType<Query>): Query {
  const read = schema.safeParse(Object.fromEntries(url.searchParams));
  if (!read.success) throw new Refused(400, read.error.issues[0]?.message ?? 'This request could not be read.');
  return read.data;
}

const TYPES: Readonly<Record<Form, string>> = {
  pdf: 'application/pdf',
  docx: 'application/vnd.openxmlformats-officedocument.wordprocessingml.document',
  md: 'text/markdown; charset=utf-8',
  html: 'text/html; charset=utf-8',
  txt: 'text/plain; charset=utf-8',
};

/**
 * A file that was laid out.
 * @param shown whether it is shown where it is asked for, and not put by.
 */
export function fileAnswer({ bytes, told }: ReleaseFile, form: Form, name: string, shown: boolean): Response {
  const file = encodeURIComponent(`${name.replace(/[\\/:*?"<>|]/g, ' ').trim()}.${form}`);
  return new Response(bytes.slice().buffer, {
    headers: {
      'content-type': TYPES[form],
      [TOLD]: encodeURIComponent(JSON.stringify(told)),
      'content-disposition': `${shown ? 'inline' : 'attachment'}; filename*=UTF-8''${file}`,
      // A page of words: its own looks and pictures, and nothing that runs.
      'content-security-policy':
        "default-src 'none'; img-src data:; style-src 'unsafe-inline'; frame-ancestors 'self'; sandbox",
    },
  });
}

export function done(): Response {
  return new Response(null, { status: 204 });
}

/**
 * The body of a request, checked.
 * @throws Refused where it is too large, no JSON, or not what is asked for here.
 */
export async function bodyOf<Body>(request: Request, schema: z.ZodMiniType<Body>): Promise<Body> {
  let value: unknown;
  try {
    value = await request.json();
  } catch (error) {
    if (isTooLarge(error))
      throw new Refused(413, 'This is larger than a pattern can be. Split it, and take in the parts.');
    throw new Refused(400, 'This request could not be read: it is not JSON.');
  }
  const read = schema.safeParse(value, {
    // Where the schema has words of its own they are told; its other words are not for people.
    error: ({ path }) => {
      const field = path?.join('.') ?? '';
      return field === ''
        ? 'This request is not what is asked for here.'
        : `“${field}” is missing, or not of its kind.`;
    },
  });
  if (!read.success) throw new Refused(400, read.error.issues[0]?.message ?? 'This request could not be read.');
  return read.data;
}
