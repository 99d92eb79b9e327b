import { ask, body, said } from '../client.js';
import { answerConflictSchema, askedQuerySchema, type AskedQuery } from '../designerLetter.js';

export type AnswerKept = { readonly query: AskedQuery } | { readonly conflict: AskedQuery };

/**
 * Answers a query; where the editor has changed it since it was read, says how it stands now.
 * @param to the address of the letter
 * @throws Trouble
 */
export async function answerQuery(to: string, { number, revision }: AskedQuery, words: string): Promise<AnswerKept> {
  const response = await ask(`${to}/${number}`, body('PATCH', { base: revision, said: words }), [409]);
  if (response.status === 409) return { conflict: (await said(response, answerConflictSchema)).current };
  return { query: await said(response, askedQuerySchema) };
}

/** A file is sent, read within the server's own limit, and kept; milliseconds. */
const LONGEST = 60_000;

/** Sends a further draft of a pattern of one's own. @throws Trouble */
export async function sendDraft(id: string, file: File): Promise<void> {
  await ask(`/api/mine/${id}/drafts?file=${encodeURIComponent(file.name)}`, {
    method: 'POST',
    body: file,
    headers: { 'content-type': 'application/octet-stream' },
    signal: AbortSignal.timeout(LONGEST),
  });
}
