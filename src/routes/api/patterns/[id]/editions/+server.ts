import { json } from '@sveltejs/kit';
import { termsWantedSchema } from '../../../../../lib/patterns.js';
import { termsStore, troubleOf } from '../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Saves the conversion as an edition of the pattern, or brings the one that is there up to date. */
export const POST: RequestHandler = async ({ params, request }) => {
  const read = termsWantedSchema.safeParse(await request.json().catch(() => null));
  if (!read.success)
    return json({ message: read.error.issues[0]?.message ?? 'This could not be read.' }, { status: 400 });
  try {
    const made = await (await termsStore()).edition(params.id, read.data);
    if (made) return json(made, { status: made.kind === 'made' ? 201 : 200 });
    return json({ message: 'This conversion is not proved, and no edition was made of it.' }, { status: 409 });
  } catch (error) {
    return json(troubleOf(error), { status: 507 });
  }
};
