import * as z from 'zod/mini';
import type { HouseStyle, ShapeSettings } from '../core/index.js';
import { keeps } from './keeps.svelte.js';
import {
  conflictSchema,
  editionMadeSchema,
  createdSchema,
  earlierSchema,
  LONGEST_NAME,
  patternNamesSchema,
  patternSchema,
  readOutSchema,
  savedSchema,
  takingSchema,
  troubleSchema,
  type Dismissal,
  type EditionMade,
  type HandChange,
  type Taking,
  type TermDecision,
  type TermsWanted,
  type StoredPattern,
} from './patterns.js';
import type { RuleSetting } from './ruleSettings.js';
import type { PlanEntry, PlanSettings } from './plan.js';
import type { Wish, Work } from './training.js';

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

/** An answer is waited for so long, and so much longer for each character that is sent; milliseconds. */
const LONGEST_WAIT = 5000;
const LONGER_EACH = 0.01;
const LONGEST_CONVERSION = 20_000;
/** A file is sent, read within the server's own limit, and kept. */
const LONGEST_TAKING = 60_000;
/** So much can still be sent while the page is being left; bytes. */
const MOST_ON_LEAVING = 60_000;

/** What the server says where it can write nothing at all. */
const CANNOT_KEEP: ReadonlySet<number> = new Set([503, 507]);
const WRITES: ReadonlySet<string> = new Set(['POST', 'PUT', 'PATCH', 'DELETE']);

/** Sends a request; an answer that isn't fine becomes a Trouble with the server's own words. */
export async function ask(path: string, init: RequestInit = {}, fine: readonly number[] = []): Promise<Response> {
  let response: Response;
  const length = typeof init.body === 'string' ? init.body.length : 0;
  try {
    response = await fetch(path, {
      signal: AbortSignal.timeout(LONGEST_WAIT + Math.round(length * LONGER_EACH)),
      keepalive: length > 0 && length * 2 < MOST_ON_LEAVING,
      ...init,
    });
  } catch (error) {
    const late = error instanceof DOMException && error.name === 'TimeoutError';
    throw new Trouble(late ? 'The server has not answered in time.' : 'The server does not answer.', true);
  }
  if (response.ok || fine.includes(response.status)) {
    if (response.ok && keeps.trouble !== null && WRITES.has(init.method ?? 'GET')) keeps.can();
    return response;
  }
  throw await troubleOf(response);
}

/** What an answer says that is no good one. */
async function troubleOf(response: Response): Promise<Trouble> {
  const words = troubleSchema.safeParse(await response.json().catch(() => null));
  if (words.success && CANNOT_KEEP.has(response.status)) keeps.cannot(words.data.message);
  const message = words.success
    ? words.data.message
    : response.status === 413
      ? 'This text is too large to be taken in.'
      : `The server could not do this (${response.status}).`;
  // Who has been signed out signs in again, and what was typed is still there.
  return new Trouble(message, response.status >= 500 || response.status === 401);
}

/** What an answer says. @throws Trouble where it is cut off, or is not what was asked for. */
export async function said<Answer>(response: Response, schema: z.ZodMiniType<Answer>): Promise<Answer> {
  const read = schema.safeParse(await response.json().catch(() => null));
  if (read.success) return read.data;
  throw new Trouble('The answer of the server could not be read.', true);
}

/** A request with a value as JSON. */
export const body = (method: string, value: unknown): RequestInit => ({
  method,
  headers: { 'content-type': 'application/json' },
  body: JSON.stringify(value),
});

/** The names of all patterns on the shelf, the last changed first. */
export async function patternNames(): Promise<z.infer<typeof patternNamesSchema>> {
  return said(await ask('/api/patterns'), patternNamesSchema);
}

export async function takeIn(text: string, name: string): Promise<string> {
  return (await said(await ask('/api/patterns', body('POST', { text, name })), createdSchema)).id;
}

/** What came of a file: a pattern, one that it came with before, or nothing, with the reason. */
export type TakenFile = Exclude<Taking, { share: number }>;

interface FileSent {
  /** The pattern that it is a further draft of. */
  readonly pattern?: string;
  /** It is taken in although it has come before. */
  readonly again?: boolean;
  /** Is told how much of it is read, from 0 to 1, where that takes a while. */
  readonly told?: (share: number) => void;
  readonly signal?: AbortSignal;
}

/** Sends a file to be taken in. @throws Trouble where the server could not be asked. */
export async function takeInFile(file: Blob, name: string, sent: FileSent = {}): Promise<TakenFile> {
  const asked = new URLSearchParams({ file: name.slice(-LONGEST_NAME) });
  if (sent.pattern !== undefined) asked.set('pattern', sent.pattern);
  if (sent.again) asked.set('again', 'yes');
  const late = AbortSignal.timeout(LONGEST_TAKING);
  const response = await ask(`/api/documents?${asked.toString()}`, {
    method: 'POST',
    headers: { 'content-type': 'application/octet-stream' },
    body: file,
    signal: sent.signal ? AbortSignal.any([sent.signal, late]) : late,
  });
  let last: TakenFile | null = null;
  for await (const line of linesOf(response)) {
    const said = takingSchema.safeParse(parsed(line));
    if (!said.success) continue;
    if ('share' in said.data) sent.told?.(said.data.share);
    else last = said.data;
  }
  if (!last) throw new Trouble('The answer of the server was cut off.', true);
  return last;
}

async function* linesOf({ body: stream }: Response): AsyncGenerator<string> {
  if (!stream) return;
  const reader = stream.pipeThrough(new TextDecoderStream()).getReader();
  let rest = '';
  for (let part = await reader.read(); !part.done; part = await reader.read()) {
    const lines = (rest + part.value).split('\n');
    rest = lines.pop() ?? '';
    yield* lines;
  }
  if (rest !== '') yield rest;
}

function parsed(json: string): unknown {
  try {
    return JSON.parse(json);
  } catch {
    return null;
  }
}

/** The text of a file, or of rich text from the clipboard, that nothing is kept of. */
export async function readOut(file: Blob, name: string): Promise<z.infer<typeof readOutSchema>> {
  const asked = new URLSearchParams({ file: name.slice(-LONGEST_NAME) });
  const response = await ask(`/api/documents/text?${asked.toString()}`, {
    method: 'POST',
    headers: { 'content-type': 'application/octet-stream' },
    body: file,
    signal: AbortSignal.timeout(LONGEST_TAKING),
  });
  return said(response, readOutSchema);
}

export type Saved = z.infer<typeof savedSchema> | z.infer<typeof conflictSchema>;

/** Saves a text made from revision `base`; where another save came first, what stands there now. */
export async function saveText(id: string, text: string, base: number): Promise<Saved> {
  const response = await ask(`/api/patterns/${id}`, body('PUT', { text, base }), [409]);
  return said(response, z.union([savedSchema, conflictSchema]));
}

/** Settles a conflict: one of the two texts goes on, the other is shelved as a copy. Returns what stands there then. */
export async function settleConflict(id: string, mine: string, keep: 'mine' | 'theirs'): Promise<StoredPattern> {
  return said(await ask(`/api/patterns/${id}/settle`, body('POST', { mine, keep })), patternSchema);
}

export async function current(id: string): Promise<StoredPattern> {
  return said(await ask(`/api/patterns/${id}`), patternSchema);
}

/** A pattern as others have saved it since a revision; null where nobody has. */
export async function newerThan(id: string, revision: number): Promise<StoredPattern | null> {
  const response = await ask(`/api/patterns/${id}?after=${revision}`);
  return response.status === 204 ? null : said(response, patternSchema);
}

/** The text as it was before the last sitting; null where there was none. */
export async function earlierText(id: string): Promise<string | null> {
  return (await said(await ask(`/api/patterns/${id}/earlier`), earlierSchema)).text;
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

/** Puts right how a pattern was understood, or takes that back. */
export async function saveHand(id: string, change: HandChange): Promise<void> {
  await ask(`/api/patterns/${id}/hand`, body('PUT', change));
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
  // The server converts and reads again what it has converted.
  const request = { ...body('POST', wanted), signal: AbortSignal.timeout(LONGEST_CONVERSION) };
  return said(await ask(`/api/patterns/${id}/editions`, request), editionMadeSchema);
}

/** Sets a rule for a pattern, or (null) for all of them. */
export async function setRule(id: string | null, setting: RuleSetting): Promise<void> {
  await ask(id === null ? '/api/rules' : `/api/patterns/${id}/rules`, body('PUT', setting));
}

/** Settles how this press writes. */
export async function saveStyle(style: HouseStyle): Promise<void> {
  await ask('/api/style', body('PUT', style));
}

/** Puts patterns away, or takes them back. */
export async function setAway(ids: readonly string[], away: boolean): Promise<void> {
  await ask('/api/shelf', body('PUT', { ids, away }));
}

/** Puts a pattern on the plan, or changes what is settled of it there. */
export async function putOnPlan(id: string, entry: PlanEntry): Promise<void> {
  await ask(`/api/plan/${id}`, body('PUT', entry));
}

export async function takeOffPlan(id: string): Promise<void> {
  await ask(`/api/plan/${id}`, { method: 'DELETE' });
}

/** Settles what the plan goes by. */
export async function setPlan(settings: PlanSettings): Promise<void> {
  await ask('/api/plan', body('PUT', settings));
}

/** Makes a practice pattern; returns its id. */
export async function beginPractice(wish: Wish): Promise<string> {
  // The server tries toys until one takes the faults that are wished for.
  const request = { ...body('POST', wish), signal: AbortSignal.timeout(LONGEST_CONVERSION) };
  return (await said(await ask('/api/practice', request), createdSchema)).id;
}

/** Keeps what was done with a practice pattern so far. */
export async function notePractice(id: string, work: Work): Promise<void> {
  await ask(`/api/practice/${id}`, body('PUT', work));
}

/** Hands a practice pattern in. */
export async function endPractice(id: string, work: Work): Promise<void> {
  await ask(`/api/practice/${id}`, body('POST', work));
}

/** Throws a practice pattern away that was not handed in. */
export async function dropPractice(id: string): Promise<void> {
  await ask(`/api/practice/${id}`, { method: 'DELETE' });
}

/** Keeps what was set of hook, yarn and gauge. */
export async function saveShape(id: string, settings: ShapeSettings): Promise<void> {
  await ask(`/api/patterns/${id}/shape`, body('PUT', settings));
}
