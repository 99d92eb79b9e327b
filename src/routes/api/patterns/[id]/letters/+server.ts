import * as z from 'zod/mini';
import { letterAskedSchema } from '../../../../../lib/letter.js';
import { answering, bodyOf, done, GONE, queryOf, Refused } from '../../../../../lib/server/answers.js';
import { letterDocument } from '../../../../../lib/server/publishing/letterDocument.js';
import { stores } from '../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

const fileSchema = z.object({ as: z.optional(z.enum(['docx', 'html', 'eml'])) });
const KINDS = {
  docx: 'application/vnd.openxmlformats-officedocument.wordprocessingml.document',
  html: 'text/html; charset=utf-8',
  eml: 'message/rfc822',
};

/** Sends a letter; with `as`, makes a file of it and sends nothing. */
export const POST: RequestHandler = answering(async ({ params, request, url }) => {
  const { letters } = await stores();
  const asked = await bodyOf(request, letterAskedSchema);
  const { as } = queryOf(url, fileSchema);
  if (as) {
    const letter = await letters.compose(params.id, asked);
    if (!letter) throw new Refused(404, GONE);
    const bytes =
      as === 'html'
        ? new TextEncoder().encode(letter.message.html)
        : as === 'eml'
          ? await letters.file(letter)
          : await letterDocument(letter.blocks, letter.subject);
    return new Response(bytes.slice().buffer, { headers: { 'content-type': KINDS[as] } });
  }
  const outcome = await sent(() => letters.send(params.id, asked));
  if (outcome === 'gone') throw new Refused(404, GONE);
  if (outcome === 'nothing') throw new Refused(409, 'None of these queries is still to be sent.');
  if (outcome === 'nobody')
    throw new Refused(409, 'To send this both addresses are needed: the designer’s and your own.');
  return done();
});

/** What the post says when it fails is told in words; the letter stays as it is. */
async function sent<Outcome>(send: () => Promise<Outcome>): Promise<Outcome> {
  try {
    return await send();
  } catch (error) {
    if (!(error instanceof Error) || !('command' in error || 'responseCode' in error)) throw error;
    throw new Refused(
      502,
      `The post did not take this letter (${error.message}). Nothing was sent; try again, or send it yourself.`,
    );
  }
}
