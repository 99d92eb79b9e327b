import * as z from 'zod/mini';
import { declarationsIn, detectTerms, witnessesIn } from '../reading/detect.js';
import { positionAt, sourceText } from '../text/source.js';

/** Which vocabulary a text is in, and what tells so. */
export const evidenceSchema = z.object({
  declared: z.array(z.object({ vocabulary: z.enum(['us', 'uk']), line: z.number() })),
  detected: z.enum(['us', 'uk', 'mixed', 'unclear']),
  confidence: z.number(),
  /** Words that only one vocabulary has, or both with different meanings, the most frequent first. */
  words: z.array(
    z.object({ word: z.string(), count: z.number(), tells: z.enum(['us', 'uk', 'both']), line: z.number() }),
  ),
});
export type TermsEvidence = z.infer<typeof evidenceSchema>;

/** Says which vocabulary a text is in, with the words and statements that it is judged by. */
export function termsEvidence(text: string): TermsEvidence {
  const source = sourceText(text);
  const { detected, confidence } = detectTerms(text);
  const lineOf = (offset: number) => positionAt(source, offset).line;
  return {
    declared: declarationsIn(text).map(({ vocabulary, span }) => ({ vocabulary, line: lineOf(span.from) })),
    detected,
    confidence,
    words: witnessesIn(text).map(({ word, count, tells, first }) => ({ word, count, tells, line: lineOf(first) })),
  };
}
