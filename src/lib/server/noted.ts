import { json } from '@sveltejs/kit';
import type * as z from 'zod/mini';
import { troubleOf } from './store.js';

/** Answers a request that notes something on a pattern: 204, or what is wrong in words. */
export async function noted<Note>(
  request: Request,
  schema: z.ZodMiniType<Note>,
  note: (value: Note) => Promise<boolean>,
): Promise<Response> {
  const read = schema.safeParse(await request.json().catch(() => null));
  if (!read.success)
    return json({ message: read.error.issues[0]?.message ?? 'This could not be read.' }, { status: 400 });
  try {
    if (await note(read.data)) return new Response(null, { status: 204 });
    return json({ message: 'This pattern is no longer on the shelf.' }, { status: 404 });
  } catch (error) {
    return json(troubleOf(error), { status: 507 });
  }
}
