import { expose } from 'comlink';
import * as z from 'zod/mini';
import { convertTerms, handSchema, termsEvidence, type Conversion, type TermsEvidence } from '../../core/index.js';
import type { Answering } from './pieces.js';

const convertSchema = z.object({
  text: z.string(),
  from: z.enum(['auto', 'us', 'uk']),
  hand: handSchema,
  to: z.enum(['us', 'uk']),
  hooks: z.boolean(),
  weights: z.boolean(),
  spelling: z.boolean(),
  /** What a word becomes at a place that somebody has settled, by the place. */
  decisions: z.record(z.string(), z.string()),
});
export type AskedConversion = z.infer<typeof convertSchema>;

/** What the page of terms may ask: it needs nothing of the checks. */
export interface ConvertWorker extends Answering {
  convert(asked: AskedConversion): Conversion;
  evidence(text: string): TermsEvidence;
}

const worker: ConvertWorker = {
  ready: () => true,
  convert(asked) {
    const { text, decisions, ...options } = convertSchema.parse(asked);
    return convertTerms(text, { ...options, decisions: new Map(Object.entries(decisions)) });
  },
  evidence: (text) => termsEvidence(z.string().parse(text)),
};

expose(worker);
