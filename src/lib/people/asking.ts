import * as z from 'zod/mini';
import { ask, body, said, Trouble } from '../client.js';
import {
  joiningSchema,
  type First,
  type Invited,
  type JoiningAddress,
  type OtherPassword,
  type Role,
  type SignIn,
} from '../people.js';

const enteredSchema = z.object({ name: z.string() });

/** A password is hashed slowly, so that it can't be tried fast; milliseconds. */
const LONGEST = 20_000;
const slowly = (value: unknown): RequestInit => ({ ...body('POST', value), signal: AbortSignal.timeout(LONGEST) });

/** @throws Trouble */
export async function signIn(given: SignIn): Promise<void> {
  await said(await ask('/api/session', slowly(given)), enteredSchema);
}

/** @throws Trouble */
export async function signOut(): Promise<void> {
  await ask('/api/session', { method: 'DELETE' });
}

/** Sets another password for oneself. @throws Trouble */
export async function changePassword(given: OtherPassword): Promise<void> {
  const init = slowly(given);
  await said(await ask('/api/account/password', { ...init, method: 'PUT' }), enteredSchema);
}

const questionSchema = z.object({ options: z.unknown() });
const asOptions = (options: unknown) => options as never;

/** Has this device make a key, and keeps it under a name. @throws Trouble, or what the browser says where it makes none */
export async function addPasskey(name: string): Promise<void> {
  const { startRegistration } = await import('@simplewebauthn/browser');
  const { options } = await said(await ask('/api/account/passkeys/begin', { method: 'POST' }), questionSchema);
  const answer = await startRegistration({ optionsJSON: asOptions(options) });
  await ask('/api/account/passkeys', slowly({ name, answer }));
}

/** @throws Trouble */
export async function removePasskey(id: string): Promise<void> {
  await ask(`/api/account/passkeys/${encodeURIComponent(id)}`, { method: 'DELETE' });
}

/** Signs in by a key of this device. @throws Trouble, or what the browser says where none is chosen */
export async function signInByPasskey(): Promise<void> {
  const { startAuthentication } = await import('@simplewebauthn/browser');
  const { options } = await said(await ask('/api/session/passkey/begin', { method: 'POST' }), questionSchema);
  const answer = await startAuthentication({ optionsJSON: asOptions(options) });
  await said(await ask('/api/session/passkey', slowly({ answer })), enteredSchema);
}

/** Whether there can be keys: the browser has them, and the server is asked for by a name. */
export function mayHavePasskeys(): boolean {
  const { hostname } = location;
  return 'PublicKeyCredential' in window && isSecureContext && !/^[\d.]+$|:/.test(hostname);
}

/** What to say where a key was not made, or none was chosen. */
export function passkeyTrouble(error: unknown): string {
  if (error instanceof Trouble) return error.message;
  if (error instanceof Error && error.name === 'InvalidStateError') return 'This device has a key here already.';
  return 'No key was made or chosen. Try again, or use your password.';
}

/** Makes the first account. @throws Trouble */
export async function makeFirst(given: First): Promise<void> {
  await said(await ask('/api/people/first', slowly(given)), enteredSchema);
}

/** Sets a password by an address that holds a secret. @throws Trouble */
export async function setPassword(secret: string, password: string): Promise<void> {
  await said(await ask(`/api/join/${encodeURIComponent(secret)}`, slowly({ password })), enteredSchema);
}

/** @throws Trouble */
export async function invite(given: Invited): Promise<JoiningAddress> {
  return said(await ask('/api/people', body('POST', given)), joiningSchema);
}

/** @throws Trouble */
export async function newAddress(id: string): Promise<JoiningAddress> {
  return said(await ask(`/api/people/${id}/address`, { method: 'POST' }), joiningSchema);
}

/** @throws Trouble */
export async function setRole(id: string, role: Role): Promise<void> {
  await ask(`/api/people/${id}`, body('PATCH', { role }));
}

/** @throws Trouble */
export async function putOut(id: string): Promise<void> {
  await ask(`/api/people/${id}`, { method: 'DELETE' });
}
