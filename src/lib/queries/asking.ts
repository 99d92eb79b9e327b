import type { Designer, LetterAsked, LetterSettings } from '../letter.js';
import { ask, body, said } from '../client.js';
import {
  queriesSchema,
  queryConflictSchema,
  querySchema,
  type Query,
  type QueryChange,
  type QueryMade,
} from '../queries.js';

/** All queries of a pattern. */
export async function queriesOf(id: string): Promise<Query[]> {
  return said(await ask(`/api/patterns/${id}/queries`), queriesSchema);
}

/** Makes a query; the one that is there where it has been made already. */
export async function makeQuery(id: string, made: QueryMade): Promise<Query> {
  return said(await ask(`/api/patterns/${id}/queries`, body('POST', made)), querySchema);
}

export type Changed = { readonly query: Query } | { readonly conflict: Query };

/** Changes a query; where somebody else was first, says how it stands now. */
export async function changeQuery(id: string, number: number, change: QueryChange): Promise<Changed> {
  const response = await ask(`/api/patterns/${id}/queries/${number}`, body('PATCH', change), [409]);
  if (response.status === 409) return { conflict: (await said(response, queryConflictSchema)).current };
  return { query: await said(response, querySchema) };
}

/** A letter is handed to the post within this; milliseconds. */
const LONGEST_POST = 60_000;

/** Sends a letter, or writes down that a person has sent it. */
export async function sendLetter(id: string, asked: LetterAsked): Promise<void> {
  await ask(`/api/patterns/${id}/letters`, { ...body('POST', asked), signal: AbortSignal.timeout(LONGEST_POST) });
}

/** A letter as a file; nothing is sent. */
export async function letterFile(id: string, asked: LetterAsked, as: 'docx' | 'html' | 'eml'): Promise<Blob> {
  return (await ask(`/api/patterns/${id}/letters?as=${as}`, body('POST', asked))).blob();
}

/** Who has written a pattern, and where letters go. */
export async function saveDesigner(id: string, designer: Designer): Promise<void> {
  await ask(`/api/patterns/${id}/designer`, body('PUT', designer));
}

/** How this press writes its letters. */
export async function saveLetterSettings(settings: LetterSettings): Promise<void> {
  await ask('/api/letters', body('PUT', settings));
}
