import * as z from 'zod/mini';
import { resultsSchema, type Results, type Wanted } from '../bench.js';
import { ask, said } from '../client.js';

const numberSchema = z.object({ number: z.int() });

/** Freezes the pattern for testers. @returns the number of the call @throws Trouble */
export async function openCall(id: string, wanted: Wanted): Promise<number> {
  const init = { method: 'POST', body: JSON.stringify(wanted), headers: { 'content-type': 'application/json' } };
  return (await said(await ask(`/api/patterns/${id}/calls`, init), numberSchema)).number;
}

/** @throws Trouble */
export async function withdrawCall(id: string, number: number): Promise<void> {
  await ask(`/api/patterns/${id}/calls/${number}`, { method: 'DELETE' });
}

/** @throws Trouble */
export async function resultsOf(id: string, number: number): Promise<Results> {
  return said(await ask(`/api/patterns/${id}/calls/${number}/results`), resultsSchema);
}

/** Where a photograph of a tester is. */
export function photographAt(id: string, number: number, tester: number, name: string): string {
  return `/api/patterns/${id}/calls/${number}/photographs/${tester}/${name}`;
}
