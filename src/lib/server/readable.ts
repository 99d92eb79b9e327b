import type * as z from 'zod/mini';
import { log } from './log.js';

/**
 * The rows of a table that can be read. One that somebody or something has spoilt is told on the terminal, and costs
 * nobody the others.
 */
export function readable<Row>(rows: readonly unknown[], schema: z.ZodMiniType<Row>, of: string): Row[] {
  return rows.flatMap((row) => {
    const read = schema.safeParse(row);
    if (read.success) return [read.data];
    log.error(`A row of ${of} can't be read and is left out: ${read.error.issues[0]?.path.join('.') ?? ''}`);
    return [];
  });
}

/** What some JSON says; undefined where it is none. */
export function parsed(json: string): unknown {
  try {
    return JSON.parse(json);
  } catch {
    return undefined;
  }
}
