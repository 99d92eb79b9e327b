import * as z from 'zod/mini';

/** What a paper is made of, in order; every form (page, text, document) lays out the same. */
export const blockSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('heading'), level: z.literal([1, 2, 3]), text: z.string() }),
  z.object({ kind: z.literal('paragraph'), text: z.string() }),
  z.object({ kind: z.literal('item'), text: z.string() }),
  z.object({ kind: z.literal('caution'), text: z.string() }),
  /** A round with a box to tick; its count stands in a column of its own, empty where it is told among the words. */
  z.object({ kind: z.literal('round'), label: z.string(), words: z.string(), count: z.string() }),
  z.object({
    kind: z.literal('table'),
    head: z.array(z.string()),
    rows: z.array(z.array(z.string())),
    /** The share of the width that each column has; together 1. */
    shares: z.array(z.number()),
  }),
  /** Which of the pictures that go with the paper, from 0. */
  z.object({ kind: z.literal('picture'), picture: z.int().check(z.gte(0)) }),
]);
export type Block = z.infer<typeof blockSchema>;

/** Something that is laid out on pages: an edition, a report, a certificate, a list of errata. */
export const paperSchema = z.object({
  title: z.string(),
  /** Stands on every page: "Version 1.0 · US terms". */
  foot: z.string(),
  /** Of its language, as documents name it. */
  language: z.enum(['en-US', 'en-GB']),
  blocks: z.array(blockSchema),
});
export type Paper = z.infer<typeof paperSchema>;
