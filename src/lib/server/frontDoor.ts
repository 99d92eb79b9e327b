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

/** Whether others can be meant to reach the server: it listens to them, or answers to a name that is not this machine's alone. */
export function isOutside({ HOST, ALLOWED_HOSTS }: FrontDoor): boolean {
  return !isLoopback(HOST) || ALLOWED_HOSTS.some((name) => !isLoopback(name));
}

/** What a proxy writes into a request that it passes on. */
const PASSED_ON = [
  'forwarded',
  'via',
  'x-forwarded-for',
  'x-forwarded-host',
  'x-forwarded-proto',
  'x-real-ip',
] as const;

/**
 * Whether a request may come from another machine. A proxy on this one asks as this one does: it is known by what it writes
 * into what it passes on, whatever name it asks for.
 */
export function fromOutside(request: Pick<Request, 'headers'>, door: FrontDoor): boolean {
  return isOutside(door) || PASSED_ON.some((name) => request.headers.has(name));
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
