import { ROLES, type Role } from '../../people.js';

/** Who is asked: somebody who is signed in, or nobody. */
export type Asking = Role | 'nobody';

const ANYONE: readonly Asking[] = [...ROLES, 'nobody'];
const SIGNED_IN: readonly Asking[] = ROLES;
const EDITORS: readonly Asking[] = ['owner', 'editor'];
const OWNER: readonly Asking[] = ['owner'];
const DESIGNERS: readonly Asking[] = ['designer'];

/**
 * Who may what, page by page and address by address; a method that is named has a rule of its own. Whoever tests, or
 * answers a letter without an account, comes by an address that holds a secret, which is asked after there; designers with an
 * account reach what they have written themselves, which is asked after there as well. A route that is not named here is nobody's.
 */
export const ACCESS: Readonly<Record<string, readonly Asking[] | Readonly<Record<string, readonly Asking[]>>>> = {
  '/': EDITORS,
  '/(pattern)/desk/[id]': EDITORS,
  '/(pattern)/desk/[id]/rules': EDITORS,
  '/(pattern)/drafts/[id]': EDITORS,
  '/(pattern)/history/[id]': EDITORS,
  '/(pattern)/intake/[id]': EDITORS,
  '/(pattern)/queries/[id]': EDITORS,
  '/(pattern)/release/[id]': EDITORS,
  '/(pattern)/shape/[id]': EDITORS,
  '/(pattern)/terms/[id]': EDITORS,
  '/(pattern)/tests/[id]': EDITORS,
  '/away': EDITORS,
  '/account': SIGNED_IN,
  '/bench': ANYONE,
  '/bench/[secret]': ANYONE,
  '/bench/devices': ANYONE,
  '/calendar/[secret]': ANYONE,
  '/card': ANYONE,
  '/deeds': OWNER,
  '/desk/[id]/print': EDITORS,
  '/enter': ANYONE,
  '/healthz': ANYONE,
  '/join/[secret]': ANYONE,
  '/letter/[secret]': ANYONE,
  '/metrics': ANYONE,
  '/mine': DESIGNERS,
  '/mine/[id]': DESIGNERS,
  '/people': OWNER,
  '/plan': EDITORS,
  '/rules': EDITORS,
  '/style': EDITORS,
  '/trainer': EDITORS,
  '/trainer/[id]': EDITORS,
  '/workspace': OWNER,
  '/api/account/passkeys': SIGNED_IN,
  '/api/account/passkeys/[id]': SIGNED_IN,
  '/api/account/passkeys/begin': SIGNED_IN,
  '/api/account/password': SIGNED_IN,
  '/api/addresses/[mark]': OWNER,
  '/api/backups': OWNER,
  '/api/bench/[secret]': ANYONE,
  '/api/bench/[secret]/[token]/photographs/[photograph]': ANYONE,
  '/api/bench/[secret]/[token]/steps': ANYONE,
  '/api/bench/[secret]/testers': ANYONE,
  '/api/bench/own': SIGNED_IN,
  '/api/deeds': OWNER,
  '/api/documents': EDITORS,
  '/api/documents/text': EDITORS,
  '/api/join/[secret]': ANYONE,
  '/api/letter/[secret]/[number]': ANYONE,
  '/api/letters': EDITORS,
  '/api/mine/[id]/[number]': DESIGNERS,
  '/api/mine/[id]/drafts': DESIGNERS,
  '/api/patterns': EDITORS,
  '/api/patterns/[id]': EDITORS,
  '/api/patterns/[id]/calls': EDITORS,
  '/api/patterns/[id]/calls/[number]/address': EDITORS,
  '/api/patterns/[id]/calls/[number]/photographs/[tester]/[photograph]': EDITORS,
  '/api/patterns/[id]/calls/[number]/results': EDITORS,
  '/api/patterns/[id]/calls/[number]/whole': EDITORS,
  '/api/patterns/[id]/designer': EDITORS,
  '/api/patterns/[id]/dismissals': EDITORS,
  '/api/patterns/[id]/drafts/[number]': EDITORS,
  '/api/patterns/[id]/drafts/[number]/own': EDITORS,
  '/api/patterns/[id]/earlier': EDITORS,
  '/api/patterns/[id]/editions': EDITORS,
  '/api/patterns/[id]/errata': EDITORS,
  '/api/patterns/[id]/errata/[number]': EDITORS,
  '/api/patterns/[id]/errata/list': EDITORS,
  '/api/patterns/[id]/errata/tried': EDITORS,
  '/api/patterns/[id]/hand': EDITORS,
  '/api/patterns/[id]/here': EDITORS,
  '/api/patterns/[id]/letters': EDITORS,
  '/api/patterns/[id]/letters/[letter]': EDITORS,
  '/api/patterns/[id]/letters/address': EDITORS,
  '/api/patterns/[id]/photographs': EDITORS,
  '/api/patterns/[id]/photographs/[photograph]': EDITORS,
  '/api/patterns/[id]/queries': EDITORS,
  '/api/patterns/[id]/queries/[number]': EDITORS,
  '/api/patterns/[id]/release': EDITORS,
  '/api/patterns/[id]/release/confirm': EDITORS,
  '/api/patterns/[id]/release/draft': EDITORS,
  '/api/patterns/[id]/release/known': EDITORS,
  '/api/patterns/[id]/release/trust': EDITORS,
  '/api/patterns/[id]/release/versions/[number]': EDITORS,
  '/api/patterns/[id]/release/versions/[number]/[file]': EDITORS,
  '/api/patterns/[id]/rules': EDITORS,
  '/api/patterns/[id]/settle': EDITORS,
  '/api/patterns/[id]/shape': EDITORS,
  '/api/patterns/[id]/terms': EDITORS,
  '/api/patterns/[id]/terms/decisions': EDITORS,
  '/api/patterns/[id]/ticks': EDITORS,
  '/api/patterns/[id]/understood': EDITORS,
  '/api/people': OWNER,
  '/api/people/[id]': OWNER,
  '/api/people/[id]/address': OWNER,
  '/api/people/first': ANYONE,
  '/api/plan': EDITORS,
  '/api/plan/address': EDITORS,
  '/api/plan/[id]': EDITORS,
  '/api/practice': EDITORS,
  '/api/practice/[id]': EDITORS,
  '/api/release-lines': EDITORS,
  '/api/rules': EDITORS,
  '/api/schema': ANYONE,
  '/api/session/passkey': ANYONE,
  '/api/session/passkey/begin': ANYONE,
  '/api/session': { POST: ANYONE, DELETE: SIGNED_IN },
  '/api/shelf': EDITORS,
  '/api/style': EDITORS,
  // All of it at once is brought in, or taken out, by who owns it.
  '/api/workspace': OWNER,
};

/** Whether somebody may go somewhere. @param route as SvelteKit names it */
export function may(asking: Asking, route: string, method: string): boolean {
  const rule = Object.hasOwn(ACCESS, route) ? ACCESS[route] : undefined;
  const who = Array.isArray(rule)
    ? (rule as readonly Asking[])
    : (rule as Record<string, readonly Asking[]> | undefined)?.[method];
  return who?.includes(asking) ?? false;
}
