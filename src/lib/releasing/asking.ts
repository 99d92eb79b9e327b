import { ask, body, said } from '../client.js';
import {
  erratumTriedSchema,
  knownAnswerSchema,
  photographAddedSchema,
  releaseSchema,
  TOLD,
  toldSchema,
  versionTextSchema,
  type ErratumAsked,
  type ErratumTried,
  type PhotographAdded,
  type Release,
  type SignAsked,
  type VersionText,
} from '../release.js';

/** A file is laid out, or a version signed, within this; milliseconds. */
const LONGEST = 60_000;
const patient = () => ({ signal: AbortSignal.timeout(LONGEST) });

const at = (id: string, path: string) => `/api/patterns/${id}/${path}`;

export async function confirmLine(id: string, line: string, who: string, basis: string): Promise<void> {
  await ask(at(id, 'release/confirm'), body('PUT', { line, who, basis }));
}

export async function trustRound(id: string, key: string, reason: string): Promise<void> {
  await ask(at(id, 'release/trust'), body('PUT', { key, reason }));
}

export async function setOwnLines(lines: readonly { id: string; text: string }[]): Promise<void> {
  await ask('/api/release-lines', body('PUT', lines));
}

export async function signVersion(id: string, asked: SignAsked): Promise<Release> {
  return said(await ask(at(id, 'release'), { ...body('POST', asked), ...patient() }), releaseSchema);
}

/** A file of a version, and what there is to say of it. */
export async function versionFile(
  id: string,
  number: string,
  file: string,
): Promise<{ bytes: Uint8Array; told: readonly string[] }> {
  const response = await ask(at(id, `release/versions/${number}/${file}`), patient());
  const told = toldSchema.safeParse(JSON.parse(decodeURIComponent(response.headers.get(TOLD) ?? '%5B%5D')));
  return { bytes: new Uint8Array(await response.arrayBuffer()), told: told.data ?? [] };
}

export async function versionText(id: string, number: string): Promise<VersionText> {
  return said(await ask(at(id, `release/versions/${number}`)), versionTextSchema);
}

/** The text as it would go out now, as a page. */
export async function draftPage(id: string, asked: Readonly<Record<string, string>>): Promise<string> {
  const words = new URLSearchParams({ ...asked, form: 'html' }).toString();
  return (await ask(at(id, `release/draft?${words}`), patient())).text();
}

export async function addPhotograph(id: string, file: Blob): Promise<PhotographAdded> {
  const init = { method: 'POST', headers: { 'content-type': 'application/octet-stream' }, body: file };
  return said(await ask(at(id, 'photographs'), { ...init, ...patient() }), photographAddedSchema);
}

export async function describePhotograph(id: string, photograph: number, alt: string): Promise<void> {
  await ask(at(id, `photographs/${photograph}`), body('PATCH', { alt }));
}

export async function removePhotograph(id: string, photograph: number): Promise<void> {
  await ask(at(id, `photographs/${photograph}`), { method: 'DELETE' });
}

/** Which version a file belongs to; null where it is none of them. */
export async function knownFile(id: string, file: Blob): Promise<{ version: string; what: string } | null> {
  const digest = await crypto.subtle.digest('SHA-256', await file.arrayBuffer());
  const hash = [...new Uint8Array(digest)].map((byte) => byte.toString(16).padStart(2, '0')).join('');
  return (await said(await ask(at(id, 'release/known'), body('POST', { hash })), knownAnswerSchema)).found;
}

export async function tryErratum(id: string, asked: ErratumAsked): Promise<ErratumTried> {
  return said(await ask(at(id, 'errata/tried'), { ...body('POST', asked), ...patient() }), erratumTriedSchema);
}

export async function keepErratum(id: string, asked: ErratumAsked): Promise<void> {
  await ask(at(id, 'errata'), { ...body('POST', asked), ...patient() });
}

export async function removeErratum(id: string, number: number): Promise<void> {
  await ask(at(id, `errata/${number}`), { method: 'DELETE' });
}
