import * as z from 'zod/mini';
import { senseSchema } from '../reading/hand.js';

const count = z.int().check(z.gte(0));

/** One step of a round, worked out. `into` and `made` are of all its `times` together; offsets are in the text. */
export interface AccountStep {
  words: string;
  from: number;
  to: number;
  times: number;
  into: number;
  made: number;
  /** Its number among all steps of the round, from 0, each before those inside it. */
  index: number;
  steps: AccountStep[];
}

const stepSchema: z.ZodMiniType<AccountStep> = z.object({
  words: z.string(),
  from: count,
  to: count,
  times: count,
  into: count,
  made: count,
  index: count,
  get steps() {
    return z.array(stepSchema);
  },
});

/** Which stitch of the edge each made stitch sits on: the data of the stitch ladder. */
export const ladderSchema = z.object({
  /** Stitches there to work into; null where the piece starts here. */
  edge: z.nullable(count),
  /** What a piece starts from, where there is no edge yet. */
  start: z.nullable(z.enum(['ring', 'chain'])),
  stitches: z.array(
    z.object({
      /** Stitches of the edge that it is worked into, from 0: one, several for a decrease, none for a chain or in a ring. */
      on: z.array(count),
      name: z.string(),
      colour: z.nullable(z.string()),
      /** `index` of the step that makes it. */
      step: count,
      /** Which pass of the outermost repeat it belongs to, from 0; null outside of repeats. */
      pass: z.nullable(count),
    }),
  ),
  /** Stitches of the edge that are passed over on purpose, and those that are left over at the end. */
  missed: z.array(count),
  left: z.array(count),
  /** Stitches used that the edge doesn't have. */
  beyond: count,
  /** The round is longer than what is drawn. */
  cut: z.boolean(),
});
export type Ladder = z.infer<typeof ladderSchema>;

/** How the figures of a round come about. */
export const accountSchema = z.object({
  part: z.string(),
  label: z.string(),
  line: z.int().check(z.gte(1)),
  verdict: z.enum(['agrees', 'counted', 'off', 'unreadable', 'on-trust']),
  edge: z.nullable(count),
  into: z.nullable(count),
  made: z.nullable(count),
  stated: z.nullable(count),
  /** The round in plain words, in the pattern's own vocabulary. */
  sentence: z.string(),
  /** What was worked out or passed over for it. */
  why: z.array(z.string()),
  /** Words of it that mean nothing by themselves, with what was found, or said, that they mean. */
  unclear: z.array(z.object({ word: z.string(), from: count, to: count, sense: z.nullable(senseSchema) })),
  steps: z.array(stepSchema),
  ladder: z.nullable(ladderSchema),
});
export type RoundAccount = z.infer<typeof accountSchema>;

/** A slip of the maker that explains a count on the hook, and how to go on from it. */
export const hookSlipSchema = z.object({ what: z.string(), mend: z.string() });
export type HookSlip = z.infer<typeof hookSlipSchema>;
