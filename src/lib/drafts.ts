import * as z from 'zod/mini';
import { momentSchema } from './patterns.js';

/** Something that has come of a pattern, as it is told: the file itself is had by itself. */
export const draftSchema = z.object({
  number: z.int().check(z.gte(1)),
  file: z.string(),
  kind: z.string(),
  size: z.int().check(z.gte(0)),
  notes: z.array(
    z.object({ line: z.int().check(z.gte(1)), about: z.string(), by: z.nullable(z.string()), text: z.string() }),
  ),
  left: z.array(z.string()),
  /** Who has sent it; empty where that is not known. */
  sender: z.string(),
  at: momentSchema,
});
export type Draft = z.infer<typeof draftSchema>;

/** A draft's text, and the working copy on top of it when the next one took its place (null while it is the newest). */
export const draftTextSchema = z.object({ number: z.int(), text: z.string(), worked: z.nullable(z.string()) });
export type DraftText = z.infer<typeof draftTextSchema>;

/** How a change of the editor's own goes into the next draft: it does, it does not, or it becomes a query. */
export const ownTakenSchema = z.enum(['mine', 'theirs', 'query']);
export type OwnTaken = z.infer<typeof ownTakenSchema>;
export const ownDecidedSchema = z.object({
  key: z.string().check(z.minLength(1), z.maxLength(64)),
  taken: ownTakenSchema,
});
export type OwnDecided = z.infer<typeof ownDecidedSchema>;
