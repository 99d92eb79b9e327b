import * as z from 'zod/mini';
import { resultsSchema, wholeSchema, type Results, type Wanted, type WholeTest } from '../bench.js';
import { ask, body, said } from '../client.js';

/** The server reads the text before it is frozen, and has ten seconds for that; milliseconds. */
const LONGEST = 20_000;

const numberSchema = z.object({ number: z.int() });

/** Freezes the pattern for testers. @returns the number of the call @throws Trouble */
export async function openCall(id: string, wanted: Wanted): Promise<number> {
  const init = { ...body('POST', wanted), signal: AbortSignal.timeout(LONGEST) };
  return (await said(await ask(`/api/patterns/${id}/calls`, init), numberSchema)).number;
}

/** @throws Trouble */
export async function resultsOf(id: string, number: number): Promise<Results> {
  return said(await ask(`/api/patterns/${id}/calls/${number}/results`), resultsSchema);
}

/** @throws Trouble */
export async function wholeTest(id: string, number: number): Promise<WholeTest> {
  return said(await ask(`/api/patterns/${id}/calls/${number}/whole`), wholeSchema);
}

/** Where a photograph of a tester is. */
export function photographAt(id: string, number: number, tester: number, name: string): string {
  return `/api/patterns/${id}/calls/${number}/photographs/${tester}/${name}`;
}
