import { TOO_LARGE_A_FILE } from './documents/document.js';
import { isIP } from 'node:net';
import { hostname } from 'node:os';
import type { FrontDoor } from './environment.js';

/** Goes with every answer. What scripts and styles may do stands in the content security policy of each page. */
export const SECURITY_HEADERS: Readonly<Record<string, string>> = {
  'x-content-type-options': 'nosniff',
  'x-frame-options': 'DENY',
  'referrer-policy': 'same-origin',
  'cross-origin-opener-policy': 'same-origin',
  'cross-origin-resource-policy': 'same-origin',
  'permissions-policy': 'camera=(), geolocation=(), microphone=()',
};

/** What a request may bring, in bytes: a pattern, a photograph, a whole workspace. */
const MOST = 24_000_000;
const MOST_BY_ROUTE: Readonly<Record<string, number>> = {
  '/api/patterns/[id]/photographs': 48_000_000,
  '/api/workspace': 512_000_000,
};

/** Why a request brings too much for where it goes; null where it does not. */
export function tooLarge(request: Request, route: string | null): { status: 413; message: string } | null {
  const bytes = Number(request.headers.get('content-length') ?? 0);
  if (bytes <= (MOST_BY_ROUTE[route ?? ''] ?? MOST)) return null;
  const file = MOST_BY_ROUTE[route ?? ''] !== undefined || route?.startsWith('/api/documents') === true;
  const message = file ? TOO_LARGE_A_FILE : 'This is larger than a pattern can be. Split it, and take in the parts.';
  return { status: 413, message };
}

/** Whether an address or a name is this machine alone. */
export function isLoopback(host: string): boolean {
  const bare = host.replace(/^\[|\]$|^::ffff:/g, '').toLowerCase();
  return bare === 'localhost' || bare.endsWith('.localhost') || bare === '::1' || /^127(?:\.\d{1,3}){3}$/.test(bare);
}

/** What is to be said at the start where the server can be reached from elsewhere; null where it can't. */
export function openDoor({ HOST, DOSTIK_OPEN }: FrontDoor): { readonly goOn: boolean; readonly words: string } | null {
  if (isLoopback(HOST)) return null;
  const danger = `Listening on ${HOST}: everybody who reaches this address can read, change and delete every pattern. There is no sign-in.`;
  if (DOSTIK_OPEN === 'bench')
    return {
      goOn: true,
      words: `Listening on ${HOST}: other machines get the Bench, for those who have the address of a test, and nothing else.`,
    };
  return DOSTIK_OPEN === 'yes'
    ? { goOn: true, words: `WARNING. ${danger}` }
    : {
        goOn: false,
        words: `${danger} If that is what you want, start it with DOSTIK_OPEN=yes; otherwise with HOST=127.0.0.1, for this machine alone.`,
      };
}

/**
 * Why a request is not answered; null where it may be. A page from elsewhere can have its own name resolve to this machine
 * and would then speak as one of ours: it is known by the name that it asks for. A page that writes from elsewhere is known
 * by its origin.
 */
export function refusal(
  request: Request,
  door: FrontDoor,
): { readonly status: number; readonly message: string } | null {
  const asked = request.headers.get('host') ?? '';
  const name = nameIn(asked);
  if (name === null || !answersTo(name, door))
    return {
      status: 421,
      message: `This server does not answer to the name “${asked.slice(0, 100)}”. If the name is one of its own, put it into ALLOWED_HOSTS.`,
    };
  if (request.method === 'GET' || request.method === 'HEAD' || request.method === 'OPTIONS') return null;
  const origin = request.headers.get('origin');
  const site = request.headers.get('sec-fetch-site');
  // Browsers name the origin of whatever writes; a program that is none has nobody's session to misuse.
  const own = origin === null ? site === null || site === 'same-origin' : hostOf(origin) === asked.toLowerCase();
  return own ? null : { status: 403, message: 'This was asked for by a page from elsewhere, and is not done.' };
}

/** What the bench is made of; the reference card goes with it, as both are kept for when there is no network. */
const BENCH =
  /^\/(?:bench(?:\/.*)?|api\/bench\/.*|card|_app\/.*|service-worker\.js|mark\.svg|bench-\d+\.png|bench\.webmanifest)$/;

/**
 * Whether a request comes from elsewhere and asks for more than the bench, where that alone is open.
 * @param address that it comes from: one of this machine is a proxy's where another name is asked for
 */
export function beyondBench(url: URL, address: string, { DOSTIK_OPEN, HOST }: FrontDoor): boolean {
  if (DOSTIK_OPEN !== 'bench' || isLoopback(HOST)) return false;
  return !(isLoopback(address) && isLoopback(url.hostname)) && !BENCH.test(url.pathname.replace(/(?<=.)\/$/, ''));
}

function answersTo(name: string, door: FrontDoor): boolean {
  if (isLoopback(name) || door.ALLOWED_HOSTS.includes(name)) return true;
  // An address can't be made to resolve to anything else.
  return !isLoopback(door.HOST) && (isIP(name.replace(/^\[|\]$/g, '')) !== 0 || name === hostname().toLowerCase());
}

/** The name in a Host header, without its port. */
function nameIn(host: string): string | null {
  return /^[\w.-]+(?::\d+)?$|^\[[\da-f:.]+\](?::\d+)?$/i.test(host) ? host.replace(/:\d+$/, '').toLowerCase() : null;
}

function hostOf(origin: string): string | null {
  try {
    return new URL(origin).host;
  } catch {
    return null;
  }
}
