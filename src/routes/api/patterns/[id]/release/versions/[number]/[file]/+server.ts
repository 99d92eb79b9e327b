import { fileNameSchema, fileWanted, versionNumberSchema } from '../../../../../../../../lib/release.js';
import { answering, fileAnswer, Refused } from '../../../../../../../../lib/server/answers.js';
import { stores } from '../../../../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** A file of a version, made at the first call and the same ever after. */
export const GET: RequestHandler = answering(async ({ params: { id, number, file }, url }) => {
  const known = versionNumberSchema.safeParse(number).success && fileNameSchema.safeParse(file).success;
  const made = known ? await (await stores()).files.of(id, number, file) : null;
  if (!made) throw new Refused(404, 'There is no such file of this version.');
  const { kind, form } = fileWanted(file);
  return fileAnswer(made, form, `${kind} ${number}`, url.searchParams.has('show'));
});
