import * as z from 'zod/mini';
import type { HouseStyle } from '../core/index.js';
import {
  conflictSchema,
  editionMadeSchema,
  createdSchema,
  patternSchema,
  savedSchema,
  troubleSchema,
  type Dismissal,
  type EditionMade,
  type RuleSetting,
  type TermDecision,
  type TermsWanted,
  type StoredPattern,
} from './patterns.js';

/** The server could not be asked, or said no; `message` is for people. */
export class Trouble extends Error {
  constructor(
    message: string,
    /** Whether the same call may go through later. */
    readonly again: boolean,
  ) {
    super(message);
  }
}

/** What to say of something that did not work, and that has been put back as it was. */
export function notKept(error: unknown): string {
  return `${troubleIn(error)} Nothing has been changed; try again.`;
}

/** What went wrong, in words for people. */
export function troubleIn(error: unknown): string {
  return error instanceof Trouble ? error.message : 'This did not work.';
}

/** Sends a request; an answer that isn't fine becomes a Trouble with the server's own words. */
async function ask(path: string, init?: RequestInit, fine: readonly number[] = []): Promise<Response> {
  let response: Response;
  try {
    response = await fetch(path, init);
  } catch {
    throw new Trouble('The server does not answer.', true);
  }
  if (response.ok || fine.includes(response.status)) return response;
  const said = troubleSchema.safeParse(await response.json().catch(() => null));
  const message = said.success
    ? said.data.message
    : response.status === 413
      ? 'This text is too large to be taken in.'
      : `The server could not do this (${response.status}).`;
  throw new Trouble(message, response.status >= 500);
}

const body = (method: string, value: unknown): RequestInit => ({
  method,
  headers: { 'content-type': 'application/json' },
  body: JSON.stringify(value),
});

export async function takeIn(text: string, name: string): Promise<string> {
  return createdSchema.parse(await (await ask('/api/patterns', body('POST', { text, name }))).json()).id;
}

export type Saved = { readonly revision: number } | { readonly current: StoredPattern };

/** Saves a text made from revision `base`; where another save came first, what stands there now. */
export async function saveText(id: string, text: string, base: number): Promise<Saved> {
  const response = await ask(`/api/patterns/${id}`, body('PUT', { text, base }), [409]);
  return z.union([savedSchema, conflictSchema]).parse(await response.json());
}

export async function current(id: string): Promise<StoredPattern> {
  return patternSchema.parse(await (await ask(`/api/patterns/${id}`)).json());
}

export async function rename(id: string, name: string): Promise<void> {
  await ask(`/api/patterns/${id}`, body('PATCH', { name }));
}

/** Sets a round's tick, or takes it off. */
export async function saveTick(id: string, key: string, on: boolean): Promise<void> {
  await ask(`/api/patterns/${id}/ticks`, body('PUT', { key, on }));
}

/** Puts a finding aside with a reason, or (null) takes it up again. */
export async function saveDismissal(id: string, dismissal: Dismissal): Promise<void> {
  await ask(`/api/patterns/${id}/dismissals`, body('PUT', dismissal));
}

/** Settles which vocabulary a pattern is in. */
export async function settleTerms(id: string, terms: 'auto' | 'us' | 'uk'): Promise<void> {
  await ask(`/api/patterns/${id}/terms`, body('PUT', { terms }));
}

/** Keeps what is to be written for a word, or (null) forgets it. */
export async function decideTerm(id: string, decision: TermDecision): Promise<void> {
  await ask(`/api/patterns/${id}/terms/decisions`, body('PUT', decision));
}

/** Saves the conversion as an edition, or brings the one that is there up to date. */
export async function saveEdition(id: string, wanted: TermsWanted): Promise<EditionMade> {
  return editionMadeSchema.parse(await (await ask(`/api/patterns/${id}/editions`, body('POST', wanted))).json());
}

/** Sets a rule for a pattern, or (null) for all of them. */
export async function setRule(id: string | null, setting: RuleSetting): Promise<void> {
  await ask(id === null ? '/api/rules' : `/api/patterns/${id}/rules`, body('PUT', setting));
}

/** Settles how this press writes. */
export async function saveStyle(style: HouseStyle): Promise<void> {
  await ask('/api/style', body('PUT', style));
}

export async function putAway(id: string): Promise<void> {
  await ask(`/api/patterns/${id}`, { method: 'DELETE' });
}

export async function takeBack(id: string): Promise<void> {
  await ask(`/api/patterns/${id}/restore`, { method: 'POST' });
}
