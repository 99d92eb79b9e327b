import * as z from 'zod/mini';
import {
  benchCallSchema,
  exchangedSchema,
  joinedSchema,
  ownTestSchema,
  type BenchCall,
  type Exchange,
  type Exchanged,
  type Joined,
  type OwnTest,
} from '../bench.js';
import { troubleSchema } from '../patterns.js';

/** Why something did not go through. `later`: no network, a server that is busy or has no room; all else is for good. */
export class NotSent extends Error {
  constructor(
    message: string,
    readonly why: 'later' | 'none' | 'withdrawn' | 'refused',
  ) {
    super(message);
  }
}

/** An answer is waited for so long, and a photograph so long; milliseconds. */
const LONGEST = 15_000;
const LONGEST_PHOTOGRAPH = 90_000;

/** How the bench speaks with the server. */
export interface Post {
  call(secret: string): Promise<BenchCall>;
  join(secret: string, name: string): Promise<Joined>;
  exchange(secret: string, token: string, exchange: Exchange): Promise<Exchanged>;
  photograph(secret: string, token: string, id: string, file: Blob): Promise<void>;
}

const json = (body: unknown): RequestInit => ({
  method: 'POST',
  body: JSON.stringify(body),
  headers: { 'content-type': 'application/json' },
});

export const post: Post = {
  async call(secret) {
    return benchCallSchema.parse(await (await asked(secret)).json());
  },
  async join(secret, name) {
    return joinedSchema.parse(await (await asked(`${secret}/testers`, json({ name }))).json());
  },
  async exchange(secret, token, exchange) {
    return exchangedSchema.parse(await (await asked(`${secret}/${token}/steps`, json(exchange))).json());
  },
  async photograph(secret, token, id, file) {
    await asked(`${secret}/${token}/photographs/${id}`, { method: 'PUT', body: file }, LONGEST_PHOTOGRAPH);
  },
};

/** The tests that who is signed in has joined, on whatever device. @throws NotSent */
export async function ownTests(): Promise<OwnTest[]> {
  return z.array(ownTestSchema).parse(await (await asked('own')).json());
}

/** Lets this device go on with one of them. @throws NotSent */
export async function furtherDevice(secret: string): Promise<Joined> {
  return joinedSchema.parse(await (await asked('own', json({ secret }))).json());
}

/** @throws NotSent */
async function asked(path: string, init: RequestInit = {}, longest = LONGEST): Promise<Response> {
  let response: Response;
  try {
    response = await fetch(`/api/bench/${path}`, { signal: AbortSignal.timeout(longest), ...init });
  } catch {
    throw new NotSent('There is no network.', 'later');
  }
  if (response.ok) return response;
  const words = troubleSchema.safeParse(await response.json().catch(() => null));
  const message = words.success ? words.data.message : `The server could not do this (${response.status}).`;
  throw new NotSent(message, whyOf(response.status));
}

function whyOf(status: number): NotSent['why'] {
  if (status === 410) return 'withdrawn';
  if (status === 404) return 'none';
  return status === 400 || status === 409 || status === 422 ? 'refused' : 'later';
}
