import * as z from 'zod/mini';

/** What a window says of itself while it has a pattern open. */
export const hereSchema = z.object({
  /** A name that the window has given itself. */
  window: z.string().check(z.minLength(1), z.maxLength(64)),
  /** Where in the pattern it is, in words: "Rnd 5, Hull". */
  at: z.string().check(z.maxLength(200)),
});
export type Here = z.infer<typeof hereSchema>;

/** Another window that has the same pattern open. */
export const otherSchema = z.object({
  /** Whose it is; empty where nobody signs in. */
  who: z.string(),
  at: z.string(),
});
export type Other = z.infer<typeof otherSchema>;

/** Who else is at a pattern, and its revision. */
export const companySchema = z.object({ revision: z.int(), others: z.array(otherSchema) });
export type Company = z.infer<typeof companySchema>;
